<script setup lang="ts">
import { computed } from 'vue'
import { useCommentCounts } from './commentCounts'

/** Before the title of a topic in the outline about which something open was said. */
const props = defineProps<{ topic: string }>()
const comments = useCommentCounts()
const count = computed(() => comments.counts.get(props.topic) ?? 0)
</script>

<template>
    <svg v-if="count > 0" class="said" width="15" height="14" viewBox="0 0 15 14" role="img" :aria-label="count === 1 ? '1 comment' : `${count} comments`"><title>{{ count === 1 ? '1 comment' : `${count} comments` }}</title><path d="M2 1.5h11q1 0 1 1v6q0 1-1 1H8l-4 3.5V9.500H2q-1 0-1-1v-6q0-1 1-1z" /></svg>
</template>

<style scoped>
.said { flex: none; margin-right: 4px; fill: color-mix(in srgb, var(--marigold) 45%, transparent); stroke: var(--marigold); stroke-width: 1.2; }
</style>
