<script setup lang="ts">
import { NButton, NRadioButton, NRadioGroup } from 'naive-ui'
import { computed } from 'vue'
import { useActions } from '@/actions/useActions'
import { bounds } from '@/api/bounds'
import { lookOf } from '@/board/looks'
import { useBeside } from '@/stores/beside'
import { useMap } from '@/stores/map'
import LookNumber from './LookNumber.vue'
import LookPick from './LookPick.vue'
import NamedLooks from './NamedLooks.vue'
import { useLooks, type Reach } from './lookStore'
import { aligns, captionPlaces, dashes, faces, lines, paints, shapes, slants, tapers, weights } from './vocabulary'

/** How what is chosen looks: each value is set for the topics, for their level or for the whole map, as one asks. */
const map = useMap()
const beside = useBeside()
const looks = useLooks()
const { run } = useActions()

const reaches = computed<{ value: Reach; label: string }[]>(() => [
    { value: 'topics', label: beside.chosen.length === 1 ? 'Topic' : `${beside.chosen.length} topics` },
    { value: 'level', label: looks.levels.length !== 1 ? 'Levels' : looks.levels[0] === 0 ? 'Root' : `Level ${looks.levels[0]}` },
    { value: 'map', label: 'Map' },
])
const painted = computed(() => paints(looks.chalks))
/** How it looks now, for what is inherited. */
const now = computed(() => {
    const slip = map.slips.get(beside.current ?? '')
    return slip === undefined ? null : lookOf(slip)
})
</script>

<template>
    <div class="look">
        <div>
            <span class="words">Say it of</span>
            <NRadioGroup v-model:value="looks.reach" size="small" aria-label="Say it of">
                <NRadioButton v-for="one in reaches" :key="one.value" :value="one.value">{{ one.label }}</NRadioButton>
            </NRadioGroup>
        </div>
        <NamedLooks v-if="looks.reach === 'topics'" />
        <LookPick field="shape" :choices="shapes" />
        <LookPick field="fill" :choices="painted.fill" />
        <LookPick field="edge" :choices="painted.edge" />
        <LookPick field="face" :choices="faces" />
        <LookNumber field="size" :least="bounds.smallestType" :most="bounds.largestType" :inherited="now?.type.size" />
        <LookPick field="weight" :choices="weights" />
        <LookPick field="ink" :choices="painted.ink" />
        <LookNumber field="width" :least="bounds.narrowest" :most="bounds.widest" :step="20" />
        <LookPick field="line" :choices="lines" />
        <details>
            <summary>More of its look</summary>
            <div class="look">
                <LookPick field="slant" :choices="slants" />
                <LookPick field="align" :choices="aligns" />
                <LookPick field="caption" :choices="captionPlaces" />
                <LookNumber field="corner" :least="0" :most="60" :inherited="now?.box.corner" />
                <LookNumber field="edgeThick" :least="1" :most="12" />
                <LookPick field="edgeDash" :choices="dashes" />
                <LookNumber field="lineThick" :least="1" :most="24" />
                <LookPick field="lineTaper" :choices="tapers" />
                <LookPick field="lineDash" :choices="dashes" />
                <LookPick field="lineChalk" :choices="painted.lineChalk" />
                <LookNumber field="gap" :least="0" :most="300" :step="4" :inherited="now?.spacing.gap" />
                <LookNumber field="reach" :least="12" :most="400" :step="4" :inherited="now?.spacing.reach" />
            </div>
        </details>
        <div class="tools">
            <NButton size="tiny" secondary @click="run('look.copy')">Copy the look</NButton>
            <NButton size="tiny" secondary :disabled="looks.copied === null" @click="run('look.give')">Give it</NButton>
            <NButton size="tiny" secondary :disabled="!looks.hasOwn" @click="looks.reset()">Take all away</NButton>
            <NButton size="tiny" secondary @click="run('look.why')">Why does it look so?</NButton>
        </div>
    </div>
</template>

<style scoped>
.look { display: flex; flex-direction: column; gap: 7px; }
.words { display: block; font-size: 13px; color: var(--soft); margin-bottom: 4px; }
summary { font-size: 13px; cursor: pointer; padding: 3px 0 6px; color: var(--soft); }
summary:focus-visible { outline: 2px solid var(--tide); border-radius: 4px; }
.tools { display: flex; flex-wrap: wrap; gap: 6px; margin-top: 4px; }
</style>
