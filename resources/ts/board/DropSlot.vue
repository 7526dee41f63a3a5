<script setup lang="ts">
import { useDrag } from '@/stores/drag'

/** The pale slot on the board where what is dragged would land. */
const drag = useDrag()
</script>

<template>
    <rect
        v-if="drag.landing?.region === 'board'" class="slot" :x="drag.landing.mark.x" :y="drag.landing.mark.y"
        :width="drag.landing.mark.w" :height="drag.landing.mark.h" rx="6" />
</template>

<style scoped>
.slot { fill: color-mix(in srgb, var(--tide) 30%, transparent); stroke: var(--tide); stroke-width: 1.5; stroke-dasharray: 5 4; pointer-events: none; }
</style>
