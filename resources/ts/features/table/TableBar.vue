<script setup lang="ts">
import { NButton, NCheckbox, NInput, NPopover, NSelect } from 'naive-ui'
import { computed, nextTick, ref, watch } from 'vue'
import { useActions } from '@/actions/useActions'
import { api } from '@/api/client'
import type { Edit } from '@/api/wire'
import { newId, useMap } from '@/stores/map'
import { plainTitle } from '@/text/titleMarkdown'
import ActionHint from '@/ui/ActionHint.vue'
import { useUi } from '@/ui/uiStore'
import { useTable, type Column } from './tableStore'

/** Which table is seen, of which branch, which rows and columns it has, and the ways in and out of it. */
const map = useMap()
const table = useTable()
const ui = useUi()
const { run } = useActions()

const titleOf = (id: string): string => plainTitle(map.tree.topics.get(id)?.title ?? '').slice(0, 40) || 'Untitled'
const tables = computed(() => [{ value: '', label: `Of “${titleOf(map.scope ?? map.tree.root)}”` }, ...table.tables.map(({ id, fields }) => ({ value: id, label: String(fields.name ?? 'Table') }))])
const isMenuOpen = ref(false)
const naming = ref<string | null>(null)
const nameField = ref<InstanceType<typeof NInput> | null>(null)
function rename(): void {
    naming.value = String(table.shown?.fields.name ?? '')
    void nextTick(() => nameField.value?.select())
}
function endNaming(keep: boolean): void {
    const name = naming.value?.trim() ?? ''
    naming.value = null
    if (keep && name !== '' && name !== table.shown?.fields.name) {
        table.configure({ name: name.slice(0, 60) })
    }
}
/** A table of what is below the chosen topic. */
function make(): void {
    const topic = map.current ?? map.tree.root
    const id = newId()
    map.edit({ name: 'row.set', step: newId(), type: 'table', row: id, fields: { name: titleOf(topic).slice(0, 60), ...(topic === map.tree.root ? {} : { branch: topic }) } } as Edit)
    table.choose(id)
}
function remove(): void {
    const id = table.shown?.id
    table.choose(null)
    map.edit({ name: 'row.remove', type: 'table', rows: [id ?? ''] })
}

const words = ref('')
const problem = ref('')
const isTyping = ref(false)
watch(() => table.answer?.words ?? '', (now) => !isTyping.value && (words.value = now), { immediate: true })
/** Which topics are the rows is said in the words of filters. */
async function say(): Promise<void> {
    isTyping.value = false
    const text = words.value.trim()
    if (text === (table.answer?.words ?? '')) {
        return
    }
    const heard = text === '' ? null : await api.filter(map.id, { text, scope: null }).catch((error: unknown) => (error as Error).message)
    problem.value = typeof heard === 'string' ? heard : (heard?.problem ?? '')
    if (problem.value === '' && typeof heard !== 'string') {
        table.configure({ when: heard?.when ?? null })
    }
}

/** In a calendar there are neither levels nor columns. */
const isOfDays = computed(() => ['month', 'week', 'spans'].includes(table.form))
/** Lanes need heads to stand under. */
const forms = computed(() => [{ value: 'rows', label: 'Rows' }, { value: 'lanes', label: 'Lanes', disabled: table.field('by') === '' }, { value: 'month', label: 'Month' }, { value: 'week', label: 'Week' }, { value: 'spans', label: 'Spans' }])
const all = computed(() => [...(table.answer?.all ?? [])].sort((a, b) => Number(b.key === 'title') - Number(a.key === 'title')).map(({ key, words: label }) => ({ value: key, label })))
const isShown = (key: string): boolean => table.columns.some((column) => column.key === key)
function show(key: string, on: boolean): void {
    table.setColumns(on ? [...table.columns, { key, width: null, how: null } as Column] : table.columns.filter((column) => column.key !== key))
}
function takeOut(): void {
    const where = new URLSearchParams(table.shown === null ? { branch: table.branch } : { table: table.shown.id })
    ui.download(`/api/maps/${map.id}/table/file?${where.toString()}`)
}
</script>

