import { defineStore } from 'pinia'
import { computed, shallowRef, watch } from 'vue'
import type { Edit } from '@/api/wire'
import { useBeside } from '@/stores/beside'
import { useChosenMarks } from '@/stores/chosenMarks'
import { newId, useMap } from '@/stores/map'
import { foresight, topsOf, type KeptRow } from '@/stores/tree'
import { topicName } from '@/text/titleMarkdown'
import type { TiedLine } from '../feature'

export const RING = 'ring'

/** A ring of the map, with the topics that it goes around. */
export interface Ring { readonly id: string; readonly name: string; readonly topics: readonly string[]; readonly fields: KeptRow['fields'] }

foresight.set('ring.draw', (edit, before) => {
    if (edit.name !== 'ring.draw') {
        return before
    }
    const rows = new Map(before)
    rows.set(`${RING} ${edit.as}`, { type: RING, id: edit.as, topics: [], fields: { name: '' } })
    // What rows they will be is the server's to say.
    edit.topics.forEach((topic) => rows.set(`ring-member ${edit.as} ${topic}`, { type: 'ring-member', id: `${edit.as} ${topic}`, topics: [topic], fields: { topic, ring: edit.as } }))
    return rows
})

/** The rings of the map that is open, which of them are chosen, and the one whose name is typed. */
export const useRings = defineStore('rings', () => {
    const map = useMap()
    const beside = useBeside()
    const marks = useChosenMarks()

    /** All that go around something, made once for a state of the map. */
    const all = computed<readonly Ring[]>(() => {
        const members = new Map<string, string[]>()
        for (const row of beside.tree.rows.values()) {
            if (row.type === 'ring-member') {
                const ring = String(row.fields.ring)
                members.set(ring, [...(members.get(ring) ?? []), String(row.fields.topic)])
            }
        }
        return [...members].flatMap(([id, topics]) => {
            const row = beside.tree.rows.get(`${RING} ${id}`)
            return row === undefined ? [] : [{ id, name: String(row.fields.name ?? ''), topics, fields: row.fields }]
        }).sort((a, b) => (a.id < b.id ? -1 : 1))
    })
    const byTopic = computed(() => {
        const found = new Map<string, Ring[]>()
        for (const ring of all.value) {
            ring.topics.forEach((topic) => found.set(topic, [...(found.get(topic) ?? []), ring]))
        }
        return found
    })
    const find = (id: string): Ring | undefined => all.value.find((ring) => ring.id === id)
    const ringsOf = (topic: string): readonly Ring[] => byTopic.value.get(topic) ?? []
    const nameOf = (ring: Ring | undefined): string => (ring?.name ?? '') === '' ? 'ring without a name' : `ring ${ring?.name}`
    const titlesOf = (ring: Ring): string => ring.topics.map((topic) => topicName(beside.tree.topics.get(topic)?.title)).join(', ')

    const chosen = computed<readonly string[]>(() => (marks.chosen?.type === RING ? marks.chosen.ids.filter((id) => find(id) !== undefined) : []))
    const choose = (ids: readonly string[]): void => marks.choose(RING, ids)
    /** The name that is being typed; the step is that of the drawing where it was drawn just now. */
    const naming = shallowRef<{ readonly id: string; readonly step: string; readonly around: readonly string[] } | null>(null)
    /** Around which one the choice goes. */
    let around = ''

    const lines = computed(() => new Map([...byTopic.value].map(([topic, its]) => [topic, its.map((ring): TiedLine => ({ id: `${ring.id} ${topic}`, text: `○ ${ring.name === '' ? 'ring' : ring.name}`, isOn: chosen.value.includes(ring.id), act: () => choose([ring.id]) }))])))

    function draw(): void {
        const topics = topsOf(map.tree, map.chosen)
        const [as, step] = [newId(), newId()]
        if (topics.length > 0) {
            map.edit({ name: 'ring.draw', step, topics, as })
            choose([as])
            naming.value = { id: as, step, around: topics }
        }
    }
    const put = (ring: string, topics: readonly string[], out: boolean): void => map.edit({ name: 'ring.put', topics: [...topics], ring, ...(out ? { out } : {}) })
    function set(fields: Record<string, string | number | null>, ids: readonly string[] = chosen.value, step = newId()): void {
        if (ids.length > 0) {
            map.edit({ name: 'row.set', step, type: RING, rows: [...ids], fields } as Edit)
        }
    }
    function remove(): void {
        const ids = [...chosen.value]
        const [topic] = find(ids[ids.length - 1] ?? '')?.topics ?? []
        map.edit({ name: 'row.remove', type: RING, rows: ids })
        marks.leave(topic ?? null)
    }
    /** Takes what is chosen out of every ring that goes around it. */
    function takeOut(): void {
        const step = newId()
        const edits = all.value.flatMap(({ id, topics }): Edit[] => {
            const its = map.chosen.filter((topic) => topics.includes(topic))
            return its.length === 0 ? [] : [{ name: 'ring.put', step, topics: its, ring: id, out: true }]
        })
        map.edit(...edits)
    }
    function beginName(id = chosen.value[chosen.value.length - 1]): void {
        if (id !== undefined) {
            choose([id])
            naming.value = { id, step: newId(), around: find(id)?.topics ?? [] }
        }
    }
    function endName(name: string | null): void {
        const typing = naming.value
        naming.value = null
        const said = name?.trim().slice(0, 200)
        if (typing !== null && said !== undefined && said !== (find(typing.id)?.name ?? '')) {
            set({ name: said }, [typing.id], typing.step)
        }
    }
    /** Goes round the rings of a topic, and of what it is below of. */
    function next(): void {
        around = map.current ?? around
        const its: string[] = []
        for (let at: string | null = around; at !== null; at = map.tree.topics.get(at)?.parent ?? null) {
            its.push(...ringsOf(at).map(({ id }) => id))
        }
        if (its.length > 0) {
            choose([its[(its.indexOf(chosen.value[chosen.value.length - 1] ?? '') + 1) % its.length] ?? ''])
        }
    }
    const chooseTopics = (topics: readonly string[]): void => map.choose(...topics.filter((topic) => map.tree.topics.has(topic)))
    const hasAround = (topic: string | null): boolean => {
        for (let at = topic; at !== null; at = map.tree.topics.get(at)?.parent ?? null) {
            if (ringsOf(at).length > 0) {
                return true
            }
        }
        return false
    }
    const told = (topic: string): string => ringsOf(topic).map((ring) => `in ${nameOf(ring)}`).join(', ')

    watch(() => map.id, () => (naming.value = null))
    watch(chosen, (ids) => naming.value !== null && !ids.includes(naming.value.id) && (naming.value = null))

    return { all, chosen, naming, lines, find, ringsOf, nameOf, titlesOf, told, hasAround, choose, chooseTopics, draw, put, set, remove, takeOut, beginName, endName, next }
})
