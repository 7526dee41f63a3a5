import { defineStore } from 'pinia'
import { shallowRef } from 'vue'

/** What the map is narrowed to: all other topics stand back. Whoever narrows it says what is left. */
export const useNarrowing = defineStore('narrowing', () => {
    const to = shallowRef<{ readonly words: string; readonly ids: ReadonlySet<string> } | null>(null)

    const isBack = (id: string): boolean => to.value !== null && !to.value.ids.has(id)

    return { to, isBack }
})
