<script setup lang="ts">
import { computed } from 'vue'
import type { Mark, Primitive } from '@/api/wire'
import { Parts } from './Parts'

/** Something drawn that is not a topic; the core has said of what it is made. */
const props = defineProps<{ mark: Mark; dimmed: boolean; chosen: boolean }>()
defineEmits<{ touch: [touch: string, event: MouseEvent]; press: [touch: string, event: PointerEvent]; twice: [touch: string, event: MouseEvent] }>()

/** What does the same when it is touched, together. */
const groups = computed(() => {
    const found: { touch: string | undefined; parts: Primitive[] }[] = []
    for (const part of props.mark.parts) {
        const last = found.at(-1)
        if (last !== undefined && last.touch === part.touch) {
            last.parts.push(part)
        } else {
            found.push({ touch: part.touch, parts: [part] })
        }
    }
    return found
})
</script>

<template>
    <g class="mark" :class="{ dimmed, chosen }" :data-mark="mark.id">
        <template v-for="(group, i) in groups" :key="i">
            <g v-if="group.touch !== undefined" class="touched" :data-touch="group.touch" @pointerdown.stop.prevent="$emit('press', group.touch, $event)" @dblclick.stop="$emit('twice', group.touch, $event)" @click.stop="$emit('touch', group.touch, $event)"><Parts :parts="group.parts" /></g>
            <Parts v-else :parts="group.parts" />
        </template>
    </g>
</template>

<style scoped>
.mark { transition: opacity 180ms; }
.mark :deep(text) { font-family: 'Atkinson Hyperlegible', sans-serif; font-kerning: none; font-variant-ligatures: none; white-space: pre; user-select: none; }
.touched { pointer-events: all; cursor: pointer; }
.mark.chosen { --hand: color-mix(in srgb, var(--marigold) 34%, transparent); }
.mark.dimmed { opacity: var(--rest); }
</style>
