<script setup lang="ts">
import { NButton, NPopover, NRadioButton, NRadioGroup } from 'naive-ui'
import { computed, onBeforeUnmount, ref, shallowRef } from 'vue'
import { api } from '@/api/client'
import type { Edit, SceneNews } from '@/api/wire'
import MiniBoard from '@/board/MiniBoard.vue'
import { useBeside } from '@/stores/beside'
import { useMap } from '@/stores/map'
import { useTries } from '@/stores/tries'
import { arrangementOf, arrangements, ownArrangement } from './arrangements'
import { arrangementSeen, sideSeen } from '@/stores/mirror'
import { rowOf } from '@/stores/tree'

/** Chooses how the branches of what is chosen are laid out, from pictures of the current one; pointing at a picture tries it. */
const map = useMap()
const beside = useBeside()
const tries = useTries()
const isOpen = ref(false)
const scenes = shallowRef<readonly SceneNews[]>([])

const AS_ABOVE = 'as-above'
const options = computed(() => [
    { name: AS_ABOVE, label: beside.chosen.includes(beside.tree.root) ? 'As the map' : 'As above it', own: null },
    ...arrangements.map(({ name, label }) => ({ name, label, own: arrangementSeen(beside.tree, name) })),
])
/** What can be said of the arrangement that all chosen have in common. */
const kind = computed(() => {
    const kinds = new Set(beside.chosen.map((id) => arrangementOf(beside.tree, id)))
    return kinds.size === 1 ? [...kinds][0] : null
})
const saidOf = (field: string, blank: string): string | null => {
    const said = new Set(beside.chosen.map((id) => rowOf(beside.tree, 'arrangement', id)?.fields[field] ?? blank))
    return said.size === 1 ? String([...said][0]) : null
}
const head = computed(() => saidOf('head', 'right'))
const headSeen = computed(() => (head.value === null ? null : sideSeen(beside.tree, head.value === 'left' ? 'left' : 'right')))
const sides = computed(() => saidOf('sides', 'both'))
const runs = computed(() => saidOf('runs', 'down'))
const say = (fields: Record<string, string>): void => map.edit({ name: 'row.set', type: 'arrangement', topics: [...map.chosen], fields } as Edit)
/** What all chosen have in common. */
const value = computed(() => {
    const own = new Set(beside.chosen.map((id) => arrangementSeen(beside.tree, ownArrangement(beside.tree, id)) ?? AS_ABOVE))
    return own.size === 1 ? [...own][0] : undefined
})
const words = computed(() => options.value.find((one) => one.name === value.value)?.label ?? 'Several')

const editTo = (name: string | null): Edit => ({ name: 'row.set', type: 'arrangement', topics: [...map.chosen], fields: { name } } as Edit)

async function show(open: boolean): Promise<void> {
    isOpen.value = open
    if (!open) {
        tries.leave()
        return
    }
    scenes.value = []
    const branch = map.current
    setTimeout(() => document.querySelector<HTMLElement>('.arrangements button.here, .arrangements button')?.focus(), 60)
    const answer = await api.tries(map.id, options.value.map(({ own }) => [editTo(own)]), false, branch).catch(() => null)
    if (branch === map.current && answer !== null) {
        scenes.value = answer.scenes
    }
}

/** The arrow keys go over the pictures as they lie. */
const COLUMNS = 3
function step(event: KeyboardEvent): void {
    const by = { ArrowRight: 1, ArrowLeft: -1, ArrowDown: COLUMNS, ArrowUp: -COLUMNS }[event.key]
    const all = [...document.querySelectorAll<HTMLElement>('.arrangements button')]
    if (by !== undefined) {
        event.preventDefault()
        event.stopPropagation()
        all[all.findIndex((one) => one === document.activeElement) + by]?.focus()
    }
}

onBeforeUnmount(tries.leave)

function take(name: string | null): void {
    tries.leave()
    map.edit(editTo(name))
    isOpen.value = false
}
</script>

<template>
    <div class="field">
        <span>Arrangement of the branch</span>
        <NPopover :show="isOpen" trigger="click" placement="left" :show-arrow="false" :style="{ padding: '10px', maxHeight: 'calc(80vh / var(--size, 1))', overflow: 'auto' }" @update:show="show">
            <template #trigger><NButton size="small" block :aria-label="`Arrangement of the branch: ${words}`" :aria-expanded="isOpen">{{ words }}</NButton></template>
            <ul class="arrangements" aria-label="Arrangements" @keydown="step" @keydown.escape.stop="show(false)">
                <li v-for="(option, i) in options" :key="option.name">
                    <button :aria-pressed="value === option.name" :class="{ here: value === option.name }" :aria-label="option.label" @pointerenter="tries.look([editTo(option.own)])" @focus="tries.look([editTo(option.own)])" @pointerleave="tries.leave()" @blur="tries.leave()" @click="take(option.own)">
                        <span class="picture"><MiniBoard v-if="scenes[i] !== undefined" :scene="scenes[i]" /></span>
                        {{ option.label }}
                    </button>
                </li>
            </ul>
        </NPopover>
        <div v-if="kind === 'fishbone'" class="more">
            <span>Its head</span>
            <NRadioGroup :value="headSeen" size="small" aria-label="Its head" @update:value="(to: 'left' | 'right') => say({ head: sideSeen(beside.tree, to) })">
                <NRadioButton value="left">At the left</NRadioButton><NRadioButton value="right">At the right</NRadioButton>
            </NRadioGroup>
        </div>
        <div v-if="kind === 'timeline'" class="more">
            <span>Along its line</span>
            <NRadioGroup :value="sides" size="small" aria-label="Along its line" @update:value="(to: string) => say({ sides: to })">
                <NRadioButton value="both">In turn</NRadioButton><NRadioButton value="above">Above</NRadioButton><NRadioButton value="below">Below</NRadioButton>
            </NRadioGroup>
        </div>
        <div v-if="kind === 'flow'" class="more">
            <span>It runs</span>
            <NRadioGroup :value="runs" size="small" aria-label="It runs" @update:value="(to: string) => say({ runs: to })">
                <NRadioButton value="down">Downwards</NRadioButton><NRadioButton value="across">From the left</NRadioButton>
            </NRadioGroup>
        </div>
    </div>
</template>

<style scoped>
.field > span, .more > span { display: block; font-size: 13px; color: var(--soft); margin-bottom: 4px; }
.more { margin-top: 8px; }
.arrangements { list-style: none; margin: 0; padding: 0; display: grid; grid-template-columns: repeat(3, 150px); gap: 8px; }
.arrangements button { display: block; width: 100%; padding: 5px 6px 6px; border: 1px solid var(--edge); border-radius: 8px; background: var(--slip); color: var(--ink); font: 13.5px 'Atkinson Hyperlegible'; text-align: left; cursor: pointer; }
.arrangements button:hover, .arrangements button:focus-visible { outline: 2px solid var(--tide); }
.arrangements button.here { box-shadow: inset 0 -3px 0 var(--tide); font-weight: 700; }
.picture { display: block; height: 84px; border-radius: 5px; background: var(--board); overflow: hidden; margin-bottom: 4px; }
</style>
