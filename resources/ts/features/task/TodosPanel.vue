<script setup lang="ts">
import { NButton, NInput, NSelect } from 'naive-ui'
import { computed, nextTick, onBeforeUnmount, ref, shallowRef, watch } from 'vue'
import { useActions } from '@/actions/useActions'
import { api } from '@/api/client'
import { latest } from '@/api/latest'
import type { Todo, TodosAnswer } from '@/api/wire'
import { leadTo } from '@/board/leadTo'
import SidePanel from '@/desk/SidePanel.vue'
import { dayWords, today } from '@/facts/facts'
import { newId, useMap } from '@/stores/map'
import { useNarrowing } from '@/stores/narrowing'
import { reported } from './asked'

/** The to-dos of the map, what is to be seen to first; a line leads to where it is. The board shows which these are. */
const map = useMap()
const narrowing = useNarrowing()
const { keyOf } = useActions()
const answer = shallowRef<TodosAnswer | null>(null)
const problem = ref('')
const show = ref('not-done')
const typed = ref('')
const list = ref<HTMLElement | null>(null)
const asking = latest()

watch([() => map.seq, () => map.savedState], async ([, state]) => {
    if (state === 'saved') {
        const isWanted = asking.begin()
        const got = await api.todos(map.id).catch(() => null)
        if (isWanted()) {
            problem.value = got === null ? 'The to-dos could not be fetched. Check the network; the map itself is there.' : ''
            answer.value = got ?? answer.value
        }
    }
}, { immediate: true })

const all = computed(() => answer.value?.todos ?? [])
const options = computed(() => [
    { value: 'not-done', label: `Not done · ${all.value.filter(({ state }) => state !== 'done').length}` },
    ...(answer.value?.found ?? []).map(({ finding, words, count }) => ({ value: finding, label: `${words.charAt(0).toUpperCase()}${words.slice(1)} · ${count}` })),
    { value: 'done', label: `Done · ${all.value.filter(({ state }) => state === 'done').length}` },
    { value: 'all', label: `All · ${all.value.length}` },
])
const wordsOf = (finding: string): string => answer.value?.found.find((one) => one.finding === finding)?.words ?? finding
const shown = computed<readonly Todo[]>(() => {
    const words = typed.value.trim().toLowerCase()
    return all.value
        .filter(({ state, found }) => show.value === 'all' || (show.value === 'not-done' ? state !== 'done' : show.value === 'done' ? state === 'done' : found.includes(show.value)))
        .filter(({ title, trail, who }) => words === '' || [title, trail, ...who].some((text) => text.toLowerCase().includes(words)))
        .sort((a, b) => (a.by ?? '9999').localeCompare(b.by ?? '9999'))
})
watch(shown, (now) => (narrowing.to = show.value === 'all' && typed.value === '' ? null : { words: options.value.find(({ value }) => value === show.value)?.label ?? '', ids: new Set(now.map(({ topic }) => topic)) }))
onBeforeUnmount(() => (narrowing.to = null))

const lines = (): HTMLElement[] => [...(list.value?.querySelectorAll<HTMLElement>('li') ?? [])]
function goTo(topic: string): void {
    leadTo(topic, 'board')
}
function toggle(todo: Todo, i: number): void {
    map.edit({ name: 'task.set', step: newId(), topics: [todo.topic], progress: todo.state === 'done' ? null : 100, today: today() })
    map.afterAnswer(() => void nextTick(() => setTimeout(() => (lines()[i] ?? lines().at(-1))?.focus(), 60)))
}
function key(event: KeyboardEvent, i: number): void {
    const todo = shown.value[i]
    const acts: Record<string, () => void> = { ArrowUp: () => lines()[i - 1]?.focus(), ArrowDown: () => lines()[i + 1]?.focus(), Home: () => lines()[0]?.focus(), End: () => lines().at(-1)?.focus(), Enter: () => todo !== undefined && goTo(todo.topic), ' ': () => todo !== undefined && toggle(todo, i) }
    const act = event.ctrlKey || event.metaKey || event.altKey ? undefined : acts[event.key]
    if (act !== undefined && event.target === event.currentTarget) {
        event.preventDefault()
        event.stopPropagation()
        act()
    }
}
</script>

