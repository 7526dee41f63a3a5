<script setup lang="ts">
import { defineAsyncComponent, onMounted } from 'vue'
import { interviewed } from '@/facts/interview'
import { asked } from './asked'

/** The box of kinds, when it is asked for; who is at work for a while finds it there at once. */
const load = () => import('./KindBox.vue')
const KindInterview = defineAsyncComponent(() => import('./KindInterview.vue'))
const KindBox = defineAsyncComponent(load)
onMounted(() => setTimeout(() => void load(), 4000))
</script>

<template>
    <KindInterview v-if="interviewed !== null" />
    <KindBox v-if="asked !== null" :key="asked.for" />
</template>
