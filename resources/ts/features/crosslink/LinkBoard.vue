<script setup lang="ts">
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue'
import { useCamera } from '@/board/cameraStore'
import { isReadable } from '@/board/farLabels'
import type { Box } from '@/board/geometry'
import { useHandleDrag } from '@/board/useHandleDrag'
import { useDrag } from '@/stores/drag'
import { useWalk } from '@/show/walkStore'
import { useMap } from '@/stores/map'
import { afterPaint } from '@/ui/afterPaint'
import { CROSSLINK, useLinks } from './linkStore'
import { bending, endsOf, shownBox } from './pressLink'

/**
 * What the hand needs of cross-links: the ring around chosen ones and the handles at their ends, what can be an end while
 * one is drawn, the grip at a chosen topic from which one is dragged, the field in which a phrase is typed, and those that
 * the server has not drawn yet.
 */
const map = useMap()
const camera = useCamera()
const links = useLinks()
const drag = useDrag()
const walk = useWalk()

const unit = computed(() => 1 / Math.max(0.05, camera.scale))
const isQuiet = computed(() => walk.at !== null || drag.isDragging)

const pathOf = (id: string): string => {
    const mark = map.marks.get(id)
    const hand = mark?.type === CROSSLINK ? mark.parts.find((part) => part.part === 'hand') : undefined
    return hand !== undefined && 'd' in hand ? hand.d : ''
}
const chosen = computed(() => (walk.at !== null ? [] : links.chosen.map((id) => ({ id, d: pathOf(id) })).filter(({ d }) => d !== '')))

/** The first and the last point of a path. */
function endPoints(d: string): { from: { x: number; y: number }; to: { x: number; y: number } } | null {
    const numbers = d.match(/-?\d+(?:\.\d+)?/g)?.map(Number) ?? []
    const [fx, fy] = numbers
    const [tx, ty] = numbers.slice(-2)
    return fx === undefined || fy === undefined || tx === undefined || ty === undefined ? null : { from: { x: fx, y: fy }, to: { x: tx, y: ty } }
}
const single = computed(() => (chosen.value.length === 1 && !isQuiet.value ? chosen.value[0] : undefined))
const handles = computed(() => (single.value === undefined ? null : endPoints(single.value.d)))

const topicAt = (x: number, y: number): string | null => [...camera.boxes].find(([, box]) => x > box.x && x < box.x + box.w && y > box.y && y < box.y + box.h)?.[0] ?? null
const topicUnder = (clientX: number, clientY: number): string | null => {
    const at = camera.handle?.toBoard(clientX, clientY)
    return at === undefined ? null : topicAt(at.x, at.y)
}

/** An end that is dragged to another topic. */
const which = ref<'from' | 'to'>('to')
const { by: endBy, down: endDown } = useHandleDrag(({ clientX, clientY }) => {
    const [topic, link] = [topicUnder(clientX, clientY), single.value?.id]
    if (topic !== null && link !== undefined) {
        links.moveEnd(link, which.value, topic)
    }
})
function pressEnd(end: 'from' | 'to', event: PointerEvent): void {
    which.value = end
    endDown(event, single.value?.id ?? '')
}

/** The grip at the chosen topic, on the first side where it is in nobody's way. */
const source = computed(() => (map.chosen.length === 1 && map.editing === null && !isQuiet.value && links.tying === null ? map.current : null))
/** Around the middle of the grip, pixels of the screen. */
const REACH = 9
const grip = computed(() => {
    const slip = source.value === null ? undefined : camera.drawn.get(source.value)
    const box = slip === undefined ? undefined : camera.boxes.get(slip.id)
    // From afar a title lies over its slip, and wherever it has room.
    if (slip === undefined || box === undefined || !isReadable(slip, camera.scale)) {
        return null
    }
    const away = 10 * unit.value
    const sides = [
        { x: box.x + box.w / 2, y: box.y + box.h + away }, { x: box.x + box.w / 2, y: box.y - away },
        { x: box.x + box.w + away, y: box.y + box.h / 2 }, { x: box.x - away, y: box.y + box.h / 2 },
    ]
    const reach = REACH * unit.value
    const isFree = ({ x, y }: { x: number; y: number }): boolean => ![...camera.boxes].some(([id, one]) => id !== source.value && x + reach > one.x && x - reach < one.x + one.w && y + reach > one.y && y - reach < one.y + one.h)
    return sides.find(isFree) ?? null
})
const { by: tieBy, down: tieDown } = useHandleDrag(({ clientX, clientY }) => {
    const [topic, from] = [topicUnder(clientX, clientY), source.value]
    if (topic !== null && from !== null && topic !== from) {
        links.tie([from], topic)
    }
})
const dragged = computed(() => {
    const [from, by] = tieBy.value !== null ? [grip.value, tieBy.value] : [handles.value === null ? null : handles.value[which.value], endBy.value]
    if (from === null || by === null) {
        return null
    }
    const at = { x: from.x + by.x, y: from.y + by.y }
    const other = tieBy.value !== null ? from : handles.value === null ? from : handles.value[which.value === 'from' ? 'to' : 'from']
    const over = topicUnder(by.clientX, by.clientY)
    return { d: `M${other.x} ${other.y}L${at.x} ${at.y}`, box: over === null || over === source.value ? undefined : camera.boxes.get(over) }
})

