<script setup lang="ts">
import { NButton, NInput } from 'naive-ui'
import { computed, nextTick, onBeforeUnmount, onMounted, ref, shallowRef, useTemplateRef, watch } from 'vue'
import { api } from '@/api/client'
import type { SentencesAnswer } from '@/api/wire'
import { useCamera } from '@/board/cameraStore'
import { useBeside } from '@/stores/beside'
import { useMap } from '@/stores/map'
import { tell } from '@/ui/tell'
import { useUi } from '@/ui/uiStore'
import { useLinks } from './linkStore'

/** The map read out, one proposition a line: a click goes there, the phrase is typed in its line; and what to look at once more. */
const map = useMap()
const beside = useBeside()
const camera = useCamera()
const links = useLinks()
const ui = useUi()
const panel = useTemplateRef<HTMLElement>('panel')

const answer = shallowRef<SentencesAnswer | null>(null)
const problem = ref('')
let asked = 0
async function refresh(): Promise<void> {
    const [nth, id] = [++asked, map.id]
    try {
        const its = await api.sentences(id)
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
onMounted(() => {
    map.afterAnswer(() => void refresh())
    panel.value?.querySelector<HTMLElement>('button')?.focus()
})
onBeforeUnmount(() => clearTimeout(waiting))

const sentences = computed(() => answer.value?.sentences ?? [])
const missing = computed(() => sentences.value.filter(({ phrase }) => phrase === '').length)
const repeated = computed(() => sentences.value.filter((one) => one.repeated).length)

function goTo(link: string): void {
    links.choose([link])
    const its = links.find(link)
    ;[its?.to, its?.from].forEach((topic) => {
        if (topic !== undefined) {
            map.uncover(topic, 'board')
            camera.reveal(topic)
        }
    })
}
function goToTopic(topic: string): void {
    map.uncover(topic, 'board')
    map.choose(topic)
    camera.reveal(topic)
}
function say(link: string, phrase: string): void {
    if (phrase.trim() !== (links.find(link)?.phrase ?? '')) {
        links.set({ phrase: phrase.trim().slice(0, 300) }, [link])
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

async function copy(): Promise<void> {
    try {
        await navigator.clipboard.writeText(sentences.value.map(({ text }) => `${text}\n`).join(''))
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
        <p v-else-if="answer !== null && sentences.length === 0">No propositions yet. Draw cross-links between topics and give each a phrase; here the map is read out then.</p>
        <template v-if="sentences.length > 0">
            <p>{{ sentences.length === 1 ? '1 proposition' : `${sentences.length} propositions` }}<template v-if="missing > 0">, {{ missing }} without a phrase</template><template v-if="repeated > 0">, {{ repeated }} said more than once</template></p>
            <ol>
                <li v-for="one in sentences" :key="one.link" :class="{ on: links.chosen.includes(one.link) }">
                    <button class="text" :aria-label="`Go to: ${one.text}`" @click="goTo(one.link)">{{ one.text }}</button>
                    <NInput
                        class="phrase" :default-value="one.phrase" size="tiny" placeholder="no phrase yet" :maxlength="300" :input-props="{ 'aria-label': `Phrase between ${one.first} and ${one.last}`, dir: 'auto' }"
                        @change="say(one.link, $event)" @focus="links.choose([one.link])" @keydown.enter="step($event, 1)" @keydown.down="step($event, 1)" @keydown.up="step($event, -1)" />
                    <em v-if="one.phrase === ''">The phrase is missing.</em><em v-else-if="one.repeated">Said more than once.</em>
                </li>
            </ol>
            <div class="tools">
                <NButton size="tiny" secondary @click="copy">Copy</NButton>
                <NButton size="tiny" secondary @click="ui.download(`/api/maps/${map.id}/sentences.txt`)">Save as text</NButton>
                <NButton size="tiny" secondary @click="ui.download(`/api/maps/${map.id}/sentences.csv`)">Save as CSV</NButton>
            </div>
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
.tools { display: flex; flex-wrap: wrap; gap: 6px; }
</style>
