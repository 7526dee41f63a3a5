<script setup lang="ts">
import { defineAsyncComponent } from 'vue'
import { useMap } from '@/stores/map'

/** What others did meanwhile, where that is anything. */
const SinceHere = defineAsyncComponent(() => import('./SinceHere.vue'))
const map = useMap()
</script>

<template>
    <SinceHere v-if="map.missed !== null" />
</template>
