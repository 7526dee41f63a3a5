<script setup lang="ts">
import CellEditor from './CellEditor.vue'
import { useTable, type Column, type Typing } from './tableStore'

/** A row: made anew only where something of it is another, since many go by while one scrolls. */
const INDENT = 18

defineProps<{
    topic: string | null
    depth: number
    line: number
    columns: readonly Column[]
    sizes: readonly number[]
    left: number
    height: number
    /** The columns that are chosen in it, and the one where one is; -1 where there is none. */
    from: number
    to: number
    at: number
    typing: Typing | null
}>()

const table = useTable()
</script>

<template>
    <div class="line" role="row" :data-line="line" :class="{ on: at >= 0, fresh: topic === null }" :style="{ height: `${height}px`, lineHeight: `${height - 1}px`, left: `${left}px` }">
        <div
            v-for="(column, i) in columns" :id="`cell-${line}-${i}`" :key="column.key" class="cell" role="gridcell" :data-column="i" :aria-selected="i >= from && i <= to" :aria-readonly="column.form === null"
            :class="{ chosen: i >= from && i <= to, at: i === at, figure: column.numbers, still: column.form === null }"
            :style="{ width: `${sizes[i]}px`, paddingLeft: i === 0 && topic !== null ? `${8 + depth * INDENT}px` : undefined }">
            <span v-if="topic !== null" dir="auto">{{ table.told(topic, i) }}<i v-if="table.below(topic, i) !== ''" title="of all below">{{ table.below(topic, i) }}</i></span><em v-else-if="i === 0">New row</em>
            <CellEditor v-if="typing !== null && typing.column === column.key && typing.topic === topic" :key="`${topic} ${column.key}`" :typing="typing" :column="column" @done="table.finish" />
        </div>
    </div>
</template>

<style scoped>
.line { position: absolute; top: 0; display: flex; min-width: 100%; }
.cell { position: relative; flex: none; box-sizing: border-box; padding: 0 8px; border-right: 1px solid var(--faint-edge); border-bottom: 1px solid var(--faint-edge); cursor: cell; }
.cell > span { display: block; overflow: hidden; text-overflow: ellipsis; white-space: nowrap; }
.cell.figure > span { text-align: end; font-variant-numeric: tabular-nums; }
.cell i { color: var(--soft); font-style: normal; }
.cell.still { color: var(--soft); }
.cell.chosen { background: var(--chosen-cell); }
.cell.at { box-shadow: inset 0 0 0 2px var(--at-edge); background: none; }
.fresh em { color: var(--soft); font-style: normal; }
</style>
