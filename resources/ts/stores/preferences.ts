import { useStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import { watchEffect } from 'vue'

export type BoardName = 'day' | 'slate'

/** What a person chose for this browser: the board, which panels are open, how wide they are. */
export const usePreferences = defineStore('preferences', () => {
    const board = useStorage<BoardName>('chalk-board', 'day')
    /** The way of seeing: the board, with the outline beside it if that is open, or the outline alone. */
    const way = useStorage<'board' | 'outline'>('chalk-way', 'board')
    const outlineOpen = useStorage('chalk-outline-open', true)
    const deskOpen = useStorage('chalk-desk-open', true)
    const trayOpen = useStorage('chalk-tray-open', false)
    /** The sections of the desk that are folded. */
    const deskFolded = useStorage<string[]>('chalk-desk-folded', [])
    const outlineWidth = useStorage('chalk-outline-width', 248)
    /** The map in the second view, if there is one. */
    const second = useStorage<string | null>('chalk-second', null)
    /** Maps in which one wants to hear no more of levels with a single topic. */
    const levelsLeft = useStorage<string[]>('chalk-levels-left', [])
    const libraryAs = useStorage<'pictures' | 'list'>('chalk-library-as', 'pictures')
    const librarySort = useStorage<'changed' | 'name' | 'topics'>('chalk-library-sort', 'changed')
    const walkDim = useStorage('chalk-walk-dim', 0.75)

    watchEffect(() => {
        document.documentElement.dataset.board = board.value
    })

    /** What tells of maps goes when another person uses this browser. */
    const owner = useStorage('chalk-owner', '')
    function belongTo(person: string): void {
        if (owner.value !== person) {
            second.value = null
            levelsLeft.value = []
            owner.value = person
        }
    }

    function setSecond(map: string | null): void {
        second.value = map
    }

    return { way, deskFolded, second, setSecond, belongTo, levelsLeft, libraryAs, librarySort, board, outlineOpen, deskOpen, trayOpen, outlineWidth, walkDim }
})
