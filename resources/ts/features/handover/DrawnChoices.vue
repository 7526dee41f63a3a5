<script setup lang="ts">
import { NButton, NInput, NSelect } from 'naive-ui'
import { computed, ref } from 'vue'
import { useCamera } from '@/board/cameraStore'
import { useMap } from '@/stores/map'
import ChoiceLines, { type ChoiceLine } from './ChoiceLines.vue'
import { GAPS, useHandOver } from './handOverStore'

/** What is chosen for pictures and for paper: how large, in which colours, on how many sheets, with gaps for a class. */
const handOver = useHandOver()
const map = useMap()
const camera = useCamera()

const isPaper = computed(() => handOver.format.sort === 'paper')
const colours: ChoiceLine = { name: 'Colours', field: 'on', words: [['', 'As on my board'], ['day', 'Day'], ['slate', 'Slate'], ['white', 'On white'], ['ink', 'Black on white, saves ink']] }
const paperColours: ChoiceLine = { ...colours, words: [['', 'On white'], ['ink', 'Black on white, saves ink'], ['day', 'Day'], ['slate', 'Slate']] }

/** Centimetres on paper, or pixels. */
const isOnPaper = computed(() => handOver.choices.millimetres !== undefined)
const pictureSize = computed<ChoiceLine[]>(() => isOnPaper.value
    ? [{ name: 'Width, millimetres', field: 'millimetres', number: [5, 3000], usually: 160 }, { name: 'Dots to the inch', field: 'dpi', number: [36, 1200], usually: 300 }]
    : [{ name: 'Width, pixels', field: 'width', number: [16, 32000], blank: 'twice its size' }])
const pictureLines = computed<ChoiceLine[]>(() => [
    ...(handOver.what === 'area' ? [] : [{ name: 'Margin, pixels', field: 'margin', number: [0, 1000] as const, usually: 32 }]), colours,
    ...(handOver.to === 'jpg' ? [] : [{ name: 'Ground', field: 'ground', ticks: [{ flag: 'bare', name: 'Painted', isLeftOut: true as const }] }]),
])

function measureBy(unit: string): void {
    handOver.set('millimetres', unit === 'paper' ? 160 : null)
    handOver.set(unit === 'paper' ? 'width' : 'dpi', null)
}

const paperLines: ChoiceLine[] = [
    { name: 'Paper', field: 'paper', words: [['a3', 'A3'], ['', 'A4'], ['a5', 'A5'], ['letter', 'Letter'], ['legal', 'Legal']] },
]
const turn = computed(() => (handOver.choices.landscape === true ? 'landscape' : handOver.choices.upright === true ? 'upright' : ''))
function turnTo(way: string): void {
    handOver.set('landscape', way === 'landscape')
    handOver.set('upright', way === 'upright')
}
const size = computed(() => (handOver.choices.points !== undefined ? 'type' : handOver.choices.columns !== undefined || handOver.choices.rows !== undefined ? 'sheets' : ''))
function sizeBy(way: string): void {
    handOver.set('points', way === 'type' ? 10 : null)
    handOver.set('columns', way === 'sheets' ? 3 : null)
    handOver.set('rows', way === 'sheets' ? 3 : null)
}
const sheetLines = computed<ChoiceLine[]>(() => [
    ...(size.value === 'type' ? [{ name: 'Smallest type, pt', field: 'points', number: [4, 96] as const, usually: 10 }] : []),
    ...(size.value === 'sheets' ? [{ name: 'Sheets across', field: 'columns', number: [1, 20] as const, usually: 1 }, { name: 'Sheets down', field: 'rows', number: [1, 20] as const, usually: 1 }] : []),
    ...(size.value === '' ? [] : [
        { name: 'Overlap, mm', field: 'overlap', number: [0, 40] as const, usually: 10 },
        { name: 'To put them together', field: 'together', ticks: [{ flag: 'noMarks', name: 'Marks to cut by', isLeftOut: true as const }, { flag: 'noPlan', name: 'Plan of the sheets', isLeftOut: true as const }] },
    ]),
    paperColours,
])
const byline = ref(String(handOver.choices.byline ?? ''))
const restLines = computed<ChoiceLine[]>(() => [
    { name: 'On each sheet', field: 'line', ticks: [{ flag: 'noMapName', name: 'Name of the map', isLeftOut: true }, { flag: 'noDate', name: 'Day', isLeftOut: true }, { flag: 'noSheetNumber', name: 'Number', isLeftOut: true }] },
    { name: 'Further pages', field: 'further', ticks: [{ flag: 'outline', name: 'Outline' }, { flag: 'notes', name: 'Notes' }, { flag: 'sentences', name: 'Sentences' }] },
    { name: 'Worksheet: gaps for', field: 'gaps', ticks: [{ flag: GAPS, name: map.chosen.length === 1 ? 'The chosen topic' : `The ${map.chosen.length} chosen topics` }, { flag: 'gapPhrases', name: 'All phrases' }, { flag: 'gapWords', name: 'Words set bold' }, ...(hasGaps.value ? [{ flag: 'noKey', name: 'Key as last page', isLeftOut: true as const }] : [])] },
])
const hasGaps = computed(() => [GAPS, 'gapPhrases', 'gapWords'].some((flag) => handOver.choices[flag] === true))

