import { useStorage, watchDebounced } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, nextTick, ref, shallowRef, watch } from 'vue'
import { latest } from '@/api/latest'
import { showApi } from '@/api/show'
import type { Edit, ShownDeck, ShownSlide, Way } from '@/api/wire'
import { useCamera } from '@/board/cameraStore'
import type { Box } from '@/board/geometry'
import { newId, useMap } from '@/stores/map'
import { usePreferences } from '@/stores/preferences'
import { heldIn } from '@/stores/privacy'
import { branchOf } from '@/stores/tree'
import { topicName } from '@/text/titleMarkdown'
import { offer, tell } from '@/ui/tell'
import { useUi } from '@/ui/uiStore'

export type Makes = 'children' | 'levels' | 'noted' | 'each'
type Fields = Readonly<Record<string, string | number | boolean | null>>

/** After the last edit, what is on slides is asked for again, milliseconds. */
const ASKS = 40

/** The decks of the map, the one that is worked on, and the slide that is chosen. */
export const useSlides = defineStore('slides', () => {
    const map = useMap()
    const camera = useCamera()
    const preferences = usePreferences()
    const ui = useUi()
    /** The deck one was in last, and the slide, by map. */
    const left = useStorage<Record<string, { deck: string; slide: string | null }>>('chalk-deck', {})
    const shown = shallowRef<ShownDeck | null>(null)
    const slide = ref<string | null>(null)
    const isSeen = computed(() => preferences.way === 'slides' || ui.phoneView === 'slides')
    const wanted = latest()

    const decks = computed(() => [...map.tree.rows.values()].filter(({ type }) => type === 'deck').map(({ id, fields }) => ({ id, name: String(fields.name ?? ''), fields: fields as Fields })).sort((a, b) => a.name.localeCompare(b.name)))
    const deck = computed(() => decks.value.find(({ id }) => id === left.value[map.id]?.deck) ?? decks.value[0] ?? null)
    const slides = computed<readonly ShownSlide[]>(() => (shown.value !== null && shown.value.id === deck.value?.id ? shown.value.slides : []))
    const current = computed(() => slides.value.find(({ id }) => id === slide.value) ?? null)
    /** What the map keeps of the slide. */
    const fields = computed<Fields>(() => (slide.value === null ? {} : (([...map.tree.rows.values()].find(({ type, id }) => type === 'slide' && id === slide.value)?.fields ?? {}) as Fields)))
    /** The topics on the chosen slide. */
    const on = computed<ReadonlySet<string>>(() => new Set(current.value?.topics.map(({ id }) => id) ?? []))
    const covered = computed<ReadonlySet<string>>(() => new Set(current.value?.covered ?? []))

    async function fetch(): Promise<void> {
        const isWanted = wanted.begin()
        const its = deck.value
        if (its === null || map.id === '') {
            shown.value = null
            return
        }
        try {
            const answer = await showApi.deck(map.id, its.id)
            if (isWanted()) {
                // What is moved in the page, or goes, loses the keys.
                const wasInStrip = document.activeElement?.closest('.slide-strip') != null
                shown.value = answer
                if (!answer.slides.some(({ id }) => id === slide.value)) {
                    choose(answer.slides.find(({ id }) => id === left.value[map.id]?.slide)?.id ?? answer.slides[0]?.id ?? null)
                }
                if (wasInStrip) {
                    focusChosen()
                }
            }
        } catch {
            // What was seen stays; with the next edit it is asked for again.
        }
    }
    watchDebounced([() => map.seq, () => deck.value?.id], () => isSeen.value && void fetch(), { debounce: ASKS })
    watch(isSeen, (seen) => seen && void fetch(), { immediate: true })

    function chooseDeck(id: string): void {
        left.value = { ...left.value, [map.id]: { deck: id, slide: null } }
        slide.value = null
    }
    function choose(id: string | null): void {
        slide.value = id
        const its = deck.value
        if (its !== null) {
            // One that is being made is not there yet, and stays the one that is meant.
            left.value = { ...left.value, [map.id]: { deck: left.value[map.id]?.deck ?? its.id, slide: id } }
        }
    }
    /** The slide before or after. */
    function step(by: 1 | -1): void {
        const at = slides.value.findIndex(({ id }) => id === slide.value)
        choose(slides.value[Math.min(slides.value.length - 1, Math.max(0, at + by))]?.id ?? null)
        focusChosen()
    }
    function focusChosen(): void {
        void nextTick(() => {
            const line = document.querySelector<HTMLElement>('.slide-strip [aria-selected=true]')
            line?.focus({ preventScroll: true })
            line?.scrollIntoView({ block: 'nearest' })
        })
    }

    /** Sees an edit through, and what there is then. */
    async function make(edit: Edit): Promise<boolean> {
        const isDone = await map.outcomeOf(edit)
        if (isDone) {
            await fetch()
        } else {
            tell.warning('This could not be done. Look whether what it was about is still there.')
        }
        return isDone
    }

    /** A deck of a branch, or an empty one. */
    async function makeDeck(makes: Makes | null): Promise<void> {
        const of = map.current ?? map.scope ?? map.tree.root
        const id = newId()
        const title = topicName(map.tree.topics.get(of)?.title).slice(0, 80)
        if (makes !== null && heldIn(map.tree).has(of)) {
            tell.warning('This is private, so it is not shown. Choose another topic to make slides of.')
            return
        }
        const edit = { name: 'deck.make', as: id, title: makes === null || title === '' ? 'Slides' : title, ...(makes === null ? {} : { of, makes, inStep: true }) } as Edit
        const before = left.value[map.id]
        left.value = { ...left.value, [map.id]: { deck: id, slide: null } }
        slide.value = null
        see()
        if (!(await make(edit)) && before !== undefined) {
            left.value = { ...left.value, [map.id]: before }
        }
    }

    /** A slide of what is chosen, as it is folded on the board, after the one that is chosen; in a deck that comes with it where there is none. */
    async function add(topics: readonly string[] = map.chosen, after: string | null = slide.value): Promise<void> {
        const held = heldIn(map.tree)
        const shownOf = topics.filter((id) => map.tree.topics.has(id) && !held.has(id))
        if (shownOf.length === 0 && topics.length > 0) {
            tell.warning('This is private, so it is not shown. Choose other topics.')
            return
        }
        const folded = [...map.folded].filter((id) => shownOf.some((top) => branchOf(map.tree, top).includes(id)))
        const its = deck.value?.id ?? newId()
        const id = newId()
        const isThere = after !== null && slides.value.some((one) => one.id === after)
        const done = make({ name: 'slide.add', as: id, deck: its, topics: [...shownOf], ...(folded.length === 0 ? {} : { folded }), ...(isThere ? { after } : {}) } as Edit)
        left.value = { ...left.value, [map.id]: { deck: its, slide: id } }
        if (await done) {
            choose(id)
            if (!isSeen.value) {
                offer(`Slide ${slides.value.findIndex((one) => one.id === id) + 1} is made.`, 'See the slides', see)
            }
        }
    }

    function see(): void {
        preferences.way = 'slides'
        ui.phoneView = 'slides'
        map.region = 'board'
        void fetch()
    }

    const isOn = (topics: readonly string[]): boolean => topics.length > 0 && topics.every((id) => on.value.has(id))
    /** Puts topics on the slide, or takes them off if all are on it. */
    function put(topics: readonly string[] = map.chosen, how: 'branch' | 'alone' = 'branch', onto: string | null = slide.value): void {
        if (onto !== null && topics.length > 0) {
            void make({ name: 'slide.put', slide: onto, topics: [...topics], how: onto === slide.value && isOn(topics) && how === 'branch' ? 'out' : how } as Edit)
        }
    }
    function cover(topics: readonly string[] = map.chosen): void {
        if (slide.value !== null && topics.length > 0) {
            const isCovered = topics.every((id) => covered.value.has(id))
            void make({ name: 'slide.put', slide: slide.value, topics: [...topics], how: isCovered ? 'uncover' : 'cover' } as Edit)
            if (!isCovered && deck.value?.fields.gaps !== true) {
                setDeck({ gaps: true })
            }
        }
    }
    function fold(topics: readonly string[] = map.chosen): void {
        if (slide.value !== null && topics.length > 0) {
            const said = String(fields.value.topics ?? '')
            const isFolded = topics.every((id) => new RegExp(`${id}[+=-]?f`).test(said))
            void make({ name: 'slide.put', slide: slide.value, topics: [...topics], how: isFolded ? 'unfold' : 'fold' } as Edit)
        }
    }

    function set(changed: Fields, of: string | null = slide.value): void {
        if (of !== null) {
            map.edit({ name: 'row.set', type: 'slide', row: of, fields: changed } as Edit)
        }
    }
    function setDeck(changed: Fields): void {
        if (deck.value !== null) {
            map.edit({ name: 'row.set', type: 'deck', row: deck.value.id, fields: changed } as Edit)
        }
    }

    /** Moves a slide so many places, or after another one. */
    function move(by: 1 | -1): void {
        const all = slides.value.map(({ id }) => id)
        const at = all.indexOf(slide.value ?? '')
        const to = at + by
        if (slide.value !== null && to >= 0 && to < all.length) {
            moveAfter(slide.value, by === 1 ? (all[to] ?? null) : (all[to - 1] ?? null))
        }
    }
    function moveAfter(id: string, after: string | null): void {
        if (deck.value !== null && id !== after) {
            void make({ name: 'slide.move', slides: [id], deck: deck.value.id, after } as Edit)
        }
    }
    async function copy(): Promise<void> {
        if (slide.value !== null) {
            const id = newId()
            if (await make({ name: 'slide.copy', slide: slide.value, as: id } as Edit)) {
                choose(id)
            }
        }
    }
    async function remove(): Promise<void> {
        const id = slide.value
        if (id === null) {
            return
        }
        const at = slides.value.findIndex((one) => one.id === id)
        const next = slides.value[at + 1]?.id ?? slides.value[at - 1]?.id ?? null
        const isMade = deck.value?.fields.inStep === true && (fields.value.of ?? '') !== ''
        if (await make({ name: 'slide.remove', slides: [id] } as Edit)) {
            if (isMade) {
                tell.info('It is made of the map, so it is hidden and not removed. It is not shown.')
            } else {
                choose(next)
            }
        }
    }
    function hide(): void {
        set({ hidden: fields.value.hidden !== true })
    }
    function removeDeck(): void {
        if (deck.value !== null) {
            const { id, name } = deck.value
            slide.value = null
            void make({ name: 'deck.remove', deck: id } as Edit)
            tell.info(`The deck “${name}” is removed. Its topics stay, and undoing brings it back.`)
        }
    }

    /** The part of the board that is seen becomes the frame of the slide. */
    function frame(): void {
        const board = document.querySelector('[data-focus=board]')?.getBoundingClientRect()
        const handle = camera.handle
        const here = current.value
        if (board === undefined || handle === null || here === null) {
            return
        }
        const [from, to] = [handle.toBoard(board.left, board.top), handle.toBoard(board.right, board.bottom)]
        const middle = { x: (from.x + to.x) / 2, y: (from.y + to.y) / 2 }
        let nearest: { id: string; box: Box; away: number } | null = null
        for (const { id } of here.topics) {
            const box = camera.boxOf(id)
            const away = box === undefined ? Infinity : Math.hypot(box.x + box.w / 2 - middle.x, box.y + box.h / 2 - middle.y)
            if (box !== undefined && (nearest === null || away < nearest.away)) {
                nearest = { id, box, away }
            }
        }
        if (nearest === null) {
            tell.warning('Nothing of the slide is on the board as it is folded now.')
            return
        }
        const { id, box } = nearest
        set({ at: id, left: Math.round(from.x - box.x - box.w / 2), top: Math.round(from.y - box.y - box.h / 2), wide: Math.max(20, Math.round(to.x - from.x)), high: Math.max(20, Math.round(to.y - from.y)) })
    }
    const isFramed = computed(() => (fields.value.at ?? '') !== '' && fields.value.at !== null)
    function fit(): void {
        set({ at: null, left: null, top: null, wide: null, high: null })
    }
    function setWay(way: Way): void {
        set({ way: way === 'only' ? null : way })
    }

    return { decks, deck, slides, slide, current, fields, on, covered, shown, isSeen, isFramed, fetch, chooseDeck, choose, step, makeDeck, add, see, isOn, put, cover, fold, set, setDeck, move, moveAfter, copy, remove, hide, removeDeck, frame, fit, setWay }
})
