<script setup lang="ts">
import { NButton, NInput, NInputNumber, NRadioButton, NRadioGroup, NSelect, NSlider, NSwitch } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import { useActions } from '@/actions/useActions'
import type { Way } from '@/api/wire'
import { useMap } from '@/stores/map'
import DeskSection from '@/desk/DeskSection.vue'
import ActionHint from '@/ui/ActionHint.vue'
import { useSlides } from './slidesStore'

/** What the chosen slide says and how it shows; and the deck as a whole. */
const slides = useSlides()
const map = useMap()
const { run } = useActions()

const current = computed(() => slides.current)
const number = computed(() => slides.slides.findIndex(({ id }) => id === slides.slide) + 1)
const way = computed<Way>(() => (slides.fields.way as Way | null | undefined) ?? 'only')
const hasOn = computed(() => slides.isOn(map.chosen))
const areCovered = computed(() => map.chosen.length > 0 && map.chosen.every((id) => slides.covered.has(id)))

const title = ref('')
const notes = ref('')
let noted: string | null = null
function sayTitle(): void {
    if (current.value !== null && title.value.trim() !== String(slides.fields.title ?? '')) {
        slides.set({ title: title.value.trim() }, current.value.id)
    }
}
function sayNotes(of: string | null = noted): void {
    if (of !== null && notes.value !== known(of)) {
        slides.set({ notes: notes.value }, of)
    }
}
const known = (of: string): string => String([...map.tree.rows.values()].find(({ type, id }) => type === 'slide' && id === of)?.fields.notes ?? '')
watch([() => slides.slide, () => slides.fields.title, () => slides.fields.notes], ([now, , text], [before]) => {
    if (now !== before && before != null) {
        sayNotes(before)
    }
    noted = now
    title.value = String(slides.fields.title ?? '')
    notes.value = String(text ?? '')
}, { immediate: true })
// What is typed when the map or the page is left is kept.
map.beforeLeaving(() => sayNotes())
map.beforeHiding(() => sayNotes())

const minutes = computed(() => (typeof slides.fields.seconds === 'number' ? slides.fields.seconds / 60 : null))
const setMinutes = (value: number | null): void => slides.set({ seconds: value === null ? null : Math.min(36_000, Math.max(1, Math.round(value * 60))) })
const ways = [{ value: 'only', label: 'Only these' }, { value: 'trail', label: 'With the way to the root' }, { value: 'all', label: 'All, the rest dimmed' }]
</script>

