import { useStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import { watchEffect } from 'vue'
import type { Calm } from '@/api/wire'
import { isDark, type BoardName } from '@/ui/boards'

export type { BoardName }
/** The ways of seeing that features have. */
export type OwnWay = 'slides' | 'table' | 'draft'

/** Where one was, and to which topic one was led from there; that is left out where one was led to a map. */
interface Mark {
    readonly map: string
    readonly topic: string
    readonly to?: string
}

/** Of two windows beside each other each is seen in its own way; a new one begins as the last was. */
const ofWindow = { listenToStorageChanges: false }

/** What a person chose for this browser: the board, which panels are open, how wide they are. */
export const usePreferences = defineStore('preferences', () => {
    const board = useStorage<BoardName>('chalk-board', 'day')
    /** The light board that was chosen last. */
    const lightBoard = useStorage<BoardName>('chalk-light-board', 'day')
    const size = useStorage<Calm['size']>('chalk-size', 'usual')
    const motion = useStorage<Calm['motion']>('chalk-motion', 'system')
    /** Whether the names of tools are said when one comes to them. */
    const names = useStorage<NonNullable<Calm['names']>>('chalk-names', 'read')
    /** The way of seeing: the board, with the outline beside it if that is open, the outline alone, or one that a feature has. */
    const way = useStorage<'board' | 'outline' | OwnWay>('chalk-way', 'board', undefined, ofWindow)
    const outlineOpen = useStorage('chalk-outline-open', true, undefined, ofWindow)
    const deskOpen = useStorage('chalk-desk-open', true, undefined, ofWindow)
    const trayOpen = useStorage('chalk-tray-open', false, undefined, ofWindow)
    /** The sections of the desk that are folded. */
    const deskFolded = useStorage<string[]>('chalk-desk-folded', [])
    const outlineWidth = useStorage('chalk-outline-width', 248)
    /** The map in the second view, if there is one. */
    const second = useStorage<string | null>('chalk-second', null)
    /** Maps in which one wants to hear no more of levels with a single topic. */
    const levelsLeft = useStorage<string[]>('chalk-levels-left', [])
    const libraryAs = useStorage<'pictures' | 'list'>('chalk-library-as', 'pictures')
    const librarySort = useStorage<'changed' | 'name' | 'topics'>('chalk-library-sort', 'changed')

    watchEffect(() => {
        document.documentElement.dataset.board = board.value
        document.documentElement.dataset.size = size.value
        document.documentElement.dataset.motion = motion.value
        lightBoard.value = isDark(board.value) ? lightBoard.value : board.value
    })

    /** From Slate to the light board chosen last, and back. */
    function turnBoard(): void {
        board.value = isDark(board.value) ? lightBoard.value : 'slate'
    }

    /** Where one was before one was led elsewhere, the latest last, and to which topic. */
    const trail = useStorage<Mark[]>('chalk-trail', [])
    function leaveMark(map: string, topic: string, to: string | null): void {
        trail.value = [...trail.value, { map, topic, ...(to === null ? {} : { to }) }].slice(-40)
    }
    function takeMark(): Mark | undefined {
        const last = trail.value.at(-1)
        trail.value = trail.value.slice(0, -1)
        return last
    }

    /** What tells of maps goes when another person uses this browser. */
    const owner = useStorage('chalk-owner', '')
    function belongTo(person: string): void {
        if (owner.value !== person) {
            second.value = null
            levelsLeft.value = []
            trail.value = []
            owner.value = person
        }
    }

    function setSecond(map: string | null): void {
        second.value = map
    }

    return { trail, leaveMark, takeMark, way, deskFolded, second, setSecond, belongTo, levelsLeft, libraryAs, librarySort, board, size, motion, names, turnBoard, outlineOpen, deskOpen, trayOpen, outlineWidth }
})
