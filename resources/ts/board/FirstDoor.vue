<script setup lang="ts">
import { defineAsyncComponent } from 'vue'
import { useMap } from '@/stores/map'

/** How one begins, on a map that has hardly begun. */
const ENOUGH = 3
const FirstWords = defineAsyncComponent(() => import('./FirstWords.vue'))
const map = useMap()
</script>

<template>
    <FirstWords v-if="map.mayEdit && map.tree.topics.size < ENOUGH" />
</template>
