<script setup lang="ts">
import { NButton, NCheckbox, NInput, NSelect } from 'naive-ui'
import { computed, nextTick, ref } from 'vue'
import { linesOf, sortWords, type Field, type Kind } from '@/facts/facts'
import type { KeptRow } from '@/stores/tree'
import { useKinds } from './kindStore'

/** The fields of a kind in their order; one that is opened can be changed, for all kinds that have it. */
const props = defineProps<{ kind: Kind; fields: readonly Field[] }>()

const kinds = useKinds()
const open = ref<string | null>(null)
const list = ref<HTMLElement | null>(null)
const sorts = Object.entries(sortWords).map(([value, label]) => ({ value, label }))
const rolls = [{ value: 'sum', label: 'their sum' }, { value: 'mean', label: 'their mean' }, { value: 'least', label: 'the least' }, { value: 'most', label: 'the most' }, { value: 'count', label: 'how many' }]
const others = computed(() => kinds.fields.filter(({ id }) => !props.fields.some((field) => field.id === id)).map(({ id, name, sort }) => ({ value: id, label: `${name} (${(sortWords[sort] ?? sort).toLowerCase()})` })))
const isNumber = (sort: string): boolean => ['number', 'money', 'rating', 'progress'].includes(sort)

const set = (field: Field, values: KeptRow['fields']): void => kinds.set('field', field.id, values)
function type(field: Field, name: string, value: string): void {
    const typed = value.trim()
    if (typed !== String(field.fields[name] ?? '') && (name !== 'name' || typed !== '')) {
        set(field, { [name]: typed === '' ? null : typed })
    }
}
function choices(field: Field, value: string): void {
    const all = [...new Set(value.split(/[,;\n]/).map((one) => one.trim()).filter((one) => one !== ''))]
    const before = linesOf(field.fields.choices)
    const others = before.flatMap((one, i) => (one === all[i] ? [] : [i]))
    const [i = -1] = others
    if (all.length === before.length && others.length === 1 && !before.includes(all[i] ?? '')) {
        // One that is called otherwise, and not another: topics that have it go along.
        kinds.renameChoice(field.id, before[i] ?? '', all[i] ?? '')
    } else if (all.join('\n') !== before.join('\n')) {
        set(field, { choices: all.length === 0 ? null : all.join('\n') })
    }
}
function move(i: number, by: number): void {
    const ids = props.fields.map(({ id }) => id)
    const [id] = ids.splice(i, 1)
    if (id !== undefined && i + by >= 0 && i + by <= ids.length) {
        ids.splice(i + by, 0, id)
        kinds.orderFields(props.kind, ids)
        void nextTick(() => setTimeout(() => list.value?.querySelectorAll<HTMLElement>('.name')[i + by]?.focus(), 40))
    }
}
function key(event: KeyboardEvent, i: number): void {
    const by = event.altKey ? { ArrowUp: -1, ArrowDown: 1 }[event.key] : undefined
    if (by !== undefined) {
        event.preventDefault()
        event.stopPropagation()
        move(i, by)
    }
}
function remove(field: Field): void {
    kinds.orderFields(props.kind, props.fields.map(({ id }) => id).filter((id) => id !== field.id))
}
function add(field: string | null): void {
    const names = new Set(kinds.fields.map(({ name }) => name))
    const fresh = ['New field', ...Array.from({ length: 400 }, (_, i) => `New field ${i + 2}`)].find((name) => !names.has(name)) ?? 'New field'
    kinds.addField(props.kind, field, fresh)
    void nextTick(() => setTimeout(() => {
        open.value = field ?? props.fields.at(-1)?.id ?? null
    }, 40))
}
</script>

