<script setup lang="ts">
import { NButton, NInput, NInputNumber, NSelect } from 'naive-ui'
import { computed } from 'vue'
import { useBeside } from '@/stores/beside'
import { topicName } from '@/text/titleMarkdown'
import { fieldsIn, kindsIn, peopleIn } from './facts'
import { asks, begun, dayHows, days, daysOf, fieldHows, had, hows, isAll, isAny, isDay, isNot, states, textIn, type Ask, type Choice, type Condition } from './questions'
import { stampChoices } from './stamps'

/** A condition in pieces that read as words: questions joined by and or or, each of which can be turned round, groups within groups. */
const props = defineProps<{ when: Condition; deep?: number }>()
const emit = defineEmits<{ change: [when: Condition] }>()

const beside = useBeside()
const joins: Choice[] = [{ value: 'all', label: 'all of these' }, { value: 'any', label: 'any of these' }]

/** The same as a list of parts, however it was written. */
const sort = computed<'all' | 'any'>(() => (isAny(props.when) ? 'any' : 'all'))
const parts = computed<readonly Condition[]>(() => (isAll(props.when) ? props.when.all : isAny(props.when) ? props.when.any : [props.when]))
const bare = (part: Condition): Condition => (isNot(part) ? part.not : part)
const isGroup = (part: Condition): boolean => isAll(bare(part)) || isAny(bare(part))
const asked = (part: Condition): Ask => bare(part) as Ask

const say = (all: readonly Condition[], as = sort.value): void => emit('change', as === 'all' ? { all: [...all] } : { any: [...all] })
const put = (i: number, part: Condition): void => say(parts.value.map((one, n) => (n === i ? part : one)))
function change(i: number, fields: Record<string, string | number | null>): void {
    const part = parts.value[i]
    if (part !== undefined) {
        const next = { ...asked(part), ...fields } as Ask
        put(i, isNot(part) ? { not: next } : next)
    }
}
function turn(i: number): void {
    const part = parts.value[i]
    if (part !== undefined) {
        put(i, isNot(part) ? part.not : { not: part })
    }
}
function regroup(i: number, group: Condition): void {
    const part = parts.value[i]
    if (part !== undefined) {
        put(i, isNot(part) ? { not: group } : group)
    }
}
const remove = (i: number): void => say(parts.value.filter((_, n) => n !== i))
const add = (part: Condition): void => say([...parts.value, part])

const fields = computed(() => fieldsIn(beside.tree))
const kinds = computed<Choice[]>(() => kindsIn(beside.tree).map(({ id, name }) => ({ value: id, label: name })))
const tags = computed<Choice[]>(() => [...beside.tree.rows.values()].filter(({ type }) => type === 'tag').map(({ id, fields: its }) => ({ value: id, label: String(its.name ?? '') })))
const people = computed<Choice[]>(() => peopleIn(beside.tree).map((name) => ({ value: name, label: name })))
const topics = computed<Choice[]>(() => [...beside.tree.topics.values()].filter(({ title }) => title !== '').map(({ id, title }) => ({ value: id, label: topicName(title) })))
const fieldOf = (part: Condition): ReturnType<typeof fieldsIn>[number] | undefined => fields.value.find(({ id }) => id === asked(part).field)
const dayChoices = (now: unknown): Choice[] => (typeof now === 'string' && now !== '' && !days.some(({ value }) => value === now) ? [...days, { value: now, label: now }] : [...days])
/** Another sort of question begins anew. */
function ask(i: number, what: string): void {
    const part = parts.value[i]
    put(i, part !== undefined && isNot(part) ? { not: begun(what, beside.tree, beside.current) } : begun(what, beside.tree, beside.current))
}
const label = (i: number, words: string): Record<string, string> => ({ 'aria-label': `${words}, condition ${i + 1}` })
const named = (i: number, words: string): Record<string, unknown> => ({ ...label(i, words), inputProps: label(i, words) })
</script>

