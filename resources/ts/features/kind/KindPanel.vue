<script setup lang="ts">
import { NButton, NCheckbox, NInput, NSelect } from 'naive-ui'
import { computed, nextTick, ref, watch } from 'vue'
import { carried } from '@/actions/changes'
import SidePanel from '@/desk/SidePanel.vue'
import LookPicks from '@/facts/LookPicks.vue'
import { fieldIds, fieldOf, linesOf, today, type Kind } from '@/facts/facts'
import { stampChoices } from '@/facts/stamps'
import { useBeside } from '@/stores/beside'
import { rowOf, type KeptRow } from '@/stores/tree'
import { useUi } from '@/ui/uiStore'
import { changed } from './asked'
import KindFields from './KindFields.vue'
import { useKinds } from './kindStore'
import { partsAsText, partsFromText } from './partsText'

/** The kinds of the map, each changed in place; its topics follow, and what they do not have yet is carried to them when one has seen what that is. */
const beside = useBeside()
const ui = useUi()
const kinds = useKinds()
void kinds.load()

const kind = computed<Kind | undefined>(() => kinds.kinds.find(({ id }) => id === changed.value) ?? kinds.kinds[0])
const count = computed(() => (kind.value === undefined ? 0 : (kinds.counts.get(kind.value.id) ?? 0)))
const options = computed(() => kinds.kinds.map(({ id, name }) => ({ value: id, label: `${name} · ${kinds.counts.get(id) ?? 0}` })))
const others = computed(() => kinds.offered.filter(({ taken }) => taken !== null).map(({ kind: { id, name }, from }) => ({ value: id, label: from === '' ? name : `${name}, from “${from}”` })))
const fields = computed(() => (kind.value === undefined ? [] : fieldIds(kind.value).flatMap((id) => rowOf(beside.tree, 'field', id) ?? []).map(fieldOf)))

const name = ref('')
const pattern = ref('')
const people = ref('')
const parts = ref('')
const problem = ref('')
watch(kind, (now) => {
    name.value = now?.name ?? ''
    pattern.value = String(now?.fields.pattern ?? '')
    people.value = linesOf(now?.fields.people).join(', ')
    parts.value = now === undefined ? '' : partsAsText(now.fields, kinds.kinds)
    problem.value = ''
}, { immediate: true })

const set = (values: KeptRow['fields']): void => {
    if (kind.value !== undefined) {
        kinds.set('kind', kind.value.id, values)
    }
}
function rename(): void {
    if (name.value.trim() !== '' && name.value.trim() !== kind.value?.name) {
        set({ name: name.value.trim() })
    }
}
function keepPattern(): void {
    if (pattern.value.trim() !== String(kind.value?.fields.pattern ?? '')) {
        set({ pattern: pattern.value.trim() === '' ? null : pattern.value.trim() })
    }
}
function keepPeople(): void {
    const names = [...new Set(people.value.split(/[,;\n]/).map((one) => one.trim()).filter((one) => one !== ''))]
    if (names.join('\n') !== String(kind.value?.fields.people ?? '')) {
        set({ people: names.length === 0 ? null : names.join('\n') })
    }
}
function keepParts(): void {
    const read = partsFromText(parts.value, kinds.kinds)
    problem.value = read.problem
    if (read.problem === '' && read.json !== (kind.value?.fields.parts ?? null)) {
        set({ parts: read.json })
    }
}
function take(id: string): void {
    const offer = kinds.offered.find((one) => one.kind.id === id)
    if (offer !== undefined) {
        kinds.take(offer)
        changed.value = id
    }
}
function add(): void {
    const names = new Set(kinds.kinds.map((one) => one.name))
    const fresh = ['New kind', ...Array.from({ length: 200 }, (_, i) => `New kind ${i + 2}`)].find((one) => !names.has(one)) ?? 'New kind'
    changed.value = kinds.addKind(fresh)
    void nextTick(() => setTimeout(() => {
        const input = document.querySelector<HTMLInputElement>('.kind-panel input[aria-label="Name of the kind"]')
        input?.focus()
        input?.select()
    }, 60))
}
function carry(): void {
    if (kind.value !== undefined) {
        carried.kind = kind.value.id
        carried.today = today()
        ui.showChange('carry')
    }
}
function drop(): void {
    if (kind.value !== undefined) {
        kinds.drop('kind', kind.value.id)
        changed.value = null
    }
}
const places = [{ value: 'last', label: 'last' }, { value: 'first', label: 'first' }, { value: 'by-date', label: 'by its date' }]
const setPlace = (value: string): void => set({ goes: value === 'last' ? null : value })
</script>

