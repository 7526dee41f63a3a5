<script setup lang="ts">
import { defineAsyncComponent } from 'vue'
import { useUi } from '@/ui/uiStore'

/** What shows slides comes when it is wanted. */
const ShowOverlay = defineAsyncComponent(() => import('./ShowOverlay.vue'))

const ui = useUi()
</script>

<template><ShowOverlay v-if="ui.isShowing" /></template>
