<script setup lang="ts">
import { defineAsyncComponent } from 'vue'
import { mining } from './mining'

/** The dialogs for old notes, when they are asked for. */
const BringNotes = defineAsyncComponent(() => import('./BringNotes.vue'))
const LiftPassages = defineAsyncComponent(() => import('./LiftPassages.vue'))
</script>

<template>
    <BringNotes v-if="mining?.does === 'bring'" />
    <LiftPassages v-if="mining?.does === 'lift'" />
</template>
