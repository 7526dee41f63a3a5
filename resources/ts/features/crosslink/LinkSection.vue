<script setup lang="ts">
import { NButton, NInput, NInputNumber, NRadioButton, NRadioGroup, NSelect } from 'naive-ui'
import { computed, h, ref, watch, type VNodeChild } from 'vue'
import { useActions } from '@/actions/useActions'
import { paint } from '@/board/Parts'
import { useChalks } from '@/stores/chalks'
import { useChosenMarks } from '@/stores/chosenMarks'
import { useLinks } from './linkStore'

/** The chosen cross-links at the desk: what they tie and say, and how they look. With several, each control sets all. */
const links = useLinks()
const marks = useChosenMarks()
const chalks = useChalks()
const { run } = useActions()

const all = computed(() => links.chosen.flatMap((id) => links.find(id) ?? []))
const single = computed(() => (all.value.length === 1 ? all.value[0] : undefined))
/** What all have in common; undefined where they differ. */
function common(field: string): string | number | null | undefined {
    const said = new Set(all.value.map(({ fields }) => fields[field] ?? null))
    const only = [...said][0]
    return said.size !== 1 || typeof only === 'boolean' ? undefined : (only ?? null)
}
/** For controls that have no "nothing": the word that stands for it. */
const picked = (field: string, blank: string): string | null => {
    const value = common(field)
    return value === undefined ? null : String(value ?? blank)
}
const number = (field: string): number | null => (typeof common(field) === 'number' ? Number(common(field)) : null)
const setNumber = (field: string, value: number | null): void => links.set({ [field]: value === null ? null : Math.round(value) })
const pick = (field: string, blank: string, value: string): void => links.set({ [field]: value === blank ? null : value })

const phrase = ref('')
watch([() => single.value?.id, () => single.value?.phrase], () => (phrase.value = single.value?.phrase ?? ''), { immediate: true })
function say(): void {
    if (single.value !== undefined && phrase.value.trim() !== single.value.phrase) {
        links.set({ phrase: phrase.value.trim() })
    }
}
const render = ({ value, label }: { value?: string; label?: string }): VNodeChild => h('span', { class: 'look-option' }, [h('i', { class: 'swatch', style: { background: paint(`chalk:${value ?? ''}`) } }), label])
const isBent = computed(() => all.value.some(({ fields }) => fields.bendBy != null))
</script>

<template>
    <header>
        <h2>{{ single === undefined ? `${all.length} cross-links` : 'Cross-link' }}</h2>
        <template v-if="single !== undefined">
            <p>from <NButton text type="primary" size="small" @click="marks.leave(single.from)">{{ links.titleOf(single.from) }}</NButton></p>
            <p>to <NButton text type="primary" size="small" @click="marks.leave(single.to)">{{ links.titleOf(single.to) }}</NButton></p>
        </template>
    </header>
    <section class="link">
        <label v-if="single !== undefined"><span>Linking phrase</span><NInput v-model:value="phrase" size="small" placeholder="what makes a sentence of the two" :maxlength="300" :input-props="{ 'aria-label': 'Linking phrase', dir: 'auto' }" @blur="say" @keydown.enter.prevent="say" /></label>
        <div class="row"><span>Heads</span><NRadioGroup :value="picked('heads', 'end')" size="small" aria-label="Heads" @update:value="pick('heads', 'end', $event)"><NRadioButton value="none">None</NRadioButton><NRadioButton value="end">End</NRadioButton><NRadioButton value="both">Both</NRadioButton></NRadioGroup></div>
        <div class="row"><span>Way</span><NRadioGroup :value="picked('form', 'curve')" size="small" aria-label="Way" @update:value="pick('form', 'curve', $event)"><NRadioButton value="curve">Curve</NRadioButton><NRadioButton value="straight">Straight</NRadioButton><NRadioButton value="corner">Corners</NRadioButton></NRadioGroup></div>
        <div class="row"><span>Dash</span><NRadioGroup :value="picked('dash', 'solid')" size="small" aria-label="Dash" @update:value="pick('dash', 'solid', $event)"><NRadioButton value="solid">Solid</NRadioButton><NRadioButton value="dashed">Dashed</NRadioButton><NRadioButton value="dotted">Dotted</NRadioButton></NRadioGroup></div>
        <label class="row"><span>Chalk</span><NSelect :value="common('chalk') ?? null" :options="[...chalks]" size="small" clearable :render-label="render" :placeholder="common('chalk') === undefined ? 'Several' : 'None'" :input-props="{ 'aria-label': 'Chalk of the cross-link' }" @update:value="(chalk?: string) => links.set({ chalk: chalk ?? null })" /></label>
        <label class="row"><span>Thickness</span><NInputNumber :value="number('thick')" size="small" :min="1" :max="12" :placeholder="common('thick') === undefined ? 'Several' : '2'" :input-props="{ 'aria-label': 'Thickness of the cross-link' }" @update:value="setNumber('thick', $event)" /></label>
        <label class="row"><span>Type size</span><NInputNumber :value="number('size')" size="small" :min="8" :max="96" :placeholder="common('size') === undefined ? 'Several' : 'As the map'" :input-props="{ 'aria-label': 'Type size of the phrase' }" @update:value="setNumber('size', $event)" /></label>
        <div class="row"><span>Type</span><span class="pair"><NButton size="tiny" :type="common('weight') === 'bold' ? 'primary' : 'default'" :aria-pressed="common('weight') === 'bold'" @click="links.set({ weight: common('weight') === 'bold' ? null : 'bold' })">Bold</NButton><NButton size="tiny" :type="common('slant') === 'slanted' ? 'primary' : 'default'" :aria-pressed="common('slant') === 'slanted'" @click="links.set({ slant: common('slant') === 'slanted' ? null : 'slanted' })">Slanted</NButton></span></div>
        <div class="tools">
            <NButton size="tiny" secondary @click="run('crosslink.turn')">Turn round</NButton>
            <NButton v-if="isBent" size="tiny" secondary @click="run('crosslink.unbend')">Put the bend back</NButton>
            <NButton size="tiny" secondary @click="run('crosslink.remove')">Remove</NButton>
        </div>
    </section>
</template>

<style scoped>
header h2 { font-size: 17px; line-height: 1.3; margin: 0; }
header p { margin: 2px 0; color: var(--soft); font-size: 13.5px; }
header :deep(.n-button) { white-space: normal; text-align: start; }
.link { display: flex; flex-direction: column; gap: 10px; }
label > span, .row > span:first-child { font-size: 13px; color: var(--soft); }
.row { display: grid; grid-template-columns: 66px minmax(0, 1fr); gap: 6px; align-items: center; }
.row :deep(.n-radio-group) { display: flex; }
.row :deep(.n-radio-button) { flex: 1; padding: 0 2px; text-align: center; font-size: 12.5px; }
.pair, .tools { display: flex; flex-wrap: wrap; gap: 6px; }
</style>
