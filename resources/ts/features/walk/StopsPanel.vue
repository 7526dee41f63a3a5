<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed, nextTick, onBeforeUnmount, onMounted, ref } from 'vue'
import { useActions } from '@/actions/useActions'
import { useCamera } from '@/board/cameraStore'
import { leadTo } from '@/board/leadTo'
import SidePanel from '@/desk/SidePanel.vue'
import { markedIn } from '@/show/walkPath'
import WalkSettings from '@/show/WalkSettings.vue'
import { useBeside } from '@/stores/beside'
import { useDrag, type Landing } from '@/stores/drag'
import { useMap } from '@/stores/map'
import { ancestorsOf } from '@/stores/tree'
import { topicName } from '@/text/titleMarkdown'
import ActionHint from '@/ui/ActionHint.vue'
import { turnStops } from './actions'

/** The stops of the walk in one's own order, and how to walk; on the board each has its number. */
const map = useMap()
const beside = useBeside()
const camera = useCamera()
const drag = useDrag()
const { run, keyOf } = useActions()
const list = ref<HTMLElement | null>(null)
/** The stop that is dragged, and the place before which it would stand. */
const moving = ref<{ from: number; to: number } | null>(null)
/** The line that the focus comes back to after the list has changed. */
let wanted: string | null = null

const titleOf = (id: string): string => topicName(beside.tree.topics.get(id)?.title)
const stops = computed(() => markedIn(beside.tree).map((id) => {
    const above = ancestorsOf(beside.tree, id)[0]
    return { id, title: titleOf(id), trail: above === undefined ? '' : titleOf(above) }
}))
/** A flag at each topic on the board: its number, at the upper left. */
const SIZE = 9
const flags = computed(() => stops.value.flatMap(({ id }, i) => {
    const box = camera.boxes.get(id)
    return box === undefined ? [] : [{ id, n: i + 1, x: box.x - 3, y: box.y - 3 }]
}))

const lines = (): HTMLElement[] => [...(list.value?.querySelectorAll<HTMLElement>('[role=option]') ?? [])]
function moveTo(from: number, place: number): void {
    const one = stops.value[from]
    const rest = stops.value.filter((_, i) => i !== from)
    const to = Math.min(rest.length, Math.max(0, place))
    if (one !== undefined && to !== from) {
        wanted = one.id
        map.edit({ name: 'stop.put', topics: [one.id], after: rest[to - 1]?.id ?? null })
        map.afterAnswer(() => void nextTick(focusWanted))
    }
}
function focusWanted(): void {
    setTimeout(() => {
        list.value?.querySelector<HTMLElement>(`[data-stop="${wanted ?? ''}"]`)?.focus()
        wanted = null
    }, 30)
}
function remove(i: number): void {
    const one = stops.value[i]
    if (one !== undefined) {
        wanted = (stops.value[i + 1] ?? stops.value[i - 1])?.id ?? null
        map.edit({ name: 'stop.remove', topics: [one.id] })
        map.afterAnswer(() => void nextTick(focusWanted))
    }
}
function removeAll(): void {
    map.edit({ name: 'stop.remove', topics: stops.value.map(({ id }) => id) })
}
function goTo(id: string): void {
    leadTo(id, 'board')
}
function key(event: KeyboardEvent, i: number): void {
    const acts: Record<string, () => void> = event.altKey
        ? { ArrowUp: () => moveTo(i, i - 1), ArrowDown: () => moveTo(i, i + 1), Home: () => moveTo(i, 0), End: () => moveTo(i, stops.value.length) }
        : { ArrowUp: () => lines()[i - 1]?.focus(), ArrowDown: () => lines()[i + 1]?.focus(), Home: () => lines()[0]?.focus(), End: () => lines().at(-1)?.focus(), Delete: () => remove(i), Backspace: () => remove(i), Enter: () => goTo(stops.value[i]?.id ?? '') }
    const act = event.ctrlKey || event.metaKey ? (event.key.toLowerCase() === 'z' ? (): void => run(event.shiftKey ? 'map.redo' : 'map.undo') : undefined) : acts[event.key]
    if (act !== undefined) {
        event.preventDefault()
        event.stopPropagation()
        act()
    }
}

/** The place before which something stands that is let go at a height of the window. */
function placeAt(y: number): number {
    const at = lines().findIndex((line) => y < line.getBoundingClientRect().top + line.getBoundingClientRect().height / 2)
    return at === -1 ? stops.value.length : at
}
/** Topics that are dropped here become stops, at that place. */
function landing(_x: number, y: number, ids: readonly string[]): Landing | null {
    const frame = list.value?.getBoundingClientRect()
    if (frame === undefined || drag.hasGuest) {
        return null
    }
    const place = placeAt(y)
    const next = lines()[place]?.getBoundingClientRect()
    const after = stops.value.slice(0, place).filter(({ id }) => !ids.includes(id)).at(-1)?.id ?? null
    return {
        region: 'frame', place: 'frame', over: null, words: `as stop ${place + 1}`, mark: { x: frame.left, y: next === undefined ? (lines().at(-1)?.getBoundingClientRect().bottom ?? frame.top) : next.top - 2, w: frame.width, h: 3, into: false },
        drop: () => map.edit({ name: 'stop.put', topics: [...ids], after }),
    }
}
let leave: (() => void) | null = null
onMounted(() => (leave = drag.offer({ element: () => list.value, landingAt: landing, scrollBy: (_, dy) => list.value?.scrollBy(0, dy) })))
onBeforeUnmount(() => leave?.())

