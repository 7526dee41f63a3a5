import { shallowRef } from 'vue'

/** A file of the map that somebody wants to see, from wherever it was asked for; who shows files sees to it. */
export const fileWanted = shallowRef<{ readonly source: string; readonly name: string } | null>(null)
