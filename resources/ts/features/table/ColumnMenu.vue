<script setup lang="ts">
import { onClickOutside } from '@vueuse/core'
import { NInput } from 'naive-ui'
import { computed, nextTick, onMounted, ref } from 'vue'
import type { Edit } from '@/api/wire'
import { today } from '@/facts/facts'
import { newId, useMap } from '@/stores/map'
import { useTable, type Column } from './tableStore'

/** What can be done with a column: the order of the rows, their heads, what is told below it, where it stands. */
const props = defineProps<{ column: Column; at: number }>()
const emit = defineEmits<{ close: [] }>()

const map = useMap()
const table = useTable()
const frame = ref<HTMLElement | null>(null)
const name = ref(props.column.words)
const isOwn = computed(() => props.column.key.startsWith('field:'))
const order = computed(() => table.field('order').split(' ').filter((key) => key !== ''))
const totals = computed(() => [...(props.column.numbers ? [['sum', 'Sum'], ['mean', 'Mean']] : []), ['least', 'Least'], ['most', 'Most'], ['count', 'How many'], ['done', 'To-dos done']] as [string, string][])
onClickOutside(frame, () => emit('close'), { ignore: ['.column-head button'] })
onMounted(() => void nextTick(() => frame.value?.querySelector('button')?.focus()))

function then(run: () => void): void {
    run()
    emit('close')
}
/** The rows go by this column first, and by what they went by before where that is the same. */
const sort = (isDown: boolean): void => then(() => table.configure({ order: [`${isDown ? '-' : ''}${props.column.key}`, ...order.value.filter((key) => key.replace('-', '') !== props.column.key)].slice(0, 4).join(' ') }))
const settle = (): void => then(() => map.edit({ name: 'rows.order', step: newId(), branch: table.branch, deep: table.isDeep, order: table.field('order') || props.column.key, today: today() } as Edit))
const change = (fields: Partial<Column>): void => then(() => table.setColumns(table.columns.map((one) => (one.key === props.column.key ? { ...one, ...fields } : one))))
function shift(by: number): void {
    const all = [...table.columns]
    const [own] = all.splice(props.at, 1)
    if (own !== undefined) {
        all.splice(Math.max(0, props.at + by), 0, own)
        then(() => table.setColumns(all))
    }
}
function rename(): void {
    const wanted = name.value.trim()
    if (isOwn.value && wanted !== '' && wanted !== props.column.words) {
        map.edit({ name: 'row.set', step: newId(), type: 'field', row: props.column.key.slice(6), fields: { name: wanted.slice(0, 60) } } as Edit)
    }
    emit('close')
}
function key(event: KeyboardEvent): void {
    const all = [...(frame.value?.querySelectorAll<HTMLElement>('button, input') ?? [])]
    const at = all.indexOf(event.target as HTMLElement)
    if (event.key === 'Escape') {
        emit('close')
    } else if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
        all[(at + (event.key === 'ArrowDown' ? 1 : -1) + all.length) % all.length]?.focus()
    } else {
        return
    }
    event.preventDefault()
    event.stopPropagation()
}
</script>

<template>
    <div ref="frame" class="column-menu" role="dialog" :aria-label="`Column ${column.words}`" @pointerdown.stop @keydown="key">
        <button @click="sort(false)">Least first</button>
        <button @click="sort(true)">Most first</button>
        <button v-if="order.length > 0" @click="then(() => table.configure({ order: null }))">As in the map</button>
        <button v-if="table.field('when') === '' && table.field('by') === ''" @click="settle">Put the map in this order</button>
        <hr />
        <button v-if="table.field('by') !== column.key" @click="then(() => table.configure({ by: column.key }))">Rows under heads by this</button>
        <button v-else @click="then(() => table.configure({ by: null }))">No heads</button>
        <hr />
        <div class="totals"><span>Below it</span><button v-for="[how, words] in totals" :key="how" :aria-pressed="column.how === how" :class="{ on: column.how === how }" @click="change({ how: column.how === how ? null : how })">{{ words }}</button></div>
        <hr />
        <button v-if="at > 0" @click="shift(-1)">Further left</button>
        <button v-if="at < table.columns.length - 1" @click="shift(1)">Further right</button>
        <button v-if="table.columns.length > 1" @click="then(() => table.setColumns(table.columns.filter(({ key: one }) => one !== column.key)))">Hide the column</button>
        <NInput v-if="isOwn" v-model:value="name" size="small" :maxlength="60" :input-props="{ 'aria-label': 'Name of the field' }" @keydown.enter.stop.prevent="rename" @blur="name !== column.words && rename()" />
    </div>
</template>

<style scoped>
.column-menu { position: absolute; top: calc(100% + 3px); left: 0; z-index: 6; width: 212px; padding: 6px; background: var(--slip); border: 1px solid var(--edge); border-radius: 8px; box-shadow: 0 8px 24px rgb(0 0 0 / 20%); display: flex; flex-direction: column; font-weight: 400; color: var(--ink); cursor: default; }
.column-menu > button { border: 0; background: none; font: inherit; font-size: 14px; color: inherit; text-align: start; padding: 5px 8px; border-radius: 5px; cursor: pointer; }
.column-menu > button:hover, .column-menu > button:focus-visible { background: color-mix(in srgb, var(--tide) 15%, transparent); outline: none; }
hr { width: 100%; border: 0; border-top: 1px solid var(--edge); margin: 5px 0; }
.totals { display: flex; flex-wrap: wrap; gap: 4px; padding: 3px 8px; font-size: 13px; align-items: center; }
.totals span { width: 100%; color: var(--soft); }
.totals button { border: 1px solid var(--edge); border-radius: 12px; background: none; font: inherit; color: inherit; padding: 1px 8px; cursor: pointer; }
.totals button.on { background: var(--tide); color: var(--slip); border-color: var(--tide); }
.totals button:focus-visible { outline: 2px solid var(--tide); }
</style>
