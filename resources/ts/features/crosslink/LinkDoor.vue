<script setup lang="ts">
import { defineAsyncComponent, onMounted, ref, watch } from 'vue'
import { useLinks } from './linkStore'

/** What looks for the other end of a cross-link comes when the first one is drawn, or the map is read out. */
const load = () => import('./LinkOverlay.vue')
const LinkOverlay = defineAsyncComponent(load)
const links = useLinks()
const isWanted = ref(false)
// Who is at work for a while finds it there at once.
onMounted(() => setTimeout(() => void load(), 4000))
watch(() => links.tying !== null || links.isReading, (now) => (isWanted.value ||= now))
</script>

<template>
    <LinkOverlay v-if="isWanted" />
</template>