/** A line that is pressed and moved goes where it is let go. */
function press(event: PointerEvent, from: number): void {
    if (event.button !== 0 || event.pointerType === 'touch' || (event.target as Element).closest('button') !== null) {
        return
    }
    const begin = event.clientY
    const over = new AbortController()
    window.addEventListener('pointermove', (now) => {
        if (moving.value !== null || Math.abs(now.clientY - begin) > 6) {
            moving.value = { from, to: placeAt(now.clientY) }
        }
    }, { signal: over.signal })
    for (const ends of ['pointerup', 'pointercancel'] as const) {
        window.addEventListener(ends, () => {
            over.abort()
            const was = moving.value
            moving.value = null
            if (was !== null && ends === 'pointerup' && was.to !== was.from && was.to !== was.from + 1) {
                moveTo(was.from, was.to > was.from ? was.to - 1 : was.to)
            }
        }, { signal: over.signal })
    }
}
</script>

<template>
    <SidePanel title="Walk">
        <div class="row">
            <ActionHint id="walk.begin"><NButton size="small" type="primary" @click="run('walk.begin')">Walk from here</NButton></ActionHint>
            <ActionHint id="walk.mark"><NButton size="small" secondary :disabled="map.chosen.length === 0" @click="turnStops">Mark what is chosen</NButton></ActionHint>
        </div>
        <section class="stops" role="dialog" aria-label="Stops of the walk">
            <p v-if="stops.length === 0" class="none">No topic is marked. Mark topics with {{ keyOf('walk.mark') }} in the order in which you want to show them, or drag them here. A walk can then stop at these alone.</p>
            <ol ref="list" role="listbox" aria-label="Stops in order" :class="{ empty: stops.length === 0 }">
                <li
                    v-for="(one, i) in stops" :key="one.id" role="option" :data-stop="one.id" :tabindex="i === 0 ? 0 : -1" :aria-selected="map.current === one.id" :aria-label="`${i + 1}: ${one.title}`"
                    :class="{ chosen: map.current === one.id, before: moving?.to === i, after: moving?.to === stops.length && i === stops.length - 1, moved: moving?.from === i }" @pointerdown="press($event, i)" @dblclick="goTo(one.id)" @keydown="key($event, i)">
                    <b>{{ i + 1 }}</b><span>{{ one.title }}<small v-if="one.trail !== ''">{{ one.trail }}</small></span>
                    <NButton size="tiny" quaternary :aria-label="`Take ${one.title} off the walk`" tabindex="-1" @click="remove(i)">Off</NButton>
                </li>
            </ol>
            <NButton v-if="stops.length > 1" size="tiny" quaternary @click="removeAll">Take all off</NButton>
        </section>
        <WalkSettings />
        <Teleport v-if="camera.handle !== null" to=".board .layer > svg">
            <g class="walk-flags" aria-hidden="true">
                <g v-for="flag in flags" :key="flag.id" :data-flag="flag.id" :transform="`translate(${flag.x} ${flag.y}) scale(${1 / camera.scale})`"><circle :r="SIZE" /><text y="4" text-anchor="middle">{{ flag.n }}</text></g>
            </g>
        </Teleport>
    </SidePanel>
</template>

<style scoped>
.row { display: flex; flex-wrap: wrap; gap: 6px; }
.none { margin: 0 0 6px; color: var(--soft); font-size: 14px; }
ol { list-style: none; margin: 0 0 4px; padding: 0; max-height: 46vh; overflow: auto; }
ol.empty { min-height: 40px; border: 1px dashed var(--field); border-radius: 7px; }
li { display: flex; align-items: center; gap: 9px; padding: 5px 4px 5px 8px; border-radius: 7px; cursor: grab; outline: none; user-select: none; border-top: 3px solid transparent; border-bottom: 3px solid transparent; }
li:hover { background: color-mix(in srgb, var(--tide) 10%, transparent); }
li:focus { background: color-mix(in srgb, var(--tide) 22%, transparent); }
li.chosen b { text-decoration: underline; text-decoration-thickness: 3px; text-underline-offset: 3px; }
li.before { border-top-color: var(--marigold); } li.after { border-bottom-color: var(--marigold); } li.moved { opacity: 0.45; }
li b { flex: none; min-width: 20px; text-align: right; color: var(--soft); font-variant-numeric: tabular-nums; }
li span { flex: 1; min-width: 0; overflow: hidden; text-overflow: ellipsis; }
small { display: block; color: var(--soft); font-size: 12.5px; white-space: nowrap; overflow: hidden; text-overflow: ellipsis; }
</style>
<style>
.walk-flags { pointer-events: none; }
.walk-flags circle { fill: var(--plate); } .walk-flags text { fill: var(--plate-ink); font: 700 11px 'Atkinson Hyperlegible', sans-serif; }
</style>
