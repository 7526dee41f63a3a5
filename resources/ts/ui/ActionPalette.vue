<script setup lang="ts">
import { useDebounceFn } from '@vueuse/core'
import { NInput, NModal } from 'naive-ui'
import { computed, nextTick, ref, shallowRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import { readable } from '@/actions/keys'
import { sentenceOf, useActions } from '@/actions/useActions'
import type { Action } from '@/actions/registry'
import { api } from '@/api/client'
import type { QuickAnswer } from '@/api/wire'
import { useMap } from '@/stores/map'
import { usePickList } from './usePickList'
import { useUi } from './uiStore'

/** One box that finds maps, topics in any map, and actions, as one types. */
interface Entry { key: string; kind: 'Map' | 'Topic' | 'Action'; name: string; more: string; keys?: string; run: () => void }

const MOST_ACTIONS = 9

const ui = useUi()
const map = useMap()
const router = useRouter()
const { actions, isAvailable, run, keysOf } = useActions()
const words = ref('')
const found = shallowRef<QuickAnswer>({ maps: [], topics: [] })
// The focus is in the palette now, so what counts is where it was: in a map, or in the library.
const scopes = map.id === '' ? ['library'] : ['board', 'outline']

/** All words must occur; names that begin with the first come first. */
const named = computed<Action[]>(() => {
    const wanted = words.value.toLowerCase().split(/\s+/).filter(Boolean)
    const here = actions.filter((action) => action.scopes.some((scope) => scopes.includes(scope)) && isAvailable(action) && action.id !== 'help.palette')
    const rank = (action: Action): number => (action.name.toLowerCase().startsWith(wanted[0] ?? '') ? 0 : 1)
    return here.filter((action) => wanted.every((word) => `${action.name} ${action.group}`.toLowerCase().includes(word))).sort((a, b) => rank(a) - rank(b))
})

const entries = computed<Entry[]>(() => {
    const acts = named.value.map((action): Entry => ({
        key: action.id, kind: 'Action', name: action.name, more: sentenceOf(action), keys: keysOf(action)[0], run: () => void nextTick(() => run(action.id)),
    }))
    if (words.value.trim() === '') {
        return acts
    }
    const maps = found.value.maps.map((one): Entry => ({ key: one.id, kind: 'Map', name: one.title, more: '', run: () => void router.push(`/maps/${one.id}`) }))
    const topics = found.value.topics.map((one): Entry => ({
        key: `${one.map} ${one.topic}`, kind: 'Topic', name: one.title || 'Untitled', more: [one.map === map.id ? '' : one.mapTitle, ...one.trail].filter(Boolean).join(' › '),
        run: () => void router.push(`/maps/${one.map}/topics/${one.topic}`),
    }))
    const good = words.value.trim().length > 2 ? acts.slice(0, MOST_ACTIONS) : acts.slice(0, 4)
    // A topic of this map that is called just so is what was meant.
    const isMeant = ({ key, name }: Entry): boolean => key.startsWith(`${map.id} `) && name.toLowerCase() === words.value.trim().toLowerCase()
    return [...topics.filter(isMeant), ...maps.slice(0, 3), ...good.slice(0, 3), ...topics.filter((one) => !isMeant(one)), ...maps.slice(3), ...good.slice(3)]
})

const { at, current, move } = usePickList(words, entries)

/** The words that what is listed answers. */
let answered = ''
/** Enter came before the answer to what was typed: it takes the first of what comes, not what stood there by chance. */
let enters = false
/** Whether the person went down the list by themselves. */
let chose = false

const ask = useDebounceFn(async () => {
    const typed = words.value.trim()
    const answer = typed === '' ? { maps: [], topics: [] } : await api.quick(typed, map.id).catch(() => ({ maps: [], topics: [] }))
    if (typed !== words.value.trim()) {
        return
    }
    const kept = chose ? current.value?.key : undefined
    found.value = answer
    answered = typed
    at.value = Math.max(0, entries.value.findIndex((entry) => entry.key === kept))
    if (enters) {
        pick(current.value)
    }
}, 70)

watch(words, () => {
    [enters, chose] = [false, false]
    void ask()
})

function step(by: number): void {
    chose = true
    move(by)
}

/** Who types the name of an action and Enter types on at once: that waits for nobody. */
function enter(): void {
    const typed = words.value.trim().toLowerCase()
    if (chose || answered === words.value.trim()) {
        pick(current.value)
    } else if (named.value[0]?.name.toLowerCase().startsWith(typed) === true) {
        pick(entries.value.find((entry) => entry.key === named.value[0]?.id))
    } else {
        enters = true
    }
}

function pick(entry: Entry | undefined): void {
    if (entry !== undefined) {
        close()
        entry.run()
    }
}

function close(): void {
    ui.panel = null
    void nextTick(() => ui.panel === null && ui.focusRegion(map.region))
}
</script>

<template>
    <NModal :show="true" :auto-focus="true" aria-label="Find anything" @update:show="close">
        <div class="palette" role="dialog" aria-label="Find anything" @keydown.down.prevent="step(1)" @keydown.up.prevent="step(-1)" @keydown.enter.prevent="enter" @keydown.escape.prevent.stop="close">
            <NInput v-model:value="words" placeholder="A map, a topic, or what you want to do" size="large" :input-props="{ role: 'combobox', 'aria-expanded': 'true', 'aria-controls': 'palette-list', 'aria-activedescendant': current === undefined ? undefined : `palette-${at}` }" />
            <ul id="palette-list" ref="list" role="listbox">
                <li
                    v-for="(entry, i) in entries" :id="`palette-${i}`" :key="entry.key" role="option" :class="{ current: i === at }" :aria-selected="i === at"
                    @pointermove="at = i, chose = true" @click="pick(entry)">
                    <i :class="entry.kind">{{ entry.kind }}</i><span>{{ entry.name }}</span><small>{{ entry.more }}</small><kbd v-if="entry.keys">{{ readable(entry.keys) }}</kbd>
                </li>
                <li v-if="entries.length === 0" class="none">No map, topic or action is called anything like this.</li>
            </ul>
        </div>
    </NModal>
</template>

<style scoped>
.palette { width: min(640px, calc(100vw / var(--size, 1) - 24px)); background: var(--slip); border: 1px solid var(--edge); border-radius: 12px; padding: 10px; box-shadow: 0 16px 50px rgb(0 0 0 / 30%); }
ul { list-style: none; margin: 8px 0 0; padding: 0; max-height: min(460px, calc(62vh / var(--size, 1))); overflow: auto; }
li { display: flex; align-items: center; gap: 10px; padding: 6px 10px; border-radius: 6px; cursor: pointer; }
li.current { background: color-mix(in srgb, var(--tide) 20%, transparent); box-shadow: inset 3px 0 0 var(--tide); }
li.none { color: var(--soft); cursor: default; }
i { flex: none; width: 46px; font-style: normal; font-size: 12.5px; color: var(--soft); }
i.Map { color: var(--tide); }
i.Topic { color: var(--heather); }
span { overflow: hidden; text-overflow: ellipsis; white-space: nowrap; }
small { color: var(--soft); margin-left: auto; overflow: hidden; text-overflow: ellipsis; white-space: nowrap; max-width: 45%; flex: none; }
kbd { flex: none; font: 13px 'Atkinson Hyperlegible'; border: 1px solid var(--edge); border-radius: 4px; padding: 0 6px; min-width: 2em; text-align: center; }
</style>
