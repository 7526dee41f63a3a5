<script setup lang="ts">
import { NButton, NModal } from 'naive-ui'
import { computed, nextTick, ref, shallowRef, useTemplateRef, watch } from 'vue'
import { api } from '@/api/client'
import type { Edit, ReturnedAnswer } from '@/api/wire'
import { newId, useMap } from '@/stores/map'
import { useDraft } from './draftStore'

/** A manuscript that came back from an editor: each change beside what the draft says, to be taken over or left, and remarks that can be kept as words to oneself. */
type Change = ReturnedAnswer['changes'][number]
const map = useMap()
const draft = useDraft()
const chooser = useTemplateRef<HTMLInputElement>('chooser')
const list = useTemplateRef<HTMLElement>('list')
const answer = shallowRef<ReturnedAnswer | null>(null)
const problem = ref('')
const isReading = ref(false)
/** What has become of each change. */
const done = shallowRef<ReadonlyMap<number, 'taken' | 'left' | string>>(new Map())
const open = computed(() => (answer.value?.changes ?? []).map((change, i) => ({ change, i })).filter(({ i }) => !done.value.has(i)))
const texts = computed(() => open.value.filter(({ change }) => change.sort !== 'remark'))
const sorts = { changed: 'changed', new: 'new', gone: 'struck out', remark: 'a remark' } as const
const number = (n: number, one: string, several: string): string => `${n.toLocaleString('en')} ${n === 1 ? one : several}`

watch(() => draft.isReturning, (is) => {
    if (is) {
        answer.value = null
        problem.value = ''
        done.value = new Map()
    }
})
async function take(file: File | undefined): Promise<void> {
    if (file === undefined) {
        return
    }
    isReading.value = true
    problem.value = ''
    const got = await api.returned(map.id, draft.top, file).catch((error: unknown) => (error as Error).message)
    isReading.value = false
    if (typeof got === 'string') {
        problem.value = got
    } else {
        answer.value = got
        done.value = new Map()
        focus(0)
    }
}
const end = useTemplateRef<HTMLElement>('end')
/** To a change; where none is left to what closes the panel. */
const focus = (i: number): void => void nextTick(() => setTimeout(() => (list.value?.querySelectorAll<HTMLElement>('li')[Math.max(0, Math.min(i, open.value.length - 1))] ?? end.value?.querySelector('button'))?.focus(), 30))

const said = (change: Change): string => change.remarks.map(({ who, text }) => `{{${who === '' ? 'Editor' : who}: ${text.replace(/[{}]/g, '')}}}`).join(' ')
const editOf = (change: Change, step: string, withRemark: boolean): Edit => ({
    name: 'text.revise', step, topic: change.topic, was: change.was, after: change.after, at: change.at,
    is: change.sort === 'remark' ? `${change.was} ${said(change)}` : withRemark ? `${change.is} ${said(change)}`.trim() : change.is,
} as Edit)
const mark = (i: number, as: string): void => void (done.value = new Map([...done.value, [i, as]]))

async function accept(i: number, step = newId(), withRemark = false): Promise<void> {
    const change = answer.value?.changes[i]
    const place = open.value.findIndex((one) => one.i === i)
    if (change !== undefined) {
        mark(i, 'taken')
        focus(place)
        const refusal = await map.refusalOf(editOf(change, step, withRemark))
        if (refusal !== null) {
            mark(i, refusal)
        }
    }
}
function leave(i: number): void {
    const place = open.value.findIndex((one) => one.i === i)
    mark(i, 'left')
    focus(place)
}
/** From the end, so that places before a change stay what they were. */
async function acceptAll(): Promise<void> {
    const step = newId()
    for (const { i } of [...texts.value].reverse()) {
        await accept(i, step)
    }
}
const refused = computed(() => [...done.value].filter(([, as]) => as !== 'taken' && as !== 'left'))
const taken = computed(() => [...done.value.values()].filter((as) => as === 'taken').length)

function key(event: KeyboardEvent, i: number): void {
    const place = open.value.findIndex((one) => one.i === i)
    const acts: Record<string, () => void> = { Enter: () => void accept(i, newId(), event.shiftKey), Delete: () => leave(i), ArrowDown: () => focus(place + 1), ArrowUp: () => focus(place - 1) }
    const act = event.target === event.currentTarget && !event.ctrlKey && !event.altKey && !event.metaKey ? acts[event.key] : undefined
    if (act !== undefined) {
        event.preventDefault()
        event.stopPropagation()
        act()
    }
}
</script>

