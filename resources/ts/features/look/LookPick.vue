<script setup lang="ts">
import { NSelect } from 'naive-ui'
import { computed, h, type VNodeChild } from 'vue'
import { families, paint } from '@/board/Parts'
import LookReset from './LookReset.vue'
import ShapeSign from './ShapeSign.vue'
import { useLooks } from './lookStore'
import { fieldLabels, type Choice } from './vocabulary'

/** One value of a look, to be chosen; without one it is inherited. */
const props = defineProps<{ field: string; choices: readonly Choice[] }>()

const looks = useLooks()
const value = computed(() => looks.common(props.field))
const options = computed(() => props.choices.map(({ value: its, label: words }) => ({ value: its, label: words })))
const label = computed(() => fieldLabels[props.field] ?? props.field)

/** A sign before the words: the shape, the paint, or the words in the face itself. */
function render({ value: its, label: words }: { value?: string; label?: string }): VNodeChild {
    const name = its ?? ''
    const sign = props.field === 'shape' ? h(ShapeSign, { shape: name }) : ['fill', 'edge', 'ink', 'lineChalk'].includes(props.field) ? h('i', { class: 'swatch', style: { background: swatch(name) } }) : null
    return h('span', { class: 'look-option', style: props.field === 'face' ? { fontFamily: `'${families[name] ?? ''}'` } : {} }, [sign, words])
}
/** What was mixed for the map may be gone from it. */
const gone = (its: string | number): { value: string; label: string } => ({ value: String(its), label: 'A chalk that is gone' })
function swatch(name: string): string {
    return name === 'none' ? 'transparent' : name === 'tint' || name === 'chalk' || name === 'text' ? 'linear-gradient(90deg, var(--tide), var(--ember), var(--heather))' : paint(name)
}
</script>

<template>
    <div class="value">
        <span>{{ label }}<LookReset :field="field" :label="label" /></span>
        <NSelect
            :value="typeof value === 'string' ? value : null" :options="options" size="small" :render-label="render" :fallback-option="gone" :placeholder="value === undefined ? 'Several' : 'Inherited'"
            :aria-label="label" :input-props="{ 'aria-label': label }" :consistent-menu-width="false" @update:value="(wanted: string | null) => looks.set({ [field]: wanted })" />
    </div>
</template>

<style>
.look-option { display: inline-flex; align-items: center; gap: 8px; }
.look-option .swatch { width: 14px; height: 14px; border-radius: 4px; border: 1px solid var(--field); flex: none; }
.value { display: grid; grid-template-columns: 92px minmax(0, 1fr); align-items: center; gap: 6px; font-size: 13px; }
.value > span { color: var(--soft); line-height: 1.2; display: grid; }
</style>
