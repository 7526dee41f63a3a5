<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import { useActions } from '@/actions/useActions'
import type { Edit } from '@/api/wire'
import { useBeside } from '@/stores/beside'
import { newId, useMap } from '@/stores/map'
import { rowOf } from '@/stores/tree'
import ActionHint from '@/ui/ActionHint.vue'
import { TELLS } from './digests'

/** Offers to gather topics below the chosen one, or in it. */
const map = useMap()
const beside = useBeside()
const { run } = useActions()
const isOffered = computed(() => beside.chosen.length === 1 && beside.current !== null && rowOf(beside.tree, 'digest', beside.current) === undefined)
const make = (): void => map.edit({ name: 'row.set', step: newId(), type: 'digest', topics: [...map.chosen], fields: { tells: TELLS } } as Edit)
</script>

<template>
    <div v-if="isOffered" class="row"><ActionHint id="digest.make"><NButton size="tiny" secondary @click="run('digest.make')">Gather topics below it</NButton></ActionHint><NButton size="tiny" quaternary @click="make">Gather in itself</NButton></div>
</template>

<style scoped>
.row { display: flex; flex-wrap: wrap; gap: 6px; }
</style>
