<script setup lang="ts">
import { NButton, NInput, NInputNumber, NSelect } from 'naive-ui'
import { computed, defineAsyncComponent, ref } from 'vue'
import { useActions } from '@/actions/useActions'
import type { Edit } from '@/api/wire'
import { REMINDS, dayWords, isTodo, peopleIn, today } from '@/facts/facts'
import { useTold } from '@/facts/toldStore'
import { useFactEdits } from '@/facts/useFactEdits'
import { useBeside } from '@/stores/beside'
import { newId, useMap } from '@/stores/map'
import { rowOf, type KeptRow } from '@/stores/tree'
import ActionHint from '@/ui/ActionHint.vue'

/** Of to-dos: who, by when, how far, and the log of what was said. Of what is above some: how far these are. */
const FieldInput = defineAsyncComponent(() => import('@/facts/FieldInput.vue'))
const map = useMap()
const beside = useBeside()
const { run } = useActions()
const { problems, setTask } = useFactEdits()

const are = computed(() => beside.chosen.length > 0 && beside.chosen.every((id) => isTodo(beside.tree, id)))
const people = computed(() => peopleIn(beside.tree))
function common(name: string): string | number | null | undefined {
    const values = new Set(beside.chosen.map((id) => rowOf(beside.tree, 'task', id)?.fields[name] ?? null))
    return values.size === 1 ? ([...values][0] as string | number | null) : undefined
}
const texts = [{ id: 'who', name: 'Who', sort: 'people' }, { id: 'by', name: 'By when', sort: 'date' }, { id: 'begins', name: 'Begins', sort: 'date' }].map((field) => ({ ...field, choices: [] }))
const repeats = [{ value: 'weekly', label: 'every week' }, { value: 'two-weekly', label: 'every two weeks' }, { value: 'monthly', label: 'every month' }, { value: 'yearly', label: 'every year' }]
const reminds = REMINDS.map(([value, label]) => ({ value, label }))
const remind = computed(() => (typeof common('remind') === 'number' ? Number(common('remind')) : null))
const remindsToo = computed(() => (remind.value === null || reminds.some(({ value }) => value === remind.value) ? reminds : [...reminds, { value: remind.value, label: `${remind.value} days early` }]))
const textOf = (id: string): string => String(common(id) ?? '')
const setNumber = (name: string, value: number | null): void => void setTask(map.chosen, name, value)

const remarks = computed<readonly KeptRow[]>(() => (beside.chosen.length !== 1 ? [] : [...beside.tree.rows.values()].filter((row) => row.type === 'remark' && row.fields.at === beside.current).sort((a, b) => String(b.fields.on).localeCompare(String(a.fields.on)) || b.id.localeCompare(a.id))))
const correcting = ref<string | null>(null)
const draft = ref('')
function correct(row: KeptRow): void {
    correcting.value = row.id
    draft.value = String(row.fields.said ?? '')
}
function keep(row: KeptRow): void {
    if (draft.value.trim() !== String(row.fields.said ?? '')) {
        map.edit({ name: 'row.set', step: newId(), type: 'remark', row: row.id, fields: { said: draft.value.trim() } } as Edit)
    }
    correcting.value = null
}
const drop = (row: string): void => map.edit({ name: 'row.remove', type: 'remark', rows: [row] })
const make = (): void => map.edit({ name: 'task.set', step: newId(), topics: [...map.chosen], today: today() })
const unmake = (): void => map.edit({ name: 'row.remove', type: 'task', rows: [...map.chosen] })

/** What is found of it, and how far is what is below. */
const reckoned = useTold()
const told = computed(() => reckoned.told)
</script>