/** What the window shows of the board now. */
function takeWindow(): void {
    const frame = document.querySelector('.board[data-region=board]')?.getBoundingClientRect()
    const [from, to] = frame === undefined ? [] : [camera.handle?.toBoard(frame.left, frame.top), camera.handle?.toBoard(frame.right, frame.bottom)]
    if (from !== undefined && to !== undefined) {
        handOver.takeArea({ x: from.x, y: from.y, w: to.x - from.x, h: to.y - from.y }, camera.boxes)
    }
}
</script>

<template>
    <div class="pair">
        <NButton size="small" secondary @click="takeWindow">As in the window now</NButton>
        <NButton size="small" secondary @click="handOver.isMarking = true">Mark out an area</NButton>
    </div>
    <template v-if="isPaper">
        <ChoiceLines :lines="paperLines" />
        <label class="line"><span>Turned</span><NSelect size="small" :value="turn" :options="[{ value: '', label: 'As it suits the drawing' }, { value: 'upright', label: 'Upright' }, { value: 'landscape', label: 'Across' }]" aria-label="Turned" @update:value="turnTo" /></label>
        <label class="line"><span>Size</span><NSelect size="small" :value="size" :options="[{ value: '', label: 'On one sheet' }, { value: 'sheets', label: 'On so many sheets' }, { value: 'type', label: 'By the size of type' }]" aria-label="Size" @update:value="sizeBy" /></label>
        <ChoiceLines :lines="sheetLines" />
        <label class="line"><span>Name at the foot</span><NInput v-model:value="byline" size="small" :maxlength="120" placeholder="only on paper" :input-props="{ 'aria-label': 'Name at the foot' }" @change="handOver.set('byline', byline.trim() === '' ? null : byline.trim())" /></label>
        <ChoiceLines :lines="restLines" />
    </template>
    <template v-else>
        <label class="line"><span>Measured in</span><NSelect size="small" :value="isOnPaper ? 'paper' : ''" :options="[{ value: '', label: 'Pixels, for screens' }, { value: 'paper', label: 'Millimetres, for paper' }]" aria-label="Measured in" @update:value="measureBy" /></label>
        <ChoiceLines :lines="pictureSize" />
        <ChoiceLines :lines="pictureLines" />
    </template>
</template>

<style scoped>
.pair { display: flex; gap: 8px; }
.line { display: grid; grid-template-columns: 118px minmax(0, 1fr); align-items: center; gap: 8px; font-size: 14px; }
.line > span { color: var(--soft); }
</style>