<template>
    <div class="condition" :class="{ inner: (deep ?? 0) > 0 }" role="group" aria-label="Condition">
        <div class="row">
            <span>Where</span>
            <NSelect class="join" size="tiny" :value="sort" :options="joins" aria-label="All or any" :input-props="{ 'aria-label': 'All or any' }" @update:value="(as: 'all' | 'any') => say(parts, as)" />
            <span>hold</span>
        </div>
        <p v-if="parts.length === 0" class="none">{{ sort === 'all' ? 'Nothing is asked, so it is for every topic.' : 'Nothing is asked, so it is for no topic.' }}</p>
        <div v-for="(part, i) in parts" :key="i" class="part" :class="{ not: isNot(part) }">
            <button class="turn" :aria-pressed="isNot(part)" :aria-label="`Turn condition ${i + 1} round`" :title="isNot(part) ? 'Where this does not hold' : 'Turn it round'" @click="turn(i)">{{ isNot(part) ? 'not' : 'is' }}</button>
            <ConditionEditor v-if="isGroup(part)" :when="bare(part)" :deep="(deep ?? 0) + 1" @change="(group: Condition) => regroup(i, group)" />
            <div v-else class="row">
                <NSelect class="what" size="tiny" :value="asked(part).ask" :options="[...asks]" v-bind="named(i, 'What')" @update:value="(what: string) => ask(i, what)" />
                <template v-if="asked(part).ask === 'todo'"><NSelect class="wide" size="tiny" :value="String(asked(part).is)" :options="[...states]" v-bind="named(i, 'How it stands')" :consistent-menu-width="false" @update:value="(is: string) => change(i, { is })" /></template>
                <template v-else-if="asked(part).ask === 'due'">
                    <NSelect class="short" size="tiny" :value="String(asked(part).of ?? 'by')" :options="[...daysOf]" v-bind="named(i, 'Which day')" @update:value="(of: string) => change(i, { of })" />
                    <NSelect class="short" size="tiny" :value="String(asked(part).how)" :options="[...dayHows]" v-bind="named(i, 'How')" @update:value="(how: string) => change(i, { how })" />
                    <NSelect class="wide" size="tiny" filterable tag :value="String(asked(part).than)" :options="dayChoices(asked(part).than)" v-bind="named(i, 'Than')" @update:value="(than: string) => change(i, { than })" />
                </template>
                <template v-else-if="asked(part).ask === 'progress' || asked(part).ask === 'level'">
                    <NSelect class="short" size="tiny" :value="String(asked(part).how)" :options="[...hows]" v-bind="named(i, 'How')" @update:value="(how: string) => change(i, { how })" />
                    <NInputNumber class="short" size="tiny" :show-button="false" :value="Number(asked(part).than)" :min="0" :max="asked(part).ask === 'level' ? 1000 : 100" :input-props="label(i, 'Than')" @update:value="(than: number | null) => change(i, { than: than ?? 0 })" />
                </template>
                <template v-else-if="asked(part).ask === 'who'"><NSelect class="wide" size="tiny" filterable tag :value="String(asked(part).is)" :options="people" v-bind="named(i, 'Who')" @update:value="(is: string) => change(i, { is })" /></template>
                <template v-else-if="asked(part).ask === 'kind'"><NSelect class="wide" size="tiny" filterable clearable placeholder="any kind" :value="asked(part).is === null ? null : String(asked(part).is)" :options="kinds" v-bind="named(i, 'Kind')" @update:value="(is: string | null) => change(i, { is })" /></template>
                <template v-else-if="asked(part).ask === 'field'">
                    <NSelect class="wide" size="tiny" filterable :value="String(asked(part).field)" :options="fields.map(({ id, name }) => ({ value: id, label: name }))" v-bind="named(i, 'Field')" :consistent-menu-width="false" @update:value="(field: string) => put(i, { ask: 'field', field, how: 'empty' })" />
                    <NSelect class="short" size="tiny" :value="String(asked(part).how)" :options="[...fieldHows(fieldOf(part))]" v-bind="named(i, 'How')" @update:value="(how: string) => change(i, how === 'empty' ? { how } : { how, than: asked(part).than ?? (isDay(fieldOf(part)) ? 'today' : '1') })" />
                    <NSelect v-if="asked(part).how !== 'empty' && isDay(fieldOf(part))" class="wide" size="tiny" filterable tag :value="String(asked(part).than ?? 'today')" :options="dayChoices(asked(part).than)" v-bind="named(i, 'Than')" @update:value="(than: string) => change(i, { than })" />
                    <NInput v-else-if="asked(part).how !== 'empty'" class="wide" size="tiny" :default-value="String(asked(part).than ?? '')" :maxlength="200" :input-props="label(i, 'Than')" @change="(than: string) => than.trim() !== '' && change(i, { than: than.trim() })" />
                </template>
                <template v-else-if="asked(part).ask === 'tag'"><NSelect class="wide" size="tiny" filterable :value="String(asked(part).is)" :options="tags" v-bind="named(i, 'Tag')" @update:value="(is: string) => change(i, { is })" /></template>
                <template v-else-if="asked(part).ask === 'stamp'"><NSelect class="wide" size="tiny" filterable :value="String(asked(part).is)" :options="[...stampChoices]" v-bind="named(i, 'Stamp')" @update:value="(is: string) => change(i, { is })" /></template>
                <template v-else-if="asked(part).ask === 'text'">
                    <NInput class="wide" size="tiny" :default-value="String(asked(part).has)" :maxlength="200" :input-props="label(i, 'Words')" @change="(has: string) => has.trim() !== '' && change(i, { has: has.trim() })" />
                    <NSelect class="wide" size="tiny" :value="String(asked(part).in ?? 'all')" :options="[...textIn]" v-bind="named(i, 'Where')" @update:value="(where: string) => change(i, { in: where })" />
                </template>
                <template v-else-if="asked(part).ask === 'has'"><NSelect class="wide" size="tiny" :value="String(asked(part).what)" :options="[...had]" v-bind="named(i, 'What it has')" @update:value="(what: string) => change(i, { what })" /></template>
                <template v-else-if="asked(part).ask === 'below'"><NSelect class="wide" size="tiny" filterable virtual-scroll :value="String(asked(part).topic)" :options="topics" :fallback-option="() => ({ value: String(asked(part).topic), label: 'a topic that has gone' })" v-bind="named(i, 'Topic')" :consistent-menu-width="false" @update:value="(topic: string) => change(i, { topic })" /></template>
            </div>
            <NButton size="tiny" quaternary :aria-label="`Take condition ${i + 1} away`" @click="remove(i)">Off</NButton>
        </div>
        <div class="row">
            <NButton size="tiny" secondary @click="add(begun('todo', beside.tree, beside.current))">And ask …</NButton>
            <NButton v-if="(deep ?? 0) < 3" size="tiny" quaternary @click="add({ any: [begun('todo', beside.tree, beside.current)] })">A group</NButton>
        </div>
    </div>
</template>

<style scoped>
.condition { display: flex; flex-direction: column; gap: 6px; font-size: 13px; min-width: 0; flex: 1; }
.condition.inner { border-left: 3px solid var(--edge); padding-left: 8px; }
.row { display: flex; flex-wrap: wrap; gap: 4px; align-items: center; flex: 1; min-width: 0; }
.part { display: flex; gap: 4px; align-items: flex-start; }
.join { width: 116px; }
.what { width: 104px; }
.short { width: 82px; }
.wide { flex: 1 1 110px; min-width: 96px; }
.turn { flex: none; width: 34px; border: 1px solid var(--field); border-radius: 5px; background: none; color: var(--soft); font: 12.5px/20px 'Atkinson Hyperlegible'; cursor: pointer; padding: 0; }
.not > .turn { color: var(--ink); font-weight: 700; border-color: var(--ember); border-width: 2px; }
.turn:focus-visible { outline: 2px solid var(--tide); }
.none { margin: 0; color: var(--soft); }
span { color: var(--soft); }
</style>
