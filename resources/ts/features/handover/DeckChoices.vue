<script setup lang="ts">
import { NSelect } from 'naive-ui'
import { computed } from 'vue'
import { useMap } from '@/stores/map'
import { topicName } from '@/text/titleMarkdown'
import ChoiceLines, { type ChoiceLine } from './ChoiceLines.vue'
import { useHandOver } from './handOverStore'

/** Which slides go along, and how many stand on a page. */
const handOver = useHandOver()
const map = useMap()

const BRANCH = 'branch'
const decks = computed(() => [...map.tree.rows.values()].filter(({ type }) => type === 'deck').map(({ id, fields }) => ({ value: id, label: String(fields.name ?? '') === '' ? 'Slides' : String(fields.name) })).sort((a, b) => a.label.localeCompare(b.label)))
const options = computed(() => [...decks.value, { value: BRANCH, label: `Each part of “${topicName(map.tree.topics.get(handOver.branch)?.title)}”` }])
const deck = computed(() => {
    const asked = String(handOver.choices.deck ?? '')
    const known = decks.value.find(({ value, label }) => value === asked || label === asked)
    return handOver.what === 'branch' && asked === '' ? BRANCH : (known?.value ?? decks.value[0]?.value ?? BRANCH)
})
function take(value: string): void {
    handOver.set('deck', value === BRANCH ? null : value)
    handOver.set('what', value === BRANCH ? 'branch' : 'map')
}

const pages = computed(() => (handOver.choices.notes === true ? 'notes' : String(handOver.choices.per ?? '')))
function setPages(value: string): void {
    handOver.set('notes', value === 'notes')
    handOver.set('per', value === '' || value === 'notes' ? null : Number(value))
}
const lines = computed<ChoiceLine[]>(() => [
    ...(handOver.to === 'slides-png' ? [{ name: 'Width, pixels', field: 'width', number: [160, 8000] as const, usually: 1920 }] : []),
    { name: 'Colours', field: 'on', words: [['', 'As on my board'], ['day', 'Day'], ['slate', 'Slate'], ['white', 'On white'], ...(handOver.to === 'slides-html' ? [] : [['ink', 'Black on white, saves ink'] as const])] },
])
</script>

<template>
    <label class="line"><span>Slides</span><NSelect size="small" :value="deck" :options="options" aria-label="Deck" @update:value="take" /></label>
    <label v-if="handOver.to === 'slides-pdf'" class="line"><span>Pages</span><NSelect size="small" :value="pages" :options="[{ value: '', label: 'One slide a page' }, { value: 'notes', label: 'With what you say' }, { value: '2', label: 'Two a page' }, { value: '3', label: 'Three, with lines to write on' }, { value: '4', label: 'Four a page' }, { value: '6', label: 'Six a page' }, { value: '9', label: 'Nine a page' }]" aria-label="Pages" @update:value="setPages" /></label>
    <ChoiceLines :lines="lines" />
</template>

<style scoped>
.line { display: grid; grid-template-columns: 118px minmax(0, 1fr); align-items: center; gap: 8px; font-size: 14px; }
.line > span { color: var(--soft); }
</style>
