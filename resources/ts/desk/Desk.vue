<script setup lang="ts">
import { NButton, NInput, NRadioButton, NRadioGroup } from 'naive-ui'
import { computed, defineAsyncComponent, nextTick, onMounted, ref, watch } from 'vue'
import { bounds } from '@/api/bounds'
import { useActions } from '@/actions/useActions'
import { useChosenMarks } from '@/stores/chosenMarks'
import { useDrafts } from '@/stores/drafts'
import { useBeside } from '@/stores/beside'
import { sideSeen } from '@/stores/mirror'
import { newId, useMap } from '@/stores/map'
import { usePreferences } from '@/stores/preferences'
import { branchOf, childrenOf } from '@/stores/tree'
import { useTitles } from '@/stores/titles'
import { plainTitle } from '@/text/titleMarkdown'
import { useTyping } from '@/text/typing'
import { useUi } from '@/ui/uiStore'
import { features } from '@/features'
import { deskSections } from '@/features/feature'
import DeskSection from './DeskSection.vue'
import { afterFrame } from '@/ui/afterFrame'

/** What is chosen, and the ways to change it. */
const ChoiceSummary = defineAsyncComponent(() => import('./ChoiceSummary.vue'))
const LargeNote = defineAsyncComponent(() => import('./LargeNote.vue'))
const NoteEditor = defineAsyncComponent(() => import('./NoteEditor.vue'))

/** The note's editor is large; it comes with the first note that there is to read or to write. */
const hasEditor = ref(false)
/** Its many controls are made when the map is seen and keys are answered. */
const isBegun = ref(false)
onMounted(() => afterFrame(() => (isBegun.value = true)))
const hints = features.flatMap((feature) => feature.deskHint ?? [])
const sections = deskSections.map((name) => ({ name, parts: features.flatMap((feature) => feature.desk ?? []).filter((part) => part.in === name) })).filter(({ parts }) => parts.length > 0)
const map = useMap()
const beside = useBeside()
const titles = useTitles()
const ui = useUi()
const { run } = useActions()
const typing = useTyping()
const drafts = useDrafts()
const preferences = usePreferences()
const caption = ref<InstanceType<typeof NInput> | null>(null)
const note = ref<{ focus: () => void } | null>(null)

const topic = computed(() => beside.topic)
const marks = useChosenMarks()
/** What the way of seeing that is turned to has at the desk. */
/** Whether the note is written where one sees the map, so that the desk has none. */
const isNoteElsewhere = computed(() => ui.phoneView !== 'desk' && features.some(({ way }) => way?.id === preferences.way && way.hasNote === true))
const ofWay = computed(() => features.find(({ way }) => way?.id === preferences.way)?.way?.desk)
const ofMarks = computed(() => features.find(({ deskOfMarks }) => deskOfMarks?.type === marks.chosen?.type)?.deskOfMarks?.component)
const title = computed(() => plainTitle(topic.value?.title ?? ''))
const isFirstLevel = computed(() => topic.value?.parent === beside.tree.root && beside.tree.arrangement === 'both-sides')
const side = computed(() => (topic.value?.sideHeld === true ? (topic.value.side == null ? 'auto' : sideSeen(beside.tree, topic.value.side)) : 'auto'))
const below = computed(() => (topic.value === null ? 0 : branchOf(beside.tree, topic.value.id).length - 1))

/** A level is worth a word if it holds one topic and that one has something below it; not while one is typing, and not if it was left so. */
const holdsOne = (id: string): boolean => {
    const [only, ...others] = childrenOf(beside.tree, id)
    return only !== undefined && others.length === 0 && childrenOf(beside.tree, only).length > 0
}
const speaksOfLevels = computed(() => !beside.isTyping && !preferences.levelsLeft.includes(map.id))
const isAlone = computed(() => speaksOfLevels.value && topic.value?.parent != null && childrenOf(beside.tree, topic.value.id).length > 0 && holdsOne(topic.value.parent))
const singles = computed(() => (!speaksOfLevels.value || topic.value === null ? 0 : branchOf(beside.tree, topic.value.id).filter(holdsOne).length))
const leaveLevels = (): void => void (preferences.levelsLeft = [...preferences.levelsLeft.slice(-200), map.id])

const draft = ref('')
let step = newId()
watch(
    () => topic.value?.id,
    (_now, before) => {
        if (before !== undefined) {
            drafts.flush(before, 'caption')
        }
        draft.value = topic.value?.caption ?? ''
        step = newId()
    },
    { immediate: true },
)
watch(() => topic.value?.caption, (now) => topic.value !== null && !drafts.has(topic.value.id, 'caption') && (draft.value = now ?? ''))

function typeCaption(text: string): void {
    draft.value = text
    if (topic.value !== null) {
        drafts.type(topic.value.id, 'caption', text, step)
    }
}

function setSide(to: 'left' | 'right' | 'auto'): void {
    map.edit({ name: 'topic.side', topics: map.chosen.filter((id) => map.tree.topics.get(id)?.parent === map.tree.root), side: to === 'auto' ? null : sideSeen(map.tree, to) })
}

