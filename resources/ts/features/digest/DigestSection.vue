<script setup lang="ts">
import { NButton, NCheckbox, NInput, NSelect } from 'naive-ui'
import { computed, nextTick, ref, shallowRef, watch } from 'vue'
import { api } from '@/api/client'
import { latest } from '@/api/latest'
import type { DigestAnswer, Edit } from '@/api/wire'
import { useCamera } from '@/board/cameraStore'
import { dayWords, today } from '@/facts/facts'
import { useBeside } from '@/stores/beside'
import { newId, useMap } from '@/stores/map'
import { rowOf } from '@/stores/tree'
import { tell } from '@/ui/tell'
import DigestLines from './DigestLines.vue'

/** What a topic gathers: which topics, from where, in which order; the list itself, and ways to hand it on. */
/** As many lines as the server tells. */
const MOST_TOLD = 500

const map = useMap()
const beside = useBeside()
const camera = useCamera()
const row = computed(() => (beside.chosen.length === 1 && beside.current !== null ? rowOf(beside.tree, 'digest', beside.current) : undefined))
const answer = shallowRef<DigestAnswer | null>(null)
const problem = ref('')
const words = ref('')
const withTrail = ref(true)
const to = ref<string | null>(null)
const toField = ref<InstanceType<typeof NInput> | null>(null)
const asking = latest()
const topic = computed(() => row.value?.id ?? null)

/** Asked for when the map rests, so that the list is as the map is. */
async function ask(): Promise<void> {
    const its = topic.value
    if (its === null) {
        answer.value = null
        return
    }
    const isWanted = asking.begin()
    const got = await api.digest(map.id, its).catch((error: unknown) => (error as Error).message)
    if (isWanted() && typeof got !== 'string') {
        answer.value = got
        problem.value = ''
    } else if (isWanted()) {
        problem.value = String(got)
    }
}
watch([topic, () => map.seq, () => map.savedState], ([, , state]) => state === 'saved' && void ask(), { immediate: true })
watch(topic, () => {
    answer.value = null
    problem.value = ''
    to.value = null
})
/** What it gathers is said by whoever has the field; from elsewhere it comes only while nobody types in it. */
const isTyping = ref(false)
watch(() => answer.value?.words ?? '', (now) => !isTyping.value && (words.value = now), { immediate: true })

const set = (fields: Record<string, string | null>): void => map.edit({ name: 'row.set', step: newId(), type: 'digest', topics: [topic.value], fields } as Edit)
async function say(): Promise<void> {
    isTyping.value = false
    const its = topic.value
    const text = words.value.trim()
    if (its === null || text === (answer.value?.words ?? '')) {
        return
    }
    const heard = text === '' ? null : await api.filter(map.id, { text, scope: null }).catch((error: unknown) => (error as Error).message)
    if (typeof heard === 'string' || (heard?.problem ?? null) !== null) {
        problem.value = typeof heard === 'string' ? heard : String(heard?.problem)
    } else if (topic.value === its) {
        problem.value = ''
        set({ when: heard?.when ?? null })
        // It grows by its lines.
        map.afterAnswer(() => topic.value === its && camera.reveal(its))
    }
}

const columns = computed(() => (answer.value?.columns ?? []).map(({ key, words: label }) => ({ value: key, label })))
const from = [{ value: 'branch', label: 'the branch it hangs on' }, { value: 'map', label: 'this map' }, { value: 'maps', label: 'all maps' }]
const text = (field: string): string | null => (typeof row.value?.fields[field] === 'string' ? String(row.value.fields[field]) : null)
const tells = computed(() => (text('tells') ?? '').split(' ').filter((key) => key !== ''))
const isFrozen = computed(() => text('frozen') !== null)

const unmake = (): void => map.edit({ name: 'row.remove', type: 'digest', rows: [topic.value ?? ''] })
function freeze(): void {
    set(isFrozen.value ? { frozen: null, lines: null } : { frozen: today(), lines: JSON.stringify(answer.value?.groups ?? []) })
}

async function copy(asMarkdown: boolean): Promise<void> {
    try {
        const got = await api.digestCopy(map.id, topic.value ?? '', withTrail.value)
        const plain = asMarkdown ? got.markdown : got.text
        await navigator.clipboard.write([new ClipboardItem({ 'text/plain': new Blob([plain], { type: 'text/plain' }), ...(asMarkdown ? {} : { 'text/html': new Blob([got.html], { type: 'text/html' }) }) })])
        tell.info(asMarkdown ? 'Copied as Markdown, without what is private.' : 'Copied as a list, without what is private.')
    } catch (error) {
        tell.warning(error instanceof DOMException ? 'The browser did not let it onto the clipboard.' : (error as Error).message)
    }
}
function address(): void {
    to.value = to.value === null ? '' : null
    void nextTick(() => toField.value?.focus())
}
async function send(): Promise<void> {
    try {
        await api.sendDigest(map.id, topic.value ?? '', to.value ?? '', withTrail.value)
        tell.info(`Sent to ${to.value}, without what is private.`)
        to.value = null
    } catch (error) {
        tell.warning((error as Error).message)
    }
}
</script>

