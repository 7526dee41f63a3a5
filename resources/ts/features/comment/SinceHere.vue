<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import { useMap } from '@/stores/map'

/** Above the map of somebody who comes back: what others did meanwhile, and the way to see it drawn. */
const map = useMap()
const time = new Intl.DateTimeFormat(undefined, { dateStyle: 'medium', timeStyle: 'short' })
const words = computed(() => {
    const missed = map.missed
    if (missed === null) {
        return ''
    }
    const by = missed.by.length > 3 ? `${missed.by.slice(0, 2).join(', ')} and ${missed.by.length - 2} others` : missed.by.join(missed.by.length === 2 ? ' and ' : ', ')
    return `Since you were here (${time.format(new Date(missed.last))}): ${missed.edits === 1 ? '1 edit' : `${missed.edits} edits`} by ${by}.`
})
</script>

<template>
    <p v-if="map.missed !== null" class="since" role="status">
        <span>{{ words }}</span>
        <NButton size="tiny" secondary @click="$router.push(`/maps/${map.id}/history?since=${map.missed.seq}`)">See what is different</NButton>
        <NButton size="tiny" quaternary @click="map.missed = null">Not now</NButton>
    </p>
</template>

<style scoped>
.since { flex: none; margin: 0; display: flex; flex-wrap: wrap; align-items: center; gap: 4px 8px; padding: 5px 14px; background: color-mix(in srgb, var(--marigold) 12%, var(--slip)); border-bottom: 1px solid var(--edge); font-size: 14px; }
.since span { overflow-wrap: anywhere; }
</style>
