<script setup lang="ts">
import { NButton, NSelect } from 'naive-ui'
import { computed } from 'vue'
import { useActions } from '@/actions/useActions'
import { useBeside } from '@/stores/beside'
import { useProcess } from './processStore'
import { headOf, sortOf, sorts, type Sort } from './steps'

/** What sort of step the chosen ones are, and what can be done with one by the mouse. */
const beside = useBeside()
const process = useProcess()
const { run, keyOf } = useActions()

const isShown = computed(() => beside.chosen.length > 0 && beside.chosen.every((topic) => headOf(beside.tree, topic) !== null))
const sort = computed(() => {
    const found = new Set(beside.chosen.map((topic) => sortOf(beside.tree, topic)))
    return found.size === 1 ? [...found][0] : null
})
const options = sorts.map(({ name, label }) => ({ value: name, label }))
</script>

<template>
    <div v-if="isShown" class="step">
        <label class="row"><span>Sort of step</span><NSelect :value="sort" :options="options" placeholder="Several" size="small" :input-props="{ 'aria-label': 'Sort of step' }" @update:value="(to: Sort) => process.become(to)" /></label>
        <div class="tools">
            <NButton size="tiny" secondary :title="keyOf('topic.next')" @click="run('topic.next')">Next step</NButton>
            <NButton size="tiny" secondary :title="keyOf('topic.previous')" @click="run('topic.previous')">Step before it</NButton>
            <NButton size="tiny" secondary :title="keyOf('move.up')" @click="run('move.up')">Earlier</NButton>
            <NButton size="tiny" secondary :title="keyOf('move.down')" @click="run('move.down')">Later</NButton>
            <NButton size="tiny" secondary :title="keyOf('crosslink.tie')" @click="run('crosslink.tie')">Lead on to …</NButton>
        </div>
    </div>
    <div v-else-if="process.row().length > 1" class="tools"><NButton size="tiny" secondary @click="run('process.tie')">Let the steps follow each other</NButton></div>
</template>

<style scoped>
.step { display: flex; flex-direction: column; gap: 8px; margin-bottom: 8px; }
.row { display: grid; grid-template-columns: 92px minmax(0, 1fr); gap: 6px; align-items: center; }
.row > span { font-size: 13px; color: var(--soft); }
.tools { display: flex; flex-wrap: wrap; gap: 6px; }
</style>