<template>
    <SidePanel title="To-dos">
        <div class="row">
            <NSelect v-model:value="show" class="show" size="small" :options="options" aria-label="Which to-dos" :input-props="{ 'aria-label': 'Which to-dos' }" />
            <NInput v-model:value="typed" class="find" size="small" clearable placeholder="Find" :input-props="{ 'aria-label': 'Somebody, or words' }" @keydown.down.prevent="lines()[0]?.focus()" />
        </div>
        <p v-if="problem !== ''" class="none" role="alert">{{ problem }}</p>
        <p v-else-if="answer !== null && all.length === 0" class="none">Nothing is to be done yet. {{ keyOf('kind.todo') }} on a topic makes it a to-do, with who and by when.</p>
        <p v-else-if="answer !== null && shown.length === 0" class="none">None of them. That is good news.</p>
        <!-- A dialog: its keys are its own, not the board's. -->
        <section role="dialog" aria-label="List of to-dos">
            <ul ref="list" aria-label="To-dos">
                <li v-for="(todo, i) in shown" :key="todo.topic" :tabindex="i === 0 ? 0 : -1" :class="[todo.state, { chosen: map.current === todo.topic, late: todo.found.includes('overdue') }]" :aria-label="`${todo.title}, ${todo.progress} percent`" @click="goTo(todo.topic)" @keydown="key($event, i)">
                    <button class="tick" :aria-pressed="todo.state === 'done'" :aria-label="todo.state === 'done' ? `${todo.title} is not done` : `${todo.title} is done`" tabindex="-1" @click.stop="toggle(todo, i)">{{ todo.state === 'done' ? '✓' : '' }}</button>
                    <span>{{ todo.title === '' ? 'Untitled' : todo.title }}<small>{{ [todo.who.join(', '), todo.by === null ? '' : dayWords(todo.by), todo.progress > 0 && todo.progress < 100 ? `${todo.progress} %` : ''].filter(Boolean).join(' · ') }}</small><small v-if="todo.trail !== ''" class="trail">{{ todo.trail }}</small><em v-for="finding in todo.found.filter((one) => one !== 'soon')" :key="finding">{{ wordsOf(finding) }}</em></span>
                    <NButton size="tiny" quaternary tabindex="-1" @click.stop="reported = [todo.topic]">Report</NButton>
                </li>
            </ul>
        </section>
    </SidePanel>
</template>

<style scoped>
.row { display: flex; flex-wrap: wrap; gap: 6px; }
.show { flex: 1 1 150px; }
.find { flex: 1 1 110px; }
.none { margin: 0; color: var(--soft); font-size: 14px; }
ul { list-style: none; margin: 0; padding: 0; overflow: auto; }
li { display: flex; align-items: flex-start; gap: 8px; padding: 6px 4px; border-radius: 7px; cursor: pointer; outline: none; border-bottom: 1px solid var(--edge); }
li:hover { background: color-mix(in srgb, var(--tide) 10%, transparent); }
li:focus { background: color-mix(in srgb, var(--tide) 22%, transparent); }
li > span { flex: 1; min-width: 0; overflow-wrap: anywhere; font-size: 14px; }
li.done > span { color: var(--soft); }
.tick { flex: none; width: 19px; height: 19px; margin-top: 1px; border: 2px solid var(--field); border-radius: 5px; background: none; color: var(--ink); font-weight: 700; line-height: 1; padding: 0; cursor: pointer; }
li.doing .tick { border-color: var(--tide); background: linear-gradient(90deg, color-mix(in srgb, var(--tide) 45%, transparent) 50%, transparent 50%); }
li.late .tick { border-color: var(--ember); border-width: 3px; }
li.chosen { box-shadow: inset 3px 0 0 var(--tide); }
small { display: block; color: var(--soft); font-size: 12.5px; }
.trail { white-space: nowrap; overflow: hidden; text-overflow: ellipsis; }
em { display: inline-block; margin-right: 8px; font-style: normal; font-size: 12.5px; font-weight: 700; border-bottom: 2px solid var(--ember); }
</style>