<template>
    <section v-if="slides.deck !== null" class="slide-desk" aria-label="Slide">
        <template v-if="current !== null">
            <h2>Slide {{ number }}<small>{{ current.topics.length === 1 ? '1 topic' : `${current.topics.length} topics` }}</small></h2>
            <label><span>Title above it</span><NInput v-model:value="title" size="small" :maxlength="300" :placeholder="current.title === '' ? 'none' : current.title" :input-props="{ 'aria-label': 'Title above the slide', dir: 'auto' }" @blur="sayTitle" @keydown.enter.prevent="sayTitle" /></label>
            <div class="tools">
                <ActionHint id="slide.put"><NButton size="tiny" secondary @click="run('slide.put')">{{ hasOn ? 'Take the chosen off' : 'Put the chosen on' }}</NButton></ActionHint>
                <ActionHint id="slide.alone"><NButton size="tiny" secondary @click="run('slide.alone')">Without what is below</NButton></ActionHint>
                <ActionHint id="slide.fold"><NButton size="tiny" secondary @click="run('slide.fold')">Fold or unfold</NButton></ActionHint>
                <ActionHint id="slide.cover"><NButton size="tiny" secondary @click="run('slide.cover')">{{ areCovered ? 'Uncover' : 'Cover until clicked' }}</NButton></ActionHint>
            </div>
            <label><span>Shows</span><NSelect size="small" :value="way" :options="ways" aria-label="Way of showing" @update:value="(value: Way) => slides.setWay(value)" /></label>
            <label v-if="way === 'all'"><span>Dimmed by</span><NSlider :value="current.dim" :min="0" :max="100" :step="5" :format-tooltip="(value: number) => `${value} %`" aria-label="How much the rest is dimmed" @update:value="(value: number) => slides.set({ dim: value })" /></label>
            <label class="row"><span>Levels below</span><NInputNumber size="small" clearable :value="(slides.fields.depth as number | null | undefined) ?? null" :min="0" :max="1000" :precision="0" :show-button="false" placeholder="all" :input-props="{ 'aria-label': 'Levels below' }" @update:value="(value: number | null) => slides.set({ depth: value })" /></label>
            <div class="row"><span>Frame</span><div class="pair"><ActionHint id="slide.frame"><NButton size="tiny" secondary @click="run('slide.frame')">As on the board</NButton></ActionHint><NButton v-if="slides.isFramed" size="tiny" quaternary @click="slides.fit">Fitted again</NButton></div></div>
            <div class="row"><span>Comes by a</span><NRadioGroup size="small" :value="slides.fields.moves === 'cut' ? 'cut' : 'glide'" aria-label="Transition" @update:value="(value: string) => slides.set({ moves: value === 'cut' ? 'cut' : null })"><NRadioButton value="glide">Glide</NRadioButton><NRadioButton value="cut">Cut</NRadioButton></NRadioGroup></div>
            <label class="row"><span>Minutes</span><NInputNumber size="small" clearable :value="minutes" :min="0.1" :max="600" :step="0.5" :show-button="false" placeholder="by the words" :input-props="{ 'aria-label': 'Minutes' }" @update:value="setMinutes" /></label>
            <label><span>What you say</span><NInput v-model:value="notes" type="textarea" size="small" :autosize="{ minRows: 3, maxRows: 12 }" :maxlength="50000" :placeholder="!current.isOwn && current.notes.length > 0 ? `The note of the topic: ${current.notes.map(({ text }) => text).join(' ').slice(0, 160)}` : 'Notes for yourself'" :input-props="{ 'aria-label': 'What you say', dir: 'auto' }" @blur="sayNotes()" /></label>
        </template>
        <DeskSection name="Deck">
            <div v-if="slides.deck.fields.makes != null" class="row"><span>In step</span><NSwitch size="small" :value="slides.deck.fields.inStep === true" aria-label="In step with the map" @update:value="(on: boolean) => slides.setDeck({ inStep: on })" /></div>
            <div class="row"><span>With gaps</span><NSwitch size="small" :value="slides.deck.fields.gaps === true" aria-label="With gaps" @update:value="(on: boolean) => slides.setDeck({ gaps: on })" /></div>
            <label class="row"><span>Words a minute</span><NInputNumber size="small" clearable :value="(slides.deck.fields.pace as number | null | undefined) ?? null" :min="40" :max="300" :precision="0" :show-button="false" placeholder="120" :input-props="{ 'aria-label': 'Words a minute' }" @update:value="(value: number | null) => slides.setDeck({ pace: value })" /></label>
            <label class="row"><span>Dims into</span><NSelect size="small" :value="(slides.deck.fields.veil as string | null | undefined) ?? ''" :options="[{ value: '', label: 'The board' }, { value: 'black', label: 'Black' }, { value: 'white', label: 'White' }]" aria-label="Colour into which the rest is dimmed" @update:value="(value: string) => slides.setDeck({ veil: value === '' ? null : value })" /></label>
        </DeskSection>
    </section>
</template>

<style scoped>
.slide-desk { display: flex; flex-direction: column; gap: 10px; padding-bottom: 16px; border-bottom: 1px solid var(--edge); }
h2 { font-size: 17px; line-height: 1.3; margin: 4px 0 0; display: flex; justify-content: space-between; align-items: baseline; } h2 small { font-weight: 400; font-size: 13.5px; color: var(--soft); }
label > span, .row > span:first-child { font-size: 13px; color: var(--soft); }
.row { display: grid; grid-template-columns: 90px minmax(0, 1fr); gap: 6px; align-items: center; }
.row .n-switch { justify-self: start; }
.tools, .pair { display: flex; flex-wrap: wrap; gap: 6px; }
</style>
