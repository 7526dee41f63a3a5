<script setup lang="ts">
import type { FarLabel } from './farLabels'

/** The titles of the upper levels, large enough to read, in the place of their slips. */
defineProps<{ labels: readonly FarLabel[]; scale: number; chosen: readonly string[]; back: (id: string) => boolean }>()
</script>

<template>
    <g
        v-for="label in labels" :key="label.id" class="far-label" :class="[`level-${label.level}`, { chosen: chosen.includes(label.id), back: back(label.id) }]" :data-topic="label.id"
        :style="{ '--line': `var(--${label.chalk})`, strokeWidth: 2 / scale }">
        <rect class="chip" :x="label.box.x" :y="label.box.y" :width="label.box.w" :height="label.box.h" :rx="3 / scale" />
        <rect v-if="label.level > 0" class="spine" :x="label.spine === 'right' ? label.box.x + label.box.w - 3 / scale : label.box.x" :y="label.box.y" :width="3 / scale" :height="label.box.h" :rx="1.5 / scale" />
        <text :x="label.box.x + 6 / scale" :y="label.box.y + label.box.h * 0.75" :font-size="label.size / scale" :font-weight="label.bold ? 700 : 400">{{ label.text }}</text>
    </g>
</template>

<style scoped>
.far-label .chip { fill: var(--board); fill-opacity: 0.9; }
.far-label.chosen .chip { stroke: var(--ink); }
.far-label.back { opacity: var(--rest); }
.far-label .spine { fill: var(--line); }
.far-label text { fill: var(--ink); font-family: 'Atkinson Hyperlegible', sans-serif; font-kerning: none; user-select: none; white-space: pre; }
.far-label.level-0 .chip { fill: var(--plate); fill-opacity: 1; }
.far-label.level-0.chosen .chip { stroke: var(--ink); }
.far-label.level-0 text { fill: var(--plate-ink); }
</style>
