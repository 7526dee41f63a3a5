<script setup lang="ts">
import { defineAsyncComponent } from 'vue'
import { useBraces } from './braceStore'

/** What the hand needs of braces comes with the first of them. */
const BraceBoard = defineAsyncComponent(() => import('./BraceBoard.vue'))
const braces = useBraces()
</script>

<template><BraceBoard v-if="braces.byTopic.size > 0" /></template>
