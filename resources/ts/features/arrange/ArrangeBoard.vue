<script setup lang="ts">
import { computed, defineAsyncComponent } from 'vue'
import { useWalk } from '@/show/walkStore'
import { useMap } from '@/stores/map'
import { ancestorsOf } from '@/stores/tree'
import { isGrid } from './arrangements'
import PhraseOnBoard from './PhraseOnBoard.vue'

const ColumnGrips = defineAsyncComponent(() => import('./ColumnGrips.vue'))
const map = useMap()
const walk = useWalk()
/** The grid in which one is, if any. */
const grid = computed(() => (map.current === null || map.editing !== null || walk.at !== null ? undefined : [map.current, ...ancestorsOf(map.tree, map.current)].slice(0, 4).find((id) => isGrid(map.tree, id))))
</script>

<template>
    <ColumnGrips v-if="grid !== undefined" :grid="grid" />
    <PhraseOnBoard />
</template>
