import { defineStore } from 'pinia'
import type { Edit } from '@/api/wire'
import { newId, useMap } from '@/stores/map'
import { tell } from '@/ui/tell'
import { useTitles } from '@/stores/titles'
import { childrenOf, inOrder, isFlow } from '@/stores/tree'
import { answers, headOf, sortOf, sorts, waysIn, type Sort, type Way } from './steps'

/** What is done with the steps of processes. */
export const useProcess = defineStore('process', () => {
    const map = useMap()
    const titles = useTitles()
    /** Decisions that have asked for their other way once. */
    const asked = new Set<string>()

    const tie = (from: string, to: string, step: string, phrase = ''): Edit[] => {
        const link = newId()
        const set: Edit[] = phrase === '' ? [] : [{ name: 'row.set', step, type: 'crosslink', row: link, fields: { phrase } } as Edit]
        return [{ name: 'crosslink.tie', step, topics: [from], to, as: [link] }, ...set]
    }
    const onto = (ways: readonly Way[], topic: string, step: string): Edit[] => (ways.length === 0 ? [] : [{ name: 'row.set', step, type: 'crosslink', rows: ways.map(({ id }) => id), fields: { to: topic } } as Edit])

    /** The step that follows one, or comes before it. */
    function next(topic: string, before: boolean): boolean {
        const head = headOf(map.tree, topic)
        if (head === null) {
            return false
        }
        const ways = waysIn(map.tree, head)
        const [into, out] = [ways.filter(({ to }) => to === topic), ways.filter(({ from }) => from === topic)]
        const [only, ...others] = out
        if (before) {
            titles.add({ before: topic }, (id, step) => [...onto(into, id, step), ...tie(id, topic, step)])
        } else if (sortOf(map.tree, topic) === 'decision') {
            if (out.length > 0) {
                asked.add(topic)
            }
            titles.add({ after: out[out.length - 1]?.to ?? topic }, (id, step) => tie(topic, id, step, answers.find((answer) => !out.some(({ phrase }) => phrase === answer)) ?? ''))
        } else if (only === undefined) {
            followLast(topic, into, ways)
        } else {
            titles.add({ after: topic }, (id, step) => (others.length === 0 ? [{ name: 'crosslink.splice', step, link: only.id, topic: id, as: newId() }] : tie(topic, id, step)))
        }
        return true
    }

    /** After the first answer of a decision the other one is asked for; else it goes on from here. */
    function followLast(topic: string, into: readonly Way[], ways: readonly Way[]): void {
        const from = into.length === 1 ? into[0]?.from : undefined
        const isFirstAnswer = from !== undefined && sortOf(map.tree, from) === 'decision' && !asked.has(from) && ways.filter((way) => way.from === from).length === 1
        if (isFirstAnswer) {
            next(from, false)
        } else {
            titles.add({ after: topic }, (id, step) => tie(topic, id, step))
        }
    }

    /** A new topic below the head goes on from the last step, where that leads nowhere yet. */
    function below(parent: string): boolean {
        const last = isFlow(map.tree, parent) ? childrenOf(map.tree, parent).at(-1) : undefined
        return last !== undefined && sortOf(map.tree, last) !== 'decision' && !waysIn(map.tree, parent).some(({ from }) => from === last) && next(last, false)
    }

    function between(link: string): boolean {
        const row = map.tree.rows.get(`crosslink ${link}`)
        const [from, to] = [String(row?.fields.from ?? ''), String(row?.fields.to ?? '')]
        const head = headOf(map.tree, from)
        if (head === null || headOf(map.tree, to) !== head) {
            return false
        }
        titles.add({ after: from }, (topic, step) => [{ name: 'crosslink.splice', step, link, topic, as: newId() }])
        return true
    }

    function shift(topics: readonly string[], by: -1 | 1): boolean {
        const [topic, ...others] = topics
        const head = topic === undefined ? null : headOf(map.tree, topic)
        if (topic === undefined || head === null) {
            return false
        }
        if (others.length > 0) {
            tell.info('One step at a time goes earlier or later. Choose one of them.')
            return true
        }
        map.edit({ name: 'flow.shift', topic, by, as: newId() })
        return true
    }

    const leaving = (topics: readonly string[], step: string): Edit[] => {
        const steps = topics.filter((topic) => headOf(map.tree, topic) !== null)
        return steps.length === 0 ? [] : [{ name: 'flow.lift', step, topics: steps }]
    }

    /** Says what sort of step the chosen ones are. */
    function become(sort: Sort): void {
        const topics = map.chosen.filter((topic) => headOf(map.tree, topic) !== null)
        if (topics.length > 0) {
            map.edit({ name: 'row.set', type: 'look', topics, fields: { shape: sorts.find(({ name }) => name === sort)?.shape ?? null } })
        }
    }

    function turnSort(): void {
        const at = sorts.findIndex(({ name }) => name === sortOf(map.tree, map.current ?? ''))
        become(sorts[(at + 1) % sorts.length]?.name ?? 'step')
    }

    /** Those that can be tied one after the other: several chosen steps, or all below a chosen head. */
    function row(): readonly string[] {
        const [head, ...others] = map.chosen
        const steps = head !== undefined && others.length === 0 && isFlow(map.tree, head) ? childrenOf(map.tree, head) : inOrder(map.tree, map.chosen)
        const isOne = steps.length > 1 && steps.every((step) => headOf(map.tree, step) !== null && headOf(map.tree, step) === headOf(map.tree, steps[0] ?? ''))
        return isOne ? steps : []
    }

    /** Lets each lead to the one after it. */
    function tieInOrder(): void {
        const [steps, step] = [row(), newId()]
        const ways = waysIn(map.tree, headOf(map.tree, steps[0] ?? '') ?? '')
        const missing = steps.slice(1).map((to, n) => ({ from: steps[n] ?? '', to })).filter(({ from, to }) => !ways.some((way) => way.from === from && way.to === to))
        if (missing.length > 0) {
            map.edit(...missing.flatMap(({ from, to }) => tie(from, to, step)))
        }
    }

    return { next, below, between, shift, leaving, become, turnSort, row, tieInOrder }
})
