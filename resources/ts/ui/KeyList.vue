<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { NButton, NInput, NModal } from 'naive-ui'
import { computed, onBeforeUnmount, ref, watch } from 'vue'
import { pressed, readable } from '@/actions/keys'
import type { Action } from '@/actions/registry'
import { sentenceOf, useActions } from '@/actions/useActions'
import { useMap } from '@/stores/map'
import { useSession } from '@/stores/session'
import { tell } from './tell'
import { useUi } from './uiStore'

/** Everything there is to do, with its keys, which can be changed here. */
const ui = useUi()
const map = useMap()
const session = useSession()
const { actions, keysOf } = useActions()
const words = ref('')
/** The action that waits for its new key. */
const asking = ref<string | null>(null)
const problem = ref('')

const groups = computed(() => {
    const wanted = words.value.toLowerCase()
    const found = actions.filter((action) => `${action.name} ${sentenceOf(action)} ${keysOf(action).map(readable).join(' ')}`.toLowerCase().includes(wanted))
    return [...new Set(found.map((action) => action.group))].map((group) => ({ group, actions: found.filter((action) => action.group === group) }))
})
const isChanged = computed(() => Object.keys(session.keys).length > 0)

/** Others that listen to one of the same keys in the same place; only the first of them would hear it. */
function clashes(action: Action): { key: string; other: Action }[] {
    return keysOf(action).flatMap((key) => actions
        .filter((other) => other.id !== action.id && keysOf(other).includes(key) && other.scopes.some((scope) => action.scopes.includes(scope) && (scope !== 'mark' || action.mark === other.mark)))
        .map((other) => ({ key, other })))
}

async function change(keys: Readonly<Record<string, readonly string[] | null>>): Promise<void> {
    await session.changeKeys(keys).catch(() => tell.warning('The keys are changed here, but the server could not keep them.'))
}

const putAllBack = (): Promise<void> => change(Object.fromEntries(Object.keys(session.keys).map((id) => [id, null])))

function takeAway(key: string, from: Action): void {
    void change({ [from.id]: keysOf(from).filter((one) => one !== key) })
}

watch(asking, (now) => (ui.holdsKeys = now !== null))
onBeforeUnmount(() => (ui.holdsKeys = false))

/** The next key that is pressed becomes the action's. */
useEventListener(window, 'keydown', (event: KeyboardEvent) => {
    if (asking.value === null || ['Shift', 'Control', 'Alt', 'Meta', 'AltGraph'].includes(event.key)) {
        return
    }
    event.preventDefault()
    event.stopImmediatePropagation()
    const action = actions.find((one) => one.id === asking.value)
    const key = pressed(event)
    if (key === 'Escape' || action === undefined) {
        asking.value = null
        problem.value = ''
    } else if ([...event.key].length === 1 && !event.ctrlKey && !event.metaKey && !event.altKey && action.group !== 'Walk') {
        problem.value = 'A letter by itself begins a title. Hold Ctrl or Alt with it, or take a key such as F4.'
    } else {
        asking.value = null
        problem.value = ''
        void change({ [action.id]: [key] })
    }
}, { capture: true })

function ask(id: string): void {
    asking.value = asking.value === id ? null : id
    problem.value = ''
}

function close(): void {
    ui.panel = null
    ui.focusRegion(map.region)
}
</script>

<template>
    <NModal :show="true" preset="card" title="All keys" class="key-list" style="width: min(900px, calc(100vw / var(--size, 1) - 24px))" :bordered="false" :close-on-esc="asking === null" @update:show="close">
        <div class="top">
            <NInput v-model:value="words" placeholder="Search" clearable :input-props="{ 'aria-label': 'Search the keys' }" />
            <NButton :disabled="!isChanged" @click="putAllBack">Put all keys back</NButton>
        </div>
        <p class="hint">On the board and in the outline, typing begins a new title for the chosen topic. Keys are kept for you, on every device.</p>
        <div class="scroll">
            <section v-for="{ group, actions: its } in groups" :key="group">
                <h3>{{ group }}</h3>
                <ul>
                    <li v-for="action in its" :key="action.id" :data-action="action.id">
                        <div class="about"><strong>{{ action.name }}</strong><small>{{ sentenceOf(action) }}</small></div>
                        <div class="keys">
                            <template v-if="asking === action.id"><em role="status">{{ problem === '' ? 'Press the new key; Esc leaves it' : problem }}</em></template>
                            <kbd v-for="key in keysOf(action)" v-else :key="key">{{ readable(key) }}</kbd>
                            <NButton v-if="action.native !== true" size="tiny" quaternary :aria-label="`Change the key of ${action.name}`" @click="ask(action.id)">{{ asking === action.id ? 'Leave it' : 'Change' }}</NButton>
                            <NButton v-if="session.keys[action.id] !== undefined" size="tiny" quaternary :aria-label="`Put back the key of ${action.name}`" @click="change({ [action.id]: null })">Put back</NButton>
                        </div>
                        <p v-for="clash in clashes(action)" :key="clash.other.id + clash.key" class="clash">
                            {{ readable(clash.key) }} is also the key of “{{ clash.other.name }}”. <NButton size="tiny" text type="primary" @click="takeAway(clash.key, clash.other)">Take it away there</NButton>
                        </p>
                    </li>
                </ul>
            </section>
        </div>
    </NModal>
</template>

<style scoped>
.top { display: flex; gap: 10px; }
.hint { color: var(--soft); margin: 10px 0 0; }
.scroll { max-height: calc(62vh / var(--size, 1)); overflow: auto; padding-right: 6px; }
section { padding-top: 14px; }
h3 { margin: 0 0 4px; font-size: 15px; }
ul { list-style: none; margin: 0; padding: 0; }
li { display: grid; grid-template-columns: 1fr auto; gap: 2px 16px; padding: 5px 0; border-top: 1px solid var(--edge); align-items: center; }
.about strong, .about small { display: block; font-size: 14px; }
.about strong { font-weight: 400; }
.about small { color: var(--soft); font-size: 13px; }
.keys { display: flex; flex-wrap: wrap; gap: 4px; align-items: center; justify-content: flex-end; }
em { font-size: 13px; color: var(--ink); max-width: 300px; }
kbd { font: 13px 'Atkinson Hyperlegible'; border: 1px solid var(--edge); border-radius: 4px; padding: 0 6px; background: var(--board); height: fit-content; }
.clash { grid-column: 1 / -1; margin: 0; font-size: 13px; padding-left: 8px; border-left: 3px solid var(--ember); }
</style>
