<script setup lang="ts">
import { NButton, NCheckbox, NInput, NInputNumber, NSelect } from 'naive-ui'
import { computed, nextTick, onBeforeUnmount, onMounted, ref, shallowRef, useTemplateRef, watch } from 'vue'
import { api } from '@/api/client'
import type { Edit, SentencesAnswer } from '@/api/wire'
import { useCamera } from '@/board/cameraStore'
import { leadTo } from '@/board/leadTo'
import { useBeside } from '@/stores/beside'
import { newId, useMap } from '@/stores/map'
import { tell } from '@/ui/tell'
import { useUi } from '@/ui/uiStore'
import { useLinks } from './linkStore'

/**
 * The map read out, one proposition a line: a click goes there, the phrase is typed in its line; what to look at once more,
 * and what it scores.
 */
const map = useMap()
const beside = useBeside()
const camera = useCamera()
const links = useLinks()
const ui = useUi()
const panel = useTemplateRef<HTMLElement>('panel')

const answer = shallowRef<SentencesAnswer | null>(null)
const problem = ref('')
/** The map that this one is held against. */
const against = ref<string | null>(null)
const others = shallowRef<{ value: string; label: string }[]>([])
let asked = 0
async function refresh(): Promise<void> {
    const [nth, id] = [++asked, map.id]
    try {
        const its = await api.sentences(id, against.value)
        if (nth === asked && id === map.id) {
            answer.value = its
            problem.value = ''
        }
    } catch (error) {
        problem.value = (error as Error).message
    }
}
let waiting: ReturnType<typeof setTimeout> | undefined
watch(() => beside.tree, () => {
    clearTimeout(waiting)
    // Once what was just done has been answered.
    waiting = setTimeout(() => map.afterAnswer(() => void refresh()), 200)
})
watch(against, () => void refresh())
onMounted(() => {
    const id = map.id
    void api.library().then(({ maps }) => (others.value = maps.filter((one) => one.id !== id).map((one) => ({ value: one.id, label: one.title })))).catch(() => undefined)
    map.afterAnswer(() => void refresh())
    panel.value?.querySelector<HTMLElement>('button')?.focus()
})
onBeforeUnmount(() => clearTimeout(waiting))

const sentences = computed(() => answer.value?.sentences ?? [])
const missing = computed(() => sentences.value.filter(({ phrase }) => phrase === '').length)
const repeated = computed(() => sentences.value.filter((one) => one.repeated).length)

type Said = SentencesAnswer['sentences'][number]
const isLink = (one: Said): boolean => one.type === 'crosslink'
/** Of a connector, the topic that it leads to stands for it. */
const isOn = (one: Said): boolean => (isLink(one) ? links.chosen.includes(one.id) : links.chosen.length === 0 && map.current === one.id)
function choose(one: Said): void {
    if (isLink(one)) {
        links.choose([one.id])
    } else {
        map.choose(one.id)
    }
}
function goTo(one: Said): void {
    choose(one)
    for (const topic of [one.to, one.from]) {
        map.uncover(topic, 'board')
        camera.reveal(topic)
    }
}
function goToTopic(topic: string): void {
    leadTo(topic, 'board')
}
const set = (one: Said, fields: Record<string, string | boolean | null>): void => map.edit((isLink(one) ? { name: 'row.set', type: one.type, rows: [one.id], fields } : { name: 'row.set', type: one.type, topics: [one.id], fields }) as Edit)
function say(one: Said, phrase: string): void {
    if (phrase.trim() !== one.phrase) {
        set(one, { phrase: phrase.trim().slice(0, 300) })
    }
}
/** From phrase to phrase by Enter and the arrows. */
function step(event: KeyboardEvent, by: 1 | -1): void {
    const all = [...(panel.value?.querySelectorAll<HTMLInputElement>('.phrase input') ?? [])]
    const next = all[all.indexOf(event.target as HTMLInputElement) + by]
    event.preventDefault()
    ;(event.target as HTMLInputElement).blur()
    next?.focus()
    next?.select()
}

const marks = ref(false)
const judgements = [{ value: 'valid', label: 'Valid' }, { value: 'doubtful', label: 'Doubtful' }, { value: 'wrong', label: 'Wrong' }]
const fieldOf = (one: Said, field: string): string | number | boolean | null => beside.tree.rows.get(`${one.type} ${one.id}`)?.fields[field] ?? null
const judge = (one: Said, judged: string): void => set(one, { judged: fieldOf(one, 'judged') === judged ? null : judged })

