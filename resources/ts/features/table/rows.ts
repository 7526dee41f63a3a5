import { computed, ref, shallowRef, watch, type ComputedRef, type Ref } from 'vue'
import { api } from '@/api/client'
import { latest } from '@/api/latest'
import type { Edit, TableAnswer } from '@/api/wire'
import { today } from '@/facts/facts'
import { newId, useMap } from '@/stores/map'
import { rowOf, type KeptRow } from '@/stores/tree'
import { plainTitle } from '@/text/titleMarkdown'
import { tell } from '@/ui/tell'

export type Column = TableAnswer['columns'][number]
/** A line of a table: a topic as a row, or the head of a group. */
export type Item = { readonly key: string; readonly topic: string; readonly depth: number; readonly head?: undefined } | { readonly key: string; readonly topic: null; readonly head: string; readonly count: number }
/** What there is on a day, or several. */
export type DayItem = TableAnswer['days'][number]

/** Rows of which cells are asked for at a time. */
const MOST = 2_000

/**
 * The rows of a table and what stands in them: asked for when the map rests, cells only of what is in view; over that what
 * was typed and is not answered yet.
 *
 * @param come  runs with each answer
 * @param left  runs when another map is seen
 */
export function useRows(shown: ComputedRef<KeptRow | null>, branch: Ref<string>, come: (got: TableAnswer) => void, left: () => void) {
    const map = useMap()
    const answer = shallowRef<TableAnswer | null>(null)
    const groups = shallowRef<NonNullable<TableAnswer['groups']>>([])
    const cells = shallowRef<ReadonlyMap<string, readonly (readonly (string | null)[])[]>>(new Map())
    /** What was typed and is not answered yet, by topic and column. */
    const pending = shallowRef<ReadonlyMap<string, { text: string; isDone: boolean }>>(new Map())
    /** Topics that were added here, and the line after which each stands until the table is asked for anew. */
    const fresh = shallowRef<readonly { topic: string; after: string | null }[]>([])
    const problem = ref('')
    /** The rows in view. */
    const seen = shallowRef<readonly string[]>([])
    /** The first and the last day that are seen in a calendar. */
    const seenDays = shallowRef<{ from: string; to: string } | null>(null)
    const dayItems = computed(() => answer.value?.days ?? [])
    const asking = latest()
    const columns = computed<readonly Column[]>(() => answer.value?.columns ?? [])

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

    /** Whether it is in the window. */
    const isSeen = ref(false)
    async function ask(): Promise<void> {
        // A table that was made just now is asked for when the server knows it; one that nobody sees costs nothing.
        if (map.id === '' || !isSeen.value || (shown.value !== null && rowOf(map.told, 'table', shown.value.id) === undefined)) {
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
            come(got)
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
        const got = await api.cells(map.id, { table: shown.value?.id ?? null, branch: branch.value, text: map.filter?.text ?? '', topics: missing }).catch(() => null)
        // Where all was asked for anew meanwhile, that answer holds.
        if (got !== null && answer.value === its) {
            cells.value = new Map([...cells.value, ...Object.entries(got.cells)])
        }
    }

    /** The cells of topics, fetched where they are not here. */
    async function fetched(topics: readonly string[]): Promise<void> {
        const missing = topics.filter((topic) => !cells.value.has(topic))
        for (let i = 0; i < missing.length; i += MOST) {
            const got = await api.cells(map.id, { table: shown.value?.id ?? null, branch: branch.value, text: map.filter?.text ?? '', topics: missing.slice(i, i + MOST) })
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

    watch([() => map.id, () => shown.value?.id, branch, () => map.filter?.text], ([id], [before]) => {
        if (id !== before) {
            answer.value = null
            groups.value = []
            pending.value = new Map()
            fresh.value = []
            left()
        }
        seen.value = []
        cells.value = new Map()
        void ask()
    })
    watch(isSeen, () => void ask())
    watch(seenDays, () => void ask())
    watch([() => map.seq, () => map.savedState], ([, state]) => state === 'saved' && void ask())

    return { answer, columns, items, cells, fresh, problem, seenDays, days: dayItems, isSeen, see, fetched, told, below, typed, put }
}
