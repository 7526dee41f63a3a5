<script setup lang="ts">
import { defineAsyncComponent, ref, watch } from 'vue'
import { useLinks } from './linkStore'

/** What looks for the other end of a cross-link comes when the first one is drawn, or the map is read out. */
const LinkOverlay = defineAsyncComponent(() => import('./LinkOverlay.vue'))
const links = useLinks()
const isWanted = ref(false)
watch(() => links.tying !== null || links.isReading, (now) => (isWanted.value ||= now))
</script>

<template>
    <LinkOverlay v-if="isWanted" />
</template>
