<script setup lang="ts">
import { useDrag } from '@/stores/drag'

/** The pale slot on the board where what is dragged would land, and the lines it would be in. */
const drag = useDrag()
</script>

<template>
    <rect
        v-if="drag.landing?.region === 'board'" class="slot" :x="drag.landing.mark.x" :y="drag.landing.mark.y"
        :width="drag.landing.mark.w" :height="drag.landing.mark.h" rx="6" />
    <path
        v-for="(guide, i) in drag.landing?.guides ?? []" :key="i" class="guide" :d="`M${guide.x} ${guide.y}l${guide.w} ${guide.h}`" />
</template>

<style scoped>
.guide { stroke: var(--ember); stroke-width: 1.5; stroke-dasharray: 2 4; vector-effect: non-scaling-stroke; pointer-events: none; }
.slot { fill: color-mix(in srgb, var(--tide) 30%, transparent); stroke: var(--tide); stroke-width: 1.5; stroke-dasharray: 5 4; pointer-events: none; }
</style>
