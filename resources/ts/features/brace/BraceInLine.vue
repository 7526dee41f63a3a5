<script setup lang="ts">
import { useBraces } from './braceStore'

/** The sign of a brace before its title in the outline. */
defineProps<{ topic: string }>()
const braces = useBraces()
</script>

<template>
    <svg v-if="braces.of(topic) !== undefined" class="brace-sign" width="9" height="18" viewBox="0 0 9 18" aria-hidden="true"><title>{{ braces.spoken(topic) }}</title><path d="M1 1.5q3 0 3 3v2q0 2.5 3.5 2.5q-3.5 0 -3.5 2.5v2q0 3 -3 3" /></svg>
</template>

<style scoped>
.brace-sign { flex: none; fill: none; stroke: var(--soft); stroke-width: 1.6; stroke-linecap: round; }
</style>
