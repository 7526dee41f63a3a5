<script setup lang="ts">
import { NInputNumber } from 'naive-ui'
import { computed } from 'vue'
import LookReset from './LookReset.vue'
import { useLooks } from './lookStore'
import { fieldLabels } from './vocabulary'

/** One number of a look; without one it is inherited. */
const props = defineProps<{ field: string; least: number; most: number; step?: number; inherited?: number | null }>()

const looks = useLooks()
const value = computed(() => looks.common(props.field))
const label = computed(() => fieldLabels[props.field] ?? props.field)
const hint = computed(() => (value.value === undefined ? 'Several' : typeof props.inherited === 'number' ? String(props.inherited) : 'Inherited'))

function set(wanted: number | null): void {
    if (wanted === null || (wanted >= props.least && wanted <= props.most)) {
        looks.set({ [props.field]: wanted === null ? null : Math.round(wanted) })
    }
}
</script>

<template>
    <div class="value">
        <span>{{ label }}<LookReset :field="field" :label="label" /></span>
        <NInputNumber :value="typeof value === 'number' ? value : null" size="small" :min="least" :max="most" :step="step ?? 1" :placeholder="hint" :input-props="{ 'aria-label': label }" @update:value="set" />
    </div>
</template>
