<script setup lang="ts">
import { computed } from 'vue'
import { useBeside } from '@/stores/beside'
import { heldIn } from '@/stores/privacy'

/** Before the title of a private topic in the outline: the curtain, paler below one. */
const props = defineProps<{ topic: string }>()
const beside = useBeside()
const held = computed(() => heldIn(beside.tree).get(props.topic))
</script>

<template>
    <svg v-if="held !== undefined" class="private" :class="{ below: held.by === 'above' }" width="13" height="13" viewBox="0 0 14 14" role="img" aria-label="private"><title>Private</title><path d="M1 2h12v9.5q-1.5 1-3 0t-3 0t-3 0t-3 0zM0 1.5h14M4 3v7M7 3v7M10 3v7" fill="none" stroke="currentColor" stroke-width="1.2" /></svg>
</template>

<style scoped>
.private { flex: none; color: var(--soft); margin-right: 4px; }
.below { opacity: 0.45; }
</style>
