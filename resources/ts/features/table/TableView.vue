<script setup lang="ts">
import { defineAsyncComponent, onBeforeUnmount, watch } from 'vue'
import { useMap } from '@/stores/map'
import AddColumn from './AddColumn.vue'
import { current } from './current'
import TableBar from './TableBar.vue'
import TableGrid from './TableGrid.vue'
import { useTable } from './tableStore'

/** A branch as a table, as lanes beside each other, or on its days. */
const BringTable = defineAsyncComponent(() => import('./BringTable.vue'))
const CalendarAddress = defineAsyncComponent(() => import('./CalendarAddress.vue'))
const TableCalendar = defineAsyncComponent(() => import('./TableCalendar.vue'))
const TableLanes = defineAsyncComponent(() => import('./TableLanes.vue'))

const map = useMap()
const table = useTable()
current.table = table
table.isSeen = true
onBeforeUnmount(() => {
    current.table = null
    table.isSeen = false
    table.typing = table.menu = null
})

/** A title that is begun elsewhere, by a key that makes entries, is typed in its row, where no outline is there for it. */
watch(() => map.editing, (editing) => {
    if (editing !== null && document.querySelector('.outline') === null) {
        const { id } = editing
        map.editing = null
        const at = table.columns.findIndex(({ key }) => key === 'title')
        setTimeout(() => {
            const line = table.lineOf(id)
            if (line >= 0 && at >= 0) {
                table.go({ line, column: at })
                table.begin()
            }
        }, 80)
    }
})
</script>

<template>
    <section class="table-view">
        <TableBar />
        <p v-if="table.problem !== ''" class="wrong" role="alert">{{ table.problem }}</p>
        <TableLanes v-if="table.form === 'lanes'" />
        <TableCalendar v-else-if="table.form !== 'rows'" />
        <TableGrid v-else />
        <AddColumn v-if="table.isAdding" />
        <CalendarAddress v-if="table.isAddressed" />
        <BringTable v-if="table.isBringing" />
    </section>
</template>

<style scoped>
.table-view { flex: 1; min-height: 0; display: flex; flex-direction: column; background: var(--slip); }
.wrong { margin: 0; padding: 4px 12px; border-left: 3px solid var(--ember); font-size: 13px; }
</style>
