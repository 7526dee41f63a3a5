import { useIntervalFn, useStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, nextTick, ref, shallowRef, watch, watchEffect } from 'vue'
import { LEAST_TYPE } from '@/board/farLabels'
import { useCamera } from '@/board/cameraStore'
import { lookOf } from '@/board/looks'
import { isReadingOpen } from '@/features/aloud/state'
import { useMap } from '@/stores/map'
import { heldIn, withoutHeld } from '@/stores/privacy'
import { ancestorsOf, childrenOf } from '@/stores/tree'
import { topicName } from '@/text/titleMarkdown'
import { notLoaded, tell } from '@/ui/tell'
import { leastRest } from './contrast'
import { isWithin, markedIn, placeOf, stopsOf, type Order } from './walkPath'
import { useWalk, type WalkWay } from './walkStore'
import { closeOpened, isAnyOpen, thingsAt, type Thing } from './walkOpen'

/** What is seen beside the topic: all, dimmed; what was shown already, dimmed; nothing. */
export type Rest = 'dimmed' | 'been' | 'gone'
/** What is said beforehand, small, at the lower edge. */
export type Peek = 'none' | 'below' | 'note'

export const orders: readonly { readonly value: Order; readonly label: string }[] = [{ value: 'all', label: 'All' }, { value: 'marked', label: 'Marked' }, { value: 'own', label: 'My own order' }]
export const rests: readonly { readonly value: Rest; readonly label: string }[] = [{ value: 'dimmed', label: 'All' }, { value: 'been', label: 'Shown so far' }, { value: 'gone', label: 'Nothing' }]
export const peeks: readonly { readonly value: Peek; readonly label: string }[] = [{ value: 'none', label: 'Nothing' }, { value: 'below', label: 'Topics below' }, { value: 'note', label: 'The note' }]

/** Seconds from one look at the clock to the next. */
const TICK = 0.25
const FAR = 0.2
const NEAR = 4
/** How large a topic is where the speaker has chosen no zoom: so many pixels of the window's height for one of the board, but no wider than this part of it. */
const HIGH = 420
const WIDE = 0.85
/** After this the board is there and stands where it begins, milliseconds. */
const SETTLED = 60

const next = <T>(all: readonly { readonly value: T }[], now: T): T => all[(all.findIndex(({ value }) => value === now) + 1) % all.length]?.value ?? now

