<script setup lang="ts">
import { computed, ref } from 'vue'
import { useCamera } from '@/board/cameraStore'
import { useHandleDrag } from '@/board/useHandleDrag'
import { useWalk } from '@/show/walkStore'
import { useMap } from '@/stores/map'
import { useTitles } from '@/stores/titles'
import { useBraces } from './braceStore'

/** What the hand needs of braces: their lines choose their topics, and the ends of a chosen one are dragged over more or fewer siblings. */
const map = useMap()
const camera = useCamera()
const titles = useTitles()
const walk = useWalk()
const braces = useBraces()

const unit = computed(() => 1 / Math.max(0.05, camera.scale))
const lines = computed(() => (walk.at !== null ? [] : [...braces.byTopic.keys()].flatMap((topic) => {
    const [box, slip] = [camera.boxes.get(topic), camera.drawn.get(topic)]
    return box === undefined || slip?.brace === undefined ? [] : [{ topic, x: box.x, y: box.y, d: slip.connector?.d ?? '' }]
})))
const chosen = computed(() => (walk.at === null && map.editing === null && map.chosen.length === 1 ? braces.of(map.current) : undefined))
const ends = computed(() => {
    const topic = chosen.value?.topic ?? ''
    const [box, brace] = [camera.boxes.get(topic), camera.drawn.get(topic)?.brace]
    const [x0, y0, x1, y1] = brace ?? []
    return box === undefined || x0 === undefined || y0 === undefined || x1 === undefined || y1 === undefined
        ? null : { first: { x: box.x + x0, y: box.y + y0 }, last: { x: box.x + x1, y: box.y + y1 }, isUpright: x0 === x1 }
})
const end = ref<'first' | 'last'>('last')
/** The sibling nearest to a point along the brace. */
function nearest(x: number, y: number): string | undefined {
    const isUpright = ends.value?.isUpright === true
    const far = (id: string): number => {
        const box = camera.boxes.get(id)
        return box === undefined ? Infinity : isUpright ? Math.abs(box.y + box.h / 2 - y) : Math.abs(box.x + box.w / 2 - x)
    }
    const grows = camera.drawn.get(chosen.value?.first ?? '')?.grows
    return braces.siblingsOf(chosen.value?.topic ?? '').filter((id) => camera.drawn.get(id)?.grows === grows).sort((a, b) => far(a) - far(b))[0]
}
const { by, down } = useHandleDrag(() => {
    const [brace, to] = [chosen.value, over.value]
    if (brace !== undefined && to !== undefined) {
        braces.span(brace.topic, end.value === 'first' ? to : brace.first, end.value === 'last' ? to : brace.last)
    }
})
const over = computed(() => (by.value === null || ends.value === null ? undefined : nearest(ends.value[end.value].x + by.value.x, ends.value[end.value].y + by.value.y)))
/** All that it would span. */
const spanned = computed(() => {
    const [brace, to] = [chosen.value, over.value]
    if (brace === undefined || to === undefined) {
        return []
    }
    const all = braces.siblingsOf(brace.topic)
    const [a, b] = [all.indexOf(to), all.indexOf(end.value === 'first' ? brace.last : brace.first)].sort((one, other) => one - other)
    return all.slice(a, (b ?? 0) + 1).flatMap((id) => camera.boxes.get(id) ?? [])
})
function press(which: 'first' | 'last', event: PointerEvent): void {
    end.value = which
    down(event, which)
}
</script>

<template>
    <path v-for="line in lines" :key="line.topic" class="brace-line" :data-topic="line.topic" :d="line.d" :transform="`translate(${line.x} ${line.y})`" @dblclick.stop="titles.begin(line.topic)" />
    <rect v-for="(box, i) in spanned" :key="i" class="spanned" :x="box.x - 5" :y="box.y - 5" :width="box.w + 10" :height="box.h + 10" rx="9" />
    <g v-if="ends !== null">
        <g v-for="at in ['first', 'last'] as const" :key="at" class="brace-end" @pointerdown.stop.prevent="press(at, $event)" @click.stop @dblclick.stop>
            <title>Drag it over more or fewer topics</title>
            <circle :cx="ends[at].x + (by !== null && end === at ? by.x : 0)" :cy="ends[at].y + (by !== null && end === at ? by.y : 0)" :r="11 * unit" fill="transparent" stroke="none" />
            <circle :cx="ends[at].x + (by !== null && end === at ? by.x : 0)" :cy="ends[at].y + (by !== null && end === at ? by.y : 0)" :r="5.5 * unit" />
        </g>
    </g>
</template>

<style scoped>
.brace-line { fill: none; stroke: transparent; stroke-width: 16; pointer-events: stroke; cursor: pointer; }
.brace-end { cursor: grab; pointer-events: all; }
.brace-end circle { fill: var(--board); stroke: var(--ink); stroke-width: 1.5; vector-effect: non-scaling-stroke; }
.spanned { fill: color-mix(in srgb, var(--tide) 18%, transparent); stroke: var(--tide); stroke-width: 3; vector-effect: non-scaling-stroke; pointer-events: none; }
</style>
