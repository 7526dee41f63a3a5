import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import type { Edit } from '@/api/wire'
import { useCamera } from '@/board/cameraStore'
import { overlaps, type Direction } from '@/board/geometry'
import { useBeside } from '@/stores/beside'
import { useChosenMarks } from '@/stores/chosenMarks'
import { newId, useMap } from '@/stores/map'
import { usePreferences } from '@/stores/preferences'
import { ownWays } from '@/stores/titles'
import { foresight, type KeptRow, type Tree } from '@/stores/tree'
import type { TiedLine } from '../feature'
import { topicName } from '@/text/titleMarkdown'
import { useUi } from '@/ui/uiStore'

export const CROSSLINK = 'crosslink'
export type Fields = Record<string, string | number | boolean | null>

/** A cross-link of the map. */
export interface Link { readonly id: string; readonly from: string; readonly to: string; readonly phrase: string; readonly fields: KeptRow['fields'] }

/** A cross-link on its way: from these topics to one that is looked for; or one end of a cross-link that is to go elsewhere. */
export interface Tying { readonly from: readonly string[]; readonly moves?: { readonly link: string; readonly end: 'from' | 'to' } }

const linkOf = ({ id, fields }: KeptRow): Link => ({ id, from: String(fields.from ?? ''), to: String(fields.to ?? ''), phrase: String(fields.phrase ?? ''), fields })
const ROOM = { w: 150, h: 44, across: 190, along: 96 }

foresight.set('crosslink.tie', (edit, before) => {
    if (edit.name !== 'crosslink.tie' || edit.turns === true) {
        return before
    }
    const rows = new Map(before)
    edit.topics.forEach((from, n) => {
        const id = edit.as[n] ?? ''
        if (from !== edit.to) {
            rows.set(`${CROSSLINK} ${id}`, { type: CROSSLINK, id, topics: [from, edit.to], fields: { from, to: edit.to, phrase: '' } })
        }
    })
    return rows
})

foresight.set('crosslink.splice', (edit, before) => {
    const link = edit.name === 'crosslink.splice' ? before.get(`${CROSSLINK} ${edit.link}`) : undefined
    if (edit.name !== 'crosslink.splice' || link === undefined) {
        return before
    }
    const { from, to } = link.fields
    return new Map(before)
        .set(`${CROSSLINK} ${link.id}`, { ...link, topics: [String(from), edit.topic], fields: { ...link.fields, to: edit.topic } })
        .set(`${CROSSLINK} ${edit.as}`, { type: CROSSLINK, id: edit.as, topics: [edit.topic, String(to)], fields: { from: edit.topic, to: to ?? null, phrase: '' } })
})

