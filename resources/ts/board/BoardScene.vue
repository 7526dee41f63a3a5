<script setup lang="ts">
import { computed, watch } from 'vue'
import { useWalk } from '@/show/walkStore'
import { useDrag } from '@/stores/drag'
import type { Mark } from '@/api/wire'
import { features } from '@/features'
import { useChosenMarks } from '@/stores/chosenMarks'
import { useMap } from '@/stores/map'
import { useNarrowing } from '@/stores/narrowing'
import { childrenOf } from '@/stores/tree'
import { plainTitle } from '@/text/titleMarkdown'
import { afterPaint } from '@/ui/afterPaint'
import { useCamera } from './cameraStore'
import { farLabels, isReadable, LEAST_TYPE } from './farLabels'
import FarLabels from './FarLabels.vue'
import FarView from './FarView.vue'
import { lineBox, overlaps, type Box } from './geometry'
import type { DrawnSlip } from './guess'
import { smallestType } from './looks'
import MarkShape from './MarkShape.vue'
import { paint } from './Parts'
import SlipShape from './SlipShape.vue'
import type { Painted } from './useViewport'

/**
 * All that is drawn of the map: connectors, marks, slips, and from afar bars and titles. While a title is typed it is
 * a frame behind the field.
 */
const props = defineProps<{
    painted: Painted
    /** How far a topic that is being pulled aside is from its place. */
    shift: { readonly id: string; readonly x: number; readonly y: number } | null
}>()
/** What has changed of the map is in the document now. */
const emit = defineEmits<{ drawn: [] }>()

const map = useMap()
const walk = useWalk()
const camera = useCamera()
const drag = useDrag()
const chosenMarks = useChosenMarks()

interface Placed { slip: DrawnSlip; box: Box }

/** The places of topics that are there: in a walk, those that are not to be seen are not. */
const placed = computed<ReadonlyMap<string, Box>>(() => {
    const isAway = walk.away
    return isAway === null ? camera.boxes : new Map([...camera.boxes].filter(([id]) => !isAway(id)))
})
const shown = afterPaint(() => ({
    boxes: placed.value, drawn: camera.drawn, tree: map.tree, chosen: map.chosen, marks: map.marks,
    typing: map.editing?.where === 'board' ? map.editing.id : null,
}))
watch(shown, () => emit('drawn'), { flush: 'post' })

const isLegible = (slip: DrawnSlip): boolean => isReadable(slip, props.painted.scale)
const far = computed(() => shown.value.drawn.size > 0 && smallestType() * props.painted.scale < LEAST_TYPE)
/** Pictures are seen from farther away than titles are read; those of the upper levels only where they stand instead of one. */
const LEAST_PICTURE = 14
const showsPicture = (slip: DrawnSlip, scale: number): boolean => slip.title !== undefined && (slip.level > 1 || slip.title[3] === 0)
    && slip.parts.some((part) => 'picture' in part && (part.box[2] ?? 0) * scale >= LEAST_PICTURE)
const labels = computed(() => {
    const { boxes, drawn, tree } = shown.value
    const { at } = walk
    const { scale } = props.painted
    return far.value ? farLabels({ boxes, slips: drawn, isLeftOut: (slip) => slip.id === at || showsPicture(slip, scale), title: (id) => plainTitle(tree.topics.get(id)?.title ?? '') }, props.painted, props.painted.scale) : []
})
const labelled = computed(() => new Set(labels.value.map((label) => label.id)))
/** Room beside a slip for what hangs on it, such as tally marks. */
const ASIDE = 90

/** The slips and connectors to be drawn. Both go over every topic at every change, so they make nothing on the way. */
const visible = computed(() => {
    const seen: Placed[] = []
    const connectors: Placed[] = []
    const { painted } = props
    const { x, y, w, h, scale } = painted
    const [right, bottom] = [x + w, y + h]
    const { boxes, drawn, chosen } = shown.value
    for (const [id, box] of boxes) {
        const slip = drawn.get(id)
        if (slip === undefined) {
            continue
        }
        const isDrawn = isReadable(slip, scale)
        const isNear = (box.x - ASIDE < right && x < box.x + box.w + ASIDE && box.y < bottom && y < box.y + box.h)
            || (slip.line !== undefined && overlaps(lineBox(slip.line, box), painted))
        if (isNear && (isDrawn || ((chosen.includes(id) || showsPicture(slip, scale)) && !labelled.value.has(id)))) {
            seen.push({ slip, box })
        }
        // A brace is seen from afar too.
        if ((!isDrawn && slip.brace === undefined) || slip.connector === null) {
            continue
        }
        // A connector reaches from a box to its parent, so it can be in view when the box is not.
        const parent = slip.parent === null ? box : boxes.get(slip.parent)
        if (parent !== undefined && Math.min(box.x, parent.x) < right && x < Math.max(box.x + box.w, parent.x + parent.w)
            && Math.min(box.y, parent.y) < bottom && y < Math.max(box.y + box.h, parent.y + parent.h)) {
            connectors.push({ slip, box })
        }
    }
    return { seen, connectors }
})

