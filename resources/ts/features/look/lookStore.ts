import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import type { Edit, LooksAnswer } from '@/api/wire'
import { deepestLevel } from '@/board/looks'
import { useBeside } from '@/stores/beside'
import { newId, useMap } from '@/stores/map'
import { branchOf, childrenOf, depthOf, rowOf, siblingsOf, type KeptRow, type Tree } from '@/stores/tree'
import { tell } from '@/ui/tell'
import { chalks as ofSet, fieldNames, type Choice } from './vocabulary'

/** Where what is set in the desk is said. */
export type Reach = 'topics' | 'level' | 'map'

/** Topics that go together when styling. */
export type Kin = 'siblings' | 'level' | 'branch' | 'alike'

export type Value = string | number | boolean | null
export type Said = Readonly<Record<string, Value>>
type SetRow = Extract<Edit, { name: 'row.set' }>

const nothing: Said = Object.fromEntries(fieldNames.map((name) => [name, null]))

/** The values of a look that a row says. */
export function saidBy(row: KeptRow | undefined): Record<string, Value> {
    return Object.fromEntries(Object.entries(row?.fields ?? {}).filter(([name, value]) => name in nothing && value !== null))
}

/** The level of a topic's look. */
export const levelOf = (tree: Tree, topic: string): number => Math.min(deepestLevel, depthOf(tree, topic) + (tree.topics.get(topic)?.parent === null && topic !== tree.root ? 1 : 0))

/** In the order in which they hold: where two people said something at once, the later one's last. */
const rowsOf = (tree: Tree, type: string): KeptRow[] => [...tree.rows.values()].filter((row) => row.type === type).sort((a, b) => (a.id < b.id ? -1 : 1))

