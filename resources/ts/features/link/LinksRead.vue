<script setup lang="ts">
import { computed, defineAsyncComponent } from 'vue'
import { useMap } from '@/stores/map'
import { useOuts } from './outStore'

const OutList = defineAsyncComponent(() => import('./OutList.vue'))

/** Where the chosen topic leads, for who only reads. */
const map = useMap()
const links = useOuts()
const outs = computed(() => (map.current === null ? [] : links.of(map.current)))
</script>

<template>
    <section v-if="outs.length > 0"><h3>Leads to</h3><OutList :outs="outs" :from="map.current ?? ''" plain /></section>
</template>