/** A walk through the map: where it is, the ways on from there, what is seen beside it, and how it goes on. */
export const useWalkWay = defineStore('walkWay', () => {
    const map = useMap()
    const camera = useCamera()
    const walk = useWalk()

    const settings = useStorage('chalk-walk', { order: 'all' as Order, rest: 'dimmed' as Rest, dim: 0.9, seconds: 8, peek: 'none' as Peek, note: false }, undefined, { mergeDefaults: true })
    const from = ref<string | null>(null)
    const order = ref<Order>('all')
    /** How many levels below where it began it stops at; null for all. */
    const depth = ref<number | null>(null)
    const trail = shallowRef<readonly string[]>([])
    const been = shallowRef<ReadonlySet<string>>(new Set())
    const place = ref(0)
    const zoom = ref<number | null>(null)
    const panel = ref<'list' | 'settings' | 'things' | null>(null)
    const isBlack = ref(false)
    const isPaced = ref(false)
    const left = ref(0)
    const begun = ref(0)
    /** Whether what is private is off the board; until then it is hidden there, and so is what is drawn between topics. */
    const isApart = ref(true)

    /** What of the map is shown. */
    const tree = computed(() => withoutHeld(map.tree))
    const topic = computed(() => (walk.at === null ? null : (tree.value.topics.get(walk.at) ?? null)))
    /** All topics of the walk in order. */
    const stops = computed(() => stopsOf(tree.value, from.value, order.value, depth.value))
    const hasNote = computed(() => (topic.value?.note ?? '').trim() !== '')
    const below = computed(() => (walk.at === null ? [] : childrenOf(tree.value, walk.at)))
    const on = computed(() => stops.value[place.value + 1] ?? null)
    /** The next of those below, as the walk goes; past its levels, the first that is there. */
    const deeper = computed(() => {
        const at = walk.at
        if (at === null) {
            return null
        }
        return order.value === 'all' ? (below.value[0] ?? null) : (stops.value.slice(place.value + 1).find((one) => isWithin(tree.value, one, at)) ?? null)
    })
    /** Past all that is below. */
    const skip = computed(() => (walk.at === null || walk.at === from.value ? null : (stops.value.slice(place.value + 1).find((one) => !isWithin(tree.value, one, walk.at ?? '')) ?? null)))
    const nameOf = (id: string | null): string => (id === null ? '' : topicName(tree.value.topics.get(id)?.title))

    function begin(chosen: string | null): void {
        const start = chosen ?? map.scope ?? map.tree.root
        if (heldIn(map.tree).has(start)) {
            tell.warning('This is private, so it is not shown. Choose another topic to walk from.')
            return
        }
        const marked = markedIn(tree.value)
        order.value = settings.value.order
        depth.value = null
        from.value = start
        if (order.value !== 'all') {
            // Marked topics are walked through as far as one sees: from one of them all, else those below.
            const all = map.scope === null ? marked : marked.filter((id) => isWithin(tree.value, id, map.scope ?? ''))
            from.value = all.includes(start) || start === map.tree.root ? map.scope : start
            if (stops.value.length === 0) {
                order.value = 'all'
                from.value = start
                tell.info('No topic is marked for the walk here, so it goes through all of them.')
            }
        }
        const first = stops.value.includes(start) ? start : (stops.value[0] ?? start)
        walk.way = way
        trail.value = []
        been.value = new Set([first])
        place.value = Math.max(0, stops.value.indexOf(first))
        zoom.value = null
        isZoomedByHand = false
        panel.value = null
        isBlack.value = false
        isPaced.value = false
        begun.value = Date.now()
        walk.at = first
        map.region = 'board'
        if (heldIn(map.tree).size > 0) {
            isApart.value = false
            map.setShowing(true)
            map.afterAnswer(() => {
                isApart.value = true
                void nextTick(look)
            })
        }
        // Full screen where the browser allows it; the walk fills the window either way.
        document.documentElement.requestFullscreen?.().catch(() => undefined)
        look()
    }

    function stand(id: string): void {
        closeOpened()
        isBlack.value = false
        keepZoom()
        walk.at = id
        been.value = new Set([...been.value, id])
        place.value = placeOf(tree.value, stops.value, id, place.value)
        left.value = settings.value.seconds
        look()
    }

    function go(id: string | null): void {
        if (id !== null && walk.at !== null && id !== walk.at && tree.value.topics.has(id)) {
            trail.value = [...trail.value, walk.at]
            stand(id)
        }
    }

    function back(): void {
        // What has gone meanwhile is passed over.
        const there = trail.value.filter((id) => tree.value.topics.has(id) && id !== walk.at)
        const last = there.at(-1)
        trail.value = there.slice(0, -1)
        if (last !== undefined) {
            stand(last)
        }
    }

    /** The zoom that a speaker sets stays until it is set again, by keys, wheel or fingers. */
    function setZoom(scale: number): void {
        zoom.value = Math.min(NEAR, Math.max(FAR, scale))
        look()
    }
    /** Whether wheel or fingers have zoomed since the walk came here; the camera's own way there is no wish of anybody. */
    let isZoomedByHand = false
    function keepZoom(): void {
        if (isZoomedByHand) {
            zoom.value = camera.scale
            isZoomedByHand = false
        }
    }

    function look(): void {
        const at = walk.at
        if (at === null) {
            return
        }
        map.uncover(at, 'board')
        map.choose(at)
        void nextTick(() => {
            const [slip, board] = [camera.slipOf(at), document.querySelector('.board')]
            const usual = Math.max(1, Math.min((board?.clientHeight ?? 0) / HIGH, ((board?.clientWidth ?? 0) * WIDE) / (slip?.w ?? 1)))
            // Where the topic itself could not be read, nobody would know where the walk is.
            camera.centre(at, Math.max(zoom.value ?? usual, slip === undefined ? 0 : LEAST_TYPE / lookOf(slip).type.size))
        })
    }

    /** Ends where it stands: the topic stays chosen and in view. */
    function end(): void {
        if (walk.at === null) {
            return
        }
        closeOpened()
        walk.at = null
        walk.way = null
        panel.value = null
        isPaced.value = false
        if (map.showing) {
            map.setShowing(false)
        }
        if (document.fullscreenElement !== null) {
            void document.exitFullscreen().catch(() => undefined)
        }
        void nextTick(() => {
            if (map.current !== null) {
                camera.reveal(map.current)
            }
        })
    }

    function setOrder(to: Order): void {
        const at = walk.at
        const known = to === 'all' ? [''] : stopsOf(tree.value, map.scope, to, null)
        if (known.length === 0) {
            tell.info('No topic is marked for the walk. End it, and mark some.')
            return
        }
        settings.value.order = to
        order.value = to
        if (to === 'all') {
            from.value = from.value ?? map.scope ?? map.tree.root
        } else {
            from.value = stopsOf(tree.value, from.value, to, null).length > 0 ? from.value : map.scope
        }
        if (at !== null) {
            place.value = placeOf(tree.value, stops.value, at, -1)
        }
    }

    function setDepth(to: number | null): void {
        depth.value = to
        place.value = placeOf(tree.value, stops.value, walk.at ?? '', place.value)
    }

    const things = computed(() => (walk.at === null ? [] : thingsAt(walk.at)))
    function openThing({ topic: to, open }: Thing): void {
        panel.value = null
        if (to !== null) {
            go(to)
        } else {
            open()
        }
    }
    function openAny(): void {
        const [first, ...more] = things.value
        if (first !== undefined && more.length === 0) {
            openThing(first)
        } else {
            flip('things')
        }
    }

    const flip = (which: 'list' | 'settings' | 'things'): void => void (panel.value = panel.value === which ? null : which)
    const peek = (which: Peek): void => void (settings.value.peek = settings.value.peek === which ? 'none' : which)

    const commands: Record<string, { readonly run: () => void; readonly can?: () => boolean }> = {
        on: { run: () => (isBlack.value ? (isBlack.value = false) : go(on.value)), can: () => isBlack.value || on.value !== null },
        deeper: { run: () => go(deeper.value), can: () => deeper.value !== null },
        skip: { run: () => go(skip.value), can: () => skip.value !== null },
        back: { run: () => (isBlack.value ? (isBlack.value = false) : back()), can: () => isBlack.value || trail.value.length > 0 },
        first: { run: () => go(stops.value[0] ?? null), can: () => place.value > 0 },
        list: { run: () => flip('list') },
        settings: { run: () => flip('settings') },
        note: { run: () => {
            settings.value.note = !settings.value.note
            if (settings.value.note && !hasNote.value) {
                tell.info('This topic has no note; those that have one show it.')
            }
        } },
        open: { run: () => (isAnyOpen() ? closeOpened() : openAny()), can: () => isAnyOpen() || things.value.length > 0 },
        peek: { run: () => peek('below') },
        'peek-note': { run: () => peek('note') },
        order: { run: () => setOrder(next(orders, order.value)) },
        rest: { run: () => (settings.value.rest = next(rests, settings.value.rest)) },
        dim: { run: () => (settings.value.dim = Math.min(1, settings.value.dim + 0.1)) },
        light: { run: () => (settings.value.dim = Math.max(0, settings.value.dim - 0.1)) },
        pace: { run: () => (isPaced.value = !isPaced.value), can: () => isPaced.value || on.value !== null },
        aloud: { run: () => void import('@/aloud/aloudStore').then(({ useAloud }) => useAloud().turnWalk()).catch(notLoaded) },
        speak: { run: () => void import('./walkSpeaker').then(({ openSpeaker }) => openSpeaker()).catch(notLoaded) },
        black: { run: () => (isBlack.value = !isBlack.value) },
        closer: { run: () => setZoom(camera.scale * 1.2) },
        farther: { run: () => setZoom(camera.scale / 1.2) },
        end: { run: () => (isAnyOpen() ? closeOpened() : panel.value !== null ? (panel.value = null) : end()) },
    }
    const way: WalkWay = {
        go, end,
        can: (what: string): boolean => commands[what]?.can?.() ?? true,
        does(what: string): void {
            const level = /^level-(\d)$/.exec(what)?.[1]
            if (level !== undefined) {
                setDepth(level === '0' ? null : Number(level))
            } else if (way.can(what)) {
                commands[what]?.run()
            }
        },
    }

    // What the board has to know.
    watchEffect(() => {
        const at = walk.at
        const held = at === null ? new Map() : heldIn(map.tree)
        const { rest } = settings.value
        const above = new Set(at === null || rest !== 'been' ? [] : ancestorsOf(tree.value, at))
        walk.away = at === null ? null : rest === 'dimmed' ? (held.size === 0 ? null : (id) => held.has(id)) : (id) => held.has(id) || (id !== at && (rest === 'gone' || !(been.value.has(id) || above.has(id))))
        walk.isBare = at !== null && (!isApart.value || rest !== 'dimmed')
        walk.rest = at === null ? 1 : 1 - settings.value.dim * (1 - leastRest())
    })
    /** Where the topic comes to stand elsewhere, or is there at last, it is brought into view. */
    watch(() => (walk.at === null ? null : [walk.at, ...Object.values(camera.boxOf(walk.at) ?? {})]), (now, before) => {
        if (now !== null && before !== null && before[0] === now[0] && now.join() !== before.join()) {
            look()
        }
    })
    /** On a narrow window the board comes with the walk. */
    watch(() => camera.handle, (now) => now !== null && walk.at !== null && setTimeout(look, SETTLED))
    /** A topic that goes while one is at it: the walk goes on where there is one. */
    watch(tree, (now) => {
        if (walk.at !== null && !now.topics.has(walk.at)) {
            const last = trail.value.filter((id) => now.topics.has(id)).at(-1) ?? stops.value[Math.min(place.value, stops.value.length - 1)]
            if (last === undefined) {
                end()
            } else {
                stand(last)
            }
        } else if (walk.at !== null) {
            place.value = placeOf(now, stops.value, walk.at, Math.min(place.value, stops.value.length - 1))
        }
    })
    watch([isPaced, () => settings.value.seconds], () => (left.value = settings.value.seconds))
    /** Whether time stands still: something is open, or nobody looks. */
    const isResting = (): boolean => panel.value !== null || isBlack.value || isAnyOpen() || isReadingOpen.value || document.hidden
    const { pause, resume } = useIntervalFn(() => {
        if (walk.at === null || isResting()) {
            return
        }
        left.value -= TICK
        if (left.value <= 0 && on.value !== null) {
            go(on.value)
        }
        isPaced.value &&= on.value !== null
    }, TICK * 1000, { immediate: false })
    watch(isPaced, (goes) => (goes ? resume() : pause()))

    return { settings, from, order, depth, trail, tree, topic, stops, place, hasNote, below, on, deeper, skip, nameOf, panel, things, openThing, isBlack, isPaced, left, begun, begin, go, zoomedByHand: (): void => void (isZoomedByHand = true), setOrder, setDepth, way }
})
