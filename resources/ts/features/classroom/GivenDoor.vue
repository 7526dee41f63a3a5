<script setup lang="ts">
import { defineAsyncComponent } from 'vue'
import { useMap } from '@/stores/map'

/** What is asked with a map that was given out, where it may be one: it is shared then. */
const GivenStrip = defineAsyncComponent(() => import('@/classroom/GivenStrip.vue'))
const map = useMap()
</script>

<template>
    <GivenStrip v-if="map.isShared" :key="map.id" />
</template>
