<script setup lang="ts">
import { NInput } from 'naive-ui'
import { nextTick, onBeforeUnmount, onMounted, ref, watch } from 'vue'
import { useDrafts } from '@/stores/drafts'
import { newId } from '@/stores/map'
import { useDraft, type Caret } from './draftStore'

/** The text of a section as Markdown, where a formatted editor would not keep it to the letter. */
const props = defineProps<{ topic: string; note: string }>()
const draft = useDraft()
const drafts = useDrafts()
const field = ref<InstanceType<typeof NInput> | null>(null)
const text = ref(props.note)
let step = newId()

watch(() => props.note, (note) => (text.value = drafts.has(props.topic, 'note') ? text.value : note))
function type(now: string): void {
    step = drafts.has(props.topic, 'note') ? step : newId()
    const before = text.value
    text.value = now
    drafts.type(props.topic, 'note', now, step, before)
}
const area = (): HTMLTextAreaElement | null => field.value?.textareaElRef ?? null
const hand = {
    topic: props.topic,
    cut: (): readonly [string, string] => {
        const at = area()?.selectionStart ?? text.value.length
        return [text.value.slice(0, at).trim(), text.value.slice(at).trim()]
    },
    at: (): number => area()?.selectionStart ?? 0,
    focus: (caret?: Caret): void => {
        const at = caret === 'start' ? 0 : typeof caret === 'number' ? caret : typeof caret === 'object' && 'letters' in caret ? caret.letters : text.value.length
        area()?.focus()
        area()?.setSelectionRange(at, typeof caret === 'object' && 'letters' in caret ? caret.to ?? at : at)
    },
    wrap: (open: string, close: string): void => {
        const [from, to] = [area()?.selectionStart ?? text.value.length, area()?.selectionEnd ?? text.value.length]
        type(`${text.value.slice(0, from)}${open}${text.value.slice(from, to)}${close}${text.value.slice(to)}`)
        void nextTick(() => area()?.setSelectionRange(to + open.length + (from === to ? 0 : close.length), to + open.length + (from === to ? 0 : close.length)))
    },
    insert: (markdown: string, its: string): void => {
        drafts.flush(props.topic, 'note')
        const [from, to] = [area()?.selectionStart ?? text.value.length, area()?.selectionEnd ?? text.value.length]
        const now = `${text.value.slice(0, from)}${markdown}${text.value.slice(to)}`
        text.value = now
        drafts.type(props.topic, 'note', now, its)
        drafts.flush(props.topic, 'note')
        void nextTick(() => area()?.setSelectionRange(from + markdown.length, from + markdown.length))
    },
    leads: (): string | null => {
        const at = area()?.selectionStart ?? 0
        const found = [...text.value.matchAll(/\]\(([^()\s]+)\)/g)]
        return (found.findLast((hit) => hit.index <= at) ?? found[0])?.[1] ?? null
    },
    marked: (): string => text.value.slice(area()?.selectionStart ?? 0, area()?.selectionEnd ?? 0),
}
function leaves(event: KeyboardEvent): void {
    const at = area()?.selectionStart
    const by = event.key === 'ArrowDown' && at === text.value.length ? 1 : event.key === 'ArrowUp' && at === 0 ? -1 : null
    if (by !== null && !event.shiftKey && !event.ctrlKey && !event.altKey && draft.step(props.topic, by)) {
        event.preventDefault()
    }
}
onMounted(() => (draft.hand = hand))
onBeforeUnmount(() => {
    draft.leaveMark()
    drafts.flush(props.topic, 'note')
    draft.hand = draft.hand === hand ? null : draft.hand
})
watch(() => draft.wanted, (wanted) => {
    if (wanted?.topic === props.topic && wanted.caret !== 'title') {
        draft.wanted = null
        void nextTick(() => hand.focus(wanted.caret))
    }
}, { immediate: true })
</script>

<template>
    <NInput ref="field" type="textarea" :value="text" :autosize="{ minRows: 3 }" :input-props="{ 'aria-label': 'Text of the section as Markdown' }" @update:value="type" @blur="drafts.flush(topic, 'note')" @keydown="leaves" />
</template>
