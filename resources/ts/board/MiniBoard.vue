<script setup lang="ts">
import { computed } from 'vue'
import type { SceneNews } from '@/api/wire'
import { absoluteBoxes, frameAround } from './geometry'
import { Parts } from './Parts'

/** A small true picture of a scene, drawn as the board is; loose topics are left out. */
const props = defineProps<{ scene: SceneNews }>()

const drawn = computed(() => {
    const byId = new Map(props.scene.slips.map((slip) => [slip.id, slip]))
    const root = props.scene.slips.find((slip) => slip.parent === null)?.id
    const topOf = (id: string): string => {
        const parent = byId.get(id)?.parent
        return parent == null ? id : topOf(parent)
    }
    const slips = props.scene.slips.filter((slip) => topOf(slip.id) === root)
    const boxes = absoluteBoxes(new Map(slips.map((slip) => [slip.id, slip])))
    const { x, y, w, h } = frameAround(boxes.values()) ?? { x: 0, y: 0, w: 100, h: 60 }
    const margin = Math.max(w, h) * 0.05 + 8
    return {
        frame: `${x - margin} ${y - margin} ${w + 2 * margin} ${h + 2 * margin}`,
        slips: slips.map((slip) => ({ slip, at: `translate(${boxes.get(slip.id)?.x ?? 0} ${boxes.get(slip.id)?.y ?? 0})` })),
    }
})
</script>

<template>
    <svg class="mini" :viewBox="drawn.frame" aria-hidden="true">
        <g v-for="{ slip, at } in drawn.slips" :key="`c${slip.id}`" :transform="at"><Parts v-if="slip.connector !== null" :parts="[slip.connector]" /></g>
        <g v-for="{ slip, at } in drawn.slips" :key="slip.id" :transform="at" class="slip"><Parts :parts="slip.parts" /></g>
    </svg>
</template>

<style scoped>
.mini { width: 100%; height: 100%; display: block; pointer-events: none; }
</style>