/** The topics that can be an end, while one is looked for; on large maps those around what is in view. */
const MOST_LIT = 300
const canEnd = computed<Box[]>(() => {
    if (links.tying === null) {
        return []
    }
    // Where the view is, is not watched; it moves with the topic that would be tied.
    const { x, y } = (links.target === null ? undefined : camera.boxes.get(links.target)) ?? camera.handle?.middle() ?? { x: 0, y: 0 }
    const all = [...camera.boxes].filter(([id]) => links.canEnd(id)).map(([, box]) => box)
    return all.length <= MOST_LIT ? all : all.map((box) => ({ box, far: Math.hypot(box.x - x, box.y - y) })).sort((a, b) => a.far - b.far).slice(0, MOST_LIT).map(({ box }) => box)
})
const target = computed(() => (links.target === null ? undefined : camera.boxes.get(links.target)))
/** From the middles of where it comes from to the one it would end at. */
const trial = computed(() => {
    const to = target.value
    const from = links.tying?.moves === undefined ? (links.tying?.from ?? []) : [links.find(links.tying.moves.link)?.[links.tying.moves.end === 'from' ? 'to' : 'from'] ?? '']
    return to === undefined ? [] : from.flatMap((id) => {
        const box = shownBox(id)
        return box === undefined ? [] : [`M${box.x + box.w / 2} ${box.y + box.h / 2}L${to.x + to.w / 2} ${to.y + to.h / 2}`]
    })
})

const bent = computed(() => {
    const at = bending.value
    const link = at === null ? undefined : links.find(at.link)
    const ends = link === undefined ? null : endsOf(link)
    return at === null || ends === null ? '' : `M${ends[0].join(' ')}Q${2 * at.x - (ends[0][0] + ends[1][0]) / 2} ${2 * at.y - (ends[0][1] + ends[1][1]) / 2} ${ends[1].join(' ')}`
})

/** Cross-links that are on their way to the server, as they may come to run. */
const waiting = afterPaint(() => {
    if (!map.waiting.some(({ name }) => name.startsWith('crosslink.'))) {
        return []
    }
    return links.linksIn(map.tree).filter(({ id }) => !map.marks.has(id)).flatMap((link) => {
        const ends = endsOf(link)
        return ends === null ? [] : [{ id: link.id, d: `M${ends[0].join(' ')}L${ends[1].join(' ')}` }]
    })
})

/** The field for a phrase stands where the phrase does, or in the middle of the line. */
const FIELD = { w: 260, h: 34 }
const field = useTemplateRef<HTMLInputElement>('field')
const text = ref('')
const place = computed(() => {
    const id = links.phrasing?.id
    const mark = id === undefined ? undefined : map.marks.get(id)
    const ground = mark?.parts.find((part) => part.part === 'ground')
    const [x0, y0, x1, y1] = ground !== undefined && 'd' in ground ? (ground.d.match(/-?\d+(?:\.\d+)?/g)?.map(Number) ?? []) : []
    if (x0 !== undefined && y0 !== undefined && x1 !== undefined && y1 !== undefined) {
        return { x: (x0 + x1) / 2, y: (y0 + y1) / 2 }
    }
    const link = id === undefined ? undefined : links.find(id)
    const d = id === undefined ? '' : pathOf(id)
    if (d !== '') {
        const path = document.createElementNS('http://www.w3.org/2000/svg', 'path')
        path.setAttribute('d', d)
        return path.getPointAtLength(path.getTotalLength() / 2)
    }
    const ends = link === undefined ? null : endsOf(link)
    return ends === null ? null : { x: (ends[0][0] + ends[1][0]) / 2, y: (ends[0][1] + ends[1][1]) / 2 }
})
watch(() => links.phrasing?.id, (id) => {
    text.value = id === undefined ? '' : (links.find(id)?.phrase ?? '')
    if (id !== undefined) {
        void nextTick(() => {
            field.value?.focus({ preventScroll: true })
            field.value?.select()
            if (place.value !== null) {
                camera.handle?.reveal({ x: place.value.x - FIELD.w / 2, y: place.value.y - FIELD.h / 2, ...FIELD })
            }
        })
    }
}, { immediate: true })
function end(keeps: boolean): void {
    if (links.phrasing !== null) {
        links.endPhrase(keeps ? text.value : null)
        document.querySelector<HTMLElement>('[data-focus=board]')?.focus({ preventScroll: true })
    }
}
function key(event: KeyboardEvent): void {
    if (event.key === 'Enter' || event.key === 'Tab' || event.key === 'Escape') {
        event.preventDefault()
        event.stopPropagation()
        end(event.key !== 'Escape')
    }
}
</script>