const narrowing = useNarrowing()
/** Marks that can be read; of others, where they take room of their own, that room. */
const marks = computed(() => {
    const isLine = ({ parts, under }: Mark): boolean => under === true || parts.some(({ part }) => part === 'line')
    // Lines stand where topics do, which are elsewhere while something is tried.
    const all = walk.isBare ? [] : [...shown.value.marks.values()].filter((mark) => map.tried === null || !isLine(mark))
    const isRead = ({ parts }: Mark): boolean => parts.every((part) => !('spans' in part) || part.size * props.painted.scale >= LEAST_TYPE - 0.5)
    // Of a line the words go, the line stays.
    const lines = all.filter((mark) => isLine(mark) && !isRead(mark)).map((mark) => ({ ...mark, parts: mark.parts.filter(({ part }) => ['hand', 'line', 'head', 'fill'].includes(part)) }))
    const others = all.filter((mark) => !isLine(mark) || isRead(mark))
    const near = far.value ? others.filter((mark) => mark.box !== undefined && isRead(mark)) : others
    return { near: [...lines, ...near], far: far.value ? others.filter((mark) => mark.box !== undefined && !isRead(mark)) : [] }
})
const under = computed(() => marks.value.near.filter((mark) => mark.under === true))
const over = computed(() => marks.value.near.filter((mark) => mark.under !== true))
const isPictured = (slip: DrawnSlip): boolean => showsPicture(slip, props.painted.scale)
const isDimmed = (id: string): boolean => narrowing.isBack(id) || (walk.at !== null && walk.at !== id) || drag.ids.includes(id)
const isChosen = (id: string): boolean => walk.at === null && shown.value.chosen.includes(id)
const isParent = (id: string): boolean => childrenOf(shown.value.tree, id).length > 0
/** What features do when their marks are touched, while nothing is shown. */
function touched(run: (feature: (typeof features)[number]) => void): void {
    if (walk.at === null) {
        features.forEach(run)
    }
}
const onMarks = {
    touch: (touch: string, event: MouseEvent): void => touched((feature) => feature.touch?.(touch, event)),
    press: (touch: string, event: PointerEvent): void => touched((feature) => feature.press?.(touch, event)),
    twice: (touch: string, event: MouseEvent): void => touched((feature) => feature.twice?.(touch, event)),
}
const isMarkChosen = ({ id }: Mark): boolean => chosenMarks.chosen?.ids.includes(id) === true && walk.at === null
/** All that a slip is drawn of, so that the others are passed over when one changes. */
const memoOf = (slip: DrawnSlip, box: Box): unknown[] => [
    slip, box.x, box.y, props.shift?.id === slip.id ? props.shift : null, isChosen(slip.id), isDimmed(slip.id),
    slip.id === shown.value.typing, isLegible(slip), walk.at === null, isParent(slip.id), stemOf(slip),
]
function connectorStyle({ connector }: DrawnSlip, box: Box): Record<string, string | number> {
    const { d = '', fill, stroke, thick = 0, dash } = connector ?? {}
    return {
        transform: `translate(${box.x}px, ${box.y}px)`, d: `path('${d}')`, fill: paint(fill),
        ...(stroke === undefined ? {} : { stroke: paint(stroke), strokeWidth: thick, strokeDasharray: dash ?? 'none', strokeLinecap: 'round' }),
    }
}
/** Where what opens downwards hangs: lists on a stem at the left, all else below the middle. */
const STEM = 11
function stemOf(slip: DrawnSlip): number {
    const first = slip.opens === 'down' ? shown.value.drawn.get(childrenOf(shown.value.tree, slip.id)[0] ?? '') : undefined
    return first?.spine === 'left' ? STEM : slip.w / 2
}
</script>

<template>
    <MarkShape v-for="mark in under" :key="mark.id" :mark="mark" :dimmed="walk.at !== null" :chosen="isMarkChosen(mark)" v-on="onMarks" />
    <FarView v-if="far" :class="{ dimmed: walk.at !== null }" :painted="painted" :boxes="shown.boxes" :slips="shown.drawn" :labelled="labelled" :back="narrowing.backFromAfar" :pictured="isPictured" />
    <path
        v-for="{ slip, box } in visible.connectors" :key="slip.id" v-memo="[slip, box.x, box.y, walk.at !== null || isDimmed(slip.id)]" class="connector" :class="{ dimmed: walk.at !== null || isDimmed(slip.id) }"
        :d="slip.connector?.d" :style="connectorStyle(slip, box)" />
    <rect v-for="{ id, box } in marks.far" :key="id" class="far-mark" :x="box?.[0]" :y="box?.[1]" :width="box?.[2]" :height="box?.[3]" />
    <MarkShape v-for="mark in over" :key="mark.id" :mark="mark" :dimmed="walk.at !== null" :chosen="isMarkChosen(mark)" v-on="onMarks" />
    <SlipShape
        v-for="{ slip, box } in visible.seen" :key="slip.id" v-memo="memoOf(slip, box)" :slip="slip" :x="box.x + (shift?.id === slip.id ? shift.x : 0)" :y="box.y + (shift?.id === slip.id ? shift.y : 0)"
        :chosen="isChosen(slip.id)" :dimmed="isDimmed(slip.id)" :typing="slip.id === shown.typing || !isLegible(slip)"
        :stem="stemOf(slip)" :foldable="walk.at === null && slip.level > 0 && isParent(slip.id)"
        @fold="map.setFolded('board', [slip.id], slip.hidden === 0)" />
    <g v-if="far" :class="{ dimmed: walk.at !== null }"><FarLabels :labels="labels" :scale="painted.scale" :chosen="shown.chosen" :back="narrowing.back" /></g>
</template>

<style scoped>
.connector { transition: transform 180ms ease-out, d 180ms ease-out, opacity 180ms; pointer-events: none; }
.moving .connector { transition: none; }
.far-mark { fill: var(--slip); stroke: var(--edge); vector-effect: non-scaling-stroke; pointer-events: none; }
.connector.dimmed, g.dimmed { opacity: var(--rest); }
</style>
