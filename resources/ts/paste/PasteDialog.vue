<script setup lang="ts">
import { until, useDebounceFn, useVirtualList } from '@vueuse/core'
import { NButton, NCheckbox, NInput, NModal, NRadio, NRadioGroup, NSpin } from 'naive-ui'
import { computed, nextTick, onMounted, ref, shallowRef, watch } from 'vue'
import { api } from '@/api/client'
import { useMap } from '@/stores/map'
import { usePreferences } from '@/stores/preferences'
import { topicName, plainTitle } from '@/text/titleMarkdown'
import { useUi } from '@/ui/uiStore'
import { pastedBy } from './clipboard'
import { usePaste, type PasteAs, type PreviewLine } from './pasteStore'

/** What was pasted, line by line with its levels, to be put right before it lands. */
const LINE = 27
const INDENT = 20
const HOW: Record<PreviewLine['how'], string> = {
    first: 'first', same: 'as before', tab: 'tab', indent: 'indent', bullet: 'bullet', number: 'number', heading: 'heading', list: 'list', table: 'table row', body: 'text of it', offered: 'reads as a heading', document: 'as in the document',
}

const paste = usePaste()
const map = useMap()
const ui = useUi()
const preferences = usePreferences()
const as = ref<PasteAs>('branches')
const withMarks = ref(false)
const chosen = shallowRef<ReadonlySet<number>>(new Set())
const current = ref(0)
const anchor = ref(0)
const picture = ref<string | null>(null)
const { list, containerProps } = useVirtualList(computed(() => paste.lines), { itemHeight: LINE, overscan: 16 })
const frame = containerProps.ref

const where = computed(() => topicName(map.tree.topics.get(paste.target)?.title))
const shown = computed(() => list.value.map(({ data: line, index }) => ({ line, index })))
const kept = computed(() => paste.lines.filter((line) => !line.dropped).length)
const hasMarks = computed(() => paste.lines.some((line) => line.mark !== ''))
const hasOffered = computed(() => !paste.headings || paste.lines.some((line) => line.how === 'offered'))

const draw = useDebounceFn(async () => {
    if (as.value === 'note' || as.value === 'caption' || kept.value === 0) {
        picture.value = null
        return
    }
    const answer = await api.clipPicture(map.id, as.value, paste.landed(withMarks.value).slice(0, 400), preferences.board).catch(() => null)
    picture.value = answer === null ? null : `data:image/svg+xml;charset=utf-8,${encodeURIComponent(answer.picture)}`
}, 120)

watch([() => paste.lines, as, withMarks], () => void draw(), { immediate: true })
onMounted(() => void nextTick(() => (paste.lines.length === 0 ? document.querySelector<HTMLElement>('.paste textarea')?.focus() : begin())))

/** The lines have the keys from the first moment on. */
function begin(): void {
    pick(0)
    frame.value?.focus()
}

function pick(index: number, range = false, toggle = false): void {
    const at = Math.min(paste.lines.length - 1, Math.max(0, index))
    current.value = at
    const key = paste.lines[at]?.key
    if (range) {
        const [low, high] = [Math.min(anchor.value, at), Math.max(anchor.value, at)]
        chosen.value = new Set(paste.lines.slice(low, high + 1).map((line) => line.key))
    } else if (key !== undefined) {
        anchor.value = at
        const next = new Set(toggle ? chosen.value : [])
        if (toggle && next.has(key)) {
            next.delete(key)
        } else {
            next.add(key)
        }
        chosen.value = next
    }
    const box = frame.value
    if (box !== null && (at * LINE < box.scrollTop || (at + 1) * LINE > box.scrollTop + box.clientHeight)) {
        box.scrollTop = Math.max(0, at * LINE - box.clientHeight / 2)
    }
}

/** All from here on; one stays at the line, to go on from there once they are shifted. */
function chooseRest(): void {
    anchor.value = current.value
    chosen.value = new Set(paste.lines.slice(current.value).map((line) => line.key))
}

function join(): void {
    const into = paste.join(chosen.value)
    if (into !== null) {
        pick(paste.lines.findIndex((line) => line.key === into))
    }
}

