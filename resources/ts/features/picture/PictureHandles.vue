<script setup lang="ts">
import { computed, ref } from 'vue'
import { sourceAddress } from '@/api/client'
import { useCamera } from '@/board/cameraStore'
import { isReadable } from '@/board/farLabels'
import { useHandleDrag } from '@/board/useHandleDrag'
import { useWalk } from '@/show/walkStore'
import { targetAt } from '@/stores/bringing'
import { useMap } from '@/stores/map'
import { usePictures } from './pictureStore'

/**
 * Handles at the picture of the current topic: its corner is dragged for the size, its grip takes it into another topic or
 * onto the board. Pictures on their way stand where they will be.
 */
const map = useMap()
const camera = useCamera()
const pictures = usePictures()
const walk = useWalk()

/** Smaller ones on the screen nobody takes by a corner. */
const LEAST = 22

const part = computed(() => {
    const slip = map.current === null || map.editing !== null || walk.at !== null ? undefined : camera.drawn.get(map.current)
    // From afar a title may stand in the place of it.
    return slip === undefined || (slip.level < 2 && !isReadable(slip, camera.scale)) ? undefined : slip.parts.find((one) => 'picture' in one)
})
const box = computed(() => {
    const at = part.value === undefined || map.current === null ? undefined : camera.boxes.get(map.current)
    const [x = 0, y = 0, w = 0, h = 0] = part.value !== undefined && 'picture' in part.value ? part.value.box : []
    return at === undefined || w * camera.scale < LEAST ? null : { x: at.x + x, y: at.y + y, w, h }
})
const unit = computed(() => 1 / Math.max(0.05, camera.scale))

const which = ref<'corner' | 'grip'>('corner')
const { by, down } = useHandleDrag(({ clientX, clientY }) => {
    const topic = map.current
    if (topic === null) {
        return
    }
    if (which.value === 'corner') {
        pictures.set({ width: wide.value }, [topic])
        return
    }
    const to = targetAt(clientX, clientY)
    if (to !== null && 'topic' in to && to.topic !== topic) {
        pictures.move(topic, to.topic)
        map.choose(to.topic)
    } else if (to !== null && 'x' in to) {
        pictures.moveOut(topic, to.x, to.y)
    }
})
const wide = computed(() => pictures.bounded((box.value?.w ?? 0) + (by.value?.x ?? 0)))
const ghost = computed(() => {
    const { x, y, w, h } = box.value ?? { x: 0, y: 0, w: 1, h: 1 }
    return which.value === 'corner' ? { x, y, width: wide.value, height: (h * wide.value) / w } : { x: x + (by.value?.x ?? 0), y: y + (by.value?.y ?? 0), width: w, height: h }
})
function press(handle: 'corner' | 'grip', event: PointerEvent): void {
    which.value = handle
    down(event, map.current ?? '')
}

const coming = computed(() => pictures.coming.map((one, i) => {
    const at = one.topic === null ? undefined : camera.boxes.get(one.topic)
    return { ...one, x: at === undefined ? one.x : at.x + 8 + i * 12, y: at === undefined ? one.y : at.y + at.h + 6 + i * 12 }
}))
</script>

<template>
    <g v-for="one in coming" :key="one.key" class="coming">
        <rect :x="one.x" :y="one.y" width="120" height="90" rx="6" />
        <image :x="one.x" :y="one.y" width="120" height="90" :href="one.url" opacity="0.6" />
        <text :x="one.x + 60" :y="one.y + 106" text-anchor="middle">{{ one.name }} …</text>
    </g>
    <g v-if="box !== null" class="picture-handles">
        <template v-if="by === null">
            <g class="grip" @pointerdown.stop.prevent="press('grip', $event)" @click.stop @dblclick.stop>
                <title>Drag the picture into another topic, or onto the board</title>
                <circle :cx="box.x" :cy="box.y" :r="7.5 * unit" />
                <path :d="`M${box.x - 3.5 * unit} ${box.y}h${7 * unit}M${box.x} ${box.y - 3.5 * unit}v${7 * unit}`" />
            </g>
            <g class="corner" @pointerdown.stop.prevent="press('corner', $event)" @click.stop @dblclick.stop>
                <title>Drag for the size of the picture</title>
                <circle :cx="box.x + box.w" :cy="box.y + box.h" :r="10 * unit" fill="transparent" stroke="none" />
                <rect :x="box.x + box.w - 5 * unit" :y="box.y + box.h - 5 * unit" :width="10 * unit" :height="10 * unit" :rx="2 * unit" />
            </g>
        </template>
        <template v-else>
            <rect class="ghost" v-bind="ghost" />
            <image v-if="which === 'grip' && part !== undefined && 'picture' in part" class="ghost" v-bind="ghost" :href="sourceAddress(map.id, part.picture, 'small')" opacity="0.7" />
        </template>
    </g>
</template>

<style scoped>
.coming rect { fill: var(--slip); stroke: var(--edge); stroke-dasharray: 5 5; }
.coming text { font: 12px 'Atkinson Hyperlegible'; fill: var(--soft); }
.grip circle, .corner rect { fill: var(--board); stroke: var(--ink); stroke-width: 1.4; vector-effect: non-scaling-stroke; }
.grip path { stroke: var(--ink); stroke-width: 1.4; vector-effect: non-scaling-stroke; }
.grip { cursor: grab; pointer-events: all; }
.corner { cursor: nwse-resize; pointer-events: all; }
.ghost { pointer-events: none; }
rect.ghost { fill: color-mix(in srgb, var(--tide) 12%, transparent); stroke: var(--tide); stroke-dasharray: 4 4; }
</style>
