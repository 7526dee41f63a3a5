<script setup lang="ts">
import { computed } from 'vue'
import { useCamera } from '@/board/cameraStore'
import { usePreferences } from '@/stores/preferences'
import { useWalk } from '@/show/walkStore'
import { useSlides } from './slidesStore'

/** On the board, what is on the chosen slide is marked, and what is covered there is hatched. */
const AWAY = 4

const slides = useSlides()
const camera = useCamera()
const preferences = usePreferences()
const walk = useWalk()

const marked = computed(() => (preferences.way !== 'slides' || walk.at !== null ? [] : [...slides.on].flatMap((id) => {
    const box = camera.boxes.get(id)
    return box === undefined ? [] : [{ id, x: box.x - AWAY, y: box.y - AWAY, w: box.w + 2 * AWAY, h: box.h + 2 * AWAY, isCovered: slides.covered.has(id) }]
})))
</script>

<template>
    <g class="on-slide" aria-hidden="true">
        <defs><pattern id="slide-cover" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)"><rect width="2.4" height="7" /></pattern></defs>
        <rect v-for="one in marked" :key="one.id" :data-on-slide="one.id" :class="{ covered: one.isCovered }" :x="one.x" :y="one.y" :width="one.w" :height="one.h" rx="9" />
    </g>
</template>

<style scoped>
.on-slide { pointer-events: none; }
.on-slide > rect { fill: none; stroke: var(--tide); stroke-width: 1.6; stroke-dasharray: 7 4; }
.on-slide > rect.covered { fill: url('#slide-cover'); fill-opacity: 0.5; }
pattern rect { fill: var(--tide); stroke: none; }
</style>
