<script setup lang="ts">
import { NButton, NSelect } from 'naive-ui'
import { computed, defineAsyncComponent, shallowRef } from 'vue'
import { useActions } from '@/actions/useActions'
import { fieldsAt, kindAt, peopleIn, valuesAt, type Field } from '@/facts/facts'
import { useTold } from '@/facts/toldStore'
import { useFactEdits } from '@/facts/useFactEdits'
import { useBeside } from '@/stores/beside'
import { useMap } from '@/stores/map'
import { useKinds } from './kindStore'

/** The kind of what is chosen and its fields, to be read and changed; for several the common value, which is set for all. */
const FieldInput = defineAsyncComponent(() => import('@/facts/FieldInput.vue'))
const map = useMap()
const beside = useBeside()
const kinds = useKinds()
const { run } = useActions()
const { problems, setValue } = useFactEdits()
void kinds.load()

const its = computed(() => new Set(beside.chosen.map((id) => kindAt(beside.tree, id)?.id ?? null)))
const kind = computed(() => (its.value.size === 1 ? [...its.value][0] : undefined))
const options = computed(() => kinds.offered.map((offer) => ({ value: offer.kind.id, label: offer.taken === null ? offer.kind.name : `${offer.kind.name} (${offer.from === '' ? 'new here' : offer.from})` })))
const added = shallowRef<{ topics: string; fields: readonly string[] }>({ topics: '', fields: [] })
const fields = computed<readonly Field[]>(() => {
    const of = new Map(beside.chosen.flatMap((id) => fieldsAt(beside.tree, id)).map((field) => [field.id, field]))
    for (const id of added.value.topics === beside.chosen.join() ? added.value.fields : []) {
        const field = kinds.fields.find((one) => one.id === id)
        if (field !== undefined) {
            of.set(id, field)
        }
    }
    return [...of.values()]
})
const more = computed(() => kinds.fields.filter(({ id }) => !fields.value.some((field) => field.id === id)).map(({ id, name }) => ({ value: id, label: name })))
const people = computed(() => peopleIn(beside.tree))

/** What all have in a field; null where they differ. */
function common(field: string): string | null {
    const values = new Set(beside.chosen.map((id) => valuesAt(beside.tree, id)[field] ?? ''))
    return values.size === 1 ? ([...values][0] ?? '') : null
}
function give(id: string | null): void {
    kinds.give(kinds.offered.find((offer) => offer.kind.id === id) ?? null, map.chosen)
}
function add(id: string): void {
    added.value = { topics: beside.chosen.join(), fields: [...(added.value.topics === beside.chosen.join() ? added.value.fields : []), id] }
    setTimeout(() => document.querySelector<HTMLElement>(`.desk [data-field="${id}"] :is(input, textarea)`)?.focus(), 60)
}

/** What the server reckons of the topic. */
const reckoned = useTold()
const told = computed(() => (beside.chosen.length === 1 ? reckoned.told : null))
const computedOf = (field: string): { told: string; isProblem: boolean } | undefined => told.value?.computed.find((one) => one.field === field)
/** Of ratings and progress the sum says nothing. */
const first = (name: string): string => (['number', 'money'].includes(kinds.fields.find((field) => field.name === name)?.sort ?? '') ? 'sum' : 'mean')
const sums = computed(() => told.value?.below.filter(({ name, how }) => how === first(name)) ?? [])
const restOf = (name: string): string => (told.value?.below ?? []).filter((one) => one.name === name && one.how !== 'sum' && one.how !== first(name)).map(({ how, told: words }) => `${how} ${words}`).join(', ')
</script>

<template>
    <div class="facts">
        <span class="words">Kind</span>
        <NSelect size="small" clearable filterable :value="kind ?? null" :options="options" :placeholder="kind === undefined ? 'several' : 'none'" aria-label="Kind" :input-props="{ 'aria-label': 'Kind' }" :consistent-menu-width="false" @update:value="give" />
        <template v-for="field in fields" :key="`${field.id} ${beside.chosen.join()}`">
            <span class="words">{{ field.name }}<small v-if="field.fields.unit !== null && field.fields.unit !== undefined">{{ field.fields.unit }}</small></span>
            <output v-if="field.sort === 'computed'" :class="{ wrong: computedOf(field.id)?.isProblem }">{{ computedOf(field.id)?.told ?? '…' }}</output>
            <FieldInput v-else :data-field="field.id" :field="field" :value="common(field.id) ?? ''" :several="common(field.id) === null" :people="people" :problem="problems[field.id]" @set="(typed: string) => void setValue(map.chosen, field.id, typed)" />
        </template>
        <template v-for="sum in sums" :key="sum.name">
            <span class="words">{{ sum.name }}, below</span>
            <output :title="restOf(sum.name)">{{ sum.how === 'mean' ? `mean ${sum.told}` : sum.told }} <small>{{ restOf(sum.name) }}</small></output>
        </template>
        <NSelect v-if="more.length > 0" class="add" size="tiny" filterable :value="null" :options="more" placeholder="Another field" aria-label="Another field" :input-props="{ 'aria-label': 'Another field' }" :consistent-menu-width="false" @update:value="add" />
        <NButton class="add" size="tiny" quaternary @click="run('kind.panel')">All kinds and fields</NButton>
    </div>
</template>

<style scoped>
.facts { display: grid; grid-template-columns: 92px minmax(0, 1fr); gap: 6px; align-items: center; font-size: 13px; }
.words { color: var(--soft); line-height: 1.25; overflow-wrap: anywhere; }
.words small { margin-left: 4px; }
output { overflow-wrap: anywhere; font-variant-numeric: tabular-nums; }
output small { color: var(--soft); display: block; font-size: 12px; }
output.wrong { color: var(--soft); font-style: italic; }
.add { grid-column: 2; justify-self: start; max-width: 100%; }
</style>
