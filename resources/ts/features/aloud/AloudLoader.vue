<script setup lang="ts">
import { defineAsyncComponent } from 'vue'
import { isReadingOpen } from './state'

/** What reads aloud comes when it is wanted. */
const AloudBar = defineAsyncComponent(() => import('@/aloud/AloudBar.vue'))
</script>

<template><AloudBar v-if="isReadingOpen" /></template>
