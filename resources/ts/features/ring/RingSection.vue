<script setup lang="ts">
import { NButton, NInput, NInputNumber, NRadioButton, NRadioGroup, NSelect } from 'naive-ui'
import { computed, h, ref, watch, type VNodeChild } from 'vue'
import { useActions } from '@/actions/useActions'
import { paint } from '@/board/Parts'
import { useChalks } from '@/stores/chalks'
import { useRings } from './ringStore'

/** The chosen rings at the desk: name, look, and what they go around. With several, each control sets all. */
const rings = useRings()
const chalks = useChalks()
const { run } = useActions()

const all = computed(() => rings.chosen.flatMap((id) => rings.find(id) ?? []))
const single = computed(() => (all.value.length === 1 ? all.value[0] : undefined))
/** What all have in common; undefined where they differ. */
function common(field: string): string | number | null | undefined {
    const said = new Set(all.value.map(({ fields }) => fields[field] ?? null))
    const only = [...said][0]
    return said.size !== 1 || typeof only === 'boolean' ? undefined : (only ?? null)
}
/** For controls that have no "nothing": the word that stands for it. */
const picked = (field: string, blank: string): string | null => (common(field) === undefined ? null : String(common(field) ?? blank))
const pick = (field: string, blank: string, value: string): void => rings.set({ [field]: value === blank ? null : value })
const number = (field: string): number | null => (typeof common(field) === 'number' ? Number(common(field)) : null)
const setNumber = (field: string, value: number | null): void => rings.set({ [field]: value === null ? null : Math.round(value) })

const name = ref('')
watch([() => single.value?.id, () => single.value?.name], () => (name.value = single.value?.name ?? ''), { immediate: true })
function say(): void {
    if (single.value !== undefined && name.value.trim() !== single.value.name) {
        rings.set({ name: name.value.trim() })
    }
}
const render = ({ value, label }: { value?: string; label?: string }): VNodeChild => h('span', { class: 'look-option' }, [h('i', { class: 'swatch', style: { background: paint(`chalk:${value ?? ''}`) } }), label])
</script>

<template>
    <header>
        <h2>{{ single === undefined ? `${all.length} rings` : 'Ring' }}</h2>
        <p v-if="single !== undefined">around {{ rings.titlesOf(single) }}</p>
    </header>
    <section class="ring-look">
        <label v-if="single !== undefined"><span>Name</span><NInput v-model:value="name" size="small" placeholder="what these have in common" :maxlength="200" :input-props="{ 'aria-label': 'Name of the ring at the desk', dir: 'auto' }" @blur="say" @keydown.enter.prevent="say" /></label>
        <label class="row"><span>Chalk</span><NSelect :value="common('chalk') ?? null" :options="[...chalks]" size="small" clearable :render-label="render" :placeholder="common('chalk') === undefined ? 'Several' : 'None'" :input-props="{ 'aria-label': 'Chalk of the ring' }" @update:value="(chalk?: string) => rings.set({ chalk: chalk ?? null })" /></label>
        <div class="row"><span>Line</span><NRadioGroup :value="picked('line', 'solid')" size="small" aria-label="Line" @update:value="pick('line', 'solid', $event)"><NRadioButton value="solid">Solid</NRadioButton><NRadioButton value="dashed">Dashes</NRadioButton><NRadioButton value="dotted">Dots</NRadioButton><NRadioButton value="none">None</NRadioButton></NRadioGroup></div>
        <div class="row"><span>Fill</span><NRadioGroup :value="picked('fill', 'none')" size="small" aria-label="Fill" @update:value="pick('fill', 'none', $event)"><NRadioButton value="none">None</NRadioButton><NRadioButton value="tint">Tint</NRadioButton></NRadioGroup></div>
        <label class="row"><span>Thickness</span><NInputNumber :value="number('thick')" size="small" :min="1" :max="12" :placeholder="common('thick') === undefined ? 'Several' : '2'" :input-props="{ 'aria-label': 'Thickness of the ring' }" @update:value="setNumber('thick', $event)" /></label>
        <label class="row"><span>Corners</span><NInputNumber :value="number('corner')" size="small" :min="0" :max="60" :placeholder="common('corner') === undefined ? 'Several' : '14'" :input-props="{ 'aria-label': 'Corners of the ring' }" @update:value="setNumber('corner', $event)" /></label>
        <div class="tools">
            <NButton size="tiny" secondary @click="run('ring.topics')">Choose what is in it</NButton>
            <NButton size="tiny" secondary @click="run('ring.remove')">Remove</NButton>
        </div>
    </section>
</template>

<style scoped>
header h2 { font-size: 17px; line-height: 1.3; margin: 0; }
header p { margin: 2px 0; color: var(--soft); font-size: 13.5px; overflow-wrap: anywhere; }
.ring-look { display: flex; flex-direction: column; gap: 10px; }
label > span, .row > span:first-child { font-size: 13px; color: var(--soft); }
.row { display: grid; grid-template-columns: 66px minmax(0, 1fr); gap: 6px; align-items: center; }
.row :deep(.n-radio-group) { display: flex; }
.row :deep(.n-radio-button) { flex: 1; padding: 0 2px; text-align: center; font-size: 12.5px; }
.tools { display: flex; flex-wrap: wrap; gap: 6px; }
</style>
