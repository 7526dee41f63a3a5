<script setup lang="ts">
import { usePreferences } from '@/stores/preferences'

/** The edge between outline and board, to pull by mouse or move by arrow keys. */
const LEAST = 160
const MOST = 480

const preferences = usePreferences()

function set(width: number): void {
    preferences.outlineWidth = Math.min(MOST, Math.max(LEAST, Math.round(width)))
}

function down(event: PointerEvent): void {
    const edge = event.currentTarget as HTMLElement
    const from = preferences.outlineWidth - event.clientX
    edge.setPointerCapture(event.pointerId)
    const move = (moved: PointerEvent): void => set(from + moved.clientX)
    edge.addEventListener('pointermove', move)
    const end = (): void => edge.removeEventListener('pointermove', move)
    edge.addEventListener('pointerup', end, { once: true })
    edge.addEventListener('pointercancel', end, { once: true })
}
</script>

<template>
    <div
        class="edge" role="separator" tabindex="0" aria-orientation="vertical" aria-label="Width of the outline" :aria-valuenow="preferences.outlineWidth" :aria-valuemin="LEAST" :aria-valuemax="MOST"
        @pointerdown="down" @keydown.left.prevent="set(preferences.outlineWidth - 16)" @keydown.right.prevent="set(preferences.outlineWidth + 16)" />
</template>

<style scoped>
.edge { flex: none; width: 5px; margin: 0 -2px; z-index: 1; cursor: col-resize; background: linear-gradient(to right, transparent 2px, var(--edge) 2px 3px, transparent 3px); touch-action: none; }
.edge:hover, .edge:focus-visible { background: var(--tide); outline: none; }
</style>