<template>
    <NModal :show="draft.isReturning" preset="card" title="An editor’s copy, beside the draft" :style="{ width: 'min(860px, calc(100vw - 24px))' }" role="dialog" aria-label="An editor’s copy" @update:show="draft.leaveReturned">
        <div class="returned" @dragover.prevent @drop.prevent="take($event.dataTransfer?.files[0])">
            <input ref="chooser" type="file" hidden accept=".docx,application/vnd.openxmlformats-officedocument.wordprocessingml.document" aria-label="Document of the editor" @change="take(chooser?.files?.[0])" />
            <template v-if="answer === null">
                <p>Choose the DOCX that came back, or drop it here. What was changed in it, and what was remarked, is laid beside what the draft says now, passage by passage; nothing is taken over before you say so.</p>
                <p v-if="problem !== ''" class="problem" role="alert">{{ problem }}</p>
                <div class="tools"><NButton type="primary" autofocus :loading="isReading" @click="chooser?.click()">Choose the document</NButton></div>
            </template>
            <template v-else>
                <p class="told" role="status">{{ number(answer.same, 'passage reads', 'passages read') }} the same. {{ open.length === 0 ? (taken === 0 ? 'Nothing was changed.' : 'Nothing more to decide.') : `${number(open.length, 'change', 'changes')} to decide on: Enter takes one over, Del leaves it.` }}{{ answer.hasMore ? ' There are more after these.' : '' }}</p>
                <p v-for="[i, why] in refused" :key="i" class="problem" role="alert">{{ answer.changes[i]?.title }}: {{ why }}</p>
                <ul ref="list" aria-label="Changes">
                    <li v-for="{ change, i } in open" :key="i" tabindex="0" :aria-label="`${change.title}, ${sorts[change.sort]}`" @keydown="key($event, i)">
                        <header><b dir="auto">{{ change.title || 'Untitled' }}</b><small>{{ sorts[change.sort] }}{{ change.who.length > 0 ? `, ${change.who.join(', ')}` : '' }}</small><span class="do"><NButton size="tiny" secondary tabindex="-1" @click="accept(i)">{{ change.sort === 'remark' ? 'Keep the remark' : 'Take over' }}</NButton><NButton v-if="change.sort !== 'remark' && change.remarks.length > 0" size="tiny" secondary tabindex="-1" title="What was remarked stays as words to oneself (Shift+Enter)" @click="accept(i, undefined, true)">With the remark</NButton><NButton size="tiny" quaternary tabindex="-1" @click="leave(i)">Leave</NButton></span></header>
                        <p class="text" dir="auto"><component :is="piece.what === 'new' ? 'ins' : piece.what === 'gone' ? 'del' : 'span'" v-for="(piece, n) in change.pieces" :key="n">{{ piece.text }}</component></p>
                        <p v-for="(remark, n) in change.remarks" :key="n" class="remark" dir="auto"><b>{{ remark.who || 'Remark' }}</b> {{ remark.text }}</p>
                    </li>
                </ul>
                <div ref="end" class="tools"><NButton @click="draft.leaveReturned">Close</NButton><NButton v-if="texts.length > 1" type="primary" @click="acceptAll">Take over all {{ texts.length }}</NButton></div>
            </template>
        </div>
    </NModal>
</template>

<style scoped>
.returned { display: flex; flex-direction: column; gap: 12px; }
p { margin: 0; line-height: 1.5; }
.told, small { color: var(--soft); font-size: 14px; }
.problem { border-left: 3px solid var(--ember); padding-left: 8px; font-size: 14.5px; }
ul { list-style: none; margin: 0; padding: 0; max-height: 60vh; overflow: auto; }
li { padding: 10px 12px; border-bottom: 1px solid var(--faint-edge); border-left: 3px solid transparent; outline: none; }
li:focus { border-left-color: var(--tide); background: color-mix(in srgb, var(--tide) 6%, transparent); }
header { display: flex; gap: 10px; align-items: baseline; margin-bottom: 4px; }
header b { overflow: hidden; text-overflow: ellipsis; white-space: nowrap; }
header small { white-space: nowrap; }
.do { margin-left: auto; display: flex; gap: 4px; flex: none; }
.text { font-family: 'Literata', serif; font-size: 15.5px; white-space: pre-line; overflow-wrap: anywhere; }
ins { text-decoration: none; background: color-mix(in srgb, var(--kelp) 24%, transparent); border-radius: 3px; }
del { color: var(--soft); text-decoration-color: var(--ember); }
.remark { margin-top: 6px; padding-left: 10px; border-left: 3px solid var(--marigold); font-size: 14.5px; }
.tools { display: flex; gap: 8px; justify-content: flex-end; }
</style>
