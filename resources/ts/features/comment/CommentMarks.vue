<script setup lang="ts">
import { computed } from 'vue'
import { useCamera } from '@/board/cameraStore'
import { useMap } from '@/stores/map'
import { useUi } from '@/ui/uiStore'
import { useCommentCounts } from './commentCounts'

/** At the corner of topics about which something open was said: how much, and a click reads it. */
const LEAST_SCALE = 0.45
const camera = useCamera()
const comments = useCommentCounts()
const map = useMap()
const ui = useUi()
const marks = computed(() => (camera.scale < LEAST_SCALE ? [] : [...comments.counts].flatMap(([topic, count]) => {
    const box = map.slips.has(topic) ? camera.boxes.get(topic) : undefined
    return box === undefined ? [] : [{ topic, count, x: box.x + Math.max(8, box.w - 34), y: box.y + 5 }]
})))
/** What is written on it stays as large on the screen from farther away. */
const size = computed(() => Math.max(1, 0.9 / camera.scale))
function read(topic: string): void {
    map.choose(topic)
    ui.showSide('comments')
}
</script>

<template>
    <g v-for="one in marks" :key="one.topic" class="comment-mark" :data-topic="one.topic" :transform="`translate(${one.x} ${one.y}) scale(${size}) translate(-5 -20)`" @pointerdown.stop @click.stop="read(one.topic)">
        <path d="M3 0h16q3 0 3 3v9q0 3-3 3h-8l-6 5v-5H3q-3 0-3-3V3q0-3 3-3z" /><text x="11" y="11.4">{{ one.count }}</text>
    </g>
</template>

<style scoped>
.comment-mark { cursor: pointer; pointer-events: all; }
path { fill: var(--marigold-tint, var(--slip)); stroke: var(--marigold); stroke-width: 1.4; }
text { font: 700 11px 'Atkinson Hyperlegible'; text-anchor: middle; fill: var(--ink); }
</style>
