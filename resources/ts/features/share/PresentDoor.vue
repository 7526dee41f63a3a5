<script setup lang="ts">
import { defineAsyncComponent } from 'vue'
import { useMap } from '@/stores/map'

/** Where others are on the board, once there is anybody. */
const PresentMarks = defineAsyncComponent(() => import('./PresentMarks.vue'))
const map = useMap()
</script>

<template>
    <PresentMarks v-if="map.others.length > 0" />
</template>
