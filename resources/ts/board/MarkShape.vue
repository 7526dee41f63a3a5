<script setup lang="ts">
import type { Mark } from '@/api/wire'
import { Parts } from './Parts'

/** Something drawn that is not a topic; the core has said of what it is made. */
defineProps<{ mark: Mark; dimmed: boolean }>()
</script>

<template>
    <g class="mark" :class="{ dimmed }" :data-mark="mark.id"><Parts :parts="mark.parts" /></g>
</template>

<style scoped>
.mark { transition: opacity 180ms; }
.mark.dimmed { opacity: var(--rest); }
</style>