function key(event: KeyboardEvent): void {
    const act: Record<string, () => void> = {
        ArrowUp: () => pick(current.value - 1, event.shiftKey),
        ArrowDown: () => pick(current.value + 1, event.shiftKey),
        Home: () => pick(0, event.shiftKey),
        End: () => (event.shiftKey ? chooseRest() : pick(paste.lines.length - 1)),
        ArrowRight: () => paste.shift(chosen.value, 1),
        ArrowLeft: () => paste.shift(chosen.value, -1),
        Delete: () => paste.drop(chosen.value),
        j: join,
        Enter: () => void land(),
    }
    const run = event.key === 'a' && (event.ctrlKey || event.metaKey) ? () => (chosen.value = new Set(paste.lines.map((line) => line.key))) : act[event.key]
    if (run !== undefined) {
        event.preventDefault()
        event.stopPropagation()
        run()
    }
}

/** Pulling a line to the side shifts it, and all that are chosen with it. */
function down(event: PointerEvent, index: number): void {
    const line = paste.lines[index]
    if (line === undefined || event.button !== 0) {
        return
    }
    frame.value?.focus()
    if (event.shiftKey || event.ctrlKey || event.metaKey || !chosen.value.has(line.key)) {
        pick(index, event.shiftKey, event.ctrlKey || event.metaKey)
    }
    const from = event.clientX
    const level = line.level
    let isPulled = false
    const move = (moved: PointerEvent): void => {
        const by = Math.round((moved.clientX - from) / INDENT)
        isPulled ||= by !== 0
        if (isPulled) {
            paste.setLevel(chosen.value, line.key, Math.max(0, level + by))
        }
    }
    const stop = (): void => {
        window.removeEventListener('pointermove', move)
        window.removeEventListener('pointerup', up)
        window.removeEventListener('pointercancel', stop)
    }
    const up = (): void => {
        stop()
        // One of several chosen lines, clicked without a key, is chosen alone.
        if (!isPulled && !event.shiftKey && !event.ctrlKey && !event.metaKey) {
            pick(index)
        }
    }
    window.addEventListener('pointermove', move)
    window.addEventListener('pointerup', up)
    window.addEventListener('pointercancel', stop)
}

function typed(event: ClipboardEvent): void {
    if (event.clipboardData !== null) {
        event.preventDefault()
        const { text, html } = pastedBy(event.clipboardData)
        void paste.readText(text, html).then(() => nextTick(begin))
    }
}

async function land(): Promise<void> {
    // What was asked for last lands, not what is still seen.
    await until(() => paste.isReading).toBe(false)
    paste.land(as.value, withMarks.value)
    ui.focusRegion(map.region)
}

function close(): void {
    paste.isOpen = false
    void nextTick(() => ui.focusRegion(map.region))
}
</script>

<template>
    <NModal :show="true" preset="card" class="paste" title="Paste" style="width: min(960px, calc(100vw - 24px))" :bordered="false" @update:show="close">
        <div class="parts">
            <div class="left">
                <NInput
                    v-if="paste.lines.length === 0" type="textarea" :autosize="{ minRows: 12, maxRows: 12 }" placeholder="Paste or type a list here" :input-props="{ 'aria-label': 'Text to paste' }"
                    @paste="typed" @change="paste.readText($event)" />
                <div
                    v-else v-bind="containerProps" class="lines" tabindex="0" role="listbox" aria-multiselectable="true" aria-label="Lines" :aria-activedescendant="`clip-${current}`" @keydown="key">
                    <div :style="{ height: `${paste.lines.length * LINE}px` }">
                        <div
                            v-for="{ line, index } in shown" :id="`clip-${index}`" :key="line.key" class="line" role="option" :aria-selected="chosen.has(line.key)" :aria-level="line.level + 1"
                            :class="{ chosen: chosen.has(line.key), dropped: line.dropped, current: index === current }" :style="{ top: `${index * LINE}px`, paddingLeft: `${10 + line.level * INDENT}px` }"
                            @pointerdown="down($event, index)">
                            <span class="level">{{ line.level + 1 }}</span><span v-if="withMarks && line.mark" class="mark">{{ line.mark }}</span><span class="text">{{ plainTitle(line.text) }}</span>
                            <small v-if="line.note !== undefined" class="has-note" title="A note goes along with it">note</small>
                            <small :class="{ offered: line.how === 'offered' }">{{ HOW[line.how] }}</small>
                        </div>
                    </div>
                </div>
                <p class="hint">↑ ↓ go along the lines, Shift chooses more, Shift+End all that follow; ← → or pulling shifts what is chosen.</p>
                <div class="tools" role="toolbar" aria-label="Chosen lines">
                    <NButton size="small" @click="paste.shift(chosen, -1)">Out · ←</NButton>
                    <NButton size="small" @click="paste.shift(chosen, 1)">In · →</NButton>
                    <NButton size="small" @click="paste.drop(chosen)">Leave out · Del</NButton>
                    <NButton size="small" @click="join">Join · J</NButton>
                    <NSpin v-if="paste.isReading" size="small" />
                    <span class="count">{{ kept }} of {{ paste.lines.length }} lines, {{ chosen.size }} chosen</span>
                </div>
            </div>
            <div class="right">
                <NRadioGroup v-model:value="as" name="as" class="ways" aria-label="What becomes of it">
                    <NRadio value="branches">Branches, as the levels are</NRadio>
                    <NRadio value="paragraphs">One topic a paragraph</NRadio>
                    <NRadio value="one">One topic</NRadio>
                    <NRadio value="note">Into the note</NRadio>
                    <NRadio value="caption">Into the caption</NRadio>
                </NRadioGroup>
                <NCheckbox v-if="hasMarks" v-model:checked="withMarks">Keep bullets and numbers in the text</NCheckbox>
                <NCheckbox v-if="hasOffered" :checked="paste.headings" @update:checked="paste.setHeadings">Lines that read as headings are parents</NCheckbox>
                <p v-if="paste.source !== null" class="source">From <span>{{ paste.source }}</span>, kept as a link</p>
                <div class="picture"><img v-if="picture !== null" :src="picture" alt="What it would become" /><p v-else-if="as === 'note' || as === 'caption'">It is added to the {{ as }} of “{{ where }}”.</p></div>
            </div>
        </div>
        <template #footer>
            <div class="foot"><span class="at">Lands {{ as === 'note' || as === 'caption' ? 'at' : 'below' }} <strong>{{ where }}</strong></span><NButton @click="close">Cancel</NButton><NButton type="primary" :disabled="kept === 0" @click="land">Land it</NButton></div>
        </template>
    </NModal>
