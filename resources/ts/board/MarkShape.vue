<script setup lang="ts">
import type { Mark } from '@/api/wire'

/** Something drawn that is not a topic; the core has said of what it is made. */
defineProps<{ mark: Mark; dimmed: boolean }>()

/** A paint by its role: "ink", or "chalk:tide". */
const paint = (role: string): string => (role === '' ? 'none' : `var(--${role.replace('chalk:', '')})`)
</script>

<template>
    <g class="mark" :class="{ dimmed }" :data-mark="mark.id">
        <template v-for="(part, i) in mark.parts" :key="i">
            <path v-if="part.d !== undefined" :d="part.d" :style="{ fill: paint(part.fill), stroke: paint(part.stroke), strokeWidth: part.thick }" />
            <text v-else :x="part.x" :y="part.y" :font-size="part.size" :style="{ fill: paint(part.fill) }">{{ part.text }}</text>
        </template>
    </g>
</template>

<style scoped>
.mark { transition: opacity 180ms; }
.mark.dimmed { opacity: var(--rest); }
</style>
