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
    const walkDim = useStorage('chalk-walk-dim', 0.75)

    watchEffect(() => {
        document.documentElement.dataset.board = board.value
    })

    return { board, outlineOpen, deskOpen, outlineWidth, walkDim }
})
