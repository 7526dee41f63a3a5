import { defineStore } from 'pinia'
import { computed, nextTick, ref, shallowRef, watch } from 'vue'
import { api } from '@/api/client'
import { latest } from '@/api/latest'
import type { Edit, FilterAnswer, ViewFilter } from '@/api/wire'
import { LEAST_READ, useCamera } from '@/board/cameraStore'
import { newId, useMap } from '@/stores/map'
import { useNarrowing } from '@/stores/narrowing'
import { ancestorsOf, branchOf, rowsOf } from '@/stores/tree'

export type Shows = ViewFilter['shows']
/** How long after a letter nothing has to be typed before the board is laid out anew. */
const PAUSE = 170
/** Maps of more topics are narrowed where one looks first. */
const LARGE = 1500
/** Topics that are in view at once, as the server takes them. */
const MOST_SEEN = 600
/** How long a board takes to have its place when a map opens. */
const SETTLED = 250

/** When the next frame has been handed to be painted. */
const painted = (): Promise<void> => new Promise((resolve) => requestAnimationFrame(() => setTimeout(resolve)))

/** What of the map is meant: what was typed for it, how that was understood, and the way from hit to hit. */
export const useFilter = defineStore('filter', () => {
    const map = useMap()
    const camera = useCamera()
    const narrowing = useNarrowing()

    const isOpen = ref(false)
    /** Counts up whenever the field is wanted. */
    const wanted = ref(0)
    /** Counts up whenever all maps are to be looked through. */
    const wantedEverywhere = ref(0)
    const text = ref('')
    const shows = ref<Shows>('above')
    const answer = shallowRef<FilterAnswer | null>(null)
    const problem = ref('')
    /** The filter of the map that was asked for, until something else is typed. */
    const named = ref<string | null>(null)
    const hits = shallowRef<readonly string[]>([])
    const asking = latest()
    /** The same of what is in view. */
    const looking = latest()
    /** How large the board was before it was narrowed. */
    let scale: number | null = null
    /** For what the board was brought into view last. */
    let fitted = ''
    let pause: ReturnType<typeof setTimeout> | undefined

    const isOn = computed(() => map.filter !== null || text.value.trim() !== '')
    const at = computed(() => hits.value.indexOf(map.current ?? ''))
    const filters = computed(() => [...rowsOf(map.tree, 'filter')].sort((a, b) => String(a.fields.name).localeCompare(String(b.fields.name))))

    function open(): void {
        isOpen.value = true
        wanted.value++
    }

    function openEverywhere(ui: { showSide: (side: 'meant') => void }): void {
        ui.showSide('meant')
        wantedEverywhere.value++
    }

    /** Lets what is not left stand back at once, and takes it off the outline. */
    function narrow(found: readonly string[], how: Shows): void {
        hits.value = found
        const lit = new Set(found)
        if (how === 'below') {
            found.forEach((id) => branchOf(map.tree, id).forEach((one) => lit.add(one)))
        }
        const left = new Set(lit)
        if (how === 'above' || how === 'below') {
            found.forEach((id) => ancestorsOf(map.tree, id).forEach((one) => left.add(one)))
        }
        narrowing.to = { words: text.value, ids: lit, isTold: true, isFlat: how === 'only', known: map.told.topics, ...(how === 'dim' ? {} : { left }) }
    }

    async function ask(what: { text: string } | { filter: string }): Promise<FilterAnswer | null> {
        const isWanted = asking.begin()
        try {
            const got = await api.filter(map.id, { ...what, scope: map.scope })
            if (!isWanted()) {
                return null
            }
            problem.value = got.problem ?? ''
            answer.value = got
            return got
        } catch (error) {
            if (isWanted()) {
                problem.value = (error as Error).message
            }
            return null
        }
    }

    /** Of a large map what is in view stands back sooner than all is found, which is asked for meanwhile. */
    async function narrowInView(now: string): Promise<FilterAnswer | null> {
        const isWanted = looking.begin()
        const seen = [...new Set([...document.querySelectorAll<HTMLElement | SVGElement>('.board [data-topic], .outline [data-topic]')].map(({ dataset }) => dataset.topic ?? ''))].filter((id) => map.tree.topics.has(id)).slice(0, MOST_SEEN)
        const got = await api.filterAmong(map.id, now, seen).catch(() => null)
        const askAll = (): Promise<FilterAnswer | null> | null => (text.value === now ? ask({ text: now }) : null)
        if (got === null || got.words === '' || !isWanted()) {
            return askAll()
        }
        const found = new Set(got.topics)
        const before = narrowing.to?.isTold === true ? narrowing.to : null
        const ids = new Set(before?.ids)
        const left = before?.left === undefined ? undefined : new Set(before.left)
        seen.forEach((id) => (found.has(id) ? ids.add(id) : ids.delete(id)))
        found.forEach((id) => left !== undefined && [id, ...ancestorsOf(map.tree, id)].forEach((one) => left.add(one)))
        narrowing.to = { words: now, ids, isTold: true, isOfView: true, ...(before?.isFlat === undefined ? {} : { isFlat: before.isFlat }), known: before?.known ?? new Map(seen.map((id) => [id, true])), ...(left === undefined ? {} : { left }) }
        // What is in view is painted first: both at once would wait for each other.
        await painted()
        return askAll()
    }

    /** Narrows the map to what is typed, letter by letter; the board follows when the typing rests. */
    async function type(now: string): Promise<void> {
        const typed = performance.now()
        text.value = now
        named.value = null
        clearTimeout(pause)
        looking.drop()
        if (now.trim() === '') {
            widen()
        }
        const got = await (now.trim() !== '' && map.tree.topics.size > LARGE ? narrowInView(now) : ask({ text: now }))
        if (got === null) {
            return
        }
        looking.drop()
        if (got.when === null) {
            widen()
        } else {
            narrow(got.hits, shows.value)
            pause = setTimeout(() => map.setFilter({ text: now, shows: shows.value }), Math.max(0, PAUSE - (performance.now() - typed)))
        }
    }

    /** Nothing is asked for: the whole is shown, and one may go on typing. */
    function widen(): void {
        narrowing.to = null
        hits.value = []
        map.setFilter(null)
        leave()
    }

    /** Narrows the map to a filter that it keeps. */
    async function use(filter: string): Promise<void> {
        isOpen.value = true
        const got = await ask({ filter })
        if (got !== null) {
            text.value = got.text
            shows.value = got.shows ?? 'above'
            named.value = filter
            narrow(got.hits, shows.value)
            map.setFilter({ text: got.text, shows: shows.value })
        }
    }

    function show(how: Shows): void {
        shows.value = how
        if (text.value.trim() !== '') {
            narrow(hits.value, how)
            map.setFilter({ text: text.value, shows: how })
        }
    }

    /** Shows the whole map again. */
    function end(): void {
        clearTimeout(pause)
        asking.drop()
        isOpen.value = false
        text.value = ''
        answer.value = named.value = null
        problem.value = ''
        hits.value = []
        if (narrowing.to?.isTold === true) {
            narrowing.to = null
        }
        map.setFilter(null)
        leave()
    }

    /** All that is left, or as much of it around the first hit as can be read. */
    function bringIntoView(found: readonly string[]): void {
        camera.showAll(false)
        const first = found[0]
        if (first !== undefined && camera.scale < LEAST_READ) {
            camera.centre(first, LEAST_READ)
        }
    }

    /** The board is as large as before, with what is chosen in the middle. */
    function leave(): void {
        const before = scale
        scale = null
        fitted = ''
        if (before !== null && map.current !== null) {
            const at = map.current
            map.uncover(at, 'board')
            map.afterAnswer(() => camera.centre(at, before))
        }
    }

    /** Goes to the next hit, or to the one before; after the last comes the first. */
    function go(by: number): void {
        const count = hits.value.length
        const next = hits.value[at.value < 0 ? (by > 0 ? 0 : count - 1) : (at.value + by + count) % count]
        if (next !== undefined) {
            if (shows.value === 'dim') {
                map.uncover(next, map.region)
            }
            map.choose(next)
            map.afterAnswer(() => camera.show(next))
        }
    }

    function chooseAll(): void {
        const there = hits.value.filter((id) => map.tree.topics.has(id))
        if (there.length > 0) {
            map.choose(...there)
        }
    }

    /** Keeps what is asked under a name; a filter that was used is changed. */
    function keep(name: string): void {
        const when = answer.value?.when
        if (when != null && name.trim() !== '') {
            const row = filters.value.find(({ fields }) => fields.name === name.trim())?.id ?? newId()
            map.edit({ name: 'row.set', step: newId(), type: 'filter', row, fields: { name: name.trim(), when, shows: shows.value === 'above' ? null : shows.value } } as Edit)
            named.value = row
        }
    }
    const rename = (filter: string, name: string): void => map.edit({ name: 'row.set', step: newId(), type: 'filter', row: filter, fields: { name: name.trim() } } as Edit)
    const remove = (filter: string): void => map.edit({ name: 'row.remove', type: 'filter', rows: [filter] })

    // What the server says of the map as it is now goes over what was found while typing.
    watch(() => map.narrowed, (now, before) => {
        if (now === null && before != null && map.showing) {
            // Others see no filter; when they have gone it is there again.
            narrowing.to = null
        }
        if (now !== null && (text.value === '' || now.text === text.value)) {
            const isTyped = text.value !== ''
            text.value = now.text
            shows.value = now.shows
            isOpen.value = true
            narrow(now.hits, now.shows)
            const what = `${now.shows} ${now.text}`
            // What is changed while the map is narrowed leaves the board where it is; so does opening it so.
            if (!isTyped) {
                void ask({ text: now.text })
            } else if (what !== fitted && now.shows !== 'dim') {
                scale ??= camera.scale
                void nextTick(() => bringIntoView(now.hits))
            }
            fitted = what
            if (now.shows !== 'dim' && map.current !== null && !map.slips.has(map.current) && now.hits[0] !== undefined) {
                map.choose(now.hits[0])
            }
        }
    }, { immediate: true })
    // A map that opens narrowed shows what was hit, also where the board was left as large as the whole.
    watch(() => camera.handle, (there) => {
        const now = map.narrowed
        if (there !== null && now !== null && now.shows !== 'dim') {
            // The board takes its place first.
            setTimeout(() => map.narrowed === now && camera.scale < LEAST_READ && bringIntoView(now.hits), SETTLED)
        }
    }, { immediate: true })
    watch(() => map.filter, (now, before) => now === null && before !== null && narrowing.to?.isTold === true && end())
    watch(() => map.id, () => {
        clearTimeout(pause)
        scale = null
        fitted = ''
        asking.drop()
        isOpen.value = false
        wanted.value = 0
        text.value = problem.value = ''
        hits.value = []
        answer.value = named.value = null
        narrowing.to = null
    })
    watch(() => map.scope, () => text.value.trim() !== '' && void type(text.value))

    return { isOpen, isOn, wanted, wantedEverywhere, text, shows, answer, problem, named, hits, at, filters, open, openEverywhere, type, use, show, end, go, chooseAll, keep, rename, remove }
})
