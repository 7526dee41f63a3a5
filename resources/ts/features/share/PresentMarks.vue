<script setup lang="ts">
import { computed } from 'vue'
import { useCamera } from '@/board/cameraStore'
import { useMap } from '@/stores/map'
import { chalkOf } from './present'

/** Where others are on the board: a line around the topic that they have chosen, with their name. */
const LEAST_SCALE = 0.3
const camera = useCamera()
const map = useMap()
/** What is written stays as large on the screen from farther away. */
const size = computed(() => Math.max(1, 0.9 / camera.scale))
const marks = computed(() => {
    if (map.others.length === 0 || camera.scale < LEAST_SCALE) {
        return []
    }
    // Several at one topic stand beside each other.
    const at = new Map<string, number>()
    return map.others.flatMap(({ id, name, at: topic, in: text }) => {
        const box = topic !== null && map.slips.has(topic) ? camera.boxes.get(topic) : undefined
        if (box === undefined || topic === null) {
            return []
        }
        const short = `${name.length > 14 ? `${name.slice(0, 13)}…` : name}${text === null ? '' : ' writes'}`
        const wide = short.length * 6.6 + 10
        const x = at.get(topic) ?? 0
        at.set(topic, x + wide + 3)
        return [{ id, short, wide, x, box }]
    })
})
</script>

<template>
    <g v-for="one in marks" :key="one.id" class="present-mark" :style="{ '--chalk': chalkOf(one.id) }" :data-name="one.short">
        <rect :x="one.box.x - 4" :y="one.box.y - 4" :width="one.box.w + 8" :height="one.box.h + 8" rx="7" class="around" />
        <g :transform="`translate(${one.box.x - 4} ${one.box.y + one.box.h + 4}) scale(${size}) translate(${one.x} -7.5)`"><rect :width="one.wide" height="15" rx="4" class="flag" /><text x="5" y="11.3">{{ one.short }}</text></g>
    </g>
</template>

<style scoped>
.present-mark { pointer-events: none; }
.around { fill: none; stroke: var(--chalk); stroke-width: 1.6; stroke-dasharray: 5 3; }
.flag { fill: var(--slip); stroke: var(--chalk); stroke-width: 1.4; }
text { font: 700 11px 'Atkinson Hyperlegible'; fill: var(--ink); }
</style>
