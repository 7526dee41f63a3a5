<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed, defineAsyncComponent, onBeforeUnmount, ref, useTemplateRef, watch } from 'vue'
import { fieldsAt, kindAt, peopleIn, typedForm, valuesAt, type Field } from '@/facts/facts'
import { interviewed } from '@/facts/interview'
import { useFactEdits } from '@/facts/useFactEdits'
import { useMap } from '@/stores/map'
import { stillNote } from '@/text/stillNote'
import { usedIn } from '@/text/usedIn'
import { useDraft } from '../draftStore'
import { useHand } from './handStore'

/** A sheet or a note that is read beside the text: what its fields say, to be changed there; its note, of which pieces go into the text; where it was used. */
const props = defineProps<{ there: { map: string; topic: string }; canPut: boolean }>()
const FieldInput = defineAsyncComponent(() => import('@/facts/FieldInput.vue'))

const map = useMap()
const draft = useDraft()
const hand = useHand()
const { problems, setValue } = useFactEdits()
const isHere = computed(() => props.there.map === map.id)
const topic = computed(() => (isHere.value ? map.tree.topics.get(props.there.topic) : undefined))
const title = computed(() => (isHere.value ? hand.titleOf(props.there.topic) : hand.read?.title ?? ''))
const note = computed(() => (isHere.value ? topic.value?.note ?? '' : hand.read?.note ?? ''))
const caption = computed(() => (isHere.value ? topic.value?.caption : hand.read?.caption) ?? '')
const kind = computed(() => (isHere.value ? kindAt(map.tree, props.there.topic)?.name ?? '' : hand.read?.mapTitle ?? ''))
const fields = computed<readonly Field[]>(() => (isHere.value ? fieldsAt(map.tree, props.there.topic).filter(({ sort }) => sort !== 'computed') : []))
const values = computed(() => valuesAt(map.tree, props.there.topic))
const valueOf = (field: Field): string => values.value[field.id] ?? ''
const people = computed(() => peopleIn(map.tree))
/** Sheets are read; a field becomes one to type in when it is pressed. */
const editing = ref<string | null>(null)
const hasEmpty = computed(() => fields.value.some((field) => valueOf(field) === ''))
const showsEmpty = ref(false)
const shown = computed(() => fields.value.filter((field) => showsEmpty.value || editing.value === field.id || valueOf(field) !== ''))
const told = (field: Field): string => (field.sort === 'topic' ? hand.titleOf(valueOf(field).slice('topic:'.length)) : field.sort === 'rating' ? '★'.repeat(Number(valueOf(field))) : typedForm(field.sort, valueOf(field)))
const edit = (field: Field): void => {
    editing.value = field.id
    setTimeout(() => document.querySelector<HTMLElement>(`.at-hand [data-field="${field.id}"] :is(input, textarea)`)?.focus(), 60)
}
const set = (field: Field, typed: string): void => void setValue([props.there.topic], field.id, typed)

const still = useTemplateRef<HTMLElement>('still')
watch([still, note], ([element, markdown]) => element?.replaceChildren(markdown === '' ? '' : stillNote(markdown)), { flush: 'post' })

/** What of the note is marked, or all of it. */
const marked = ref('')
function look(): void {
    const chosen = getSelection()
    marked.value = chosen !== null && still.value?.contains(chosen.anchorNode) === true ? chosen.toString().trim() : ''
}
/** By keys a paragraph of the note is marked: arrows go about, Enter puts it in. */
function pick(event: KeyboardEvent): void {
    const paragraphs = [...(still.value?.children ?? [])]
    const at = paragraphs.findIndex((one) => one.classList.contains('picked'))
    const by = { ArrowDown: 1, ArrowUp: -1 }[event.key]
    if (by !== undefined && paragraphs.length > 0) {
        event.preventDefault()
        const next = paragraphs[Math.max(0, Math.min(paragraphs.length - 1, at + by))]
        paragraphs.forEach((one) => one.classList.toggle('picked', one === next))
        next?.scrollIntoView({ block: 'nearest' })
        marked.value = next?.textContent.trim() ?? ''
    } else if (event.key === 'Enter' && props.canPut) {
        event.preventDefault()
        put()
    }
}
const piece = (): string => (marked.value === '' ? note.value : marked.value.replace(/\n+/g, '\n\n'))
hand.piece = piece
onBeforeUnmount(() => (hand.piece = hand.piece === piece ? () => '' : hand.piece))
function put(): void {
    hand.putOpen()
    marked.value = ''
}
const interview = (): void => void (interviewed.value = { topic: props.there.topic, back: () => hand.show() })
const uses = computed(() => (isHere.value ? usedIn(map.tree, map.id, props.there.topic) : []))
</script>