/** Saying how topics look, of one or of many at once; what is done at once is undone at once. */
export const useLooks = defineStore('looks', () => {
    const map = useMap()
    const beside = useBeside()
    const reach = ref<Reach>('topics')
    /** The look that was copied last. */
    const copied = shallowRef<Record<string, Value> | null>(null)
    const dialog = ref<'whole' | 'why' | null>(null)

    // What is shown is of the map as it is beside the board, so that no key waits for it; what is done is of the map itself.
    const mapLook = computed(() => rowsOf(beside.tree, 'map-look').at(-1))
    const namedLooks = computed(() => rowsOf(beside.tree, 'named-look'))
    const mixed = computed(() => rowsOf(beside.tree, 'mixed-chalk'))
    /** The chalks of the set and those mixed for the map. */
    const chalks = computed<Choice[]>(() => [...ofSet, ...mixed.value.map((row) => ({ value: row.id, label: String(row.fields.name ?? '') }))])
    const levelsOf = (tree: Tree, chosen: readonly string[]): number[] => [...new Set(chosen.map((id) => levelOf(tree, id)))].sort()
    const levels = computed(() => levelsOf(beside.tree, beside.chosen))
    const levelLook = (tree: Tree, level: number): KeptRow | undefined => rowsOf(tree, 'level-look').filter((row) => row.fields.level === level).at(-1)

    /** The rows in which the chosen topics' looks are said, within reach. */
    const rows = computed<(KeptRow | undefined)[]>(() => ({
        topics: () => beside.chosen.map((id) => rowOf(beside.tree, 'look', id)),
        level: () => levels.value.map((level) => levelLook(beside.tree, level)),
        map: () => [mapLook.value],
    })[reach.value]())

    /** What all of them say of a field; null where nothing is said, undefined where they differ. */
    function common(field: string): Value | undefined {
        const values = new Set(rows.value.map((row) => row?.fields[field] ?? null))
        return values.size === 1 ? [...values][0] : undefined
    }

    const ofTopics = (topics: readonly string[], fields: Said, step: string): Edit => ({ name: 'row.set', step, type: 'look', topics: [...topics], fields: fields as SetRow['fields'] } as Edit)
    const ofRow = (type: string, row: string, fields: Said, step: string): Edit => ({ name: 'row.set', step, type, row, fields } as Edit)
    const ofLevel = (level: number, fields: Said, step: string): Edit => ofRow('level-look', levelLook(map.tree, level)?.id ?? newId(), { level, ...fields }, step)
    const ofMap = (fields: Said, step: string): Edit => ofRow('map-look', rowsOf(map.tree, 'map-look').at(-1)?.id ?? newId(), fields, step)

    /** Says something of all that is within reach. */
    function set(fields: Said): void {
        const step = newId()
        if (reach.value === 'level') {
            map.edit(...levelsOf(map.tree, map.chosen).map((level) => ofLevel(level, fields, step)))
        } else if (reach.value === 'map') {
            map.edit(ofMap(fields, step))
        } else if (map.chosen.length > 0) {
            map.edit(ofTopics(map.chosen, fields, step))
        }
    }

    function setOfMap(fields: Said): void {
        map.edit(ofMap(fields, newId()))
    }

    /** What is said of a topic itself and by the look with a name that it has. */
    function saidOf(topic: string): Record<string, Value> {
        const own = rowOf(map.tree, 'look', topic)
        const named = rowsOf(map.tree, 'named-look').find((row) => row.id === own?.fields.named)
        return { ...saidBy(named), ...saidBy(own) }
    }

    function copy(): void {
        if (map.current !== null) {
            copied.value = saidOf(map.current)
            tell.info(Object.keys(copied.value).length === 0 ? 'Copied: this topic looks as its level does.' : 'The look is copied; give it to any topics.')
        }
    }

    /** Gives the copied look to what is chosen: all of it, so that what it does not say is inherited again. */
    function give(): void {
        if (copied.value !== null && map.chosen.length > 0) {
            map.edit(ofTopics(map.chosen, { ...nothing, named: null, ...copied.value }, newId()))
        }
    }

    /** The topics that go together with one, itself too. */
    function kinOf(topic: string, kin: Kin): string[] {
        const { tree } = map
        const level = levelOf(tree, topic)
        return {
            siblings: () => [...siblingsOf(tree, topic)],
            level: () => [...tree.topics.keys()].filter((id) => tree.topics.get(id)?.parked === null && levelOf(tree, id) === level),
            branch: () => branchOf(tree, topic),
            alike: () => alike(topic),
        }[kin]()
    }

    /** All that are drawn with the same look, whatever their chalk. */
    function alike(topic: string): string[] {
        const look = map.slips.get(topic)?.look
        return [...map.slips.values()].filter((slip) => slip.look === look).map((slip) => slip.id)
    }

    /** Gives the look of the current topic to its kin; a level's is said of the level, so that what comes later has it too. */
    function spread(kin: Kin | 'map'): void {
        const topic = map.current
        if (topic === null) {
            return
        }
        const said = saidOf(topic)
        const step = newId()
        if (kin === 'level') {
            const level = levelOf(map.tree, topic)
            const same = kinOf(topic, 'level').filter((id) => rowOf(map.tree, 'look', id) !== undefined)
            map.edit(ofLevel(level, said, step), ...(same.length === 0 ? [] : [ofTopics(same, { ...nothing, named: null }, step)]))
        } else if (kin === 'map') {
            const styled = [...map.tree.topics.keys()].filter((id) => rowOf(map.tree, 'look', id) !== undefined)
            map.edit(ofMap(said, step), ...(styled.length === 0 ? [] : [ofTopics(styled, { ...nothing, named: null }, step)]))
        } else {
            map.edit(ofTopics(kinOf(topic, kin), { ...nothing, named: null, ...said }, step))
        }
    }

    /** Takes away all that is said within reach. */
    function reset(): void {
        set(reach.value === 'topics' ? { ...nothing, named: null } : nothing)
    }

    const hasOwn = computed(() => rows.value.some((row) => Object.keys(saidBy(row)).length > 0 || (row?.fields.named ?? null) !== null))

    /** Keeps the look of the current topic under a name, and lets it have that look. */
    function keepAs(name: string): void {
        if (map.current !== null) {
            const [row, step] = [newId(), newId()]
            map.edit(ofRow('named-look', row, { ...saidOf(map.current), name }, step), ofTopics([map.current], { ...nothing, named: row }, step))
        }
    }

    function giveNamed(row: string | null): void {
        map.edit(ofTopics(map.chosen, { ...(row === null ? {} : nothing), named: row }, newId()))
    }

    /** Takes a look with a name from another map into this one, with the chalks that it names, and gives it to what is chosen. */
    function giveForeign(fields: Said, foreign: LooksAnswer['chalks']): void {
        const [row, step] = [newId(), newId()]
        const wanted = new Set(Object.values(fields).map((value) => String(value).split(':').at(-1)))
        const missing = foreign.filter(({ id }) => wanted.has(id) && rowsOf(map.tree, 'mixed-chalk').every((chalk) => chalk.id !== id))
        map.edit(...missing.map((chalk) => ofRow('mixed-chalk', chalk.id, chalk.fields as Said, step)), ofRow('named-look', row, fields, step), ofTopics(map.chosen, { ...nothing, named: row }, step))
    }

    /** Mixes a chalk for the map, or mixes one anew. */
    function mix(row: string | null, fields: { name: string; day: string; slate: string }): void {
        map.edit(ofRow('mixed-chalk', row ?? newId(), fields, newId()))
    }

    function dropMixed(row: string): void {
        map.edit({ name: 'row.remove', type: 'mixed-chalk', rows: [row] })
    }

    function dropNamed(row: string): void {
        map.edit({ name: 'row.remove', type: 'named-look', rows: [row] })
    }

    /** Begins a chalk for the branches of what is chosen, or ends it where all have it already. */
    function chalk(name: string, topics: readonly string[] = map.chosen): void {
        const has = topics.every((id) => rowOf(map.tree, 'look', id)?.fields.chalk === name)
        map.edit(ofTopics(topics, { chalk: has ? null : name }, newId()))
    }

    /** Makes the type of each chosen topic larger or smaller by a step, and all else of it with it. */
    function grow(by: number, size: (topic: string) => number): void {
        const step = newId()
        const sizes = new Map<number, string[]>()
        for (const id of map.chosen) {
            const wanted = Math.max(8, Math.min(120, Math.round(size(id) + by)))
            sizes.set(wanted, [...(sizes.get(wanted) ?? []), id])
        }
        map.edit(...[...sizes].map(([wanted, topics]) => ofTopics(topics, { size: wanted }, step)))
    }

    /** The same of the width. */
    function widen(by: number, width: (topic: string) => number): void {
        const step = newId()
        map.edit(...map.chosen.map((id) => ofTopics([id], { width: Math.max(60, Math.min(1200, Math.round(width(id) + by))) }, step)))
    }

    const isStyled = (topic: string): boolean => rowOf(map.tree, 'look', topic) !== undefined
    const hasBelow = (topic: string): boolean => childrenOf(map.tree, topic).length > 0

    return {
        reach, copied, dialog, mapLook, namedLooks, mixed, chalks, levels, common, hasOwn, isStyled, hasBelow,
        set, setOfMap, copy, give, kinOf, spread, reset, keepAs, giveNamed, giveForeign, dropNamed, mix, dropMixed, chalk, grow, widen,
    }
})