const WEIGHTS = { valid: 1, level: 5, cross: 10, example: 1 } as const
const weights = computed(() => [...beside.tree.rows.values()].filter(({ type }) => type === 'score-weights').sort((a, b) => (a.id < b.id ? -1 : 1))[0])
const weightOf = (field: keyof typeof WEIGHTS): number => (typeof weights.value?.fields[field] === 'number' ? Number(weights.value.fields[field]) : WEIGHTS[field])
const sums = computed(() => {
    const score = answer.value?.score
    return score === undefined ? [] : ([
        { field: 'valid', count: score.valid, one: 'valid proposition', many: 'valid propositions' },
        { field: 'level', count: score.levels, one: 'level', many: 'levels' },
        { field: 'cross', count: score.crossLinks, one: 'cross-link between branches', many: 'cross-links between branches' },
        { field: 'example', count: score.examples, one: 'example', many: 'examples' },
    ] as const).map((line) => ({ ...line, weight: weightOf(line.field) }))
})
function weigh(field: string, value: number | null): void {
    if (value !== null) {
        map.edit({ name: 'row.set', type: 'score-weights', row: weights.value?.id ?? newId(), fields: { [field]: Math.round(value) } })
    }
}

async function copy(): Promise<void> {
    try {
        // As they leave the map: without what is private.
        const answer = await fetch(`/api/maps/${map.id}/sentences.txt`)
        await navigator.clipboard.writeText(answer.ok ? await answer.text() : '')
        tell.info('The sentences are on the clipboard.')
    } catch {
        tell.error('The browser does not let the page write to the clipboard; save them as text instead.')
    }
}
function close(): void {
    links.isReading = false
    void nextTick(() => ui.focusRegion(map.region))
}
</script>

<template>
    <section ref="panel" class="sentences" role="dialog" aria-label="Sentences" @keydown.escape.stop="close">
        <header><h2>Sentences</h2><NButton size="small" secondary @click="close">Close</NButton></header>
        <p v-if="problem !== ''">{{ problem }}</p>
        <p v-else-if="answer !== null && sentences.length === 0">No propositions yet. Give connectors and cross-links their phrases; here the map is read out then.</p>
        <template v-if="sentences.length > 0">
            <p>{{ sentences.length === 1 ? '1 proposition' : `${sentences.length} propositions` }}<template v-if="missing > 0">, {{ missing }} without a phrase</template><template v-if="repeated > 0">, {{ repeated }} said more than once</template></p>
            <ol>
                <li v-for="one in sentences" :key="one.id" :class="{ on: isOn(one) }">
                    <button class="text" :aria-label="`Go to: ${one.text}`" @click="goTo(one)">{{ one.text }}</button>
                    <NInput
                        class="phrase" :default-value="one.phrase" size="tiny" placeholder="no phrase yet" :maxlength="300" :input-props="{ 'aria-label': `Phrase between ${one.first} and ${one.last}`, dir: 'auto' }"
                        @change="say(one, $event)" @focus="choose(one)" @keydown.enter="step($event, 1)" @keydown.down="step($event, 1)" @keydown.up="step($event, -1)" />
                    <span v-if="marks && one.phrase !== ''" class="marks" role="group" :aria-label="`Marks of: ${one.text}`">
                        <button v-for="mark in judgements" :key="mark.value" :class="[mark.value, { on: fieldOf(one, 'judged') === mark.value }]" :aria-pressed="fieldOf(one, 'judged') === mark.value" @click="judge(one, mark.value)">{{ mark.label }}</button>
                        <button v-if="isLink(one)" class="telling" :class="{ on: fieldOf(one, 'telling') === true }" :aria-pressed="fieldOf(one, 'telling') === true" title="A cross-link that matters" @click="set(one, { telling: fieldOf(one, 'telling') !== true })">Telling</button>
                    </span>
                    <em v-if="answer?.match?.there.includes(one.id)">Is in the other map too.</em>
                    <em v-if="one.phrase === ''">The phrase is missing.</em><em v-else-if="one.repeated">Said more than once.</em>
                </li>
            </ol>
            <div class="tools">
                <NButton size="tiny" secondary @click="copy">Copy</NButton>
                <NButton size="tiny" secondary @click="ui.download(`/api/maps/${map.id}/sentences.txt`)">Save as text</NButton>
                <NButton size="tiny" secondary @click="ui.download(`/api/maps/${map.id}/sentences.csv`)">Save as CSV</NButton>
            </div>
        </template>
        <template v-if="answer !== null && sentences.length > 0">
            <h3>Score</h3>
            <NCheckbox v-model:checked="marks">Mark the propositions</NCheckbox>
            <table>
                <tbody>
                    <tr v-for="line in sums" :key="line.field">
                        <th scope="row">{{ line.count }} {{ line.count === 1 ? line.one : line.many }}</th>
                        <td>× <NInputNumber :value="line.weight" size="tiny" :min="0" :max="100" :show-button="false" :input-props="{ 'aria-label': `What ${line.one} counts` }" @update:value="weigh(line.field, $event)" /></td>
                        <td>{{ line.count * line.weight }}</td>
                    </tr>
                    <tr class="total"><th scope="row">Together</th><td /><td>{{ answer.score.score }}</td></tr>
                </tbody>
            </table>
            <p>By the method of Novak and Gowin, 1984. What is marked doubtful or wrong does not count; where cross-links are marked telling, only these do.</p>
        </template>
        <template v-if="answer !== null && others.length > 0">
            <h3>Held against another map</h3>
            <NSelect v-model:value="against" size="small" filterable clearable :options="others" placeholder="One of your maps" :input-props="{ 'aria-label': 'Map to hold it against' }" />
            <template v-if="answer.match !== undefined">
                <p>{{ answer.match.there.length }} of its propositions are here, {{ answer.match.missing.length }} are missing, {{ answer.match.other.length }} here are others. They match by the words of topics and phrase, in any order.</p>
                <ul v-if="answer.match.missing.length > 0" class="missing"><li v-for="(text, i) in answer.match.missing" :key="i">{{ text }}</li></ul>
            </template>
        </template>
        <template v-if="(answer?.loose.length ?? 0) > 0">
            <h3>Tied to nothing</h3>
            <ul><li v-for="topic in answer?.loose" :key="topic"><button class="text" @click="goToTopic(topic)">{{ links.titleOf(topic) }}</button></li></ul>
        </template>
        <template v-if="(answer?.chains.length ?? 0) > 0">
            <h3>All in one chain</h3>
            <ul><li v-for="chain in answer?.chains" :key="chain.join()"><button class="text" @click="goToTopic(chain[0] ?? '')">{{ chain.map(links.titleOf).join(' → ') }}</button></li></ul>
        </template>
    </section>
