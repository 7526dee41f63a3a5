<script setup lang="ts">
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue'
import { frameAround } from '@/board/geometry'
import { useCamera } from '@/board/cameraStore'
import { useMap } from '@/stores/map'
import { useRings } from './ringStore'

/** The field for the name of a ring, where its name stands; or where that will be. */
const map = useMap()
const camera = useCamera()
const rings = useRings()
const FIELD = { w: 220, h: 32 }

const unit = computed(() => 1 / Math.max(0.05, camera.scale))
const field = useTemplateRef<HTMLInputElement>('field')
const text = ref('')
const place = computed(() => {
    const naming = rings.naming
    if (naming === null) {
        return null
    }
    const ground = map.marks.get(naming.id)?.parts.find((part) => part.part === 'ground')
    const [x, y] = ground !== undefined && 'd' in ground ? (ground.d.match(/-?\d+(?:\.\d+)?/g)?.map(Number) ?? []) : []
    if (x !== undefined && y !== undefined) {
        return { x, y: y + 11 }
    }
    const box = map.marks.get(naming.id)?.box
    const around = frameAround(naming.around.flatMap((topic) => camera.boxes.get(topic) ?? []))
    return box !== undefined ? { x: (box[0] ?? 0) + 12, y: (box[1] ?? 0) + 14 } : around === null ? null : { x: around.x, y: around.y - 14 }
})
watch(() => rings.naming?.id, (id) => {
    text.value = id === undefined ? '' : (rings.find(id)?.name ?? '')
    if (id !== undefined) {
        void nextTick(() => {
            field.value?.focus({ preventScroll: true })
            field.value?.select()
            if (place.value !== null) {
                camera.handle?.reveal({ ...place.value, ...FIELD })
            }
        })
    }
}, { immediate: true })
function end(keeps: boolean): void {
    if (rings.naming !== null) {
        rings.endName(keeps ? text.value : null)
        document.querySelector<HTMLElement>('[data-focus=board]')?.focus({ preventScroll: true })
    }
}
function key(event: KeyboardEvent): void {
    if (event.key === 'Enter' || event.key === 'Tab' || event.key === 'Escape') {
        event.preventDefault()
        event.stopPropagation()
        end(event.key !== 'Escape')
    }
}
</script>

<template>
    <foreignObject v-if="rings.naming !== null && place !== null" :x="place.x" :y="place.y - (FIELD.h * unit) / 2" :width="FIELD.w * unit" :height="FIELD.h * unit" @pointerdown.stop @dblclick.stop @click.stop>
        <input ref="field" v-model="text" class="ring-name" aria-label="Name of the ring" placeholder="name of the ring" maxlength="200" dir="auto" :style="{ transform: `scale(${unit})`, width: `${FIELD.w - 4}px`, height: `${FIELD.h - 4}px` }" @keydown="key" @blur="end(true)" />
    </foreignObject>
</template>

<style scoped>
.ring-name { box-sizing: border-box; transform-origin: 0 0; margin: 2px; padding: 2px 8px; font: 700 14px 'Atkinson Hyperlegible'; color: var(--ink); background: var(--slip); border: 2px solid var(--tide); border-radius: 6px; outline: none; user-select: text; }
</style>
