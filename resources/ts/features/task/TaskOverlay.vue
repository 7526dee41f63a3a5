<script setup lang="ts">
import { defineAsyncComponent } from 'vue'
import { reported } from './asked'

/** How far to-dos are, when it is asked. */
const ReportDialog = defineAsyncComponent(() => import('./ReportDialog.vue'))
</script>

<template>
    <ReportDialog v-if="reported !== null" />
</template>
