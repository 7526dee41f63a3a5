<script setup lang="ts">
import { NInput } from 'naive-ui'
import { computed, nextTick, ref, watch } from 'vue'
import { useActions } from '@/actions/useActions'
import type { DigestAnswer, Edit } from '@/api/wire'
import { today } from '@/facts/facts'
import { newId, useMap } from '@/stores/map'
import { usePreferences } from '@/stores/preferences'
import { rowOf } from '@/stores/tree'
import { asked, goTo, left } from './digests'

/** The lines of a digest: each leads to its place, is ticked or written otherwise there and then. */
type Line = DigestAnswer['groups'][number]['lines'][number]
const props = defineProps<{ answer: DigestAnswer; digest: string }>()

const { run } = useActions()
const map = useMap()
const preferences = usePreferences()
const list = ref<HTMLElement | null>(null)
const writing = ref<string | null>(null)
const draft = ref('')
const all = computed(() => props.answer.groups.flatMap((group, g) => group.lines.map((line) => ({ key: `${g} ${line.map} ${line.topic}`, line }))))

const lines = (): HTMLElement[] => [...(list.value?.querySelectorAll<HTMLElement>('li') ?? [])]
/** Only what is in this map can be changed from here. */
const isHere = (line: Line): boolean => line.map === '' && map.tree.topics.has(line.topic)
/** How far it is now, whatever a frozen list says. */
const isDone = (line: Line): boolean => (isHere(line) ? (rowOf(map.tree, 'task', line.topic)?.fields.progress ?? line.progress) : line.progress) === 100

