import { defineStore } from 'pinia'
import { computed, nextTick, shallowRef } from 'vue'
import { api } from '@/api/client'
import type { Draft, Edit, KindsAnswer } from '@/api/wire'
import { useCamera } from '@/board/cameraStore'
import { fieldIds, fieldOf, fieldsIn, kindOf, kindsIn, partsOf, timeNow, today, type Field, type Kind, type KindPart } from '@/facts/facts'
import { shippedKinds } from '@/facts/shipped'
import { useBeside } from '@/stores/beside'
import { newId, useMap } from '@/stores/map'
import { plantings, rowOf, type KeptRow } from '@/stores/tree'
import { tell } from '@/ui/tell'
import { lastKind } from './asked'

type Fields = KeptRow['fields']
type Taken = KindsAnswer['kinds'][number]
/** A kind that can be used: of this map, or one that is taken into it then. */
export interface Offered { readonly kind: Kind; readonly from: string; readonly taken: Taken | null; readonly number: number }

/** Branches that are on their way, by the id of their top, as they will be near enough. */
const waiting = new Map<string, { draft: Draft; parent: string; first: boolean }>()
plantings.set('entry.put', (edit) => (edit.name === 'entry.put' ? (waiting.get(edit.as?.[0] ?? '') ?? null) : null))

