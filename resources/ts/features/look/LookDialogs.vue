<script setup lang="ts">
import { defineAsyncComponent } from 'vue'
import { useLooks } from './lookStore'

/** The dialogs about looks, when they are asked for. */
const WhyDialog = defineAsyncComponent(() => import('./WhyDialog.vue'))
const WholeLooks = defineAsyncComponent(() => import('./WholeLooks.vue'))
const looks = useLooks()
</script>

<template>
    <WhyDialog v-if="looks.dialog === 'why'" />
    <WholeLooks v-else-if="looks.dialog === 'whole'" />
</template>
