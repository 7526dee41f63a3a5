<script setup lang="ts">
import { NAutoComplete, NInput, NSelect } from 'naive-ui'
import { computed, nextTick, ref, watch } from 'vue'
import { useMap } from '@/stores/map'
import { topicName } from '@/text/titleMarkdown'
import { namesIn, sortHints, typedForm, type Field } from './facts'

/**
 * One field to be filled in by keys: what is typed is taken with Enter or when it is left, and completed from what is
 * known. Whoever uses it says what becomes of it, and tells what was wrong.
 */
const props = defineProps<{ field: Pick<Field, 'id' | 'name' | 'sort' | 'choices'>; value: string; several?: boolean; people?: readonly string[]; problem?: string }>()
const emit = defineEmits<{ set: [typed: string]; next: [] }>()

const map = useMap()
const kept = computed(() => typedForm(props.field.sort, props.value))
const typed = ref(kept.value)
const frame = ref<HTMLElement | null>(null)
watch(kept, (now) => (typed.value = now))

const isPicked = computed(() => ['choice', 'yes', 'topic'].includes(props.field.sort))
const options = computed(() => {
    if (props.field.sort === 'yes') {
        return [{ value: 'yes', label: 'yes' }, { value: 'no', label: 'no' }]
    }
    return props.field.sort === 'topic'
        ? [...map.tree.topics.values()].filter(({ title }) => title !== '').map(({ id, title }) => ({ value: `topic:${id}`, label: topicName(title) }))
        : props.field.choices.map((value) => ({ value, label: value }))
})

/** What completes the name that is typed last. */
const offered = computed(() => {
    const all = props.field.sort === 'people' ? (props.people ?? []) : props.field.sort === 'names' ? namesIn(map.tree, props.field.id) : props.field.sort === 'choices' ? props.field.choices : []
    const parts = typed.value.split(',')
    const last = (parts.at(-1) ?? '').trim().toLowerCase()
    const before = parts.slice(0, -1).map((part) => part.trim())
    return last === '' ? [] : all.filter((name) => name.toLowerCase().split(/\s+/).some((word) => word.startsWith(last)) && name.toLowerCase() !== last && !before.includes(name)).slice(0, 8).map((name) => ({ value: [...before, name].join(', '), label: name }))
})
const isCompleted = computed(() => ['people', 'names', 'choices'].includes(props.field.sort))

function commit(): void {
    if (typed.value.trim() !== kept.value) {
        emit('set', typed.value.trim())
    }
}
/** Enter takes what the list has under the arrow, which tells of it itself, or else what was typed. */
let isTaken = false
function take(value: string): void {
    isTaken = true
    setTimeout(() => (isTaken = false))
    typed.value = value
}
function enter(event: KeyboardEvent): void {
    if (event.shiftKey && props.field.sort === 'long') {
        return
    }
    event.preventDefault()
    void nextTick(() => {
        if (!isTaken) {
            commit()
            emit('next')
        }
    })
}
function pick(value: string | null): void {
    typed.value = value ?? ''
    emit('set', value ?? '')
}
/** What is there is typed over; long text is gone on with. */
function focus(): void {
    const target = frame.value?.querySelector<HTMLElement>('input, textarea, .n-base-selection-label, [tabindex]')
    target?.focus()
    if (target instanceof HTMLInputElement) {
        target.select()
    }
}
defineExpose({ focus })
</script>

<template>
    <div ref="frame" class="field-input">
        <NSelect
            v-if="isPicked" size="small" clearable filterable :value="value === '' ? null : value" :options="options" :placeholder="several === true ? 'several' : ''"
            :aria-label="field.name" :input-props="{ 'aria-label': field.name }" :fallback-option="() => ({ value, label: '…' })" :consistent-menu-width="false" @update:value="pick" @keydown.enter.stop="emit('next')" />
        <NAutoComplete
            v-else-if="isCompleted" size="small" :value="typed" :options="offered" :placeholder="several === true ? 'several' : (sortHints[field.sort] ?? '')" :status="problem === undefined ? undefined : 'error'"
            :input-props="{ 'aria-label': field.name, maxlength: 4000 }" @update:value="(now: string | null) => (typed = now ?? '')" @select="(now: string | number) => take(String(now))" @blur="commit" @keydown.enter="enter" />
        <NInput
            v-else size="small" :type="field.sort === 'long' ? 'textarea' : 'text'" :autosize="field.sort === 'long' ? { minRows: 1, maxRows: 8 } : undefined" :value="typed" :placeholder="several === true ? 'several' : (sortHints[field.sort] ?? '')"
            :status="problem === undefined ? undefined : 'error'" :input-props="{ 'aria-label': field.name, maxlength: 20000, dir: 'auto' }" @update:value="(now: string) => (typed = now)" @blur="commit" @keydown.enter="enter" />
        <p v-if="problem !== undefined" class="wrong" role="alert">{{ problem }}</p>
    </div>
</template>

<style scoped>
.field-input { min-width: 0; }
.wrong { margin: 3px 0 0; font-size: 12.5px; color: var(--ember-text, var(--ink)); border-left: 3px solid var(--ember); padding-left: 7px; }
</style>
