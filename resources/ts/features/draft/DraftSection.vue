<script setup lang="ts">
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue'
import type { Edit } from '@/api/wire'
import { followNote } from '@/desk/followNote'
import { useMap } from '@/stores/map'
import { childrenOf } from '@/stores/tree'
import { isFormatted, stillNote } from '@/text/stillNote'
import DraftSource from './DraftSource.vue'
import DraftText from './DraftText.vue'
import { useDraft, type State } from './draftStore'
import { useHand } from './hand/handStore'

/** A section of the draft: its heading, and its text, which becomes an editor where one begins to write. */
const props = defineProps<{ topic: string }>()
defineEmits<{ moved: [top: number, bottom: number] }>()

const map = useMap()
const draft = useDraft()
const atHand = useHand()
const its = computed(() => map.tree.topics.get(props.topic))
const title = ref('')
const heading = useTemplateRef<HTMLInputElement>('heading')
// What is being typed stays, whatever comes meanwhile.
watch(() => its.value?.title, (now) => document.activeElement !== heading.value && (title.value = now ?? ''), { immediate: true })
const level = computed(() => Math.min(6, draft.levelOf(props.topic) + 1))
/** What has sections below need say nothing itself. */
const isAbove = computed(() => childrenOf(map.tree, props.topic).length > 0)
const isCut = computed(() => draft.isCut(props.topic))
const told: readonly (readonly [State, string])[] = [['idea', 'idea'], ['drafted', 'drafted'], ['revised', 'revised'], ['cut', 'cut, not counted'], ['look-up', 'look up'], ['used', 'used']]
const states = computed(() => told.flatMap(([state, words]) => (draft.isStamped(props.topic, state) ? [words] : [])))
const isLive = computed(() => draft.at === props.topic)
const isKept = computed(() => isFormatted(its.value?.note ?? ''))

const still = useTemplateRef<HTMLElement>('still')
watch([still, () => its.value?.note, isKept], ([element, note]) => {
    if (element !== null) {
        element.replaceChildren(isKept.value ? stillNote(note ?? '') : note ?? '')
    }
}, { flush: 'post' })

/** A click puts the caret where it was made; what was drawn over with the mouse stays chosen. */
function enter(event: MouseEvent): void {
    // No link leads away from the text but by Ctrl.
    event.preventDefault()
    if (followNote(event, () => undefined, (there) => atHand.see(there))) {
        return
    }
    const range = getSelection()?.rangeCount === 1 ? getSelection()?.getRangeAt(0) : undefined
    const rects = range === undefined || range.collapsed || still.value?.contains(range.commonAncestorContainer) !== true ? [] : [...range.getClientRects()]
    const [first, last] = [rects[0], rects.at(-1)]
    const caret = first === undefined || last === undefined ? { x: event.clientX, y: event.clientY } : { x: first.left, y: (first.top + first.bottom) / 2, toX: last.right, toY: (last.top + last.bottom) / 2 }
    draft.enter(props.topic, caret)
}

watch(() => draft.wanted, (wanted) => {
    if (wanted?.topic === props.topic && wanted.caret === 'title') {
        draft.wanted = null
        void nextTick(() => heading.value?.focus())
    }
}, { immediate: true })

function keep(): void {
    if (title.value !== its.value?.title) {
        map.edit({ name: 'topic.retitle', topic: props.topic, title: title.value.trim() } as Edit)
    }
}
function key(event: KeyboardEvent): void {
    const at = heading.value?.selectionStart
    const acts: Record<string, () => void> = {
        Enter: () => draft.enter(props.topic, 'start'), ArrowDown: () => draft.enter(props.topic, 'start'), ArrowUp: () => void draft.step(props.topic, -1), Escape: () => {
            title.value = its.value?.title ?? ''
            draft.enter(props.topic, 'start')
        },
    }
    const act = event.shiftKey || event.ctrlKey || event.metaKey || event.altKey || event.isComposing || (event.key === 'ArrowUp' && at !== 0 && at === undefined) ? undefined : acts[event.key]
    if (act !== undefined) {
        event.preventDefault()
        event.stopPropagation()
        act()
    }
}
</script>

<template>
    <section v-if="its !== undefined" class="section" :class="[`level-${level}`, { cut: isCut }]" :aria-label="title === '' ? 'Untitled' : title" :data-section="topic">
        <div class="heading" role="heading" :aria-level="level">
            <input ref="heading" v-model="title" :maxlength="2000" aria-label="Heading" placeholder="Untitled" dir="auto" spellcheck="true" @focus="map.choose(topic)" @blur="keep" @keydown="key" />
            <span v-for="state in states" :key="state" class="state">{{ state }}</span>
        </div>
        <template v-if="isLive">
            <DraftText v-if="isKept" :topic="topic" :note="its.note" @moved="(top, bottom) => $emit('moved', top, bottom)" />
            <DraftSource v-else :topic="topic" :note="its.note" />
        </template>
        <div v-else ref="still" class="still note-text" :class="{ source: !isKept, empty: its.note === '', above: isAbove }" dir="auto" @click="enter" />
    </section>
</template>

<style scoped>
.section { padding: 0 0 1.1em; }
.heading input { width: 100%; border: 0; background: none; color: var(--ink); font: inherit; font-weight: 700; padding: 0; outline: none; text-overflow: ellipsis; border-radius: 3px; }
.heading input::placeholder { color: var(--soft); font-style: italic; }
.heading input:focus-visible { box-shadow: 0 2px 0 var(--tide); }
.heading { display: flex; gap: 10px; align-items: baseline; margin: 0 0 .35em; }
.state { flex: none; color: var(--soft); font: 13.5px 'Atkinson Hyperlegible', sans-serif; border: 1px solid var(--edge); border-radius: 5px; padding: 0 6px; }
.cut .heading input { color: var(--soft); text-decoration: line-through; }
.cut .note-text { color: var(--soft); }
.cut :deep(.note-text) { color: var(--soft); }
.level-1 > .heading { font-size: 1.7em; }
.level-2 > .heading { font-size: 1.35em; margin-top: 1.2em; }
.level-3 > .heading { font-size: 1.12em; }
.still { min-height: 1.6em; cursor: text; }
.still.empty.above { min-height: .6em; }
.still.empty:not(.above)::before { content: 'Nothing written yet'; color: var(--soft); font-style: italic; }
.still.source { white-space: pre-wrap; font-family: 'JetBrains Mono', monospace; font-size: .85em; }
</style>
