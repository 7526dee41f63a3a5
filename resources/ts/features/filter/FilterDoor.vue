<script setup lang="ts">
import { defineAsyncComponent, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useMap } from '@/stores/map'
import { useFilter } from './filterStore'

/** The field that narrows the map, while it is open. An address can say what it is narrowed to, once. */
const FilterBar = defineAsyncComponent(() => import('./FilterBar.vue'))
const map = useMap()
const filter = useFilter()
const route = useRoute()
const router = useRouter()

watch(() => (route.params.id === map.id && map.tree.root !== '' ? route.query.find : undefined), (words) => {
    if (typeof words === 'string' && words !== '') {
        filter.open()
        void filter.type(words)
        void router.replace({ path: route.path })
    }
}, { immediate: true })
</script>

<template>
    <FilterBar v-if="filter.isOpen" />
</template>
