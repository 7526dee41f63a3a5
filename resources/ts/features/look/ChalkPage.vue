<script setup lang="ts">
import { NButton, NRadioButton, NRadioGroup, NSelect } from 'naive-ui'
import { computed, defineAsyncComponent, ref } from 'vue'
import { useBeside } from '@/stores/beside'
import { rowOf } from '@/stores/tree'
import { useTrayDrag } from '@/tray/useTrayDrag'
import { useLooks } from './lookStore'
import { chalks } from './vocabulary'

const ChalkMixer = defineAsyncComponent(() => import('./ChalkMixer.vue'))

/** The chalks: a click begins one for the branches of what is chosen, another click ends it; or drag one onto any topic. */
const beside = useBeside()
const looks = useLooks()

/** The chalk that is being mixed; without a row a new one. */
const mixing = ref<{ row: string | null } | null>(null)

const ways = [{ value: 'branch', label: 'By branch' }, { value: 'level', label: 'By level' }, { value: 'one', label: 'One for all' }]
const way = computed(() => String(looks.mapLook?.fields.chalks ?? 'branch'))
const isOn = (name: string): boolean => beside.chosen.length > 0 && beside.chosen.every((id) => rowOf(beside.tree, 'look', id)?.fields.chalk === name)

/** 1 to 9 and 0 put on the chalk at their place. */
function digit(event: KeyboardEvent): void {
    const chalk = chalks[(Number(event.key) + 9) % 10]
    if (/^\d$/.test(event.key) && chalk !== undefined && beside.chosen.length > 0) {
        event.preventDefault()
        looks.chalk(chalk.value)
    }
}

const { press, release, isClick } = useTrayDrag((name: string, topic) => looks.chalk(name, [topic]))
function click(name: string): void {
    if (beside.chosen.length > 0 && isClick()) {
        looks.chalk(name)
    }
}
</script>

<template>
    <ChalkMixer v-if="mixing !== null" :key="mixing.row ?? ''" :row="mixing.row" @close="mixing = null" />
    <div v-if="mixing === null" class="chalks" @keydown="digit">
        <button
            v-for="(chalk, i) in looks.chalks" :key="chalk.value" class="chalk" :aria-pressed="isOn(chalk.value)" :class="{ on: isOn(chalk.value) }" :aria-label="`Chalk ${chalk.label}`"
            @pointerdown="press(chalk.value, $event)" @pointerup="release" @click="click(chalk.value)">
            <i :style="{ background: `var(--${chalk.value})` }" /><span>{{ chalk.label }}</span><kbd v-if="i < 10">{{ (i + 1) % 10 }}</kbd>
        </button>
    </div>
    <div v-if="mixing === null" class="ways">
        <span>Where nothing else is said</span>
        <NRadioGroup :value="way" size="small" aria-label="How topics come by their chalks" @update:value="(chalks: string) => looks.setOfMap({ chalks })">
            <NRadioButton v-for="one in ways" :key="one.value" :value="one.value">{{ one.label }}</NRadioButton>
        </NRadioGroup>
        <NSelect v-if="way === 'one'" class="one" size="small" :value="String(looks.mapLook?.fields.chalk ?? 'tide')" :options="looks.chalks.map(({ value, label }) => ({ value, label }))" aria-label="Chalk for all" :input-props="{ 'aria-label': 'Chalk for all' }" @update:value="(chalk: string) => looks.setOfMap({ chalk })" />
        <span class="space" />
        <NButton v-for="row in looks.mixed" :key="row.id" text type="primary" size="small" @click="mixing = { row: row.id }">Mix {{ row.fields.name }} anew</NButton>
        <NButton size="small" secondary :aria-expanded="mixing !== null" @click="mixing = { row: null }">Mix a chalk</NButton>
    </div>
</template>

<style scoped>
.chalks { display: flex; flex-wrap: wrap; gap: 6px; }
.chalk { display: flex; align-items: center; gap: 7px; padding: 5px 9px; border: 1px solid var(--edge); border-radius: 8px; background: var(--slip); color: var(--ink); font: 14px 'Atkinson Hyperlegible'; cursor: grab; touch-action: none; }
.chalk i { width: 22px; height: 9px; border-radius: 4px 2px 5px 3px; }
.chalk:hover, .chalk:focus-visible { outline: 2px solid var(--tide); }
.chalk.on { box-shadow: inset 0 -3px 0 var(--tide); font-weight: 700; }
kbd { font: 11.5px 'Atkinson Hyperlegible'; color: var(--soft); }
.one { width: 130px; }
.space { flex: 1; }
.ways { display: flex; flex-wrap: wrap; align-items: center; gap: 10px; margin-top: 10px; font-size: 13px; color: var(--soft); }
</style>