<template>
    <SidePanel title="Kinds and fields">
        <div class="kind-panel">
            <div class="row">
                <NSelect v-if="kinds.kinds.length > 0" class="wide" size="small" :value="kind?.id ?? null" :options="options" aria-label="Kind to change" :input-props="{ 'aria-label': 'Kind to change' }" @update:value="(id: string) => (changed = id)" />
                <NButton size="small" secondary @click="add">New kind</NButton>
                <NSelect class="wide" size="small" filterable :value="null" :options="others" placeholder="Take a kind into this map" aria-label="Take a kind into this map" :input-props="{ 'aria-label': 'Take a kind into this map' }" :consistent-menu-width="false" @update:value="take" />
            </div>
            <p v-if="kind === undefined" class="none">A kind is a type of topic: a meeting, a call, a to-do, a character. It gives its topics fields to fill in, subtopics to begin with, and a look. This map has none yet: take one into it, or make one.</p>
            <template v-else>
                <div class="grid">
                    <span>Name</span><NInput v-model:value="name" size="small" :maxlength="60" :input-props="{ 'aria-label': 'Name of the kind' }" @blur="rename" @keydown.enter="rename" />
                    <span>Stamp</span><NSelect size="small" clearable filterable :value="typeof kind.fields.stamp === 'string' ? kind.fields.stamp : null" :options="[...stampChoices]" placeholder="none" aria-label="Stamp of the kind" :input-props="{ 'aria-label': 'Stamp of the kind' }" @update:value="(stamp: string | null) => set({ stamp })" />
                    <span>Title</span><NInput v-model:value="pattern" size="small" placeholder="typed each time" :maxlength="200" title="In braces what is different each time: {date}, {day}, {time}, {year}, {number}, {parent}, {kind}" :input-props="{ 'aria-label': 'Title of new ones' }" @blur="keepPattern" @keydown.enter="keepPattern" />
                    <span>Goes</span><NSelect size="small" :value="typeof kind.fields.goes === 'string' ? kind.fields.goes : 'last'" :options="places" aria-label="Where new ones go" :input-props="{ 'aria-label': 'Where new ones go' }" @update:value="setPlace" />
                    <span>People</span><NInput v-model:value="people" size="small" placeholder="who is offered, with commas" :input-props="{ 'aria-label': 'People of the kind' }" @blur="keepPeople" @keydown.enter="keepPeople" />
                    <span /><NCheckbox :checked="kind.fields.todo === true" @update:checked="(todo: boolean) => set({ todo })">Its topics are to-dos</NCheckbox>
                </div>
                <p class="hint">In a title {date}, {day}, {time}, {year}, {number}, {parent} and {kind} are filled in each time.</p>

                <h3>Fields</h3>
                <KindFields :kind="kind" :fields="fields" />

                <h3>Subtopics to begin with</h3>
                <NInput v-model:value="parts" type="textarea" size="small" :autosize="{ minRows: 3, maxRows: 12 }" placeholder="none" :status="problem === '' ? undefined : 'error'" :input-props="{ 'aria-label': 'Subtopics to begin with' }" @blur="keepParts" />
                <p v-if="problem !== ''" class="wrong" role="alert">{{ problem }}</p>
                <p v-else class="hint">One a line; two spaces before it make it a level deeper, “@To-do” at its end gives it that kind, “-” is an empty one.</p>

                <h3>Look</h3>
                <LookPicks :fields="kind.fields" of="the kind" @set="set" />

                <div class="row end">
                    <NButton size="small" secondary :disabled="count === 0" @click="carry">Carry to its {{ count === 1 ? 'topic' : `${count} topics` }} …</NButton>
                    <NButton size="small" quaternary @click="drop">Remove the kind</NButton>
                </div>
                <p class="hint">Look, stamp and fields follow at once. Subtopics that are missing, and first values of empty fields, are carried when you have seen which.</p>
            </template>
        </div>
    </SidePanel>
</template>

<style scoped>
.kind-panel { display: flex; flex-direction: column; gap: 8px; }
.row { display: flex; flex-wrap: wrap; gap: 6px; }
.wide { flex: 1; min-width: 150px; }
.grid { display: grid; grid-template-columns: 64px minmax(0, 1fr); gap: 6px; align-items: center; font-size: 13px; }
.grid > span { color: var(--soft); }
h3 { margin: 8px 0 0; font-size: 13.5px; border-top: 1px solid var(--edge); padding-top: 9px; }
.hint, .none { margin: 0; color: var(--soft); font-size: 12.5px; line-height: 1.4; }
.none { font-size: 14px; }
.wrong { margin: 0; font-size: 12.5px; border-left: 3px solid var(--ember); padding-left: 7px; }
.end { margin-top: 8px; }
</style>