</template>

<style scoped>
.sentences { position: fixed; z-index: 6; right: 0; top: 50px; bottom: 0; width: min(calc(254px * var(--size, 1)), 100vw); overflow: auto; box-sizing: border-box; background: var(--slip); border-left: 1px solid var(--edge); padding: 14px 14px 24px; display: flex; flex-direction: column; gap: 8px; }
header { display: flex; justify-content: space-between; align-items: center; }
h2 { margin: 0; font-size: 18px; }
h3 { margin: 10px 0 0; font-size: 13.5px; }
p { margin: 0; color: var(--soft); font-size: 13.5px; }
ol, ul { list-style: none; margin: 0; padding: 0; display: flex; flex-direction: column; gap: 8px; }
li { display: grid; gap: 3px; padding: 4px 6px; border-radius: 6px; }
li.on { background: color-mix(in srgb, var(--marigold) 22%, transparent); }
.text { border: 0; background: none; color: var(--ink); font: inherit; font-size: 14.5px; text-align: start; padding: 0; cursor: pointer; overflow-wrap: anywhere; }
.text:hover, .text:focus-visible { text-decoration: underline; }
em { color: var(--soft); font-size: 12.5px; }
.marks { display: flex; flex-wrap: wrap; gap: 4px; }
.marks button { border: 1px solid var(--field); border-radius: 5px; background: none; color: var(--ink); font: inherit; font-size: 12px; padding: 0 6px; cursor: pointer; }
.marks button.on { background: var(--tide); border-color: var(--tide); color: var(--board); font-weight: 700; }
table { border-collapse: collapse; font-size: 13.5px; width: 100%; }
th { text-align: start; font-weight: 400; padding: 3px 0; }
td { text-align: end; white-space: nowrap; }
td .n-input-number { display: inline-block; width: 46px; }
.total > * { border-top: 1px solid var(--edge); font-weight: 700; padding-top: 5px; }
.missing { gap: 0; padding-left: 8px; border-left: 3px solid var(--marigold); font-size: 14px; }
.tools { display: flex; flex-wrap: wrap; gap: 6px; }
</style>
