<script setup lang="ts">
import { computed } from 'vue'
import { useHandleDrag } from '@/board/useHandleDrag'
import { useWalk } from '@/show/walkStore'
import { useMap } from '@/stores/map'
import { useSigns } from './signStore'

/** The legend on the board is taken by its head and put where one wants it. */
const map = useMap()
const signs = useSigns()
const walk = useWalk()

const HEAD = 26
const box = computed(() => {
    const [x = 0, y = 0, w = 0, h = 0] = [...map.marks.values()].find((mark) => mark.type === 'legend')?.box ?? []
    return w === 0 || walk.at !== null ? null : { x, y, w, h }
})
const { by, down } = useHandleDrag(({ x, y }) => {
    if (box.value !== null) {
        signs.setPlace({ x: Math.round(box.value.x + x), y: Math.round(box.value.y + y) })
    }
})
</script>

<template>
    <g v-if="box !== null" class="legend-handle">
        <rect class="head" :x="box.x" :y="box.y" :width="box.w" :height="HEAD" @pointerdown.stop.prevent="down($event, 'legend')" @click.stop @dblclick.stop="signs.isOpen = true"><title>Drag the legend; a double click opens it</title></rect>
        <rect v-if="by !== null" class="ghost" :x="box.x + by.x" :y="box.y + by.y" :width="box.w" :height="box.h" rx="4" />
    </g>
</template>

<style scoped>
.head { fill: transparent; pointer-events: all; cursor: grab; }
.ghost { fill: color-mix(in srgb, var(--tide) 12%, transparent); stroke: var(--tide); stroke-dasharray: 4 4; pointer-events: none; }
</style>
