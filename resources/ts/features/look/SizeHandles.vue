<script setup lang="ts">
import { computed, ref } from 'vue'
import { bounds } from '@/api/bounds'
import { useCamera } from '@/board/cameraStore'
import { useHandleDrag } from '@/board/useHandleDrag'
import { isReadable } from '@/board/farLabels'
import { lookOf } from '@/board/looks'
import { useWalk } from '@/show/walkStore'
import { useMap } from '@/stores/map'
import { useLooks } from './lookStore'

/** Handles at the current topic: its side is dragged for the width, its corner for the size, type and all. */
const map = useMap()
const camera = useCamera()
const looks = useLooks()
const walk = useWalk()

const slip = computed(() => (map.current === null || map.editing !== null || walk.at !== null ? undefined : camera.drawn.get(map.current)))
/** From afar a topic is a bar, which nobody takes by its corner. */
const box = computed(() => (slip.value === undefined || !isReadable(slip.value, camera.scale) ? undefined : camera.boxes.get(slip.value.id)))
/** The side away from the spine is dragged. */
const isLeft = computed(() => slip.value?.spine === 'right' && slip.value.level > 0)
const which = ref<'side' | 'corner'>('side')
const { by, down } = useHandleDrag(() => {
    const current = slip.value
    if (current === undefined) {
        return
    }
    looks.reach = 'topics'
    if (which.value === 'side') {
        looks.set({ width: Math.round(Math.max(bounds.narrowest, Math.min(bounds.widest, wider.value))) })
    } else {
        const size = Math.round(lookOf(current).type.size * times.value)
        looks.set({ size: Math.max(bounds.smallestType, Math.min(bounds.largestType, size)) })
    }
})

const wider = computed(() => Math.max(40, (box.value?.w ?? 0) + (isLeft.value ? -1 : 1) * (by.value?.x ?? 0)))
/** Of the corner: by how much everything is larger. */
const times = computed(() => wider.value / Math.max(1, box.value?.w ?? 1))
const isDragging = computed(() => by.value !== null)
const ghost = computed(() => {
    const { x, y, w, h } = box.value ?? { x: 0, y: 0, w: 0, h: 0 }
    const high = which.value === 'corner' ? h * times.value : h
    return { x: isLeft.value ? x + w - wider.value : x, y, width: wider.value, height: high }
})
/** As large on the screen at every zoom. */
const unit = computed(() => 1 / Math.max(0.05, camera.scale))
const edge = computed(() => (box.value === undefined ? 0 : isLeft.value ? box.value.x - 5 : box.value.x + box.value.w + 5))

function press(handle: 'side' | 'corner', event: PointerEvent): void {
    which.value = handle
    down(event, slip.value?.id ?? '')
}
</script>

<template>
    <g v-if="slip !== undefined && box !== undefined" class="sizes">
        <rect v-if="isDragging" class="ghost" v-bind="ghost" rx="6" />
        <template v-else>
            <g class="handle side" @pointerdown.stop.prevent="press('side', $event)" @click.stop @dblclick.stop>
                <title>Drag for the width</title>
                <rect :x="edge - 6 * unit" :y="box.y - 12 * unit" :width="12 * unit" :height="24 * unit" fill="transparent" />
                <rect class="grip" :x="edge - 2 * unit" :y="box.y - 8 * unit" :width="4 * unit" :height="16 * unit" :rx="2 * unit" />
            </g>
            <g class="handle corner" :class="{ left: isLeft }" @pointerdown.stop.prevent="press('corner', $event)" @click.stop @dblclick.stop>
                <title>Drag for the size, type and all</title>
                <circle :cx="edge" :cy="box.y + box.h + 5" :r="9 * unit" fill="transparent" />
                <circle class="grip" :cx="edge" :cy="box.y + box.h + 5" :r="4 * unit" />
            </g>
        </template>
    </g>
</template>

<style scoped>
.grip { fill: var(--board); stroke: var(--ink); stroke-width: 1.4; vector-effect: non-scaling-stroke; }
.handle { pointer-events: all; cursor: ew-resize; opacity: 0.75; }
.handle:hover { opacity: 1; }
.corner { cursor: nwse-resize; }
.corner.left { cursor: nesw-resize; }
.ghost { fill: color-mix(in srgb, var(--tide) 12%, transparent); stroke: var(--tide); stroke-width: 1.5; stroke-dasharray: 4 4; pointer-events: none; }
</style>
