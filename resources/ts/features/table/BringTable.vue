<script setup lang="ts">
import { NButton, NCheckbox, NInput, NModal, NSelect } from 'naive-ui'
import { computed, ref, shallowRef } from 'vue'
import { api } from '@/api/client'
import type { Edit, TableFileAnswer } from '@/api/wire'
import { sortWords, today } from '@/facts/facts'
import { newId, useMap } from '@/stores/map'
import { plainTitle } from '@/text/titleMarkdown'
import { tell } from '@/ui/tell'
import { useTable, type Column } from './tableStore'

/** A table from a file: what it holds is shown, with the column of the map to which each of its columns goes; nothing happens before that. */
const AWAY = '-'
const FIELD = '+'
const SHOWN = 6

const map = useMap()
const table = useTable()
const file = ref<HTMLInputElement | null>(null)
const got = shallowRef<TableFileAnswer | null>(null)
const name = ref('')
const problem = ref('')
const isBusy = ref(false)
/** Where each column goes: a column of the map, a new field, or nowhere. */
const to = ref<string[]>([])
const sorts = ref<string[]>([])
const names = ref<string[]>([])
const key = ref<number | null>(null)
/** Whether the first row says what the columns are called, where it was taken for that. */
const isHead = ref(true)
const rows = computed<readonly (readonly string[])[]>(() => (got.value === null ? [] : got.value.head !== null && !isHead.value ? [got.value.head, ...got.value.rows] : got.value.rows))

const separators: Readonly<Record<string, string>> = { ',': 'commas', ';': 'semicolons', '\t': 'tabs', '|': 'bars' }
const told = computed(() => (got.value === null ? '' : `${rows.value.length.toLocaleString('en')} ${rows.value.length === 1 ? 'row' : 'rows'}, ${separators[got.value.separator] ?? got.value.separator} between the cells, ${got.value.encoding}${got.value.comma ? ', decimal commas' : ''}`))
const targets = computed(() => [{ value: AWAY, label: 'stays behind' }, { value: FIELD, label: 'a new field' }, ...(table.answer?.all ?? []).filter(({ key: one }) => !['above', 'branch'].includes(one)).map(({ key: value, words: label }) => ({ value, label }))])
const sortOptions = Object.entries(sortWords).filter(([value]) => !['computed', 'topic'].includes(value)).map(([value, label]) => ({ value, label }))
const keys = computed(() => (got.value?.columns ?? []).flatMap((column, i) => (to.value[i] === AWAY || to.value[i] === FIELD ? [] : [{ value: i, label: `the same “${column.name}” changes it` }])))
const hasTitle = computed(() => to.value.includes('title') || key.value !== null)
const twice = computed(() => to.value.find((one, i) => one !== AWAY && one !== FIELD && to.value.indexOf(one) !== i))

async function look(from: File | undefined): Promise<void> {
    if (from === undefined) {
        return
    }
    isBusy.value = true
    problem.value = ''
    try {
        const answer = await api.tableFile(map.id, from)
        name.value = from.name
        got.value = answer
        to.value = answer.columns.map(({ column }) => column ?? FIELD)
        sorts.value = answer.columns.map(({ sort }) => sort)
        names.value = answer.columns.map(({ name: one }) => one)
        key.value = null
        isHead.value = true
    } catch (error) {
        problem.value = (error as Error).message
    }
    isBusy.value = false
}

async function bring(): Promise<void> {
    const its = got.value
    if (its === null) {
        return
    }
    isBusy.value = true
    const step = newId()
    const fields: Edit[] = []
    const columns = its.columns.map((column, i) => {
        if (to.value[i] === AWAY) {
            return null
        }
        if (to.value[i] !== FIELD) {
            return to.value[i] ?? null
        }
        const id = newId()
        const sort = sorts.value[i] ?? 'text'
        fields.push({ name: 'row.set', step, type: 'field', row: id, fields: { name: (names.value[i]?.trim() || column.name).slice(0, 60), sort, ...(sort === 'choice' ? { choices: column.choices.join('\n') } : {}) } } as Edit)
        return `field:${id}`
    })
    if (fields.length > 0) {
        map.edit(...fields)
    }
    const refusal = await map.refusalOf({ name: 'rows.bring', step, parent: table.branch, columns, rows: rows.value, key: key.value, today: today() } as Edit)
    isBusy.value = false
    if (refusal !== null) {
        problem.value = refusal
        // What was made for it goes as well.
        if (fields.length > 0) {
            map.edit({ name: 'row.remove', type: 'field', rows: fields.map((one) => (one as { row: string }).row) } as Edit)
        }
        return
    }
    const shown = new Set(table.columns.map((column) => column.key))
    const added = columns.filter((column): column is string => column !== null && !shown.has(column))
    if (added.length > 0) {
        table.setColumns([...table.columns, ...added.map((one) => ({ key: one, width: null, how: null }) as Column)], step)
    }
    tell.info(`Brought in ${rows.value.length.toLocaleString('en')} ${rows.value.length === 1 ? 'row' : 'rows'}.`)
    close()
}
function close(): void {
    table.isBringing = false
    table.wanted++
}
</script>

