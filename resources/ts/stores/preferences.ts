import { useStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import { watchEffect } from 'vue'

export type BoardName = 'day' | 'slate'

/** What a person chose for this browser: the board, which panels are open, how wide they are. */
export const usePreferences = defineStore('preferences', () => {
    const board = useStorage<BoardName>('chalk-board', 'day')
    const outlineOpen = useStorage('chalk-outline-open', true)
    const deskOpen = useStorage('chalk-desk-open', true)
    const outlineWidth = useStorage('chalk-outline-width', 248)
    /** The map in the second view, if there is one. */
    const second = useStorage<string | null>('chalk-second', null)
    const libraryAs = useStorage<'pictures' | 'list'>('chalk-library-as', 'pictures')
    const librarySort = useStorage<'changed' | 'name' | 'topics'>('chalk-library-sort', 'changed')
    const walkDim = useStorage('chalk-walk-dim', 0.75)

    watchEffect(() => {
        document.documentElement.dataset.board = board.value
    })

    function setSecond(map: string | null): void {
        second.value = map
    }

    return { second, setSecond, libraryAs, librarySort, board, outlineOpen, deskOpen, outlineWidth, walkDim }
})
