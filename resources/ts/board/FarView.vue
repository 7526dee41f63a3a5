<script setup lang="ts">
import { computed } from 'vue'
import { useCamera } from './cameraStore'
import { overlaps } from './geometry'
import type { Painted } from './useViewport'

/** Topics too small to read, as one path a chalk: bars for the slips, strokes from each to its parent. */
const props = defineProps<{ painted: Painted }>()

const camera = useCamera()

const paths = computed(() => {
    const byChalk = new Map<string, { bars: string; strokes: string }>()
    for (const [id, box] of camera.boxes) {
        const slip = camera.drawn.get(id)
        const parent = slip?.parent == null ? undefined : camera.boxes.get(slip.parent)
        if (slip === undefined || parent === undefined || slip.level < 2 || !overlaps(box, props.painted)) {
            continue
        }
        const path = byChalk.get(slip.chalk) ?? { bars: '', strokes: '' }
        path.bars += `M${box.x} ${box.y + 3}h${box.w}v${box.h - 6}h${-box.w}z`
        const x = slip.grows === 'right' ? parent.x + parent.w : parent.x
        path.strokes += `M${x} ${parent.y + parent.h / 2}L${slip.grows === 'right' ? box.x : box.x + box.w} ${box.y + box.h / 2}`
        byChalk.set(slip.chalk, path)
    }
    return [...byChalk]
})
</script>

<template>
    <g class="far">
        <template v-for="[chalk, path] in paths" :key="chalk">
            <path :d="path.strokes" fill="none" :stroke="`var(--${chalk})`" stroke-width="3" />
            <path :d="path.bars" :fill="`var(--${chalk})`" fill-opacity="0.5" />
        </template>
    </g>
</template>