<template>
    <NModal :show="true" preset="card" :title="`Bring in a table below “${plainTitle(map.tree.topics.get(table.branch)?.title ?? '').slice(0, 60)}”`" :style="{ width: 'min(920px, 94vw)' }" @update:show="close">
        <div class="bring" @dragover.prevent @drop.prevent.stop="look($event.dataTransfer?.files[0])">
            <div class="row">
                <NButton :type="got === null ? 'primary' : 'default'" :loading="isBusy && got === null" @click="file?.click()">{{ got === null ? 'Choose a file' : 'Another file' }}</NButton>
                <input ref="file" type="file" accept=".csv,.tsv,.txt,text/csv" aria-label="A table as a file" hidden @change="look(file?.files?.[0])" />
                <span v-if="got !== null"><strong>{{ name }}</strong> · {{ told }}</span><span v-else>or drop one here: commas, semicolons or tabs, whatever the encoding.</span>
            </div>
            <p v-if="problem !== ''" class="wrong" role="alert">{{ problem }}</p>
            <div v-if="got !== null" class="sheet">
                <table>
                    <thead>
                        <tr><th v-for="(column, i) in got.columns" :key="i" scope="col">{{ column.name }}</th></tr>
                        <tr>
                            <td v-for="(column, i) in got.columns" :key="i" class="match">
                                <NSelect v-model:value="to[i]" size="small" filterable :options="targets" :consistent-menu-width="false" :input-props="{ 'aria-label': `Where ${column.name} goes` }" :status="twice !== undefined && to[i] === twice ? 'error' : undefined" />
                                <template v-if="to[i] === FIELD">
                                    <NInput v-model:value="names[i]" size="small" :maxlength="60" :input-props="{ 'aria-label': `Name of the field for ${column.name}` }" />
                                    <NSelect v-model:value="sorts[i]" size="small" :options="sortOptions" :consistent-menu-width="false" :input-props="{ 'aria-label': `What ${column.name} holds` }" />
                                </template>
                            </td>
                        </tr>
                    </thead>
                    <tbody><tr v-for="(row, n) in rows.slice(0, SHOWN)" :key="n"><td v-for="i in got.columns.keys()" :key="i" dir="auto" :class="{ away: to[i] === AWAY }">{{ (row[i] ?? '').slice(0, 80) }}</td></tr></tbody>
                </table>
            </div>
            <div v-if="got !== null" class="row">
                <NCheckbox v-if="got.head !== null" v-model:checked="isHead">The first row names the columns</NCheckbox>
                <span>A row becomes a new topic;</span>
                <NSelect v-model:value="key" class="key" size="small" clearable placeholder="none is changed" :options="keys" :consistent-menu-width="false" :input-props="{ 'aria-label': 'By which column topics are known' }" />
                <div class="space" />
                <span v-if="!hasTitle" class="wrong">Say which column is the title.</span><span v-else-if="twice !== undefined" class="wrong">Two columns go to the same place.</span>
                <NButton type="primary" :disabled="!hasTitle || twice !== undefined" :loading="isBusy" @click="bring">Bring in {{ rows.length.toLocaleString('en') }} {{ rows.length === 1 ? 'row' : 'rows' }}</NButton>
            </div>
        </div>
    </NModal>
</template>

<style scoped>
.bring { display: flex; flex-direction: column; gap: 12px; }
.row { display: flex; flex-wrap: wrap; gap: 10px; align-items: center; }
.space { flex: 1; }
.key { width: 250px; }
.sheet { overflow: auto; max-height: 46vh; border: 1px solid var(--edge); border-radius: 6px; }
table { border-collapse: collapse; font-size: 13.5px; }
th, td { text-align: start; padding: 5px 8px; border-right: 1px solid var(--edge); border-bottom: 1px solid var(--edge); max-width: 240px; overflow: hidden; text-overflow: ellipsis; white-space: nowrap; }
.match { min-width: 150px; vertical-align: top; }
.match > * { margin-bottom: 4px; }
.away { opacity: 0.45; }
.wrong { margin: 0; padding-left: 7px; border-left: 3px solid var(--ember); font-size: 13px; }
</style>