</template>

<style scoped>
.parts { display: grid; grid-template-columns: minmax(0, 1fr) 290px; gap: 18px; }
.lines { position: relative; height: min(400px, 52vh); overflow: auto; border: 1px solid var(--field); border-radius: 8px; outline: none; background: var(--board); }
.lines:focus-visible { border-color: var(--tide); }
.lines > div { position: relative; }
.line { position: absolute; left: 0; right: 0; height: 27px; display: flex; align-items: center; gap: 7px; box-sizing: border-box; padding-right: 8px; font-size: 14px; cursor: ew-resize; user-select: none; }
.line.chosen { background: color-mix(in srgb, var(--tide) 20%, transparent); }
.line.current { box-shadow: inset 3px 0 0 var(--tide); }
.line.dropped .text { text-decoration: line-through; color: var(--soft); }
.level { flex: none; font-size: 11.5px; min-width: 17px; text-align: center; border-radius: 4px; background: var(--slip); border: 1px solid var(--edge); color: var(--soft); font-variant-numeric: tabular-nums; }
.mark { color: var(--soft); }
.text { overflow: hidden; text-overflow: ellipsis; white-space: nowrap; }
small.has-note + small { margin-left: 0; } small.has-note { border: 1px solid var(--edge); border-radius: 4px; padding: 0 5px; font-size: 11.5px; }
small { margin-left: auto; flex: none; color: var(--soft); }
small.offered { color: var(--ink); font-style: italic; }
.hint { margin: 6px 0 0; color: var(--soft); font-size: 13px; }
.tools { display: flex; flex-wrap: wrap; gap: 6px; align-items: center; margin-top: 8px; }
.count { margin-left: auto; color: var(--soft); font-size: 13px; }
.right { display: flex; flex-direction: column; gap: 10px; }
.ways { display: grid; gap: 4px; }
.source { margin: 0; font-size: 13px; color: var(--soft); overflow-wrap: anywhere; }
.picture { flex: 1; min-height: 150px; display: grid; place-items: center; border-radius: 8px; border: 1px solid var(--edge); overflow: hidden; background: var(--board); color: var(--soft); }
.picture img { width: 100%; display: block; }
.picture p { padding: 12px; text-align: center; }
.foot { display: flex; gap: 8px; align-items: center; }
.at { margin-right: auto; color: var(--soft); overflow: hidden; text-overflow: ellipsis; white-space: nowrap; }
.at strong { color: var(--ink); }
@media (max-width: 720px) { .parts { grid-template-columns: 1fr; } .picture { display: none; } .lines { height: 38vh; } .line { cursor: default; } }
</style>
