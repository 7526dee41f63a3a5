<script setup lang="ts">
import { computed, watch } from 'vue'
import { useCamera } from '@/board/cameraStore'
import { useMap } from '@/stores/map'
import PhraseField from './PhraseField.vue'
import { usePhrases } from './phraseStore'

/** The field for the phrase of a connector, where that phrase stands, or between the two topics. */
const map = useMap()
const camera = useCamera()
const phrases = usePhrases()
const FIELD = { w: 190, h: 30 }

const topic = computed(() => (phrases.asking?.where === 'board' ? phrases.asking.topic : null))
const unit = computed(() => 1 / Math.max(0.05, camera.scale))
const place = computed(() => {
    const box = topic.value === null ? undefined : camera.boxOf(topic.value)
    const slip = topic.value === null ? undefined : camera.slipOf(topic.value)
    if (box === undefined || slip === undefined) {
        return null
    }
    const room = slip.parts.find((part) => part.part === 'phrase-room')
    const [x0, y0, w, h] = room !== undefined && 'd' in room ? (room.d.match(/-?\d+(?:\.\d+)?/g)?.map(Number) ?? []) : []
    if (x0 !== undefined && y0 !== undefined && w !== undefined && h !== undefined) {
        return { x: box.x + x0 + w / 2, y: box.y + y0 + h / 2 }
    }
    const parent = camera.boxes.get(slip.parent ?? '') ?? box
    const between = (a: number, long: number, b: number, wide: number): number => (a + long <= b ? (a + long + b) / 2 : b + wide <= a ? (b + wide + a) / 2 : b + wide / 2)
    return { x: between(parent.x, parent.w, box.x, box.w), y: between(parent.y, parent.h, box.y, box.h) }
})
watch(() => phrases.asking, () => {
    if (place.value !== null) {
        camera.handle?.reveal({ x: place.value.x - FIELD.w / 2, y: place.value.y - FIELD.h / 2, ...FIELD })
    }
}, { flush: 'post' })
const isShown = computed(() => topic.value !== null && place.value !== null && map.tree.topics.has(topic.value))
</script>

<template>
    <foreignObject v-if="isShown && place !== null" :x="place.x - (FIELD.w * unit) / 2" :y="place.y - (FIELD.h * unit) / 2" :width="FIELD.w * unit" :height="FIELD.h * unit">
        <div :style="{ transform: `scale(${unit})`, transformOrigin: '0 0', width: `${FIELD.w}px`, height: `${FIELD.h}px`, display: 'grid' }"><PhraseField :key="topic ?? ''" /></div>
    </foreignObject>
</template>
