import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import type { Edit } from '@/api/wire'
import { leftTables } from '@/stores/leftTables'
import { newId, useMap } from '@/stores/map'
import { rowsOf } from '@/stores/tree'
import { tell } from '@/ui/tell'
import { useRows, type Column } from './rows'

export type { Column, DayItem, Item } from './rows'
export type TableForm = 'rows' | 'lanes' | 'month' | 'week' | 'spans'
/** What keys of the table do in its other forms. */
export interface Hand { move: (lines: number, across: number) => void; shift: (lines: number, across: number) => void; stretch?: (across: number) => void; page?: (by: number) => void; home?: () => void; add?: () => void }
/** A cell that is typed into: what it holds to begin with, and whether arrows leave it. */
export interface Typing { readonly topic: string | null; readonly column: string; readonly text: string; readonly leaves: boolean; /** What was there; null where nobody knows yet. */ readonly held: string | null }
/** A place in a table: a line, by its number among all, and a column. */
export interface Spot { readonly line: number; readonly column: number }

/** Rows that are pasted at a time. */
const MOST_PASTED = 2_000
/** The table that is seen: its rows and cells, what is chosen in it, and what is typed. */
export const useTable = defineStore('table', () => {
    const map = useMap()
    const left = leftTables
    const spot = shallowRef<Spot>({ line: 0, column: 0 })
    /** The other corner of what is chosen. */
    const corner = shallowRef<Spot>({ line: 0, column: 0 })
    const typing = shallowRef<Typing | null>(null)
    /** Counts up whenever the focus is wanted in the rows. */
    const wanted = ref(0)
    /** The column of which the menu is open. */
    const menu = ref<string | null>(null)
    const isBringing = ref(false)
    /** Whether the address for other calendars is shown. */
    const isAddressed = ref(false)
    /** Whether a column is being added. */
    const isAdding = ref(false)

    /** The tables that the map keeps. */
    const tables = computed(() => rowsOf(map.tree, 'table').sort((a, b) => String(a.fields.name).localeCompare(String(b.fields.name))))
    const shown = computed(() => tables.value.find(({ id }) => id === left.value[map.id]) ?? null)
    const field = (name: string): string => (typeof shown.value?.fields[name] === 'string' ? String(shown.value.fields[name]) : '')
    const isDeep = computed(() => shown.value?.fields.deep === true)
    /** How it is seen. */
    const form = computed<TableForm>(() => (field('form') === 'lanes' && field('by') === '' ? 'rows' : ((field('form') || 'rows') as TableForm)))
    /** The topic of which the rows are what is below. */
    const branch = computed(() => {
        const said = shown.value === null ? map.scope : field('branch')
        return said !== null && map.tree.topics.has(said) ? said : map.tree.root
    })
    /** A column that is on its way, to which one goes when it is there. */
    let wantedColumn = ''
    const { answer, columns, items, cells, fresh, problem, seenDays, days, isSeen, see, fetched, told, below, typed, put } = useRows(shown, branch, (got) => {
        const at = got.columns.findIndex(({ key }) => key === wantedColumn)
        if (at >= 0) {
            wantedColumn = ''
            spot.value = corner.value = { line: spot.value.line, column: at }
        }
    }, () => {
        typing.value = menu.value = null
        spot.value = corner.value = { line: 0, column: 0 }
    })
    /** Whether the rows stand as in the map, all of them or some. */
    const isPlain = computed(() => field('order') === '' && field('by') === '' && map.filter === null)

    const lineOf = (topic: string): number => items.value.findIndex((item) => item.topic === topic)
    const topicAt = (line: number): string | null => items.value[line]?.topic ?? null
    const current = computed(() => topicAt(spot.value.line))
    const range = computed(() => ({
        top: Math.min(spot.value.line, corner.value.line), bottom: Math.max(spot.value.line, corner.value.line),
        from: Math.min(spot.value.column, corner.value.column), to: Math.max(spot.value.column, corner.value.column),
    }))
    /** The topics of the rows that are chosen, in their order. */
    const chosenTopics = computed(() => items.value.slice(range.value.top, range.value.bottom + 1).flatMap(({ topic }) => topic ?? []))

    const bounded = ({ line, column }: Spot): Spot => ({ line: Math.max(0, Math.min(items.value.length, line)), column: Math.max(0, Math.min(columns.value.length - 1, column)) })

    /** Goes to a place; heads are passed over the way one goes. */
    function go(to: Spot, extends_ = false): void {
        let { line, column } = bounded(to)
        const way = line >= spot.value.line ? 1 : -1
        while (items.value[line]?.topic === null && line + way >= 0 && line + way <= items.value.length) {
            line += way
        }
        if (items.value[line]?.topic === null) {
            line = items.value.findIndex(({ topic }) => topic !== null)
        }
        column = Math.max(0, column)
        spot.value = { line, column }
        if (!extends_) {
            corner.value = spot.value
        }
        const topics = chosenTopics.value
        if (topics.length > 0 && (topics.length !== map.chosen.length || topics.some((topic, i) => map.chosen[i] !== topic))) {
            chooseHere(...topics)
        }
    }
    /** The topic that was chosen from here last, which leads nowhere. */
    let own: string | null = null
    function chooseHere(...topics: string[]): void {
        own = topics.at(-1) ?? null
        map.choose(...topics)
    }
    /** Lanes and calendars that are seen say where keys lead in them. */
    const hand = shallowRef<Hand | null>(null)
    /** Far steps are pages there, and the whole way is to where one is at home or a week on. */
    function byHand(its: Hand, lines: number, across: number, extends_: boolean): void {
        const isFar = Math.abs(lines) > 1
        const isWhole = Math.abs(lines) > 1_000
        if (extends_) {
            its.stretch?.(across)
        } else if (isWhole) {
            its.shift(Math.sign(lines), 0)
        } else if (isFar) {
            its.page?.(Math.sign(lines))
        } else if (Math.abs(across) > 1_000) {
            its.home?.()
        } else {
            its.move(lines, across)
        }
    }
    const move = (lines: number, across: number, extends_ = false): void => hand.value !== null ? byHand(hand.value, lines, across, extends_) : go({ line: spot.value.line + lines, column: spot.value.column + across }, extends_)

    /** Begins to type into the cell where one is; with a text in place of what is there, or with what is there. */
    function begin(instead: string | null = null): void {
        if (hand.value !== null) {
            return
        }
        const column = columns.value[spot.value.column]
        const topic = current.value
        if (column === undefined) {
            return
        }
        const isHere = topic === null || cells.value.has(topic) || !map.told.topics.has(topic)
        const held = topic === null ? '' : typed(topic, spot.value.column)
        if (!isHere && instead === null && column.form !== null) {
            // What is there is changed, so it has to have come first.
            void fetched([topic]).then(() => current.value === topic && begin(), () => undefined)
        } else if (column.form === null) {
            tell.info(`What stands under “${column.words}” follows from other things.`)
        } else if (held === null && isHere) {
            tell.info('This is long; it is changed at the desk.')
        } else {
            typing.value = { topic, column: column.key, text: instead ?? held ?? '', leaves: instead !== null, held: isHere ? held : null }
        }
    }

    /** Ends typing, keeps it or not, and goes on from there. */
    function finish(text: string | null, lines = 0, across = 0): void {
        const its = typing.value
        typing.value = null
        if (its === null) {
            return
        }
        if (text !== null) {
            keep(its, text)
        }
        if (lines !== 0 || across !== 0) {
            move(lines, across)
        }
        wanted.value++
    }

    function keep({ topic, column, held }: Typing, text: string): void {
        if (topic === null) {
            if (text.trim() !== '') {
                addRow(null, { column, text })
            }
        } else if (text !== held) {
            void put([{ topic, column, text }])
        }
    }

    /** Adds a topic after a row, or below all, and goes there; it can have something in a cell to begin with. */
    function addRow(after: string | null, its: { column: string; text: string } | null = null): string {
        const topic = newId()
        const step = newId()
        const title = its?.column === 'title' ? its.text.trim() : ''
        const place = after === null ? { parent: branch.value } : { after }
        map.edit({ name: 'topic.add', step, ...place, topic: { id: topic, title } } as Edit)
        fresh.value = [...fresh.value, { topic, after }]
        if (its !== null && its.column !== 'title') {
            // What cannot stand there makes no row either.
            void put([{ topic, column: its.column, text: its.text }], step).then((isPut) => !isPut && map.edit({ name: 'topic.remove', topics: [topic] }))
        }
        const line = lineOf(topic)
        spot.value = corner.value = { line: Math.max(0, line), column: spot.value.column }
        chooseHere(topic)
        return topic
    }
    /** A row below the one where one is, open for its title. */
    function newRow(): void {
        if (hand.value !== null) {
            hand.value.add?.()
            return
        }
        addRow(current.value)
        const at = columns.value.findIndex(({ key }) => key === 'title')
        spot.value = corner.value = { line: spot.value.line, column: Math.max(0, at) }
        begin('')
        if (typing.value !== null) {
            typing.value = { ...typing.value, leaves: false }
        }
    }

    /** Empties what is chosen. */
    function clear(): void {
        if (hand.value !== null) {
            return
        }
        // What is not in view is emptied too, known or not; where there is nothing, nothing happens.
        void put(chosenCells().filter(({ column }) => column !== 'title').map(({ topic, column }) => ({ topic, column, text: '' })))
    }
    const chosenCells = (): { topic: string; column: string }[] =>
        chosenTopics.value.flatMap((topic) => columns.value.slice(range.value.from, range.value.to + 1).flatMap((column) => (column.form === null ? [] : [{ topic, column: column.key }])))

    /** What stands in the first row that is chosen goes into those below it. */
    async function fill(): Promise<void> {
        const topics = range.value.top === range.value.bottom ? [topicAt(range.value.top - 1), topicAt(range.value.top)].flatMap((topic) => topic ?? []) : chosenTopics.value
        const [first, ...rest] = topics
        if (first === undefined) {
            return
        }
        await fetched([first])
        const from = columns.value.slice(range.value.from, range.value.to + 1).flatMap(({ key, form }, i) => (form === null ? [] : [{ column: key, text: typed(first, range.value.from + i) }]))
        await put(rest.flatMap((topic) => from.flatMap(({ column, text }) => (text === null ? [] : [{ topic, column, text }]))))
    }

    /** What is chosen, as lines of cells for other programs. */
    async function copied(): Promise<string[][]> {
        await fetched(chosenTopics.value)
        return copiedHere()
    }
    const isCopiedHere = (): boolean => chosenTopics.value.every((topic) => cells.value.has(topic))
    function copiedHere(): string[][] {
        return chosenTopics.value.map((topic) => columns.value.slice(range.value.from, range.value.to + 1).map(({ key }, i) => (key === 'title' ? told(topic, range.value.from + i) : (typed(topic, range.value.from + i) ?? told(topic, range.value.from + i)))))
    }

    /** Puts lines of cells here: one into all that is chosen, several from here on; what is beyond the last row makes new ones. */
    async function paste(lines: readonly (readonly string[])[]): Promise<void> {
        const { top, from, bottom, to } = range.value
        const one = lines.length === 1 && lines[0]?.length === 1 ? (lines[0][0] ?? '') : null
        if (one !== null && (top !== bottom || from !== to)) {
            await put(chosenCells().map(({ topic, column }) => ({ topic, column, text: one })))
            return
        }
        if (lines.length > MOST_PASTED) {
            tell.info(`More than ${MOST_PASTED.toLocaleString('en')} rows are brought in as a file.`)
            return
        }
        const keys = columns.value.slice(from).map(({ key, form }) => (form === null ? null : key))
        const step = newId()
        const made: string[] = []
        const changes: { topic: string; column: string; text: string }[] = []
        const rows = items.value.slice(top).flatMap(({ topic }) => topic ?? [])
        lines.forEach((line, i) => {
            let topic = rows[i]
            if (topic === undefined) {
                topic = newId()
                made.push(topic)
            }
            const its = topic
            line.forEach((text, n) => {
                const column = keys[n]
                if (column != null) {
                    changes.push({ topic: its, column, text: column === 'title' ? text.replace(/([\\*_`[\]~])/g, '\\$1') : text })
                }
            })
        })
        if (made.length > 0) {
            map.edit({ name: 'topic.add-many', step, parent: branch.value, topics: made.map((topic) => ({ id: topic, title: '' })) } as Edit)
            fresh.value = [...fresh.value, ...made.map((topic) => ({ topic, after: null }))]
        }
        const isPut = await put(changes, step)
        if (!isPut && made.length > 0) {
            map.edit({ name: 'topic.remove', topics: made })
        }
        if (isPut) {
            go({ line: top, column: from })
            go({ line: Math.min(items.value.length - 1, top + lines.length - 1), column: from + Math.max(...lines.map(({ length }) => length)) - 1 }, true)
        }
    }

    /** Says something of the table; one that nobody made yet is kept by that. */
    function configure(fields: Record<string, string | boolean | null>, step = newId()): void {
        const id = shown.value?.id ?? newId()
        const own = shown.value === null ? { name: 'Table', ...(branch.value === map.tree.root ? {} : { branch: branch.value }), ...(columns.value.length === 0 ? {} : { columns: written() }) } : {}
        map.edit({ name: 'row.set', step, type: 'table', row: id, fields: { ...own, ...fields } } as Edit)
        left.value = { ...left.value, [map.id]: id }
    }
    const written = (all: readonly Column[] = columns.value): string => all.map(({ key, width, how }) => [key, ...(width === null && how === null ? [] : [width ?? '-']), ...(how === null ? [] : [how])].join(' ')).join('\n')
    const setColumns = (all: readonly Column[], step = newId()): void => configure({ columns: written(all) }, step)
    /** Shows a column after the one where one is, and goes there. */
    function addColumn(key: string): void {
        const all = [...columns.value]
        all.splice(spot.value.column + 1, 0, { key, width: null, how: null } as Column)
        wantedColumn = key
        setColumns(all)
    }

    function choose(table: string | null): void {
        left.value = { ...left.value, [map.id]: table ?? '' }
        spot.value = corner.value = { line: 0, column: 0 }
        fresh.value = []
    }

    // What is chosen elsewhere is chosen here.
    watch(() => map.current, (topic) => {
        if (topic !== null && topic !== own && topic !== current.value && !chosenTopics.value.includes(topic)) {
            const line = lineOf(topic)
            if (line >= 0) {
                spot.value = corner.value = { line, column: spot.value.column }
            }
        }
    })
    // A row that moved is still where one is.
    let stands: string | null = null
    watch(spot, ({ line }) => (stands = topicAt(line)), { flush: 'sync' })
    watch(items, (now) => {
        const line = stands === null || now[spot.value.line]?.topic === stands ? -1 : lineOf(stands)
        if (line >= 0) {
            const by = line - spot.value.line
            corner.value = { line: Math.max(0, corner.value.line + by), column: corner.value.column }
            spot.value = { line, column: spot.value.column }
        }
    })

    return {
        answer, items, columns, problem, spot, corner, range, typing, wanted, menu, hand, isBringing, isAddressed, isAdding, tables, shown, branch, isDeep, form, seenDays, days, isPlain, current, chosenTopics,
        field, see, told, below, typed, put, go, move, begin, finish, addRow, newRow, clear, fill, copied, copiedHere, isCopiedHere, isSeen, paste, configure, setColumns, addColumn, choose, lineOf, topicAt,
    }
})
