import { shallowRef } from 'vue'

/** A place in the note of a topic to which a list leads, in letters of its Markdown; whoever shows the note as text goes there. */
export const textPlace = shallowRef<{ topic: string; from: number; to: number } | null>(null)
