<script setup lang="ts">
import { NCheckbox, NInputNumber, NSelect } from 'naive-ui'
import { useHandOver } from './handOverStore'

/** Lines of choices with their names before them: one of some words, a number, or what is ticked. */
export interface ChoiceLine {
    readonly name: string
    /** The field of the choices that it sets. */
    readonly field: string
    /** The words, "" for where nothing is said; or the least and the most of a number, with what stands where there is none. */
    readonly words?: readonly (readonly [string, string])[]
    readonly number?: readonly [number, number]
    readonly blank?: string
    /** What is there where nothing is said. */
    readonly usually?: number
    readonly ticks?: readonly { readonly flag: string; readonly name: string; readonly isLeftOut?: true }[]
}

defineProps<{ lines: readonly ChoiceLine[] }>()
const handOver = useHandOver()

function ticked(flag: string, isLeftOut = false): boolean {
    return (handOver.choices[flag] === true) !== isLeftOut
}
</script>

<template>
    <template v-for="line in lines" :key="line.field">
        <label v-if="line.words !== undefined" class="line"><span>{{ line.name }}</span><NSelect size="small" :value="(handOver.choices[line.field] as string | undefined) ?? ''" :options="line.words.map(([value, label]) => ({ value, label }))" :aria-label="line.name" @update:value="(value: string) => handOver.set(line.field, value === '' ? null : value)" /></label>
        <label v-else-if="line.number !== undefined" class="line"><span>{{ line.name }}</span><NInputNumber size="small" :clearable="line.usually === undefined" :value="(handOver.choices[line.field] as number | undefined) ?? line.usually ?? null" :min="line.number[0]" :max="line.number[1]" :precision="0" :placeholder="line.blank ?? ''" :input-props="{ 'aria-label': line.name }" @update:value="(value: number | null) => handOver.set(line.field, value)" /></label>
        <fieldset v-else class="ticks">
            <legend>{{ line.name }}</legend>
            <NCheckbox v-for="one in line.ticks" :key="one.flag" :checked="ticked(one.flag, one.isLeftOut)" @update:checked="(on: boolean) => handOver.set(one.flag, on !== (one.isLeftOut === true))">{{ one.name }}</NCheckbox>
        </fieldset>
    </template>
</template>

<style scoped>
.line { display: grid; grid-template-columns: 118px minmax(0, 1fr); align-items: center; gap: 8px; font-size: 14px; }
.line > span { color: var(--soft); }
.ticks { border: 0; margin: 2px 0 0; padding: 0; display: grid; grid-template-columns: 1fr 1fr; gap: 5px 10px; }
.ticks legend { padding: 0; margin-bottom: 5px; font-size: 14px; color: var(--soft); }
</style>