<template>
    <article v-if="isHere ? topic !== undefined : hand.read !== null" class="sheet" :aria-label="title" @mouseup="look" @keyup="look">
        <header><h3 dir="auto">{{ title }}</h3><span>{{ kind }}</span></header>
        <p v-if="caption !== ''" class="caption" dir="auto">{{ caption }}</p>
        <dl v-if="isHere">
            <template v-for="field in shown" :key="field.id">
                <dt>{{ field.name }}</dt>
                <dd :data-field="field.id">
                    <FieldInput v-if="editing === field.id" :field="field" :value="valueOf(field)" :people="people" :problem="problems[field.id]" @set="(typed: string) => set(field, typed)" @next="editing = null" />
                    <button v-else type="button" class="says" :class="{ empty: valueOf(field) === '' }" :aria-label="`${field.name}: ${told(field)}. Change`" dir="auto" @click="edit(field)">{{ told(field) || 'empty' }}</button>
                </dd>
            </template>
        </dl>
        <dl v-else><template v-for="fact in hand.read?.facts" :key="fact.name"><dt>{{ fact.name }}</dt><dd dir="auto">{{ fact.told }}</dd></template></dl>
        <div v-if="isHere && hasEmpty" class="more">
            <NButton size="tiny" quaternary @click="showsEmpty = !showsEmpty">{{ showsEmpty ? 'Only what is filled in' : 'What is empty too' }}</NButton>
            <NButton size="tiny" quaternary @click="interview">Interview</NButton>
        </div>
        <template v-if="note !== ''">
            <div ref="still" class="note note-text" dir="auto" tabindex="0" data-scope="draft" aria-label="Note: arrows mark a paragraph, Enter puts it into the section" @keydown="pick" @keyup.stop />
            <NButton size="small" secondary :disabled="!canPut" @mousedown.prevent @click="put">{{ marked === '' ? 'Put the note into the section' : 'Put what is marked into the section' }}</NButton>
        </template>
        <p v-if="uses.length > 0" class="uses">Used in <template v-for="(use, i) in uses" :key="use">{{ i > 0 ? ', ' : '' }}<button type="button" class="way" @click="draft.enter(use, 'start')">{{ hand.titleOf(use) }}</button></template></p>
    </article>
</template>

<style scoped>
.sheet { border-top: 1px solid var(--edge); padding-top: 10px; display: flex; flex-direction: column; gap: 8px; }
header { display: flex; gap: 8px; align-items: baseline; }
h3 { margin: 0; font-size: 16px; overflow-wrap: anywhere; }
header span, .caption { color: var(--soft); font-size: 13px; margin: 0; }
dl { margin: 0; display: grid; grid-template-columns: minmax(0, 1fr); gap: 2px; font-size: 14.5px; }
dt { color: var(--soft); font-size: 12.5px; margin-top: 3px; }
dd { margin: 0; overflow-wrap: anywhere; white-space: pre-line; }
.says { width: 100%; border: 0; background: none; color: var(--ink); font: inherit; text-align: start; padding: 1px 4px; margin: 0 -4px; border-radius: 4px; cursor: text; white-space: pre-line; overflow-wrap: anywhere; }
.says.empty { color: var(--soft); font-style: italic; }
.says:hover { background: color-mix(in srgb, var(--tide) 10%, transparent); }
.says:focus-visible, .way:focus-visible, .note:focus-visible { outline: 2px solid var(--tide); outline-offset: 1px; }
.more { display: flex; gap: 4px; }
.note { border-left: 3px solid var(--edge); padding-left: 10px; font-size: 14.5px; max-height: 42vh; overflow: auto; }
.note :deep(.picked) { background: color-mix(in srgb, var(--tide) 16%, transparent); border-radius: 4px; }
.uses { margin: 0; font-size: 14px; color: var(--soft); }
.way { border: 0; background: none; padding: 0; color: var(--link); font: inherit; text-decoration: underline; cursor: pointer; }
</style>