<template>
    <ul ref="list" role="dialog" aria-label="Fields of the kind">
        <li v-for="(field, i) in fields" :key="field.id">
            <div class="line">
                <button class="name" :aria-expanded="open === field.id" @click="open = open === field.id ? null : field.id" @keydown="key($event, i)">{{ field.name }}</button>
                <small>{{ sortWords[field.sort] ?? field.sort }}{{ field.fields.shown === true ? ', shown' : '' }}</small>
                <NButton size="tiny" quaternary :disabled="i === 0" :aria-label="`Move ${field.name} up`" title="Up (Alt+↑)" @click="move(i, -1)">↑</NButton>
                <NButton size="tiny" quaternary :disabled="i === fields.length - 1" :aria-label="`Move ${field.name} down`" title="Down (Alt+↓)" @click="move(i, 1)">↓</NButton>
                <NButton size="tiny" quaternary :aria-label="`Take ${field.name} from the kind`" title="Topics keep what they have in it" @click="remove(field)">Off</NButton>
            </div>
            <div v-if="open === field.id" class="grid">
                <span>Name</span><NInput size="small" :default-value="field.name" :maxlength="60" :input-props="{ 'aria-label': 'Name of the field' }" @change="(value: string) => type(field, 'name', value)" />
                <span>Holds</span><NSelect size="small" :value="field.sort" :options="sorts" aria-label="What the field holds" :input-props="{ 'aria-label': 'What the field holds' }" @update:value="(sort: string) => set(field, { sort })" />
                <template v-if="field.sort === 'choice' || field.sort === 'choices'"><span>Choices</span><NInput size="small" type="textarea" :autosize="{ minRows: 2, maxRows: 8 }" :default-value="field.choices.join('\n')" placeholder="one a line" :input-props="{ 'aria-label': 'Choices of the field' }" @change="(value: string) => choices(field, value)" /></template>
                <template v-if="isNumber(field.sort) || field.sort === 'computed'"><span>Unit</span><NInput size="small" :default-value="String(field.fields.unit ?? '')" :maxlength="20" placeholder="kg, €" :input-props="{ 'aria-label': 'Unit of the field' }" @change="(value: string) => type(field, 'unit', value)" /></template>
                <template v-if="field.sort === 'computed'"><span>Formula</span><NInput size="small" :default-value="String(field.fields.formula ?? '')" :maxlength="300" placeholder="[Cost] * 2, sum([Cost], below)" title="Numbers, fields in brackets, + - * / and parentheses; sum, mean, least, most, count of a field; progress() and done() of to-dos below; days([From], [To]); round, smaller, larger" :input-props="{ 'aria-label': 'Formula of the field' }" @change="(value: string) => type(field, 'formula', value)" /></template>
                <template v-else><span>At first</span><NInput size="small" :default-value="String(field.fields.blank ?? '')" :maxlength="200" placeholder="empty" :input-props="{ 'aria-label': 'First value of the field' }" @change="(value: string) => type(field, 'blank', value)" /></template>
                <template v-if="isNumber(field.sort)"><span>Below</span><NSelect size="small" clearable :value="typeof field.fields.rolls === 'string' ? field.fields.rolls : null" :options="rolls" placeholder="not shown" aria-label="Shown of what is below" :input-props="{ 'aria-label': 'Shown of what is below' }" @update:value="(value: string | null) => set(field, { rolls: value })" /></template>
                <span>Question</span><NInput size="small" :default-value="String(field.fields.question ?? '')" :maxlength="200" placeholder="What does … want?" title="Asked in the interview; … stands for the topic" :input-props="{ 'aria-label': 'Question of the field' }" @change="(value: string) => type(field, 'question', value)" />
                <span /><NCheckbox :checked="field.fields.shown === true" @update:checked="(shown: boolean) => set(field, { shown })">Shown on topics</NCheckbox>
            </div>
        </li>
    </ul>
    <div class="row">
        <NButton size="tiny" secondary @click="add(null)">New field</NButton>
        <NSelect v-if="others.length > 0" class="other" size="tiny" filterable :value="null" :options="others" placeholder="One that there is" aria-label="A field that there is" :input-props="{ 'aria-label': 'A field that there is' }" :consistent-menu-width="false" @update:value="(id: string) => add(id)" />
    </div>
</template>

<style scoped>
ul { list-style: none; margin: 0; padding: 0; display: grid; gap: 3px; }
.line { display: flex; align-items: center; gap: 2px; }
.name { border: 0; background: none; color: var(--ink); font: 14px 'Atkinson Hyperlegible'; text-align: left; padding: 3px 5px; border-radius: 5px; cursor: pointer; overflow-wrap: anywhere; }
.name:focus-visible { outline: 2px solid var(--tide); }
.line small { color: var(--soft); flex: 1; font-size: 12px; padding-left: 4px; }
.grid { display: grid; grid-template-columns: 64px minmax(0, 1fr); gap: 6px; align-items: center; font-size: 13px; padding: 4px 0 8px 10px; border-left: 3px solid var(--tide); margin-left: 4px; }
.grid > span { color: var(--soft); }
.row { display: flex; gap: 6px; }
.other { width: 170px; }
</style>
