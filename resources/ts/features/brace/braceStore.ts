import { defineStore } from 'pinia'
import { computed } from 'vue'
import { useBeside } from '@/stores/beside'
import { newId, useMap } from '@/stores/map'
import { childrenOf } from '@/stores/tree'
import { topicName } from '@/text/titleMarkdown'

/** A brace: its topic, and the first and the last of the siblings that it spans. */
export interface Brace { readonly row: string; readonly topic: string; readonly first: string; readonly last: string }

/** The braces of the map that is open. */
export const useBraces = defineStore('braces', () => {
    const map = useMap()
    const beside = useBeside()

    const byTopic = computed(() => {
        const found = new Map<string, Brace>()
        for (const { type, id, fields } of beside.tree.rows.values()) {
            const [topic, first, last] = [String(fields.topic), String(fields.first), String(fields.last)]
            const parent = beside.tree.topics.get(topic)?.parent ?? null
            if (type === 'brace' && parent !== null && beside.tree.topics.get(first)?.parent === parent && beside.tree.topics.get(last)?.parent === parent) {
                found.set(topic, { row: id, topic, first, last })
            }
        }
        return found
    })
    const of = (topic: string | null): Brace | undefined => (topic === null ? undefined : byTopic.value.get(topic))
    const titleOf = (topic: string): string => topicName(beside.tree.topics.get(topic)?.title)
    const spoken = (topic: string): string => {
        const brace = of(topic)
        return brace === undefined ? '' : brace.first === brace.last ? `brace over ${titleOf(brace.first)}` : `brace from ${titleOf(brace.first)} to ${titleOf(brace.last)}`
    }
    /** What a brace could span: its siblings that are none themselves, in their order. */
    const siblingsOf = (topic: string): string[] => childrenOf(beside.tree, beside.tree.topics.get(topic)?.parent ?? '').filter((id) => !byTopic.value.has(id))

    const canDraw = (topics: readonly string[]): boolean => {
        const parents = new Set(topics.map((topic) => map.tree.topics.get(topic)?.parent ?? null))
        return topics.length > 0 && parents.size === 1 && !parents.has(null) && !topics.some((topic) => byTopic.value.has(topic))
    }

    /** Draws a brace over what is chosen, and begins its title. */
    function draw(): void {
        const [as, step] = [newId(), newId()]
        if (canDraw(map.chosen)) {
            map.edit({ name: 'brace.draw', step, topics: [...map.chosen], as })
            map.goOnAfterAnswer(() => {
                map.choose(as)
                map.editing = { id: as, where: map.region, step, fresh: true, instead: null }
            })
        }
    }
    const span = (topic: string, from: string, to: string): void => {
        const brace = of(topic)
        if (brace !== undefined && (brace.first !== from || brace.last !== to)) {
            map.edit({ name: 'brace.span', topic, from, to })
        }
    }
    /** One sibling more or fewer at an end. */
    function move(end: 'first' | 'last', by: 1 | -1): void {
        const brace = of(map.current)
        const all = brace === undefined ? [] : siblingsOf(brace.topic)
        const [first, last] = [all.indexOf(brace?.first ?? ''), all.indexOf(brace?.last ?? '')]
        const to = (end === 'first' ? first : last) + by
        const other = end === 'first' ? last : first
        if (brace !== undefined && all[to] !== undefined && (end === 'first' ? to <= other : to >= other)) {
            span(brace.topic, end === 'first' ? (all[to] ?? '') : brace.first, end === 'last' ? (all[to] ?? '') : brace.last)
        }
    }
    function dissolve(): void {
        const rows = map.chosen.flatMap((topic) => of(topic)?.row ?? [])
        map.edit({ name: 'row.remove', type: 'brace', rows })
    }

    return { byTopic, of, titleOf, spoken, siblingsOf, canDraw, draw, span, move, dissolve }
})