<template>
    <div v-if="row !== undefined" class="digest">
        <NInput
            v-model:value="words" size="small" placeholder="Which topics: “not done”, “kind Meeting” …" :maxlength="1000" :input-props="{ 'aria-label': 'Which topics it gathers', dir: 'auto', autocomplete: 'off', spellcheck: false }"
            @focus="isTyping = true" @update:value="isTyping = true" @blur="say" @keydown.enter.prevent="say" />
        <p v-if="problem !== ''" class="wrong" role="alert">{{ problem }}</p>
        <p v-if="answer !== null" class="count" role="status">{{ isFrozen ? `As of ${dayWords(String(row.fields.frozen))}: ` : '' }}{{ answer.words === '' ? 'Say which topics are meant.' : answer.count === 0 ? 'Nothing is found.' : `${answer.count} ${answer.count === 1 ? 'topic' : 'topics'}${answer.count > MOST_TOLD ? `; the first ${MOST_TOLD} are listed` : ''}` }}</p>
        <DigestLines v-if="answer !== null" :answer="answer" :digest="row.id" />
        <div class="row">
            <NButton size="tiny" secondary :disabled="answer === null || answer.count === 0" @click="copy(false)">Copy the list</NButton>
            <NButton size="tiny" secondary :disabled="answer === null || answer.count === 0" @click="copy(true)">As Markdown</NButton>
            <NButton size="tiny" secondary :disabled="answer === null || answer.count === 0" @click="address">Send …</NButton>
            <NCheckbox v-model:checked="withTrail" size="small">with the way to each</NCheckbox>
        </div>
        <div v-if="to !== null" class="row">
            <NInput ref="toField" v-model:value="to" class="to" size="small" placeholder="name@example.org" :maxlength="200" :input-props="{ 'aria-label': 'To whom it is sent', type: 'email' }" @keydown.enter.prevent="send" @keydown.escape.stop="to = null" />
            <NButton size="small" type="primary" :disabled="to.trim() === ''" @click="send">Send</NButton>
        </div>
        <div class="grid">
            <span>From</span><NSelect size="small" :value="text('from') ?? 'map'" :options="from" aria-label="From where it gathers" :input-props="{ 'aria-label': 'From where it gathers' }" @update:value="(value: string) => set({ from: value === 'map' ? null : value })" />
            <span>Under heads</span><NSelect size="small" clearable placeholder="none" :value="text('by')" :options="columns" aria-label="By what it is grouped" :input-props="{ 'aria-label': 'By what it is grouped' }" @update:value="(value: string | null) => set({ by: value })" />
            <span>In order of</span><NSelect size="small" clearable placeholder="the map" :value="text('order')" :options="columns" aria-label="By what it is ordered" :input-props="{ 'aria-label': 'By what it is ordered' }" @update:value="(value: string | null) => set({ order: value })" />
            <span>Tells</span><NSelect size="small" multiple placeholder="titles alone" :value="tells" :options="columns" aria-label="What is told of each" :input-props="{ 'aria-label': 'What is told of each' }" @update:value="(value: string[]) => set({ tells: value.slice(0, 8).join(' ') || null })" />
        </div>
        <div class="row">
            <NButton size="tiny" secondary :disabled="answer === null" @click="freeze">{{ isFrozen ? 'Follow the map again' : 'Freeze as it is today' }}</NButton>
            <NButton size="tiny" quaternary @click="unmake">No digest</NButton>
        </div>
    </div>
</template>

<style scoped>
.digest { display: flex; flex-direction: column; gap: 7px; font-size: 13px; margin-top: 10px; }
.grid { display: grid; grid-template-columns: 92px minmax(0, 1fr); gap: 6px; align-items: center; }
.grid > span { color: var(--soft); }
.row { display: flex; flex-wrap: wrap; gap: 6px; align-items: center; }
.to { flex: 1 1 140px; }
.count { margin: 2px 0 0; font-weight: 700; }
.wrong { margin: 0; padding-left: 7px; border-left: 3px solid var(--ember); font-size: 12.5px; }
</style>
