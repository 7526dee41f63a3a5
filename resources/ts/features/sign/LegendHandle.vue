<script setup lang="ts">
import { computed, shallowRef } from 'vue'
import { useCamera } from '@/board/cameraStore'
import { useWalk } from '@/show/walkStore'
import { useMap } from '@/stores/map'
import { usePointerDrag } from '@/ui/usePointerDrag'
import { useSigns } from './signStore'

/** The legend on the board is taken by its head and put where one wants it. */
const map = useMap()
const camera = useCamera()
const signs = useSigns()
const walk = useWalk()

const HEAD = 26
const box = computed(() => {
    const [x = 0, y = 0, w = 0, h = 0] = [...map.marks.values()].find((mark) => mark.type === 'legend')?.box ?? []
    return w === 0 || walk.at !== null ? null : { x, y, w, h }
})
const shift = shallowRef({ x: 0, y: 0 })
let from = { x: 0, y: 0 }
const { down } = usePointerDrag({
    begin: (_id, pressed) => {
        from = pressed
        return true
    },
    follow: (event) => (shift.value = { x: (event.clientX - from.x) / camera.scale, y: (event.clientY - from.y) / camera.scale }),
    drop: () => {
        if (box.value !== null && (shift.value.x !== 0 || shift.value.y !== 0)) {
            signs.setPlace({ x: Math.round(box.value.x + shift.value.x), y: Math.round(box.value.y + shift.value.y) })
        }
    },
    end: () => (shift.value = { x: 0, y: 0 }),
})
</script>

<template>
    <g v-if="box !== null" class="legend-handle">
        <rect class="head" :x="box.x" :y="box.y" :width="box.w" :height="HEAD" @pointerdown.stop.prevent="down($event, 'legend')" @click.stop @dblclick.stop="signs.isOpen = true"><title>Drag the legend; a double click opens it</title></rect>
        <rect v-if="shift.x !== 0 || shift.y !== 0" class="ghost" :x="box.x + shift.x" :y="box.y + shift.y" :width="box.w" :height="box.h" rx="4" />
    </g>
</template>

<style scoped>
.head { fill: transparent; pointer-events: all; cursor: grab; }
.ghost { fill: color-mix(in srgb, var(--tide) 12%, transparent); stroke: var(--tide); stroke-dasharray: 4 4; pointer-events: none; }
</style>
