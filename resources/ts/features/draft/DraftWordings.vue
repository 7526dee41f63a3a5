<script setup lang="ts">
import { NButton, NInput, NModal } from 'naive-ui'
import { computed, ref, shallowRef, watch } from 'vue'
import { api } from '@/api/client'
import { latest } from '@/api/latest'
import type { Edit, WordingAnswer } from '@/api/wire'
import { dayWords, today } from '@/facts/facts'
import { newId, useMap } from '@/stores/map'
import { rowsOf } from '@/stores/tree'
import { topicName } from '@/text/titleMarkdown'
import { useDraft } from './draftStore'

/** What a section said once, kept under names: laid beside what it says now, word by word, and taken back. */
const map = useMap()
const draft = useDraft()
const topic = computed(() => draft.wordingsOf)
const note = computed(() => (topic.value === null ? '' : map.tree.topics.get(topic.value)?.note ?? ''))
const kept = computed(() => rowsOf(map.tree, 'wording').filter(({ fields }) => fields.at === topic.value).map(({ id, fields }) => ({ id, name: String(fields.name ?? 'Untitled'), on: String(fields.on ?? ''), text: String(fields.text ?? '') })).reverse())
const name = ref('')
const at = ref<string | null>(null)
const told = shallowRef<WordingAnswer | null>(null)
const problem = ref('')
const asking = latest()

watch(topic, (now) => {
    if (now !== null) {
        name.value = ''
        at.value = kept.value[0]?.id ?? null
    }
})
watch([topic, at, note, () => map.savedState], async ([now, wording, , state]) => {
    if (now === null || wording === null || state !== 'saved') {
        told.value = wording === null ? null : told.value
        return
    }
    const isWanted = asking.begin()
    const answer = await api.wording(map.id, wording).catch((error: unknown) => error as Error)
    if (isWanted()) {
        told.value = answer instanceof Error ? null : answer
        problem.value = answer instanceof Error ? answer.message : ''
    }
}, { immediate: true })

function keep(): void {
    if (topic.value !== null && note.value.trim() !== '') {
        const id = newId()
        map.edit({ name: 'row.set', type: 'wording', row: id, fields: { at: topic.value, name: name.value.trim() === '' ? `As of ${dayWords(today())}` : name.value.trim().slice(0, 60), text: note.value, on: today() } } as Edit)
        name.value = ''
        at.value = id
    }
}
function takeBack(): void {
    const one = kept.value.find(({ id }) => id === at.value)
    if (one !== undefined && topic.value !== null) {
        map.edit({ name: 'topic.note', topics: [topic.value], note: one.text } as Edit)
        draft.leaveWordings()
    }
}
function forget(): void {
    if (at.value !== null) {
        const id = at.value
        at.value = kept.value.find((one) => one.id !== id)?.id ?? null
        map.edit({ name: 'row.remove', type: 'wording', rows: [id] } as Edit)
    }
}
const isSame = computed(() => told.value?.pieces.every(({ what }) => what === 'same') === true)
</script>

<template>
    <NModal :show="topic !== null" preset="card" class="wordings" :style="{ width: 'min(760px, 94vw)' }" :title="`Wordings of “${topicName(map.tree.topics.get(topic ?? '')?.title)}”`" :on-esc="draft.leaveWordings" :on-mask-click="draft.leaveWordings" :on-close="draft.leaveWordings">
        <form class="keep" @submit.prevent="keep">
            <NInput v-model:value="name" :maxlength="60" placeholder="A name for what it says now" :input-props="{ 'aria-label': 'Name of the wording' }" autofocus />
            <NButton attr-type="submit" secondary :disabled="note.trim() === ''">Keep what it says now</NButton>
        </form>
        <p v-if="kept.length === 0" class="soft">{{ note.trim() === '' ? 'Nothing is written here yet.' : 'Nothing is kept yet. What is kept stays with the map, whatever becomes of the text.' }}</p>
        <div v-else class="both">
            <ul role="listbox" aria-label="Kept wordings">
                <li v-for="one in kept" :key="one.id">
                    <button type="button" role="option" :aria-selected="one.id === at" :class="{ at: one.id === at }" @click="at = one.id" @focus="at = one.id"><b>{{ one.name }}</b><span v-if="one.on !== ''">{{ dayWords(one.on) }}</span></button>
                </li>
            </ul>
            <div class="beside">
                <p v-if="problem !== ''" role="alert">{{ problem }}</p>
                <template v-else-if="told !== null">
                    <p class="soft">{{ told.was.toLocaleString('en') }} words then, {{ told.is.toLocaleString('en') }} now<template v-if="isSame">; nothing is otherwise</template><template v-else>: <del>only then</del>, <ins>only now</ins></template></p>
                    <div class="text" dir="auto" tabindex="0" aria-label="The two wordings"><component :is="piece.what === 'same' ? 'span' : piece.what === 'gone' ? 'del' : 'ins'" v-for="(piece, i) in told.pieces" :key="i">{{ piece.text }}</component></div>
                    <div class="acts">
                        <NButton size="small" secondary :disabled="isSame" @click="takeBack">Take this wording back</NButton>
                        <NButton size="small" quaternary @click="forget">Forget it</NButton>
                    </div>
                </template>
            </div>
        </div>
    </NModal>
</template>

<style scoped>
.keep { display: flex; gap: 8px; margin-bottom: 12px; }
.soft { color: var(--soft); margin: 0 0 8px; font-size: 14px; }
.both { display: grid; grid-template-columns: 190px minmax(0, 1fr); gap: 16px; }
ul { list-style: none; margin: 0; padding: 0; max-height: 52vh; overflow: auto; }
li button { width: 100%; display: flex; flex-direction: column; gap: 1px; padding: 6px 8px; border: 0; border-inline-start: 3px solid transparent; background: none; color: var(--ink); font: inherit; text-align: start; cursor: pointer; }
li button.at { border-color: var(--tide); background: color-mix(in srgb, var(--tide) 12%, transparent); }
li button:focus-visible { outline: 2px solid var(--tide); outline-offset: -2px; }
li b { font-weight: 600; overflow-wrap: anywhere; }
li span { color: var(--soft); font-size: 13px; }
.text { max-height: 44vh; overflow: auto; white-space: pre-wrap; overflow-wrap: anywhere; font-family: 'Literata', serif; line-height: 1.55; padding-right: 6px; }
del { color: var(--ember); background: color-mix(in srgb, var(--ember) 10%, transparent); }
ins { color: var(--kelp); background: color-mix(in srgb, var(--kelp) 14%, transparent); text-decoration-thickness: 1px; text-underline-offset: 3px; }
.acts { display: flex; gap: 8px; margin-top: 12px; }
@media (width < 640px) { .both { grid-template-columns: 1fr; } ul { max-height: 20vh; } .keep { flex-direction: column; } }
</style>