/** Kinds of the map that is open, those that can be taken into it, and what is made of them. */
export const useKinds = defineStore('kinds', () => {
    const map = useMap()
    const beside = useBeside()
    const others = shallowRef<readonly Taken[]>([])
    let asking: Promise<void> | null = null

    /** Asks for the kinds that can be taken, once; those of the map are there without. */
    function load(): Promise<void> {
        asking ??= api.kinds().then(({ kinds }) => void (others.value = kinds)).catch(() => void (asking = null))
        return asking
    }

    const kinds = computed(() => kindsIn(beside.tree))
    const fields = computed(() => fieldsIn(beside.tree))
    const counts = computed(() => {
        const found = new Map<string, number>()
        for (const row of beside.tree.rows.values()) {
            if (row.type === 'of-kind') {
                found.set(String(row.fields.kind), (found.get(String(row.fields.kind)) ?? 0) + 1)
            }
        }
        return found
    })
    /**
     * Those that ship first, in the map or not; then those made in it, the first made first; then those of other maps,
     * unless one of that name is here. So a kind keeps its number, in all maps if it ships.
     */
    const offered = computed<readonly Offered[]>(() => {
        const own = kinds.value.map((kind) => ({ kind, from: '', taken: null }))
        const names = new Set(own.map(({ kind }) => kind.name.toLowerCase()))
        const foreign = others.value.filter(({ id, name }) => rowOf(beside.tree, 'kind', id) === undefined && !names.has(name.toLowerCase()))
            .map((taken) => ({ kind: kindOf({ id: taken.id, fields: (taken.rows[0]?.fields ?? {}) as Fields }), from: taken.title, taken }))
        const isShipped = ({ kind }: { kind: Kind }): boolean => shippedKinds.includes(kind.id)
        const shipped = [...own, ...foreign].filter(isShipped).map((one) => ({ ...one, number: shippedKinds.indexOf(one.kind.id) + 1 }))
        const rest = [...own.sort((a, b) => (a.kind.id < b.kind.id ? -1 : 1)), ...foreign].filter((one) => !isShipped(one))
        return [...shipped.sort((a, b) => a.number - b.number), ...rest.map((one, i) => ({ ...one, number: shippedKinds.length + 1 + i }))]
    })

    /** What takes a kind into the map, where it is not there yet. */
    const taking = ({ taken }: Offered, step: string): Edit[] => (taken === null ? [] : [{ name: 'kind.take', step, rows: taken.rows } as Edit])

    /** The fields of a kind, also of one that is not in the map yet. */
    function fieldsOf({ kind, taken }: Offered): Field[] {
        return fieldIds(kind).flatMap((id) => {
            const row = rowOf(map.tree, 'field', id) ?? taken?.rows.find((one) => one.type === 'field' && one.id === id)
            return row === undefined ? [] : [fieldOf({ id, fields: row.fields as Fields })]
        })
    }

    function drafted(kind: Kind, parts: readonly KindPart[], as: readonly string[]): Draft {
        const top: Draft = { id: as[0] ?? '', title: kind.name, children: [] }
        const above: Draft[] = [top]
        parts.forEach((part, i) => {
            const level = part.l ?? 0
            const draft: Draft = { id: as[i + 1] ?? '', title: part.t, children: [] }
            const parent = above[level] ?? top
            parent.children = [...(parent.children ?? []), draft]
            above[level + 1] = draft
        })
        return top
    }

    /**
     * Makes an entry below a topic, and begins to type in its first empty part.
     *
     * @param typed what was typed there already
     */
    function enter(offer: Offered, parent: string, typed = ''): void {
        const { kind } = offer
        const parts = partsOf(kind.fields)
        const step = newId()
        const as = [newId(), ...parts.map(newId)]
        map.uncover(parent, map.region)
        if ((map.region === 'board' ? map.folded : map.outlineFolded).has(parent)) {
            map.setFolded(map.region, [parent], false)
        }
        waiting.set(as[0] ?? '', { draft: drafted(kind, parts, as), parent, first: kind.fields.goes === 'first' })
        map.edit(...taking(offer, step), { name: 'entry.put', step, kind: kind.id, parent, as, today: today(), time: timeNow() })
        lastKind.value = kind.id
        const empty = parts.findIndex(({ t }) => t === '')
        const open = as[empty + 1] ?? ''
        map.choose(open)
        if (empty >= 0 || typeof kind.fields.pattern !== 'string') {
            map.editing = { id: open, where: map.region, step, fresh: false, instead: typed !== '' ? typed : empty >= 0 ? null : '' }
        }
        map.afterAnswer(() => {
            waiting.delete(as[0] ?? '')
            useCamera().reveal(open)
        })
    }

    function again(parent: string): void {
        void load()
        const offer = offered.value.find(({ kind }) => kind.id === lastKind.value) ?? kindsIn(map.tree).filter(({ id }) => id === lastKind.value).map((kind): Offered => ({ kind, from: '', taken: null, number: 0 }))[0]
        if (offer !== undefined) {
            // Beside the entry made last, where one still is in it.
            enter(offer, homeOf(parent, offer.kind.id))
        } else {
            tell.info('That kind is not in this map any more.')
        }
    }

    /** Where another entry of a kind goes: below what is chosen, unless that is one of them or in one. */
    function homeOf(topic: string, kind: string): string {
        for (let at: string | null = topic; at !== null; at = map.tree.topics.get(at)?.parent ?? null) {
            const parent: string | null = map.tree.topics.get(at)?.parent ?? null
            if (parent !== null && rowOf(map.tree, 'of-kind', at)?.fields.kind === kind) {
                return parent
            }
        }
        return topic
    }

    /** Makes topics be of a kind; null for none. */
    function give(offer: Offered | null, topics: readonly string[], step = newId()): void {
        if (topics.length > 0) {
            map.edit(...(offer === null ? [] : taking(offer, step)), { name: 'kind.give', step, topics: [...topics], kind: offer?.kind.id ?? null, today: today() })
        }
    }

    function take(offer: Offered): void {
        map.edit(...taking(offer, newId()))
    }

    const set = (type: 'kind' | 'field', row: string, values: Fields, step = newId()): void => map.edit({ name: 'row.set', step, type, row, fields: values } as Edit)

    function addKind(name: string): string {
        const row = newId()
        set('kind', row, { name })
        return row
    }

    /** Gives a kind a field, which is made if there is none of that id. */
    function addField(kind: Kind, field: string | null, name = ''): void {
        const step = newId()
        const id = field ?? newId()
        if (field === null) {
            set('field', id, { name, sort: 'text', shown: true }, step)
        }
        set('kind', kind.id, { fields: [...fieldIds(kind), id].join(' ') }, step)
    }

    function orderFields(kind: Kind, ids: readonly string[]): void {
        set('kind', kind.id, { fields: ids.length === 0 ? null : ids.join(' ') })
    }

    const renameChoice = (field: string, from: string, to: string): void => map.edit({ name: 'choice.rename', field, from, to })

    function drop(type: 'kind' | 'field', row: string): void {
        map.edit({ name: 'row.remove', type, rows: [row] })
    }

    /** Goes back to the title that was being typed. */
    function resume(topic: string): void {
        void nextTick(() => {
            if (map.tree.topics.has(topic)) {
                // With the caret at the end of what was typed.
                map.editing = { id: topic, where: map.region, step: newId(), fresh: false, instead: map.tree.topics.get(topic)?.title ?? '' }
            }
        })
    }

    return { kinds, fields, counts, offered, others, load, fieldsOf, enter, again, give, take, set, addKind, addField, orderFields, renameChoice, drop, resume }
})