const go = (line: Line): void => goTo(props.digest, line)
function tick(line: Line): void {
    if (isHere(line) && line.progress !== null) {
        map.edit({ name: 'task.set', step: newId(), topics: [line.topic], progress: isDone(line) ? null : 100, today: today() } as Edit)
    }
}
/** A title is written as it is kept, with the signs of what is formatted, so that none is lost. */
const titleOf = (line: Line): string => map.tree.topics.get(line.topic)?.title ?? ''
function write(key: string, line: Line): void {
    if (isHere(line)) {
        writing.value = key
        draft.value = titleOf(line)
        void nextTick(() => list.value?.querySelector<HTMLInputElement>('li input')?.select())
    }
}
function keep(line: Line, key: string): void {
    if (writing.value === key) {
        writing.value = null
        if (draft.value.trim() !== titleOf(line) && draft.value.trim() !== '') {
            map.edit({ name: 'topic.retitle', topic: line.topic, title: draft.value.trim() } as Edit)
        }
        void nextTick(() => lines()[all.value.findIndex((one) => one.key === key)]?.focus())
    }
}
function key(event: KeyboardEvent, at: string, line: Line): void {
    const i = all.value.findIndex((one) => one.key === at)
    const acts: Record<string, () => void> = { ArrowUp: () => lines()[i - 1]?.focus(), ArrowDown: () => lines()[i + 1]?.focus(), Home: () => lines()[0]?.focus(), End: () => lines().at(-1)?.focus(), Enter: () => go(line), ' ': () => tick(line), F2: () => write(at, line) }
    const isUndo = (event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'z'
    const act = isUndo ? () => run(event.shiftKey ? 'map.redo' : 'map.undo') : event.ctrlKey || event.metaKey || event.altKey ? undefined : acts[event.key]
    if (act !== undefined && event.target === event.currentTarget) {
        event.preventDefault()
        event.stopPropagation()
        act()
    }
}

/** Where the focus is in the list. A line that goes takes it along; then it is given to the one that comes to stand there. */
let at = -1
function enter(event: FocusEvent): void {
    at = lines().findIndex((line) => line.contains(event.target as Node))
}
function leave(event: FocusEvent): void {
    at = event.relatedTarget === null ? at : -1
}
watch(all, () => void nextTick(() => at >= 0 && document.activeElement === document.body && lines()[Math.min(at, lines().length - 1)]?.focus()))

/** Whoever asks for the list is put on the first line; whoever comes back, on the one from which they went. */
watch([asked, all], () => {
    const isBack = left.value?.digest === props.digest && preferences.trail.length < left.value.marks
    if (asked.value === props.digest || isBack) {
        const wanted = isBack ? left.value?.line : undefined
        asked.value = null
        left.value = isBack ? null : left.value
        void nextTick(() => {
            const line = lines()[Math.max(0, all.value.findIndex(({ line: its }) => its.topic === wanted))]
            const there = line ?? document.querySelector<HTMLElement>('.digest input')
            there?.scrollIntoView({ block: 'nearest' })
            there?.focus()
        })
    }
}, { immediate: true })
</script>

<template>
    <!-- A dialog: its keys are its own, not the board's. -->
    <section ref="list" class="lines" role="dialog" aria-label="What is gathered" @focusin="enter" @focusout="leave">
        <template v-for="(group, g) in answer.groups" :key="g">
            <h4 v-if="group.title !== ''">{{ group.title }}<small>{{ group.lines.length }}</small></h4>
            <ul :aria-label="group.title === '' ? 'Gathered' : group.title">
                <li v-for="(line, i) in group.lines" :key="`${line.map} ${line.topic}`" :tabindex="g === 0 && i === 0 ? 0 : -1" :class="{ done: isDone(line), gone: line.map === '' && !map.tree.topics.has(line.topic) }" :title="line.trail.join(' › ')" @click="go(line)" @keydown="key($event, `${g} ${line.map} ${line.topic}`, line)">
                    <button v-if="line.progress !== null" class="tick" :disabled="!isHere(line)" :aria-pressed="isDone(line)" :aria-label="isDone(line) ? `${line.title} is not done` : `${line.title} is done`" tabindex="-1" @click.stop="tick(line)">{{ isDone(line) ? '✓' : '' }}</button>
                    <NInput v-if="writing === `${g} ${line.map} ${line.topic}`" v-model:value="draft" size="tiny" :maxlength="2000" :input-props="{ 'aria-label': 'Title' }" @click.stop @keydown.enter.stop.prevent="keep(line, `${g} ${line.map} ${line.topic}`)" @keydown.escape.stop="writing = null" @blur="keep(line, `${g} ${line.map} ${line.topic}`)" />
                    <span v-else>{{ line.title === '' ? 'Untitled' : line.title }}<small v-if="line.told.length > 0">{{ line.told.join(' · ') }}</small><small class="trail">{{ [answer.maps[line.map] ?? '', ...line.trail].filter(Boolean).join(' › ') }}</small></span>
                    <button v-if="isHere(line) && writing === null" class="pen" :aria-label="`Write “${line.title}” otherwise`" title="Write it otherwise (F2)" tabindex="-1" @click.stop="write(`${g} ${line.map} ${line.topic}`, line)"><svg viewBox="0 0 16 16" width="13" height="13" aria-hidden="true"><path d="M2.5 13.5l.8-3.2 7.6-7.6 2.4 2.4-7.6 7.6z" /></svg></button>
                </li>
            </ul>
        </template>
    </section>
</template>

<style scoped>
.lines { max-height: 46vh; overflow: auto; }
h4 { margin: 8px 0 2px; font-size: 13.5px; display: flex; gap: 7px; align-items: baseline; }
ul { list-style: none; margin: 0; padding: 0; }
li { display: flex; align-items: flex-start; gap: 8px; padding: 5px 4px; border-radius: 6px; cursor: pointer; outline: none; border-bottom: 1px solid var(--edge); }
li:hover { background: color-mix(in srgb, var(--tide) 10%, transparent); }
li:focus { background: color-mix(in srgb, var(--tide) 22%, transparent); }
li > span { flex: 1; min-width: 0; overflow-wrap: anywhere; font-size: 13.5px; }
li.done > span { color: var(--soft); }
li.gone { cursor: default; opacity: 0.75; }
.tick { flex: none; width: 18px; height: 18px; margin-top: 1px; border: 2px solid var(--field); border-radius: 5px; background: none; color: var(--ink); font-weight: 700; line-height: 1; padding: 0; cursor: pointer; }
.pen { flex: none; border: 0; background: none; padding: 4px; cursor: pointer; color: var(--soft); border-radius: 5px; display: grid; opacity: 0; }
.pen svg { fill: none; stroke: currentcolor; stroke-width: 1.5; stroke-linejoin: round; }
.pen:hover { background: color-mix(in srgb, var(--ink) 8%, transparent); }
li:hover .pen, li:focus .pen, li:focus-within .pen { opacity: 1; }
@media (hover: none) { .pen { opacity: 1; } }
small { display: block; color: var(--soft); font-size: 12.5px; font-weight: 400; }
.trail { white-space: nowrap; overflow: hidden; text-overflow: ellipsis; }
</style>
