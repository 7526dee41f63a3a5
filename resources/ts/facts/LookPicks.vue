<script setup lang="ts">
import { NInputNumber, NSelect } from 'naive-ui'
import { computed, h, type VNodeChild } from 'vue'
import { bounds } from '@/api/bounds'
import { paint } from '@/board/Parts'
import ShapeSign from '@/features/look/ShapeSign.vue'
import { dashes, faces, fieldLabels, paints, shapes, slants, weights } from '@/features/look/vocabulary'
import { useChalks } from '@/stores/chalks'
import type { KeptRow } from '@/stores/tree'

/** The values of a look that a kind or a rule gives to topics; what is left open they have from elsewhere. */
const props = defineProps<{ fields: KeptRow['fields']; of: string }>()
const emit = defineEmits<{ set: [fields: KeptRow['fields']] }>()

const chalks = useChalks()
const painted = computed(() => paints(chalks.value))
const picks = computed(() => [
    { field: 'shape', choices: shapes }, { field: 'fill', choices: painted.value.fill }, { field: 'edge', choices: painted.value.edge }, { field: 'edgeDash', choices: dashes },
    { field: 'ink', choices: painted.value.ink }, { field: 'weight', choices: weights }, { field: 'slant', choices: slants }, { field: 'face', choices: faces },
])
const numbers = [{ field: 'edgeThick', least: 1, most: 12 }, { field: 'size', least: bounds.smallestType, most: bounds.largestType }]
const label = (field: string): string => `${fieldLabels[field] ?? field} of ${props.of}`

function render(field: string): (option: { value?: string; label?: string }) => VNodeChild {
    return ({ value, label: words }) => {
        const name = value ?? ''
        const sign = field === 'shape' ? h(ShapeSign, { shape: name }) : ['fill', 'edge', 'ink'].includes(field) && /:|slip|plate|soft|edge|ink/.test(name) ? h('i', { class: 'swatch', style: { background: paint(name) } }) : null
        return h('span', { class: 'look-option' }, [sign, words])
    }
}
</script>

<template>
    <div class="picks">
        <template v-for="{ field, choices } in picks" :key="field">
            <span>{{ fieldLabels[field] }}</span>
            <NSelect size="small" clearable :value="typeof fields[field] === 'string' ? String(fields[field]) : null" :options="choices.map(({ value, label: words }) => ({ value, label: words }))" :render-label="render(field)" placeholder="as it is" :aria-label="label(field)" :input-props="{ 'aria-label': label(field) }" :consistent-menu-width="false" @update:value="(value: string | null) => emit('set', { [field]: value })" />
        </template>
        <template v-for="{ field, least, most } in numbers" :key="field">
            <span>{{ fieldLabels[field] }}</span>
            <NInputNumber size="small" clearable :value="typeof fields[field] === 'number' ? Number(fields[field]) : null" :min="least" :max="most" placeholder="as it is" :input-props="{ 'aria-label': label(field) }" @update:value="(value: number | null) => emit('set', { [field]: value })" />
        </template>
    </div>
</template>

<style scoped>
.picks { display: grid; grid-template-columns: 100px minmax(0, 1fr); gap: 6px; align-items: center; font-size: 13px; }
.picks > span { color: var(--soft); line-height: 1.2; }
</style>
<style>
.look-option { display: inline-flex; align-items: center; gap: 8px; }
.look-option .swatch { width: 14px; height: 14px; border-radius: 4px; border: 1px solid var(--field); flex: none; }
</style>
