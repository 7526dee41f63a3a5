<script setup lang="ts">
import { NRadioButton, NRadioGroup, NSelect } from 'naive-ui'
import { computed } from 'vue'
import type { Edit } from '@/api/wire'
import { fieldsIn } from '@/facts/facts'
import { useBeside } from '@/stores/beside'
import { useMap } from '@/stores/map'
import { sideSeen } from '@/stores/mirror'
import { rowOf } from '@/stores/tree'

/** What can be said of the arrangement that all chosen have in common, besides its name. */
defineProps<{ kind: string }>()

const map = useMap()
const beside = useBeside()
const saidOf = (field: string, blank: string): string | null => {
    const said = new Set(beside.chosen.map((id) => rowOf(beside.tree, 'arrangement', id)?.fields[field] ?? blank))
    return said.size === 1 ? String([...said][0]) : null
}
const headSeen = computed(() => {
    const head = saidOf('head', 'right')
    return head === null ? null : sideSeen(beside.tree, head === 'left' ? 'left' : 'right')
})
const sides = computed(() => saidOf('sides', 'both'))
const goes = computed(() => saidOf('goes', 'days'))
const runs = computed(() => saidOf('runs', 'down'))

const FIRST = 'first'
const day = computed(() => saidOf('day', FIRST))
const days = computed(() => [
    { value: FIRST, label: 'The first there is' },
    ...fieldsIn(beside.tree).filter(({ sort }) => sort === 'date' || sort === 'range').map(({ id, name }) => ({ value: id, label: name })),
    { value: 'by', label: 'To be done by' }, { value: 'begins', label: 'Begins' }, { value: 'done', label: 'Done on' },
])
const say = (fields: Record<string, string | null>): void => map.edit({ name: 'row.set', type: 'arrangement', topics: [...map.chosen], fields } as Edit)
</script>

<template>
    <div v-if="kind === 'fishbone'" class="more">
        <span>Its head</span>
        <NRadioGroup :value="headSeen" size="small" aria-label="Its head" @update:value="(to: 'left' | 'right') => say({ head: sideSeen(beside.tree, to) })">
            <NRadioButton value="left">At the left</NRadioButton><NRadioButton value="right">At the right</NRadioButton>
        </NRadioGroup>
    </div>
    <template v-if="kind === 'timeline'">
        <div class="more">
            <span>Along its line</span>
            <NRadioGroup :value="sides" size="small" aria-label="Along its line" @update:value="(to: string) => say({ sides: to })">
                <NRadioButton value="both">In turn</NRadioButton><NRadioButton value="above">Above</NRadioButton><NRadioButton value="below">Below</NRadioButton>
            </NRadioGroup>
        </div>
        <div class="more">
            <span>Places go by</span>
            <NRadioGroup :value="goes" size="small" aria-label="Places go by" @update:value="(to: string) => say({ goes: to })">
                <NRadioButton value="days">Days</NRadioButton><NRadioButton value="order">Order</NRadioButton>
            </NRadioGroup>
        </div>
        <div v-if="goes === 'days'" class="more">
            <span>Which day</span>
            <NSelect :value="day" :options="days" size="small" aria-label="Which day" :input-props="{ 'aria-label': 'Which day' }" @update:value="(to: string) => say({ day: to === FIRST ? null : to })" />
        </div>
    </template>
    <div v-if="kind === 'flow'" class="more">
        <span>It runs</span>
        <NRadioGroup :value="runs" size="small" aria-label="It runs" @update:value="(to: string) => say({ runs: to })">
            <NRadioButton value="down">Downwards</NRadioButton><NRadioButton value="across">From the left</NRadioButton>
        </NRadioGroup>
    </div>
</template>

<style scoped>
.more { margin-top: 8px; }
.more > span { display: block; font-size: 13px; color: var(--soft); margin-bottom: 4px; }
</style>
