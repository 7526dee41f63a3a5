<script setup lang="ts">
import { NInput, NModal } from 'naive-ui'
import { computed, nextTick, ref, watch } from 'vue'
import { readable } from '@/actions/keys'
import { useActions } from '@/actions/useActions'
import type { Action } from '@/actions/registry'
import { useMap } from '@/stores/map'
import { useUi } from './uiStore'

/** Finds any action by its name and runs it. */
const ui = useUi()
const map = useMap()
const { actions, isAvailable, run } = useActions()
const words = ref('')
const at = ref(0)
const list = ref<HTMLElement | null>(null)
// The focus is in the palette now, so what counts is where it was: in a map, or in the library.
const scopes = map.id === '' ? ['library'] : ['board', 'outline']

/** All words must occur; names that begin with the first come first. */
const found = computed<Action[]>(() => {
    const wanted = words.value.toLowerCase().split(/\s+/).filter(Boolean)
    const here = actions.filter((action) => action.scopes.some((scope) => scopes.includes(scope)) && isAvailable(action) && action.id !== 'help.palette')
    const rank = (action: Action): number => (action.name.toLowerCase().startsWith(wanted[0] ?? '') ? 0 : 1)
    return here.filter((action) => wanted.every((word) => `${action.name} ${action.group}`.toLowerCase().includes(word))).sort((a, b) => rank(a) - rank(b))
})

const current = computed(() => found.value[at.value])

watch(words, () => (at.value = 0))

function move(by: number): void {
    at.value = (at.value + by + found.value.length) % Math.max(1, found.value.length)
    void nextTick(() => list.value?.querySelector('.current')?.scrollIntoView({ block: 'nearest' }))
}

function pick(action: Action | undefined): void {
    if (action !== undefined) {
        close()
        void nextTick(() => run(action.id))
    }
}

function close(): void {
    ui.panel = null
    void nextTick(() => ui.focusRegion(map.region))
}
</script>

<template>
    <NModal :show="true" :auto-focus="true" aria-label="Find an action" @update:show="close">
        <div class="palette" role="dialog" aria-label="Find an action" @keydown.down.prevent="move(1)" @keydown.up.prevent="move(-1)" @keydown.enter.prevent="pick(current)" @keydown.escape.prevent.stop="close">
            <NInput v-model:value="words" placeholder="What do you want to do?" size="large" :input-props="{ role: 'combobox', 'aria-expanded': 'true', 'aria-controls': 'palette-list', 'aria-activedescendant': current === undefined ? undefined : `palette-${current.id}` }" />
            <ul id="palette-list" ref="list" role="listbox">
                <li
                    v-for="(action, i) in found" :id="`palette-${action.id}`" :key="action.id" role="option" :class="{ current: i === at }" :aria-selected="i === at"
                    @pointermove="at = i" @click="pick(action)">
                    <span>{{ action.name }}</span><small>{{ action.group }}</small><kbd v-if="action.keys[0]">{{ readable(action.keys[0]) }}</kbd>
                </li>
                <li v-if="found.length === 0" class="none">No action has these words in its name.</li>
            </ul>
        </div>
    </NModal>
</template>

<style scoped>
.palette { width: min(560px, calc(100vw - 24px)); background: var(--slip); border: 1px solid var(--edge); border-radius: 12px; padding: 10px; box-shadow: 0 16px 50px rgb(0 0 0 / 30%); }
ul { list-style: none; margin: 8px 0 0; padding: 0; max-height: min(420px, 60vh); overflow: auto; }
li { display: flex; align-items: center; gap: 10px; padding: 6px 10px; border-radius: 6px; cursor: pointer; }
li.current { background: color-mix(in srgb, var(--tide) 20%, transparent); box-shadow: inset 3px 0 0 var(--tide); }
li.none { color: var(--soft); cursor: default; }
small { color: var(--soft); margin-left: auto; }
kbd { font: 13px 'Atkinson Hyperlegible'; border: 1px solid var(--edge); border-radius: 4px; padding: 0 6px; min-width: 2em; text-align: center; }
</style>
