<script setup lang="ts">
import { defineAsyncComponent } from 'vue'
import { pane } from '@/api/client'
import { reported } from './asked'

/** How far to-dos are, when it is asked; and what comes up. */
/** Told once the map stands and one has begun to look at it. */
const WAIT = 4000
const ReminderNotice = defineAsyncComponent(() => new Promise((done) => setTimeout(done, WAIT)).then(() => import('./ReminderNotice.vue')))
const ReportDialog = defineAsyncComponent(() => import('./ReportDialog.vue'))
const isPane = pane === 'second'
</script>

<template>
    <ReminderNotice v-if="!isPane" />
    <ReportDialog v-if="reported !== null" />
</template>