/** The cross-links of the map that is open, which of them are chosen, and what is being done with them. */
export const useLinks = defineStore('links', () => {
    const map = useMap()
    const beside = useBeside()
    const camera = useCamera()
    const marks = useChosenMarks()
    const preferences = usePreferences()
    const ui = useUi()

    const linksIn = (tree: Tree): Link[] => [...tree.rows.values()].filter((row) => row.type === CROSSLINK).map(linkOf)
    const find = (id: string): Link | undefined => {
        const row = map.tree.rows.get(`${CROSSLINK} ${id}`)
        return row === undefined ? undefined : linkOf(row)
    }
    /** By topic, those that begin or end there; made once for a state of the map. */
    const byTopic = computed(() => {
        const found = new Map<string, Link[]>()
        for (const link of linksIn(beside.tree)) {
            for (const topic of [link.from, link.to]) {
                found.set(topic, [...(found.get(topic) ?? []), link])
            }
        }
        return found
    })
    const isTied = computed(() => byTopic.value.size > 0)
    const linksOf = (topic: string): readonly Link[] => byTopic.value.get(topic) ?? []
    /** Below the topic at which each begins, as the outline has it. */
    const lines = computed(() => {
        const found = new Map<string, TiedLine[]>()
        for (const [topic, its] of byTopic.value) {
            const own = its.filter(({ from }) => from === topic)
            if (own.length > 0) {
                found.set(topic, own.map(({ id, phrase, to }) => ({ id, text: `→ ${phrase === '' ? '' : `${phrase}: `}${titleOf(to)}`, isOn: chosen.value.includes(id), act: () => choose([id]) })))
            }
        }
        return found
    })
    const titleOf = (topic: string): string => topicName(beside.tree.topics.get(topic)?.title)

    const chosen = computed<readonly string[]>(() => (marks.chosen?.type === CROSSLINK ? marks.chosen.ids : []))
    const choose = (ids: readonly string[]): void => marks.choose(CROSSLINK, ids)
    /** The phrase that is being typed, and whether its cross-link was made just now. */
    const phrasing = shallowRef<{ readonly id: string; readonly step: string; readonly fresh: boolean } | null>(null)
    /** Whether the map is read out beside the board. */
    const isReading = ref(false)
    const tying = shallowRef<Tying | null>(null)
    /** The topic that would be tied now. */
    const target = ref<string | null>(null)

    const canEnd = (topic: string): boolean => {
        const { from, moves } = tying.value ?? { from: [] }
        const other = moves === undefined ? undefined : find(moves.link)
        return map.tree.topics.get(topic)?.parked == null && (other === undefined ? from.some((one) => one !== topic) : (moves?.end === 'from' ? other.to : other.from) !== topic)
    }

    function begin(): void {
        if (map.chosen.length > 0) {
            tying.value = { from: [...map.chosen] }
            target.value = null
        }
    }

    /** Looks for another topic to end a chosen cross-link at. */
    function beginMove(end: 'from' | 'to'): void {
        const link = chosen.value.length === 1 ? find(chosen.value[0] ?? '') : undefined
        if (link !== undefined) {
            tying.value = { from: [link.from], moves: { link: link.id, end } }
            target.value = null
        }
    }

    function cancel(): void {
        tying.value = target.value = null
    }

    /** Ends what is being tied at a topic. */
    function take(topic: string): boolean {
        const what = tying.value
        if (what === null || !canEnd(topic)) {
            return false
        }
        cancel()
        if (what.moves === undefined) {
            tie(what.from, topic)
        } else {
            moveEnd(what.moves.link, what.moves.end, topic)
        }
        return true
    }

    /** Opens the field for a phrase, on the board; where there is no board, at the desk. */
    function typePhrase(id: string, step: string, fresh: boolean): void {
        if (camera.handle !== null) {
            phrasing.value = { id, step, fresh }
            return
        }
        preferences.deskOpen = true
        ui.phoneView = 'desk'
        focusPhraseAtDesk()
    }

    /** The desk's section may still be on its way. */
    function focusPhraseAtDesk(tries = 40): void {
        const field = document.querySelector<HTMLInputElement>('.desk input[aria-label="Linking phrase"]')
        field?.focus()
        field?.select()
        if (field === null && tries > 0) {
            setTimeout(() => focusPhraseAtDesk(tries - 1), 50)
        }
    }

    /** Draws cross-links from topics to another; the phrase of a single one is typed at once. */
    function tie(from: readonly string[], to: string, step = newId()): void {
        const topics = from.filter((one) => one !== to)
        const as = topics.map(newId)
        if (topics.length === 0) {
            return
        }
        map.edit({ name: 'crosslink.tie', step, topics: [...topics], to, as })
        choose(as)
        if (as.length === 1) {
            typePhrase(as[0] ?? '', step, true)
        }
    }

    /** Ties by drag and drop: what is tied already is untied. */
    function tieOrUntie(topics: readonly string[], to: string): void {
        const isTied = topics.every((one) => linksIn(map.tree).some(({ from, to: its }) => (from === one && its === to) || (from === to && its === one)))
        if (isTied) {
            map.edit({ name: 'crosslink.tie', topics: [...topics], to, as: topics.map(newId), turns: true })
        } else {
            tie(topics, to)
        }
    }

    const set = (fields: Fields, ids: readonly string[] = chosen.value, step = newId()): void => {
        if (ids.length > 0) {
            map.edit({ name: 'row.set', step, type: CROSSLINK, rows: [...ids], fields } as Edit)
        }
    }
    const moveEnd = (link: string, end: 'from' | 'to', topic: string): void => {
        const its = find(link)
        if (its !== undefined && its[end] !== topic && (end === 'from' ? its.to : its.from) !== topic) {
            set({ [end]: topic, bendAt: null, bendBy: null }, [link])
        }
    }
    const turn = (): void => map.edit({ name: 'crosslink.turn', links: [...chosen.value] })

    function remove(): void {
        const ids = [...chosen.value]
        const last = find(ids[ids.length - 1] ?? '')
        map.edit({ name: 'row.remove', type: CROSSLINK, rows: ids })
        marks.leave(last?.from ?? null)
    }

    function beginPhrase(id = chosen.value[chosen.value.length - 1]): void {
        if (id !== undefined) {
            choose([id])
            typePhrase(id, newId(), false)
        }
    }

    /** Keeps what was typed; null leaves the phrase as it was. */
    function endPhrase(phrase: string | null): void {
        const typing = phrasing.value
        phrasing.value = null
        const said = phrase?.trim().slice(0, 300)
        if (typing !== null && said !== undefined && said !== (find(typing.id)?.phrase ?? '')) {
            set({ phrase: said }, [typing.id], typing.step)
        }
    }

    /** Goes round the cross-links of a topic, or of the one they were chosen from. */
    let around = ''
    function next(by: 1 | -1 = 1): void {
        around = map.current ?? around
        const all = linksOf(around).map(({ id }) => id)
        if (all.length > 0) {
            const at = chosen.value.length === 0 ? (by === 1 ? -1 : 0) : all.indexOf(chosen.value[chosen.value.length - 1] ?? '')
            choose([all[(at + by + all.length) % all.length] ?? ''])
        }
    }

    /** Puts a topic in between, and goes on with what is edited in the same step. */
    const splice = (link: string, topic: string, step: string): Edit => ({ name: 'crosslink.splice', step, link, topic, as: newId() })

    /** The place for a new topic beside one, where nothing stands: its middle on the board. */
    function placeBeside(topic: string, direction: Direction): { x: number; y: number } {
        const box = camera.boxes.get(topic) ?? { x: 0, y: 0, w: 0, h: 0 }
        const [dx, dy] = { left: [-1, 0], right: [1, 0], up: [0, -1], down: [0, 1] }[direction] as [number, number]
        const [x, y] = [box.x + box.w / 2 + dx * (box.w / 2 + ROOM.across), box.y + box.h / 2 + dy * (box.h / 2 + ROOM.along)]
        for (let n = 0; n < 24; n++) {
            // To both sides in turn, then farther out.
            const aside = Math.ceil((n % 8) / 2) * (n % 2 === 0 ? 1 : -1)
            const out = Math.floor(n / 8)
            const at = { x: x + aside * Math.abs(dy) * (ROOM.w + 30) + out * dx * ROOM.across, y: y + aside * Math.abs(dx) * (ROOM.h + 24) + out * dy * ROOM.along }
            const room = { x: at.x - ROOM.w / 2, y: at.y - ROOM.h / 2, w: ROOM.w, h: ROOM.h }
            if (![...camera.boxes.values()].some((one) => overlaps(one, room))) {
                return at
            }
        }
        return { x, y }
    }

    /** The title that is being typed of a topic that was made with a cross-link, whose phrase comes after it. */
    let toPhrase: { readonly topic: string; readonly link: string; readonly step: string } | null = null

    /** Makes a topic at a place of the board, tied as the edits say, and begins its title. */
    function plant(x: number, y: number, beside: string, tied: (topic: string, step: string) => Edit[], link: string | null): void {
        const [id, step] = [newId(), newId()]
        const parent = map.tree.topics.get(beside)?.parent ?? null
        const about = parent === null || camera.drawn.get(beside)?.free !== true ? undefined : camera.boxes.get(parent)
        map.region = 'board'
        if (about !== undefined && parent !== null) {
            map.edit(
                { name: 'topic.add', step, topic: { id, title: '' }, parent },
                { name: 'row.set', step, type: 'place', topics: [id], fields: { x: Math.round(x - about.x - about.w / 2), y: Math.round(y - about.y - about.h / 2) } } as Edit,
                ...tied(id, step),
            )
        } else {
            map.edit({ name: 'topic.add', step, topic: { id, title: '' }, parent: null, x: Math.round(x - 40), y: Math.round(y) }, ...tied(id, step))
        }
        map.choose(id)
        map.editing = { id, where: 'board', step, fresh: true, instead: null }
        toPhrase = link === null ? null : { topic: id, link, step }
    }

    /** A new topic in a direction, tied to the chosen one. */
    function grow(direction: Direction): void {
        const from = map.current
        if (from !== null) {
            const { x, y } = placeBeside(from, direction)
            const link = newId()
            plant(x, y, from, (topic, step) => [{ name: 'crosslink.tie', step, topics: [from], to: topic, as: [link] }], link)
        }
    }

    /** A new topic on a cross-link, in between its two. */
    function plantOn(link: string, x: number, y: number): void {
        const its = find(link)
        if (its !== undefined && ![...ownWays].some((way) => way.between(link)) && (map.scope === null || camera.drawn.get(its.from)?.free === true)) {
            plant(x, y, its.from, (topic, step) => [splice(link, topic, step)], null)
        }
    }

    /** The same in the middle of the chosen one. */
    function plantBetween(): void {
        const its = find(chosen.value[0] ?? '')
        const [a, b] = [camera.boxes.get(its?.from ?? ''), camera.boxes.get(its?.to ?? '')]
        if (its !== undefined && [...ownWays].some((way) => way.between(its.id))) {
            return
        }
        if (its !== undefined && a !== undefined && b !== undefined) {
            plantOn(its.id, (a.x + a.w / 2 + b.x + b.w / 2) / 2, (a.y + a.h / 2 + b.y + b.h / 2) / 2)
        }
    }

    watch(() => map.editing, (now, before) => {
        const wanted = toPhrase
        if (now === null && wanted !== null && before?.id === wanted.topic) {
            toPhrase = null
            if ((map.tree.topics.get(wanted.topic)?.title ?? '') !== '') {
                choose([wanted.link])
                typePhrase(wanted.link, wanted.step, true)
            }
        }
    })
    watch(() => map.id, () => {
        cancel()
        phrasing.value = toPhrase = null
        isReading.value = false
    })
    watch(chosen, (ids) => phrasing.value !== null && !ids.includes(phrasing.value.id) && (phrasing.value = null))

    const describe = ({ from, to, phrase }: Link): string => `${titleOf(from)} ${phrase === '' ? '→' : phrase} ${titleOf(to)}`
    const told = (topic: string): string => {
        const count = linksOf(topic).length
        return count === 0 || (beside.tree.topics.get(topic)?.title ?? '') === '' ? '' : count === 1 ? '1 cross-link' : `${count} cross-links`
    }

    return {
        isReading, isTied, chosen, phrasing, tying, target, lines, linksIn, linksOf, find, titleOf, describe, told, choose, canEnd, begin, beginMove, cancel, take, tie, tieOrUntie, set, moveEnd, turn, remove,
        beginPhrase, endPhrase, next, splice, grow, plantOn, plantBetween,
    }
})