watch(
    () => ui.wantedField,
    async (wanted) => {
        if (wanted === null) {
            return
        }
        preferences.deskFolded = preferences.deskFolded.filter((one) => one !== 'Text')
        await nextTick()
        if (wanted.field === 'caption') {
            caption.value?.focus()
        } else {
            hasEditor.value = true
            // The note's editor may still be on its way.
            for (let tries = 0; note.value === null && tries < 40; tries++) {
                await new Promise((resolve) => setTimeout(resolve, 50))
            }
            note.value?.focus()
        }
        ui.wantedField = null
    },
    { immediate: true },
)

/** The caret goes to the end of the note, and back to the map when it closes. */
watch(() => topic.value?.id, () => (ui.isNoteLarge = false))
</script>

<template>
    <section class="desk" data-focus="desk" aria-label="Desk" @keydown.escape.stop="ui.focusRegion(map.region)">
        <component :is="ofWay" v-if="ofWay !== undefined && isBegun" />
        <template v-if="beside.chosen.length > 1">
            <ChoiceSummary />
            <component :is="hint" v-for="(hint, i) in hints" :key="i" />
        </template>
        <template v-else-if="topic !== null">
            <header>
                <h2 :class="{ empty: title === '' }">{{ title === '' ? 'Untitled topic' : title }}</h2>
                <p>{{ below === 0 ? 'nothing below it' : below === 1 ? '1 topic below it' : `${below} topics below it` }}</p>
                <NButton v-if="!beside.isTyping" size="tiny" secondary @click="titles.begin(topic.id)">Change the title</NButton>
                <NButton v-else size="tiny" secondary @pointerdown.prevent @mousedown.prevent @click="titles.split(typing.halves())">Break in two at the caret</NButton>
                <p v-if="isAlone" class="hint">It stands alone on its level. <NButton text type="primary" size="tiny" @click="map.edit({ name: 'level.dissolve', topics: [topic.id] })">Remove this level</NButton> <NButton text size="tiny" @click="leaveLevels">Leave it so in this map</NButton></p>
                <p v-else-if="singles > 0" class="hint">{{ singles === 1 ? '1 level below holds' : `${singles} levels below hold` }} a single topic. <NButton text type="primary" size="tiny" @click="run('change.levels')">Remove</NButton> <NButton text size="tiny" @click="leaveLevels">Leave it so in this map</NButton></p>
                <component :is="hint" v-for="(hint, i) in hints" :key="i" />
            </header>

            <DeskSection name="Text">
                <label class="field">
                    <span>Caption</span>
                    <NInput ref="caption" :value="draft" placeholder="A short second line" :maxlength="bounds.caption" size="small" :input-props="{ 'aria-label': 'Caption', dir: 'auto' }" @update:value="typeCaption" @blur="drafts.flush(topic.id, 'caption')" />
                </label>

                <div v-if="!isNoteElsewhere || ui.isNoteLarge" class="field note">
                    <NoteEditor v-if="!ui.isNoteLarge && (hasEditor || topic.note !== '')" ref="note" :topic="topic.id" :note="topic.note" @large="ui.isNoteLarge = true" @vue:mounted="hasEditor = true" />
                    <NButton v-else-if="!ui.isNoteLarge" size="small" secondary block @click="ui.focusDesk('note')">Write a note</NButton>
                    <LargeNote v-if="ui.isNoteLarge" :topic="topic.id" :note="topic.note" :title="title" />
                </div>
            </DeskSection>
        </template>
        <component :is="ofMarks" v-if="topic === null && ofMarks !== undefined" />
        <p v-else-if="topic === null" class="nothing">Choose a topic on the board or in the outline, and what belongs to it appears here.</p>
        <DeskSection v-for="section in topic === null ? [] : sections" :key="section.name" :name="section.name">
            <div v-if="section.name === 'Look' && isFirstLevel && beside.chosen.length === 1" class="field">
                <span>Side of the root</span>
                <NRadioGroup :value="side" size="small" aria-label="Side of the root" @update:value="setSide">
                    <NRadioButton value="left">Left</NRadioButton>
                    <NRadioButton value="auto">Either</NRadioButton>
                    <NRadioButton value="right">Right</NRadioButton>
                </NRadioGroup>
            </div>
            <component :is="part.component" v-for="(part, i) in isBegun ? section.parts : []" :key="i" />
        </DeskSection>
    </section>
</template>

<style scoped>
.desk { height: 100%; overflow: auto; padding: 14px 14px 24px; box-sizing: border-box; display: flex; flex-direction: column; gap: 16px; }
header h2 { font-size: 17px; line-height: 1.3; margin: 0; overflow-wrap: anywhere; display: -webkit-box; -webkit-line-clamp: 4; line-clamp: 4; -webkit-box-orient: vertical; overflow: hidden; }
header h2.empty { color: var(--soft); font-style: italic; }
header p { margin: 2px 0 8px; color: var(--soft); font-size: 13px; }
.desk :deep(.hint) { margin: 6px 0 0; padding-left: 8px; border-left: 3px solid var(--marigold); color: var(--ink); }
.field > span { display: block; font-size: 13px; color: var(--soft); margin-bottom: 4px; }
.field.note { display: flex; flex-direction: column; }
.nothing { color: var(--soft); }
</style>
