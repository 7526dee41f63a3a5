import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { api } from '@/api/client'
import type { DrawnSign, Edit, LegendAnswer } from '@/api/wire'
import { lookOf } from '@/board/looks'
import { useBeside } from '@/stores/beside'
import { useChalks } from '@/stores/chalks'
import { newId, useMap } from '@/stores/map'
import { useNarrowing } from '@/stores/narrowing'
import { rowOf, rowsOf, type Tree } from '@/stores/tree'

type Fields = Record<string, string | number | boolean | null>

/** What a stamp is in the row of a topic's stamps. */
function fieldOf(sign: string): { name: string; on: string | number | true; off: null | false } {
    const value = sign.slice(sign.indexOf(':') + 1)
    if (/^[1-9]$/.test(value)) {
        return { name: 'rank', on: Number(value), off: null }
    }
    return value.length === 1 ? { name: 'letter', on: value, off: null } : { name: value, on: true, off: false }
}

const setRow = (type: string, target: { topics: readonly string[] } | { row: string }, fields: Fields, step: string): Edit => ({ name: 'row.set', step, type, ...target, fields } as Edit)

export interface Tag { readonly id: string; readonly name: string; readonly chalk: string; readonly hidden: boolean; readonly isPrivate: boolean; readonly count: number }

