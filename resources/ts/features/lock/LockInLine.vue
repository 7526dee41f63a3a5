<script setup lang="ts">
import { computed } from 'vue'
import { useBeside } from '@/stores/beside'
import { rowOf } from '@/stores/tree'

/** Before the title of a locked topic in the outline: the bolted hatch, with a clock for what comes later. */
const props = defineProps<{ topic: string }>()
const beside = useBeside()
const how = computed(() => rowOf(beside.tree, 'lock', props.topic)?.fields.how)
</script>

<template>
    <svg v-if="how === 'fixed' || how === 'later'" class="lock" width="13" height="13" viewBox="0 0 14 14" role="img" :aria-label="how === 'fixed' ? 'locked' : 'comes later'"><title>{{ how === 'fixed' ? 'Locked' : 'Comes later' }}</title><path :d="how === 'fixed' ? 'M1 2h12v10H1zM4 7h6M10 5v4' : 'M1 2h12v10H1zM7 4v3l2 1.6'" fill="none" stroke="currentColor" stroke-width="1.2" /></svg>
</template>

<style scoped>
.lock { flex: none; color: var(--soft); margin-right: 4px; }
</style>
