<script setup lang="ts">
import { computed } from 'vue'
import { isReadable } from './farLabels'
import { isOfLine, type DrawnSlip } from './guess'
import { Parts } from './Parts'
import { overlaps, type Box } from './geometry'
import type { Painted } from './useViewport'

/** Topics too small to read, as one path a chalk: bars for the slips, strokes from each to its parent. Those whose titles stand over them, or whose pictures are seen, are left out. */
const props = defineProps<{ painted: Painted; boxes: ReadonlyMap<string, Box>; slips: ReadonlyMap<string, DrawnSlip>; labelled: ReadonlySet<string>; back: (id: string) => boolean; pictured: (slip: DrawnSlip) => boolean }>()

/** From the edge of the parent that faces a box to the edge of it that faces the parent. */
function strokeTo(slip: DrawnSlip, box: Box, parent: Box): string {
    if (slip.connector === null) {
        return ''
    }
    if (slip.way.length > 0) {
        return slip.way.map((at, i) => (i % 2 === 0 ? `${i === 0 ? 'M' : 'L'}${box.x + at}` : ` ${box.y + at}`)).join('')
    }
    if (box.y > parent.y + parent.h && slip.spine === 'left' && box.x < parent.x + parent.w) {
        return `M${parent.x + 11} ${parent.y + parent.h}V${box.y + box.h / 2}H${box.x}`
    }
    const from = box.y > parent.y + parent.h && slip.spine === 'top'
        ? `M${parent.x + parent.w / 2} ${parent.y + parent.h}`
        : slip.spine === 'bottom' ? `M${parent.x + parent.w / 2} ${parent.y}`
        : `M${slip.grows === 'left' ? parent.x : parent.x + parent.w} ${parent.y + parent.h / 2}`
    const to = { left: `${box.x} ${box.y + box.h / 2}`, right: `${box.x + box.w} ${box.y + box.h / 2}`, top: `${box.x + box.w / 2} ${box.y}`, bottom: `${box.x + box.w / 2} ${box.y + box.h}` }
    return `${from}L${to[slip.spine]}`
}

/** What is drawn of each topic; it stays as it is whoever stands back. */
const bars = computed(() => {
    const all: { id: string; chalk: string; bar: string; stroke: string }[] = []
    const { boxes, slips, painted, labelled, pictured } = props
    const { scale } = painted
    for (const [id, box] of boxes) {
        const slip = slips.get(id)
        if (slip === undefined || isReadable(slip, scale) || !overlaps(box, painted)) {
            continue
        }
        const inset = slip.level < 2 ? 0 : 3
        const parent = slip.parent === null ? undefined : boxes.get(slip.parent)
        all.push({
            id, chalk: slip.level === 0 ? 'plate' : slip.chalk,
            bar: labelled.has(id) || pictured(slip) ? '' : `M${box.x} ${box.y + inset}h${box.w}v${box.h - 2 * inset}h${-box.w}z`,
            stroke: parent === undefined ? '' : strokeTo(slip, box, parent),
        })
    }
    return all
})
const paths = computed(() => {
    const byChalk = new Map<string, { chalk: string; isBack: boolean; bars: string; strokes: string }>()
    const { back } = props
    for (const { id, chalk, bar, stroke } of bars.value) {
        const isBack = back(id)
        const key = `${chalk} ${isBack}`
        let path = byChalk.get(key)
        if (path === undefined) {
            byChalk.set(key, path = { chalk, isBack, bars: '', strokes: '' })
        }
        path.bars += bar
        path.strokes += stroke
    }
    return [...byChalk]
})
/** The lines along which topics stand, without words. */
const lines = computed(() => [...props.boxes].flatMap(([id, box]) => {
    const slip = props.slips.get(id)
    return slip?.line === undefined || (isReadable(slip, props.painted.scale) && !props.labelled.has(id)) ? [] : [{ id, box, isBack: props.back(id), parts: slip.parts.filter((part) => isOfLine(part) && !('spans' in part)) }]
}))
</script>

<template>
    <g class="far">
        <g v-for="[key, path] in paths" :key="key" :opacity="path.isBack ? 0.25 : 1">
            <path :d="path.strokes" fill="none" :stroke="`var(--${path.chalk})`" stroke-width="3" stroke-opacity="0.6" />
            <path :d="path.bars" :fill="`var(--${path.chalk})`" fill-opacity="0.32" />
        </g>
        <g v-for="{ id, box, isBack, parts } in lines" :key="id" :transform="`translate(${box.x} ${box.y})`" :opacity="isBack ? 0.25 : 1"><Parts :parts="parts" /></g>
    </g>
</template>