<template>
    <g v-for="one in waiting" :key="one.id" class="coming"><path :d="one.d" /></g>
    <g v-if="handles !== null && endBy === null" class="ends">
        <g v-for="at in ['from', 'to'] as const" :key="at" class="handle" @pointerdown.stop.prevent="pressEnd(at, $event)" @click.stop @dblclick.stop>
            <title>Drag it to another topic</title>
            <circle :cx="handles[at].x" :cy="handles[at].y" :r="11 * unit" fill="transparent" stroke="none" />
            <circle :cx="handles[at].x" :cy="handles[at].y" :r="5.5 * unit" />
        </g>
    </g>
    <g v-if="grip !== null && tieBy === null" class="handle tie-grip" @pointerdown.stop.prevent="tieDown($event, source ?? '')" @click.stop @dblclick.stop>
        <title>Drag to another topic to draw a cross-link</title>
        <circle :cx="grip.x" :cy="grip.y" :r="REACH * unit" fill="transparent" stroke="none" />
        <circle :cx="grip.x" :cy="grip.y" :r="5.5 * unit" />
        <path :d="`M${grip.x} ${grip.y - 2.8 * unit}v${5.6 * unit}M${grip.x - 2.4 * unit} ${grip.y + 0.6 * unit}l${2.4 * unit} ${2.4 * unit}l${2.4 * unit} ${-2.4 * unit}`" />
    </g>
    <rect v-for="(box, i) in canEnd" :key="i" class="can-end" :x="box.x - 4" :y="box.y - 4" :width="box.w + 8" :height="box.h + 8" rx="8" />
    <path v-for="(d, i) in trial" :key="`t${i}`" class="trial" :d="d" />
    <rect v-if="target !== undefined" class="target" :x="target.x - 5" :y="target.y - 5" :width="target.w + 10" :height="target.h + 10" rx="9" />
    <template v-if="dragged !== null">
        <path class="trial" :d="dragged.d" />
        <rect v-if="dragged.box !== undefined" class="target" :x="dragged.box.x - 5" :y="dragged.box.y - 5" :width="dragged.box.w + 10" :height="dragged.box.h + 10" rx="9" />
    </template>
    <path v-if="bent !== ''" class="trial" :d="bent" />
    <foreignObject
        v-if="links.phrasing !== null && place !== null" :x="place.x - (FIELD.w * unit) / 2" :y="place.y - (FIELD.h * unit) / 2" :width="FIELD.w * unit" :height="FIELD.h * unit"
        @pointerdown.stop @dblclick.stop @click.stop>
        <input
            ref="field" v-model="text" class="phrase-field" aria-label="Linking phrase" placeholder="linking phrase" maxlength="300" dir="auto"
            :style="{ transform: `scale(${unit})`, width: `${FIELD.w - 4}px`, height: `${FIELD.h - 4}px` }" @keydown="key" @blur="end(true)" />
    </foreignObject>
</template>

<style scoped>
.coming path { fill: none; stroke: var(--soft); stroke-width: 2; stroke-dasharray: 4 5; pointer-events: none; }
.handle circle { fill: var(--board); stroke: var(--ink); stroke-width: 1.5; vector-effect: non-scaling-stroke; }
.handle path { fill: none; stroke: var(--ink); stroke-width: 1.5; vector-effect: non-scaling-stroke; }
.handle { cursor: grab; pointer-events: all; }
.tie-grip { cursor: crosshair; opacity: 0.75; }
.tie-grip:hover { opacity: 1; }
.can-end { fill: none; stroke: var(--tide); stroke-width: 1.5; stroke-dasharray: 2 4; vector-effect: non-scaling-stroke; pointer-events: none; }
.target { fill: color-mix(in srgb, var(--tide) 18%, transparent); stroke: var(--tide); stroke-width: 3; vector-effect: non-scaling-stroke; pointer-events: none; }
.trial { fill: none; stroke: var(--tide); stroke-width: 2.5; stroke-dasharray: 6 5; stroke-linecap: round; vector-effect: non-scaling-stroke; pointer-events: none; }
.phrase-field { box-sizing: border-box; transform-origin: 0 0; margin: 2px; padding: 2px 8px; font: 15px 'Atkinson Hyperlegible'; text-align: center; color: var(--ink); background: var(--slip); border: 2px solid var(--tide); border-radius: 6px; outline: none; user-select: text; }
</style>
