import { defineStore } from 'pinia'
import { shallowRef, watch } from 'vue'
import { useMap } from './map'

/** What is chosen where that is no topic: rows of one sort that are drawn as marks, such as cross-links. */
export interface ChosenMarks { readonly type: string; readonly ids: readonly string[] }

/** Either topics are chosen or marks, never both. */
export const useChosenMarks = defineStore('chosenMarks', () => {
    const map = useMap()
    const chosen = shallowRef<ChosenMarks | null>(null)
    /** The topic that was chosen before, to go back to. */
    let before: string | null = null

    function choose(type: string, ids: readonly string[]): void {
        before = map.current ?? before
        chosen.value = ids.length === 0 ? null : { type, ids }
        map.choose(...(ids.length === 0 && before !== null ? [before] : []))
    }

    /** Back to topics: to this one, or the one chosen before. */
    function leave(to: string | null = null): void {
        const topic = to ?? before
        chosen.value = null
        map.choose(topic !== null && map.tree.topics.has(topic) ? topic : (map.scope ?? map.tree.root))
    }

    watch(() => map.chosen, (now) => now.length > 0 && (chosen.value = null))
    watch(() => map.id, () => {
        chosen.value = before = null
    })
    // What is gone is not chosen any more.
    watch(() => map.tree.rows, (rows) => {
        const { type, ids } = chosen.value ?? { type: '', ids: [] }
        const there = ids.filter((id) => rows.has(`${type} ${id}`))
        if (there.length === 0 && ids.length > 0) {
            leave()
        } else if (there.length < ids.length) {
            chosen.value = { type, ids: there }
        }
    })

    return { chosen, choose, leave }
})