<template>
    <div class="table-bar">
        <NInput
            v-if="naming !== null" ref="nameField" v-model:value="naming" class="which" size="small" :maxlength="60" :input-props="{ 'aria-label': 'Name of the table' }" @blur="endNaming(true)"
            @keydown.enter="endNaming(true)" @keydown.escape.stop="endNaming(false)" />
        <NSelect
            v-else class="which" size="small" :value="table.shown?.id ?? ''" :options="tables" :consistent-menu-width="false" :input-props="{ 'aria-label': 'Table' }" aria-label="Table"
            @update:value="(id: string) => table.choose(id === '' ? null : id)" />
        <NPopover v-model:show="isMenuOpen" trigger="click" placement="bottom-start" :style="{ padding: '6px' }">
            <template #trigger><NButton size="small" quaternary aria-label="About this table">⋯</NButton></template>
            <div class="menu" @click="isMenuOpen = false">
                <button @click="make">New table of “{{ titleOf(map.current ?? map.tree.root) }}”</button>
                <button v-if="table.shown !== null" @click="rename">Rename this table</button>
                <button v-if="table.shown !== null" @click="remove">Remove this table; its topics stay</button>
                <hr />
                <button @click="run('table.bring')">Bring in a file (CSV) …</button>
                <button @click="takeOut">Take it out as a file (CSV)</button>
                <button v-if="map.isOwner" @click="table.isAddressed = true">Address for other calendars …</button>
            </div>
        </NPopover>
        <div v-if="!isOfDays" class="pair" role="group" aria-label="Levels">
            <button :aria-pressed="!table.isDeep && table.field('when') === ''" :disabled="table.field('when') !== ''" @click="table.isDeep && table.configure({ deep: null })">One level</button>
            <button :aria-pressed="table.isDeep && table.field('when') === ''" :disabled="table.field('when') !== ''" @click="!table.isDeep && table.configure({ deep: true })">All levels</button>
        </div>
        <NInput
            v-model:value="words" class="only" size="small" clearable placeholder="All, or “not done” …" :maxlength="1000" :status="problem === '' ? undefined : 'error'" :title="problem"
            :input-props="{ 'aria-label': 'Which topics are its rows', dir: 'auto', autocomplete: 'off', spellcheck: false }" @focus="isTyping = true" @update:value="isTyping = true" @blur="say" @keydown.enter.prevent="say" @clear="() => { words = ''; void say() }" />
        <NSelect
            v-if="!isOfDays" class="by" size="small" clearable placeholder="no heads" :value="table.field('by') === '' ? null : table.field('by')" :options="all" :consistent-menu-width="false" :input-props="{ 'aria-label': 'Rows under heads by' }"
            aria-label="Rows under heads by" @update:value="(key: string | null) => table.configure(key === null ? { by: null } : { by: key })" />
        <NSelect
            class="form" size="small" :value="table.form" :options="forms" :consistent-menu-width="false" :input-props="{ 'aria-label': 'Form' }" aria-label="Form"
            @update:value="(form: string) => table.configure({ form: form === 'rows' ? null : form })" />
        <NPopover v-if="!isOfDays" trigger="click" placement="bottom-end" scrollable :style="{ maxHeight: '60vh' }">
            <template #trigger><NButton size="small" secondary>Columns</NButton></template>
            <div class="columns"><NCheckbox v-for="one in all" :key="one.value" :checked="isShown(one.value)" :disabled="one.value === 'title' && table.columns.length === 1" @update:checked="(on: boolean) => show(one.value, on)">{{ one.label }}</NCheckbox></div>
        </NPopover>
        <ActionHint v-if="!isOfDays" id="table.column"><NButton size="small" secondary @click="run('table.column')">Add a column</NButton></ActionHint>
        <ActionHint id="table.row"><NButton size="small" secondary type="primary" @click="run('table.row')">{{ isOfDays ? 'Add a to-do' : 'Add a row' }}</NButton></ActionHint>
        <p v-if="problem !== ''" class="wrong" role="alert">{{ problem }}</p>
    </div>
</template>

<style scoped>
.table-bar { flex: none; display: flex; flex-wrap: wrap; gap: 6px 8px; align-items: center; padding: 7px 10px; border-bottom: 1px solid var(--edge); background: var(--slip); }
.which { width: 176px; }
.only { flex: 1 1 180px; max-width: 340px; }
.by { width: 128px; }
.form { width: 96px; }
.pair { display: flex; border: 1px solid var(--edge); border-radius: 6px; overflow: hidden; }
.pair button { border: 0; background: none; font: inherit; font-size: 13px; padding: 4px 9px; color: inherit; cursor: pointer; }
.pair button[aria-pressed=true] { background: color-mix(in srgb, var(--tide) 20%, transparent); font-weight: 700; }
.pair button:disabled { opacity: 0.55; cursor: default; }
.pair button:focus-visible, .menu button:focus-visible { outline: 2px solid var(--tide); outline-offset: -2px; }
.menu { display: flex; flex-direction: column; min-width: 220px; }
.menu button { border: 0; background: none; font: inherit; color: inherit; text-align: start; padding: 6px 8px; border-radius: 5px; cursor: pointer; }
.menu button:hover { background: color-mix(in srgb, var(--tide) 15%, transparent); }
.menu hr { width: 100%; border: 0; border-top: 1px solid var(--edge); margin: 4px 0; }
.columns { display: flex; flex-direction: column; gap: 5px; min-width: 160px; }
.wrong { flex-basis: 100%; margin: 0; padding-left: 7px; border-left: 3px solid var(--ember); font-size: 12.5px; }
</style>
