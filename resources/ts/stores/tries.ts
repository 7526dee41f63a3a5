import { defineStore } from 'pinia'
import { api } from '@/api/client'
import type { Edit } from '@/api/wire'
import { useMap } from './map'

/** Looking at the board as it would be after some edits, for as long as one points at them. */
export const useTries = defineStore('tries', () => {
    const map = useMap()
    let turn = 0
    let soon: ReturnType<typeof setTimeout> | undefined

    /** Shows the board so, once the pointer rests. Large maps are not drawn just to try. */
    function look(edits: Edit[]): void {
        const its = ++turn
        clearTimeout(soon)
        soon = setTimeout(() => {
            void api.tries(map.id, [edits], true).then(({ scenes: [scene] }) => {
                if (its === turn && scene !== undefined) {
                    map.showTried(scene)
                }
            }).catch(() => undefined)
        }, 90)
    }

    function leave(): void {
        turn++
        clearTimeout(soon)
        map.showTried(null)
    }

    return { look, leave }
})
