<script setup lang="ts">
import { defineAsyncComponent } from 'vue'
import { asked } from './asked'

/** The box of kinds, when it is asked for. */
const KindBox = defineAsyncComponent(() => import('./KindBox.vue'))
</script>

<template>
    <KindBox v-if="asked !== null" :key="asked.for" />
</template>
