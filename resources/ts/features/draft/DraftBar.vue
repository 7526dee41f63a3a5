<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { NButton, NCheckbox, NInputNumber, NPopover, NRadioButton, NRadioGroup, NSelect } from 'naive-ui'
import { computed, shallowRef, watch } from 'vue'
import { api } from '@/api/client'
import { latest } from '@/api/latest'
import type { DraftAnswer } from '@/api/wire'
import { useActions } from '@/actions/useActions'
import { useMap } from '@/stores/map'
import { topicName } from '@/text/titleMarkdown'
import { quotations } from '@/text/quoteTyping'
import ActionHint from '@/ui/ActionHint.vue'
import ActionMenu from '@/ui/ActionMenu.vue'
import type { MenuLine } from '@/ui/useMenu'
import DraftCount from './DraftCount.vue'
import DraftLookUps from './DraftLookUps.vue'
import { faces, useDraft } from './draftStore'

/** Above the draft: what branch it is, how many words there are, how the page is set. */
const map = useMap()
const draft = useDraft()
const { run } = useActions()
const asking = latest()
/** How long nothing has to change before words are counted. */
const RESTS = 250
const told = shallowRef<{ at: string; answer: DraftAnswer } | null>(null)

watch([() => map.current, () => draft.top, () => map.seq, () => map.savedState], ([topic, top, , state]) => {
    if (state !== 'saved') {
        return
    }
    const isWanted = asking.begin()
    setTimeout(async () => {
        const at = topic !== null && draft.all.includes(topic) ? topic : top
        // What was written meanwhile is not yet with the server.
        const answer = isWanted() && map.savedState === 'saved' ? await api.draft(map.id, top, at).catch(() => null) : null
        if (isWanted() && answer !== null) {
            told.value = { at, answer }
        }
    }, told.value === null ? 0 : RESTS)
}, { immediate: true })

/** What one does less often, with its keys. */
const MORE: readonly MenuLine[] = ['draft.threads', 'draft.shape', 'draft.plan', 'draft.cast', '-', 'draft.one', 'draft.bare', 'draft.typewriter', '-', 'draft.see', 'draft.put', '-', 'draft.stop', 'draft.wordings', 'draft.returned', 'draft.aside', 'draft.footnote', '-', 'draft.state', 'draft.cut', 'draft.look-up', 'draft.join', '-', 'draft.goals', 'draft.days', 'draft.stopped', 'draft.unstop']

/** Words of what is marked; null where nothing is. */
const marked = shallowRef<number | null>(null)
const counting = latest()
useEventListener(document, 'selectionchange', () => {
    const isWanted = counting.begin()
    const text = draft.hand?.marked() ?? ''
    if (text.trim() === '') {
        marked.value = null
        return
    }
    setTimeout(async () => {
        const answer = isWanted() ? await api.countWords(map.id, text).catch(() => null) : null
        if (isWanted()) {
            marked.value = answer?.words ?? null
        }
    }, RESTS)
})

const name = computed(() => topicName(map.tree.topics.get(draft.top)?.title))
</script>

<template>
    <div class="bar-of-draft">
        <b v-if="draft.top !== map.tree.root" class="name">{{ name }}</b>
        <DraftCount v-if="told !== null" :told="told.answer" :at="told.at" />
        <NRadioGroup class="form" size="small" :value="draft.form" aria-label="Form of the draft" @update:value="(form: 'text' | 'threads' | 'shape') => (draft.form = form)"><NRadioButton value="text">Text</NRadioButton><NRadioButton value="threads">Threads</NRadioButton><NRadioButton value="shape">Shape</NRadioButton></NRadioGroup>
        <span v-if="marked !== null" class="marked" role="status">{{ marked.toLocaleString('en') }} {{ marked === 1 ? 'word' : 'words' }} marked</span>
        <span v-if="draft.form === 'text'" class="tools">
            <DraftLookUps />
            <ActionHint id="draft.hand"><NButton size="small" secondary @mousedown.prevent @click="run('draft.hand')">At hand</NButton></ActionHint>
            <ActionHint id="draft.begin"><NButton size="small" secondary @mousedown.prevent @click="run('draft.begin')">New section</NButton></ActionHint>
            <ActionHint v-if="draft.isOneOnly" id="draft.one"><NButton size="small" secondary type="primary" aria-pressed="true" @mousedown.prevent @click="run('draft.one')">One section</NButton></ActionHint>
            <ActionHint id="draft.stop"><NButton class="of-width" size="small" secondary @mousedown.prevent @click="run('draft.stop')">Stop here</NButton></ActionHint>
            <NPopover trigger="click" placement="bottom-end">
                <template #trigger><NButton size="small" secondary>Page</NButton></template>
                <div class="page-set">
                    <label><span>Typeface</span><NSelect v-model:value="draft.face" size="small" :options="[...faces]" aria-label="Typeface of the draft" /></label>
                    <label><span>Size</span><NInputNumber v-model:value="draft.size" size="small" :min="12" :max="32" :input-props="{ 'aria-label': 'Size of the type, pixels' }" /></label>
                    <label><span>Letters in a line</span><NInputNumber v-model:value="draft.measure" size="small" :min="30" :max="120" :step="2" :input-props="{ 'aria-label': 'Letters in a line' }" /></label>
                    <label><span>Quotes, dashes</span><NSelect v-model:value="draft.language" size="small" :options="[{ value: '', label: 'As typed' }, ...quotations.map(({ value, label }) => ({ value, label }))]" aria-label="Quotes and dashes while typing" /></label>
                    <NCheckbox v-model:checked="draft.isTypewriter">The line stays in the middle</NCheckbox>
                </div>
            </NPopover>
            <ActionHint id="draft.bare"><NButton class="of-width" size="small" secondary @mousedown.prevent @click="run('draft.bare')">Text alone</NButton></ActionHint>
            <ActionMenu :lines="MORE" @select="run"><NButton size="small" secondary @mousedown.prevent>Writing</NButton></ActionMenu>
        </span>
    </div>
</template>

<style scoped>
.bar-of-draft { flex: none; display: flex; flex-wrap: wrap; gap: 4px 12px; align-items: center; padding: 6px 10px 6px 14px; border-bottom: 1px solid var(--edge); font-size: 13.5px; }
.name { max-width: 11em; overflow: hidden; text-overflow: ellipsis; white-space: nowrap; }
.marked { color: var(--soft); font-variant-numeric: tabular-nums; white-space: nowrap; }
.tools { margin-left: auto; display: flex; flex-wrap: wrap; gap: 4px; }
/* What the menu has too, where there is room for one line of buttons. */
@container draft (width < 520px) { .of-width { display: none; } }
.page-set { display: flex; flex-direction: column; gap: 8px; width: 250px; }
.page-set label { display: grid; grid-template-columns: 1fr 130px; align-items: center; gap: 8px; font-size: 14px; }
</style>
