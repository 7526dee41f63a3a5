import { defineStore } from 'pinia'
import { shallowRef, watch } from 'vue'
import type { Edit } from '@/api/wire'
import { useBeside } from '@/stores/beside'
import { newId, useMap, type Region } from '@/stores/map'
import { askedFirst, useTitles } from '@/stores/titles'
import { rowOf, type Tree } from '@/stores/tree'

export const LONGEST_PHRASE = 300

/** A phrase that is being typed; of a topic made just now, whose title comes next. */
export interface Asking { readonly topic: string; readonly where: Region; readonly step: string; readonly fresh: boolean }

/** What becomes of the phrases on connectors below a topic; see the core's BranchPhrases. */
export function phrasesBelow(tree: Tree, topic: string): string {
    for (let at: string | null = topic; at !== null; at = tree.topics.get(at)?.parent ?? null) {
        const are = rowOf(tree, 'phrases', at)?.fields.are
        if (typeof are === 'string') {
            return are
        }
    }
    return String(rowOf(tree, 'phrases', tree.root)?.fields.are ?? '')
}

/** The phrases on the connectors of the map that is open, and the one that is being typed. */
export const usePhrases = defineStore('phrases', () => {
    const map = useMap()
    const beside = useBeside()
    const titles = useTitles()
    const asking = shallowRef<Asking | null>(null)

    const phraseOf = (topic: string): string => String(rowOf(beside.tree, 'phrase', topic)?.fields.phrase ?? '')
    const canHave = (topic: string): boolean => (map.tree.topics.get(topic)?.parent ?? null) !== null

    function set(phrase: string, topics: readonly string[], step = newId()): void {
        map.edit({ name: 'row.set', step, type: 'phrase', topics: [...topics], fields: { phrase: phrase.trim().slice(0, LONGEST_PHRASE) } } as Edit)
    }

    /** What becomes of phrases below what is chosen; the same again takes it back to what holds above. */
    function say(are: 'asked' | 'hidden'): void {
        const isSaid = map.chosen.every((topic) => rowOf(map.tree, 'phrases', topic)?.fields.are === are)
        map.edit({ name: 'row.set', type: 'phrases', topics: [...map.chosen], fields: { are: isSaid ? null : are } } as Edit)
    }

    function begin(topic: string, step = newId(), fresh = false): void {
        if (canHave(topic)) {
            map.choose(topic)
            asking.value = { topic, where: map.region, step, fresh }
        }
    }

    /** Keeps what was typed, or not where that is null; and goes on to the title of a topic that was made just now. */
    function end(phrase: string | null, goesOn: boolean): void {
        const asked = asking.value
        asking.value = null
        if (asked === null || !map.tree.topics.has(asked.topic)) {
            return
        }
        const said = phrase?.trim() ?? ''
        if (phrase !== null && said !== phraseOf(asked.topic)) {
            set(said, [asked.topic], asked.step)
        }
        if (asked.fresh) {
            map.editing = { id: asked.topic, where: asked.where, step: asked.step, fresh: true, instead: null }
            // One that was given neither goes again; one that was given up goes whatever it was given.
            if (!goesOn && said === '') {
                titles.end(null)
            } else if (!goesOn) {
                map.editing = null
            }
        }
    }

    /** Lets a new topic stand beside its parent, and goes on typing there. */
    function higher(phrase: string): void {
        const asked = asking.value
        if (asked === null || !asked.fresh || !titles.canShiftOut(asked.topic)) {
            return
        }
        end(phrase, true)
        titles.shiftOut(asked.topic)
        if (phrase.trim() === '' && isAsked(asked.topic)) {
            map.editing = null
            begin(asked.topic, asked.step, true)
        }
    }

    const isAsked = (topic: string): boolean => {
        const parent = map.tree.topics.get(topic)?.parent ?? null
        return parent !== null && phrasesBelow(map.tree, parent) === 'asked'
    }

    /** A new topic is asked for its phrase before its title where its branch wants that. */
    askedFirst.add((topic, step) => {
        if (isAsked(topic)) {
            begin(topic, step, true)
        }
        return isAsked(topic)
    })
    watch(() => map.id, () => (asking.value = null))

    return { asking, phraseOf, canHave, set, say, begin, higher, end }
})
