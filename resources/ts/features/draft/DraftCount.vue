<script setup lang="ts">
import { NButton, NInputNumber, NPopover } from 'naive-ui'
import { computed, nextTick, useTemplateRef, watch } from 'vue'
import type { DraftAnswer, Edit } from '@/api/wire'
import { useMap } from '@/stores/map'
import { childrenOf, rowOf } from '@/stores/tree'
import { topicName } from '@/text/titleMarkdown'
import { useDraft } from './draftStore'

/** How many words there are of a section, its chapter and the draft, and of how many: the goals are set where they are shown. */
const props = defineProps<{ told: DraftAnswer; at: string }>()
const map = useMap()
const draft = useDraft()
const MOST = 10_000_000

interface Part { readonly topic: string; readonly name: string; readonly label: string; readonly words: number; readonly goal: number | null }
const goalOf = (topic: string): number | null => Number(rowOf(map.tree, 'goal', topic)?.fields.words ?? 0) || null
const part = (topic: string, name: string, label: string, words: number): Part => ({ topic, name, label, words, goal: goalOf(topic) })
/** A section that has others below it is as long as they are, which its own words do not tell. */
const parts = computed<readonly Part[]>(() => {
    const { told } = props
    const at = map.tree.topics.has(props.at) ? props.at : draft.top
    const isOwn = at !== draft.top && at !== told.chapter?.topic && childrenOf(map.tree, at).length === 0
    const chapter = told.chapter === null ? null : told.chapter.title === '' ? 'Untitled' : told.chapter.title
    return [
        ...(isOwn ? [part(at, 'Section', `“${topicName(map.tree.topics.get(at)?.title)}”`, told.section)] : []),
        ...(told.chapter === null || chapter === null ? [] : [part(told.chapter.topic, `“${chapter}”`, `“${chapter}”`, told.chapter.words)]),
        part(draft.top, '', draft.top === map.tree.root ? 'All of it' : `“${topicName(map.tree.topics.get(draft.top)?.title)}”`, told.all),
    ]
})
const sectionAlone = computed(() => !parts.value.some(({ name }) => name === 'Section'))

const count = (number: number): string => number.toLocaleString('en')
const of = ({ topic, words, goal }: Part): string => `${count(words)}${goal === null ? '' : ` of ${count(goal)}`}${topic !== draft.top ? '' : words === 1 && goal === null ? ' word' : ' words'}`
const isMet = ({ words, goal }: Part): boolean => goal !== null && words >= goal
const share = ({ words, goal }: Part): string => `${goal === null ? 0 : Math.min(100, Math.round((words / goal) * 100))}%`
const time = (minutes: number): string => (minutes < 60 ? `${minutes} min` : `${Math.floor(minutes / 60)} h ${minutes % 60} min`)
const times = computed(() => `${time(props.told.reading)} to read, ${time(props.told.speaking)} to read aloud`)

/** What is to be written on a day, of the draft as a whole. */
const daily = computed(() => Number(rowOf(map.tree, 'goal', draft.top)?.fields.daily ?? 0) || null)
const today = computed<Part | null>(() => (daily.value === null && props.told.today === 0 ? null : { topic: 'today', name: 'Today', label: 'Each day', words: props.told.today, goal: daily.value }))
function setDaily(words: number | null): void {
    if (words !== daily.value) {
        map.edit({ name: 'row.set', type: 'goal', topics: [draft.top], fields: { daily: words } } as Edit)
    }
}

function set({ topic, goal }: Part, words: number | null): void {
    if (words !== goal) {
        map.edit({ name: 'row.set', type: 'goal', topics: [topic], fields: { words } } as Edit)
    }
}
// By the key one types at once.
const goals = useTemplateRef<HTMLElement>('goals')
let back = (): void => undefined
watch(() => draft.isSettingGoals, (is) => {
    if (is) {
        back = draft.wayBack()
        void nextTick(() => goals.value?.querySelector('input')?.select())
    }
})
/** The caret goes back to where it was. */
function leave(): void {
    draft.isSettingGoals = false
    back()
}
</script>

<template>
    <NPopover trigger="click" placement="bottom-start" :show="draft.isSettingGoals" @update:show="(is: boolean) => (draft.isSettingGoals = is)">
        <template #trigger>
            <NButton class="count" size="small" quaternary :title="`${times}. Click to set goals.`" @mousedown.prevent>
                <span class="parts" role="status">
                    <span v-if="sectionAlone" class="part">Section {{ count(told.section) }}</span>
                    <span v-for="one in [...parts, ...(today === null ? [] : [today])]" :key="one.topic" class="part" :class="{ aimed: one.goal !== null, met: isMet(one) }" :style="{ '--share': share(one) }"><span v-if="one.name !== ''" class="name">{{ one.name }}</span><span>{{ of(one) }}</span></span>
                    <span v-if="told.all > 0" class="time">{{ time(told.reading) }} to read</span>
                </span>
            </NButton>
        </template>
        <div ref="goals" class="goals" role="group" aria-label="Goals of words" @keydown.escape.stop.prevent="leave" @keydown.enter="nextTick(leave)">
            <label v-for="one in parts" :key="one.topic">
                <span>{{ one.label }}</span>
                <NInputNumber size="small" clearable :value="one.goal" :min="1" :max="MOST" :precision="0" :step="100" placeholder="no goal" :input-props="{ 'aria-label': `Goal of words for ${one.label}` }" @update:value="(words: number | null) => set(one, words)" />
            </label>
            <label>
                <span>Each day</span>
                <NInputNumber size="small" clearable :value="daily" :min="1" :max="MOST" :precision="0" :step="100" placeholder="no goal" :input-props="{ 'aria-label': 'Goal of words for each day' }" @update:value="setDaily" />
            </label>
            <p>{{ times }}</p>
        </div>
    </NPopover>
</template>

<style scoped>
.count { height: auto; min-height: 28px; max-width: 100%; margin-left: -10px; color: var(--soft); font-variant-numeric: tabular-nums; }
.count :deep(.n-button__content) { min-width: 0; white-space: normal; }
.parts { display: flex; flex-wrap: wrap; gap: 2px 10px; white-space: normal; }
.part { display: inline-flex; gap: 4px; padding-bottom: 2px; border-bottom: 2px solid transparent; }
.part.aimed { background: linear-gradient(var(--tide), var(--tide)) left bottom / var(--share) 2px no-repeat, linear-gradient(var(--edge), var(--edge)) left bottom / 100% 2px no-repeat; border: 0; padding-bottom: 4px; }
.part.met { color: var(--ink); }
.name { max-width: 12em; overflow: hidden; text-overflow: ellipsis; white-space: nowrap; }
.goals { display: flex; flex-direction: column; gap: 8px; width: 270px; }
.goals label { display: grid; grid-template-columns: minmax(0, 1fr) 130px; align-items: center; gap: 8px; font-size: 14px; }
.goals label span { overflow-wrap: anywhere; }
.goals p { margin: 2px 0 0; color: var(--soft); font-size: 13px; }
/* Where all of the bar but for this stands in one line; the goals tell it too. */
@container draft (width < 800px) { .time { display: none; } }
</style>
