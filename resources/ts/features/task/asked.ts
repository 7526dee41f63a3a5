import { shallowRef } from 'vue'

/** The to-dos of which it is asked how far they are; null while nothing is asked. */
export const reported = shallowRef<readonly string[] | null>(null)