/** Stamps, tags and the legend of the map that is open. */
export const useSigns = defineStore('signs', () => {
    const map = useMap()
    const beside = useBeside()
    const narrowing = useNarrowing()
    const stamps = shallowRef<readonly DrawnSign[]>([])
    const legend = shallowRef<LegendAnswer['lines']>([])
    const isOpen = ref(false)
    /** The sign that was just used for the first time on this map, and of which nobody has said what it means. */
    const unexplained = ref<string | null>(null)
    /** The sign or tag that the map is narrowed to. */
    const narrowed = ref<string | null>(null)
    let asked = false

    function load(): void {
        if (!asked) {
            asked = true
            void api.stamps().then((answer) => (stamps.value = answer.stamps)).catch(() => (asked = false))
        }
    }

    const isOn = (tree: Tree, topic: string, sign: string): boolean => {
        const { name, on } = fieldOf(sign)
        return rowOf(tree, 'stamps', topic)?.fields[name] === on
    }
    const isOnAll = (sign: string): boolean => beside.chosen.length > 0 && beside.chosen.every((id) => isOn(beside.tree, id, sign))
    const stampsOf = (tree: Tree, topic: string): DrawnSign[] => {
        const letter = rowOf(tree, 'stamps', topic)?.fields.letter
        const signs = stamps.value.filter(({ sign }) => sign !== 'stamp:A' && isOn(tree, topic, sign))
        return typeof letter === 'string' ? [...signs, signOf(`stamp:${letter}`)] : signs
    }
    /** A stamp as it is drawn; a letter is drawn like A. */
    const signOf = (sign: string): DrawnSign => {
        const known = stamps.value.find((one) => one.sign === sign)
        const letter = stamps.value.find((one) => one.sign === 'stamp:A')
        const own = sign.slice(sign.indexOf(':') + 1)
        return known ?? { sign, words: `the letter ${own}`, parts: (letter?.parts ?? []).map((part) => ('spans' in part ? { ...part, spans: part.spans.map((span) => ({ ...span, text: own })) } : part)) }
    }
    const meanings = computed(() => new Map(rowsOf(beside.tree, 'meaning').map((row) => [String(row.fields.sign), String(row.fields.means ?? '')])))
    const meaningOf = (sign: string): string => meanings.value.get(sign) ?? ''
    /** What to read of a sign: what it means here, or what it is called. */
    const wordsOf = (sign: string): string => meaningOf(sign) || signOf(sign).words
    /** On how many topics each stamp is. */
    const used = computed(() => {
        const counts = new Map<string, number>()
        for (const row of rowsOf(beside.tree, 'stamps')) {
            for (const { sign } of stamps.value) {
                const { name, on } = fieldOf(sign)
                if (row.fields[name] === on) {
                    counts.set(sign, (counts.get(sign) ?? 0) + 1)
                }
            }
        }
        return counts
    })

    /** Puts a stamp on topics, or takes it off where all have it. */
    function toggle(sign: string, topics: readonly string[] = map.chosen): void {
        if (topics.length === 0) {
            return
        }
        const { name, on, off } = fieldOf(sign)
        const has = topics.every((id) => isOn(map.tree, id, sign))
        const isFirst = !has && ![...map.tree.rows.values()].some((row) => row.type === 'stamps' && row.fields[name] === on)
        map.edit(setRow('stamps', { topics: [...topics] }, { [name]: has ? off : on }, newId()))
        if (isFirst && ![...map.tree.rows.values()].some((row) => row.type === 'meaning' && row.fields.sign === sign)) {
            unexplained.value = sign
        } else if (has && unexplained.value === sign) {
            unexplained.value = null
        }
    }

    function clear(topics: readonly string[] = map.chosen): void {
        const rows = topics.filter((id) => rowOf(map.tree, 'stamps', id) !== undefined)
        if (rows.length > 0) {
            map.edit({ name: 'row.remove', type: 'stamps', rows: [...rows] })
        }
    }

    function mean(sign: string, means: string): void {
        const said = means.trim().slice(0, 200)
        if (said !== meaningOf(sign)) {
            map.edit({ name: 'sign.mean', sign, means: said === '' ? null : said })
        }
        unexplained.value = unexplained.value === sign ? null : unexplained.value
    }

    const tags = computed<readonly Tag[]>(() => {
        const counts = new Map<string, number>()
        for (const row of rowsOf(beside.tree, 'tags')) {
            for (const id of String(row.fields.tags ?? '').split(' ')) {
                counts.set(id, (counts.get(id) ?? 0) + 1)
            }
        }
        return rowsOf(beside.tree, 'tag')
            .map(({ id, fields }) => ({ id, name: String(fields.name ?? ''), chalk: String(fields.chalk ?? 'mussel'), hidden: fields.hidden === true, isPrivate: fields.private === true, count: counts.get(id) ?? 0 }))
            .sort((a, b) => a.name.localeCompare(b.name))
    })
    const hasTag = (tree: Tree, topic: string, tag: string): boolean => String(rowOf(tree, 'tags', topic)?.fields.tags ?? '').split(' ').includes(tag)
    const tagsOf = (topic: string): readonly Tag[] => tags.value.filter((tag) => hasTag(beside.tree, topic, tag.id))
    const allHave = (tag: string): boolean => beside.chosen.length > 0 && beside.chosen.every((id) => hasTag(beside.tree, id, tag))

    function toggleTag(tag: string, topics: readonly string[] = map.chosen): void {
        if (topics.length > 0) {
            map.edit({ name: 'topic.tag', topics: [...topics], tag, off: topics.every((id) => hasTag(map.tree, id, tag)) })
        }
    }

    const chalks = useChalks()
    /** Chalks for new tags, in turn. */
    const turn = ['dusk', 'marigold', 'kelp', 'coral', 'tide', 'heather', 'samphire', 'ember', 'driftwood', 'mussel']

    /** Puts a tag on by its name; one that is not there yet is made. */
    function putNamed(name: string, topics: readonly string[] = map.chosen): void {
        const wanted = name.trim().slice(0, 60)
        if (wanted === '') {
            return
        }
        const step = newId()
        const known = tags.value.find((tag) => tag.name.toLowerCase() === wanted.toLowerCase())
        const id = known?.id ?? newId()
        map.edit(
            ...(known === undefined ? [setRow('tag', { row: id }, { name: wanted, chalk: turn[tags.value.length % turn.length] ?? 'mussel' }, step)] : []),
            ...(topics.length > 0 ? [{ name: 'topic.tag', step, topics: [...topics], tag: id } as Edit] : []),
        )
    }

    const changeTag = (tag: string, fields: Fields): void => map.edit(setRow('tag', { row: tag }, fields, newId()))
    const joinTag = (tag: string, into: string): void => map.edit({ name: 'tag.join', tag, into })
    const dropTag = (tag: string): void => map.edit({ name: 'row.remove', type: 'tag', rows: [tag] })

    const place = computed(() => rowsOf(beside.tree, 'legend')[0])
    const isShown = computed(() => place.value?.fields.shown === true)
    function setPlace(fields: Fields): void {
        map.edit(setRow('legend', { row: place.value?.id ?? newId() }, fields, newId()))
    }

    function refresh(): void {
        const id = map.id
        void api.legend(id).then(({ lines }) => {
            if (id === map.id) {
                legend.value = lines
            }
        }).catch(() => undefined)
    }

    /** The topics that a sign or a tag is on, as far as they are drawn. */
    function topicsWith(sign: string): Set<string> {
        const ids = new Set<string>()
        const value = sign.slice(sign.indexOf(':') + 1)
        for (const [id, slip] of map.slips) {
            const has = sign.startsWith('stamp:') ? isOn(map.tree, id, sign) : sign.startsWith('tag:') ? hasTag(map.tree, id, value) : sign.startsWith('chalk:') ? slip.chalk === value : lookOf(slip).box.shape === value
            if (has) {
                ids.add(id)
            }
        }
        return ids
    }

    /** Lets all topics stand back that do not have a sign; the same again, or null, ends it. */
    function narrow(sign: string | null): void {
        narrowed.value = sign === narrowed.value ? null : sign
    }
    watch([narrowed, () => map.slips, () => map.tree], ([sign], [before]) => {
        if (sign !== null) {
            const tag = tags.value.find(({ id }) => `tag:${id}` === sign)
            narrowing.to = { words: tag?.name ?? wordsOf(sign), ids: topicsWith(sign) }
        } else if (before !== null) {
            narrowing.to = null
        }
    })
    watch(() => map.id, () => {
        narrowed.value = unexplained.value = null
        isOpen.value = false
        legend.value = []
    })

    const places = ['first', 'second', 'third', 'fourth', 'fifth', 'sixth', 'seventh', 'eighth', 'ninth']
    /** The stamps and tags of a topic, in words. */
    function told(topic: string): string {
        const { rank, letter, ...flags } = rowOf(beside.tree, 'stamps', topic)?.fields ?? {}
        const ranks = typeof rank === 'number' ? [meaningOf(`stamp:${rank}`) || (places[rank - 1] ?? '')] : []
        const letters = typeof letter === 'string' ? [meaningOf(`stamp:${letter.toUpperCase()}`) || letter] : []
        const named = Object.entries(flags).filter(([, on]) => on === true).map(([name]) => meaningOf(`stamp:${name}`) || name.replace('-', ' '))
        const all = [...ranks, ...named, ...letters]
        const tagged = tagsOf(topic).map(({ name }) => name)
        return [all.length === 0 ? '' : `stamped ${all.join(', ')}`, tagged.length === 0 ? '' : `tagged ${tagged.join(', ')}`].filter((words) => words !== '').join(', ')
    }

    return {
        told, chalks,
        stamps, legend, isOpen, unexplained, narrowed, meanings, used, tags, place, isShown,
        load, isOn, isOnAll, stampsOf, signOf, meaningOf, wordsOf, toggle, clear, mean, tagsOf, allHave, toggleTag, putNamed, changeTag, joinTag, dropTag, setPlace, refresh, narrow,
    }
})