<template>
    <div class="task">
        <p v-if="told?.done != null && beside.chosen.length === 1" class="below"><i class="bar" aria-hidden="true"><i :style="{ width: `${told.progress ?? 0}%` }" /></i>{{ told.done.done }} of {{ told.done.of }} below done, {{ Math.round(told.progress ?? 0) }} %</p>
        <template v-if="are">
            <p v-for="one in beside.chosen.length === 1 ? (told?.found ?? []) : []" :key="one.finding" class="found">{{ one.words }}</p>
            <div class="grid">
                <template v-for="field in texts" :key="`${field.id} ${beside.chosen.join()}`">
                    <span>{{ field.name }}</span>
                    <FieldInput :field="field" :value="textOf(field.id)" :several="common(field.id) === undefined" :people="people" :problem="problems[field.id]" @set="(typed: string) => void setTask(map.chosen, field.id, typed)" />
                </template>
                <span>Progress</span>
                <NInputNumber size="small" :value="typeof common('progress') === 'number' ? Number(common('progress')) : null" :min="0" :max="100" :step="10" :placeholder="common('progress') === undefined ? 'several' : '0'" :input-props="{ 'aria-label': 'Progress' }" @update:value="(value: number | null) => setNumber('progress', value)"><template #suffix>%</template></NInputNumber>
                <span>Effort</span>
                <NInputNumber size="small" :value="typeof common('effort') === 'number' ? Number(common('effort')) : null" :min="1" :max="100000" :placeholder="common('effort') === undefined ? 'several' : ''" :input-props="{ 'aria-label': 'Effort' }" @update:value="(value: number | null) => setNumber('effort', value)"><template #suffix>hours</template></NInputNumber>
                <span>Repeats</span>
                <NSelect size="small" clearable :value="typeof common('repeats') === 'string' ? String(common('repeats')) : null" :options="repeats" placeholder="once" aria-label="Repeats" :input-props="{ 'aria-label': 'Repeats' }" @update:value="(value: string | null) => void setTask(map.chosen, 'repeats', value)" />
                <span>Remind</span>
                <NSelect size="small" clearable :value="remind" :options="remindsToo" :placeholder="common('remind') === undefined ? 'several' : 'not'" aria-label="Remind" :input-props="{ 'aria-label': 'Remind' }" @update:value="(value: number | null) => void setTask(map.chosen, 'remind', value)" />
            </div>
            <p v-if="problems.remind !== undefined" class="wrong" role="alert">{{ problems.remind }}</p>
            <p v-if="problems.repeats !== undefined" class="wrong" role="alert">{{ problems.repeats }}</p>
            <div class="row">
                <ActionHint id="task.report"><NButton size="tiny" secondary @click="run('task.report')">Report progress</NButton></ActionHint>
                <ActionHint id="task.done"><NButton size="tiny" secondary @click="run('task.done')">{{ common('progress') === 100 ? 'Not done' : 'Done' }}</NButton></ActionHint>
                <NButton size="tiny" quaternary @click="unmake">No to-do</NButton>
            </div>
            <ol v-if="remarks.length > 0" aria-label="Log">
                <li v-for="row in remarks" :key="row.id">
                    <small>{{ dayWords(String(row.fields.on)) }}<template v-if="row.fields.who !== null">, {{ row.fields.who }}</template><b v-if="row.fields.progress !== null">{{ row.fields.progress }} %</b><em v-if="row.fields.private === true">private</em></small>
                    <NInput v-if="correcting === row.id" v-model:value="draft" type="textarea" size="small" autofocus :autosize="{ minRows: 1, maxRows: 6 }" :maxlength="4000" :input-props="{ 'aria-label': 'Correct the remark' }" @blur="keep(row)" @keydown.enter.exact.prevent="keep(row)" />
                    <span v-else>{{ row.fields.said }}</span>
                    <span class="acts"><NButton size="tiny" text @click="correct(row)">Correct</NButton><NButton size="tiny" text @click="drop(row.id)">Remove</NButton></span>
                </li>
            </ol>
        </template>
        <div v-else class="row"><ActionHint id="kind.todo"><NButton size="tiny" secondary @click="make">Make it a to-do</NButton></ActionHint></div>
    </div>
</template>

<style scoped>
.task { display: flex; flex-direction: column; gap: 7px; font-size: 13px; }
.grid { display: grid; grid-template-columns: 92px minmax(0, 1fr); gap: 6px; align-items: center; }
.grid > span { color: var(--soft); }
.row { display: flex; flex-wrap: wrap; gap: 6px; }
.below { margin: 0; display: grid; gap: 4px; color: var(--soft); }
.bar { display: block; height: 7px; border-radius: 4px 3px 5px 3px; background: color-mix(in srgb, var(--tide) 18%, transparent); overflow: hidden; }
.bar i { display: block; height: 100%; background: var(--tide); border-radius: 4px 3px 5px 3px; }
.found { margin: 0; padding-left: 8px; border-left: 3px solid var(--ember); font-weight: 700; }
.found::first-letter { text-transform: uppercase; }
.wrong { margin: 0; padding-left: 7px; border-left: 3px solid var(--ember); font-size: 12.5px; }
ol { list-style: none; margin: 4px 0 0; padding: 0; display: grid; gap: 8px; }
li { display: grid; gap: 2px; padding-left: 9px; border-left: 3px solid var(--edge); overflow-wrap: anywhere; white-space: pre-wrap; }
li small { color: var(--soft); }
li small b { margin-left: 7px; color: var(--ink); }
li small em { margin-left: 7px; }
.acts { display: flex; gap: 10px; }
</style>
