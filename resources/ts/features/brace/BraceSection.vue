<script setup lang="ts">
import { NButton, NSelect } from 'naive-ui'
import { computed } from 'vue'
import { useActions } from '@/actions/useActions'
import { useBeside } from '@/stores/beside'
import { useBraces } from './braceStore'

/** What the chosen brace spans; or the way to one over what is chosen. */
const beside = useBeside()
const braces = useBraces()
const { run, keyOf } = useActions()

const brace = computed(() => (beside.chosen.length === 1 ? braces.of(beside.chosen[0] ?? null) : undefined))
const options = computed(() => (brace.value === undefined ? [] : braces.siblingsOf(brace.value.topic).map((value) => ({ value, label: braces.titleOf(value) }))))
</script>

<template>
    <div v-if="brace !== undefined" class="brace">
        <label class="row"><span>Brace from</span><NSelect :value="brace.first" :options="options" size="small" filterable :input-props="{ 'aria-label': 'Where the brace begins' }" @update:value="(first: string) => brace !== undefined && braces.span(brace.topic, first, brace.last)" /></label>
        <label class="row"><span>to</span><NSelect :value="brace.last" :options="options" size="small" filterable :input-props="{ 'aria-label': 'Where the brace ends' }" @update:value="(last: string) => brace !== undefined && braces.span(brace.topic, brace.first, last)" /></label>
        <NButton size="tiny" secondary @click="run('brace.dissolve')">Take the brace away, keep its topic</NButton>
    </div>
    <div v-else-if="braces.canDraw(beside.chosen)" class="tools"><NButton size="tiny" secondary :title="keyOf('brace.draw')" @click="run('brace.draw')">Draw a brace over it</NButton></div>
</template>

<style scoped>
.brace { display: flex; flex-direction: column; gap: 8px; margin-top: 8px; align-items: flex-start; }
.row { display: grid; grid-template-columns: 76px minmax(0, 1fr); gap: 6px; align-items: center; width: 100%; }
.row > span { font-size: 13px; color: var(--soft); }
.tools { margin-top: 6px; }
</style>
