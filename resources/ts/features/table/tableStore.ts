import { useStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { api } from '@/api/client'
import { latest } from '@/api/latest'
import type { Edit, TableAnswer } from '@/api/wire'
import { today } from '@/facts/facts'
import { newId, useMap } from '@/stores/map'
import { rowOf, rowsOf } from '@/stores/tree'
import { plainTitle } from '@/text/titleMarkdown'
import { tell } from '@/ui/tell'

export type Column = TableAnswer['columns'][number]
/** A line of a table: a topic as a row, or the head of a group. */
export type Item = { readonly key: string; readonly topic: string; readonly depth: number; readonly head?: undefined } | { readonly key: string; readonly topic: null; readonly head: string; readonly count: number }
export type TableForm = 'rows' | 'lanes' | 'month' | 'week' | 'spans'
/** What there is on a day, or several. */
export type DayItem = TableAnswer['days'][number]
/** What keys of the table do in its other forms. */
export interface Hand { move: (lines: number, across: number) => void; shift: (lines: number, across: number) => void; stretch?: (across: number) => void; page?: (by: number) => void; home?: () => void; add?: () => void }
/** A cell that is typed into: what it holds to begin with, and whether arrows leave it. */
export interface Typing { readonly topic: string | null; readonly column: string; readonly text: string; readonly leaves: boolean }
/** A place in a table: a line, by its number among all, and a column. */
export interface Spot { readonly line: number; readonly column: number }

/** Rows of which cells are asked for at a time. */
const MOST = 2_000
/** The table that is seen: its rows and cells, what is chosen in it, and what is typed. */
export const useTable = defineStore('table', () => {
    const map = useMap()
    const left = useStorage<Record<string, string>>('chalk-tables', {})
    const answer = shallowRef<TableAnswer | null>(null)
    const groups = shallowRef<NonNullable<TableAnswer['groups']>>([])
    const cells = shallowRef<ReadonlyMap<string, readonly (readonly (string | null)[])[]>>(new Map())
    /** What was typed and is not answered yet, by topic and column. */
    const pending = shallowRef<ReadonlyMap<string, { text: string; isDone: boolean }>>(new Map())
    /** Topics that were added here, and the line after which each stands until the table is asked for anew. */
    const fresh = shallowRef<readonly { topic: string; after: string | null }[]>([])
    const problem = ref('')
    const spot = shallowRef<Spot>({ line: 0, column: 0 })
    /** The other corner of what is chosen. */
    const corner = shallowRef<Spot>({ line: 0, column: 0 })
    const typing = shallowRef<Typing | null>(null)
    /** Counts up whenever the focus is wanted in the rows. */
    const wanted = ref(0)
    /** The rows in view. */
    const seen = shallowRef<readonly string[]>([])
    /** The column of which the menu is open. */
    const menu = ref<string | null>(null)
    const isBringing = ref(false)
    /** Whether the address for other calendars is shown. */
    const isAddressed = ref(false)
    /** Whether a column is being added. */
    const isAdding = ref(false)
    const asking = latest()

    const tables = computed(() => rowsOf(map.tree, 'table').sort((a, b) => String(a.fields.name).localeCompare(String(b.fields.name))))
    const shown = computed(() => tables.value.find(({ id }) => id === left.value[map.id]) ?? null)
    const field = (name: string): string => (typeof shown.value?.fields[name] === 'string' ? String(shown.value.fields[name]) : '')
    const isDeep = computed(() => shown.value?.fields.deep === true)
    /** How it is seen. */
    const form = computed<TableForm>(() => (field('form') === 'lanes' && field('by') === '' ? 'rows' : ((field('form') || 'rows') as TableForm)))
    /** The first and the last day that are seen in a calendar. */
    const seenDays = shallowRef<{ from: string; to: string } | null>(null)
    const dayItems = computed(() => answer.value?.days ?? [])
    /** The topic of which the rows are what is below. */
    const branch = computed(() => {
        const said = shown.value === null ? map.scope : field('branch')
        return said !== null && map.tree.topics.has(said) ? said : map.tree.root
    })
    const columns = computed<readonly Column[]>(() => answer.value?.columns ?? [])
    /** Whether the rows stand as in the map. */
    const isPlain = computed(() => field('order') === '' && field('by') === '' && field('when') === '' && map.filter === null)

    const items = computed<readonly Item[]>((before) => {
        const there = map.tree.topics
        const next: Item[] = []
        const known = new Set<string>()
        groups.value.forEach((group, g) => {
            if (group.title !== '') {
                next.push({ key: `g${g}`, topic: null, head: group.title, count: group.rows.length })
            }
            for (const [topic, depth] of group.rows as [string, number][]) {
                if (there.has(topic)) {
                    next.push({ key: known.has(topic) ? `${topic} ${g}` : topic, topic, depth })
                }
                known.add(topic)
            }
        })
        for (const { topic, after } of fresh.value) {
            if (!known.has(topic) && there.has(topic)) {
                const at = after === null ? -1 : next.findIndex((item) => item.topic === after)
                const beside = next[at]
                next.splice(at < 0 ? next.length : at + 1, 0, { key: topic, topic, depth: beside?.topic == null ? 0 : beside.depth })
            }
        }
        // What is made of the lines is made anew only where one is another.
        return before?.length === next.length && before.every((one, i) => one.key === next[i]?.key && one.topic === next[i]?.topic && (one.topic === null ? one.count === (next[i] as { count: number }).count : one.depth === (next[i] as { depth: number }).depth)) ? before : next
    })
    const lineOf = (topic: string): number => items.value.findIndex((item) => item.topic === topic)
    const topicAt = (line: number): string | null => items.value[line]?.topic ?? null
    const current = computed(() => topicAt(spot.value.line))
    const range = computed(() => ({
        top: Math.min(spot.value.line, corner.value.line), bottom: Math.max(spot.value.line, corner.value.line),
        from: Math.min(spot.value.column, corner.value.column), to: Math.max(spot.value.column, corner.value.column),
    }))
    /** The topics of the rows that are chosen, in their order. */
    const chosenTopics = computed(() => items.value.slice(range.value.top, range.value.bottom + 1).flatMap(({ topic }) => topic ?? []))

    /** A column that is on its way, to which one goes when it is there. */
    let wantedColumn = ''
    async function ask(): Promise<void> {
        // A table that was made just now is asked for when the server knows it.
        if (map.id === '' || (shown.value !== null && rowOf(map.told, 'table', shown.value.id) === undefined)) {
            return
        }
        const isWanted = asking.begin()
        const done = [...pending.value].filter(([, { isDone }]) => isDone).map(([key]) => key)
        try {
            const got = await api.table(map.id, { table: shown.value?.id ?? null, branch: branch.value, text: map.filter?.text ?? '', topics: seen.value.slice(0, MOST), known: answer.value?.hash ?? null, ...seenDays.value })
            if (!isWanted()) {
                return
            }
            answer.value = got
            problem.value = ''
            const wantedAt = got.columns.findIndex(({ key }) => key === wantedColumn)
            if (wantedAt >= 0) {
                wantedColumn = ''
                spot.value = corner.value = { line: spot.value.line, column: wantedAt }
            }
            groups.value = got.groups ?? groups.value
            cells.value = new Map(Object.entries(got.cells))
            const rows = new Set(groups.value.flatMap((group) => group.rows.map(([topic]) => topic)))
            fresh.value = fresh.value.filter(({ topic }) => !rows.has(topic))
            pending.value = new Map([...pending.value].filter(([key]) => !done.includes(key)))
            if (seen.value.length === 0 || seen.value.some((topic) => !cells.value.has(topic) && map.told.topics.has(topic))) {
                see(items.value.slice(0, 60).flatMap(({ topic }) => topic ?? []))
            }
        } catch (error) {
            if (isWanted()) {
                problem.value = (error as Error).message
            }
        }
    }

    let soon: ReturnType<typeof setTimeout> | undefined
    /** Says which rows are in view; what stands in them is asked for where it is not known. */
    function see(topics: readonly string[]): void {
        seen.value = topics
        if (topics.some((topic) => !cells.value.has(topic) && map.told.topics.has(topic))) {
            clearTimeout(soon)
            soon = setTimeout(() => void more(), 30)
        }
    }

    async function more(): Promise<void> {
        const its = answer.value
        const missing = seen.value.filter((topic) => !cells.value.has(topic) && map.told.topics.has(topic)).slice(0, MOST)
        if (its === null || missing.length === 0) {
            return
        }
        const got = await api.cells(map.id, { table: shown.value?.id ?? null, branch: branch.value, topics: missing }).catch(() => null)
        // Where all was asked for anew meanwhile, that answer holds.
        if (got !== null && answer.value === its) {
            cells.value = new Map([...cells.value, ...Object.entries(got.cells)])
        }
    }

    /** The cells of topics, fetched where they are not here. */
    async function fetched(topics: readonly string[]): Promise<void> {
        const missing = topics.filter((topic) => !cells.value.has(topic))
        for (let i = 0; i < missing.length; i += MOST) {
            const got = await api.cells(map.id, { table: shown.value?.id ?? null, branch: branch.value, topics: missing.slice(i, i + MOST) })
            cells.value = new Map([...cells.value, ...Object.entries(got.cells)])
        }
    }

    const keyAt = (topic: string, column: string): string => `${topic} ${column}`
    /** What stands in a cell, as people read it. */
    function told(topic: string, column: number): string {
        const key = columns.value[column]?.key ?? ''
        const waiting = pending.value.get(keyAt(topic, key))
        if (waiting !== undefined) {
            return key === 'title' ? plainTitle(waiting.text) : waiting.text
        }
        return key === 'title' ? plainTitle(map.tree.topics.get(topic)?.title ?? '') : (cells.value.get(topic)?.[column]?.[0] ?? '')
    }
    /** What those below a topic come to, where it has nothing itself. */
    const below = (topic: string, column: number): string => (pending.value.has(keyAt(topic, columns.value[column]?.key ?? '')) ? '' : (cells.value.get(topic)?.[column]?.[2] ?? ''))
    /** What one would type for it; null where nothing is typed. */
    function typed(topic: string, column: number): string | null {
        const key = columns.value[column]?.key ?? ''
        const waiting = pending.value.get(keyAt(topic, key))
        if (columns.value[column]?.form == null) {
            return null
        }
        return waiting?.text ?? (key === 'title' ? (map.tree.topics.get(topic)?.title ?? '') : cells.value.has(topic) ? (cells.value.get(topic)?.[column]?.[1] ?? null) : '')
    }

    /** Puts what was typed into cells, as one step; it stands there at once. */
    async function put(changes: readonly { topic: string; column: string; text: string }[], step = newId()): Promise<boolean> {
        if (changes.length === 0) {
            return true
        }
        pending.value = new Map([...pending.value, ...changes.map(({ topic, column, text }): [string, { text: string; isDone: boolean }] => [keyAt(topic, column), { text, isDone: false }])])
        const refusal = await map.refusalOf({ name: 'cells.set', step, cells: changes.map((one) => ({ ...one })), today: today() } as Edit)
        const next = new Map(pending.value)
        for (const { topic, column, text } of changes) {
            const its = next.get(keyAt(topic, column))
            if (its?.text === text) {
                if (refusal === null) {
                    next.set(keyAt(topic, column), { text, isDone: true })
                } else {
                    next.delete(keyAt(topic, column))
                }
            }
        }
        pending.value = next
        if (refusal !== null) {
            tell.warning(refusal)
        }
        return refusal === null
    }

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
        const held = topic === null ? '' : typed(topic, spot.value.column)
        if (column.form === null) {
            tell.info(`What stands under “${column.words}” follows from other things.`)
        } else if (held === null) {
            tell.info('This is long; it is changed at the desk.')
        } else {
            typing.value = { topic, column: column.key, text: instead ?? held, leaves: instead !== null }
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

    function keep({ topic, column }: Typing, text: string): void {
        if (topic === null) {
            if (text.trim() !== '') {
                addRow(null, { column, text })
            }
        } else if (text !== typed(topic, columns.value.findIndex(({ key }) => key === column))) {
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
        void put(chosenCells().filter(({ topic, column, at }) => column !== 'title' && (typed(topic, at) ?? '') !== '').map(({ topic, column }) => ({ topic, column, text: '' })))
    }
    const chosenCells = (): { topic: string; column: string; at: number }[] =>
        chosenTopics.value.flatMap((topic) => columns.value.slice(range.value.from, range.value.to + 1).flatMap((column, i) => (column.form === null ? [] : [{ topic, column: column.key, at: range.value.from + i }])))

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
        const keys = columns.value.slice(from).map(({ key, form }) => (form === null ? null : key))
        const step = newId()
        const changes: { topic: string; column: string; text: string }[] = []
        const rows = items.value.slice(top).flatMap(({ topic }) => topic ?? [])
        lines.forEach((line, i) => {
            let topic = rows[i]
            if (topic === undefined) {
                topic = newId()
                map.edit({ name: 'topic.add', step, parent: branch.value, topic: { id: topic, title: '' } } as Edit)
                fresh.value = [...fresh.value, { topic, after: null }]
            }
            const its = topic
            line.forEach((text, n) => {
                const column = keys[n]
                if (column != null) {
                    changes.push({ topic: its, column, text: column === 'title' ? text.replace(/([\\*_`[\]~])/g, '\\$1') : text })
                }
            })
        })
        const isPut = await put(changes, step)
        if (isPut) {
            go({ line: top, column: from })
            go({ line: Math.min(items.value.length - 1, top + lines.length - 1), column: from + Math.max(...lines.map(({ length }) => length)) - 1 }, true)
        }
    }

    /** Says something of the table; one that nobody made yet is kept by that. */
    function configure(fields: Record<string, string | boolean | null>, step = newId()): void {
        const id = shown.value?.id ?? newId()
        const own = shown.value === null ? { name: 'Table', ...(branch.value === map.tree.root ? {} : { branch: branch.value }), columns: written() } : {}
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

    watch([() => map.id, () => shown.value?.id, branch, () => map.filter?.text], () => {
        seen.value = []
        cells.value = new Map()
        void ask()
    }, { immediate: true })
    watch(seenDays, () => void ask())
    watch([() => map.seq, () => map.savedState], ([, state]) => state === 'saved' && void ask())
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
        answer, items, columns, problem, spot, corner, range, typing, wanted, menu, hand, isBringing, isAddressed, isAdding, tables, shown, branch, isDeep, form, seenDays, days: dayItems, isPlain, current, chosenTopics,
        field, ask, see, told, below, typed, put, go, move, begin, finish, addRow, newRow, clear, fill, copied, paste, configure, setColumns, addColumn, choose, lineOf, topicAt,
    }
})
