import { shallowRef } from 'vue'

/** The topic of which the sheet is filled in question by question, and where one goes back to; null while nobody does. */
export const interviewed = shallowRef<{ topic: string; back: () => void } | null>(null)
