<script setup lang="ts">
import { useStorage } from '@vueuse/core'
import { NButton, NCheckbox, NInput, NModal, NRadioButton, NRadioGroup, type InputInst } from 'naive-ui'
import { computed, nextTick, onMounted, ref, shallowRef } from 'vue'
import { api } from '@/api/client'
import { latest } from '@/api/latest'
import type { Edit, PassagesAnswer } from '@/api/wire'
import { newId, useMap } from '@/stores/map'
import { topicName } from '@/text/titleMarkdown'
import { pathOf } from '@/text/usedIn'
import { useUi } from '@/ui/uiStore'
import { mining } from './mining'

/** Passages that were marked by a word, wherever they stand in notes: those that are ticked become topics, each with the way to its source. */
const map = useMap()
const ui = useUi()
const WIDEST = 70
/** Topics that one edit adds here. */
const MOST = 200

const topic = computed(() => mining.value?.topic ?? map.tree.root)
const mark = useStorage('chalk-passages-mark', '')
const where = ref<'branch' | 'map'>('map')
const answer = shallowRef<PassagesAnswer | null>(null)
const ticked = shallowRef<ReadonlySet<number>>(new Set())
const problem = ref('')
const field = ref<InputInst | null>(null)
const asking = latest()
onMounted(() => void nextTick(() => setTimeout(() => field.value?.focus(), 60)))

async function find(): Promise<void> {
    const isWanted = asking.begin()
    if (mark.value.trim() === '') {
        answer.value = null
        return
    }
    try {
        const found = await api.passages(map.id, mark.value.trim(), where.value === 'branch' ? topic.value : null)
        if (isWanted()) {
            answer.value = found
            problem.value = ''
            ticked.value = new Set(found.passages.flatMap(({ isLifted }, i) => (isLifted ? [] : [i])))
        }
    } catch (error) {
        problem.value = isWanted() ? (error as Error).message : problem.value
    }
}
const tick = (i: number, is: boolean): void => void (ticked.value = new Set(is ? [...ticked.value, i] : [...ticked.value].filter((one) => one !== i)))

function close(): void {
    mining.value = null
    setTimeout(() => ui.focusRegion(map.region), 60)
}

/** As a title: how it begins, without what is formatted in it. */
function begin(text: string): string {
    const words = topicName(text.replace(/\\\n/g, ' ').replace(/[*_`#[\]]/g, ' '))
    return (words.length > WIDEST ? `${words.slice(0, words.lastIndexOf(' ', WIDEST) > 20 ? words.lastIndexOf(' ', WIDEST) : WIDEST)}…` : words).replace(/[\\<>&~]/g, ' ')
}
function lift(): void {
    const [step, parent] = [newId(), newId()]
    const passages = (answer.value?.passages ?? []).filter((_, i) => ticked.value.has(i))
    map.edit({ name: 'topic.add', step, topic: { id: parent, title: `Passages: ${mark.value.trim().replace(/[*_`<>&~\\[\]]/g, ' ')}` }, parent: map.tree.root } as Edit)
    for (let i = 0; i < passages.length; i += MOST) {
        const notes = passages.slice(i, i + MOST).map((one) => ({ id: newId(), title: begin(one.text), note: `${one.text} {{from [${topicName(one.title).replace(/[[\]\\{}]/g, '').slice(0, 80)}](${pathOf(map.id, one.topic)})}}` }))
        map.edit({ name: 'topic.add-many', step, parent, topics: notes } as Edit)
    }
    map.choose(parent)
    close()
}
const isNone = computed(() => answer.value !== null && answer.value.passages.length === 0)
</script>

<template>
    <NModal :show="true" preset="card" title="Lift marked passages out of notes" :style="{ width: 'min(720px, calc(100vw - 24px))' }" role="dialog" aria-label="Lift marked passages out of notes" @update:show="close">
        <div class="lift">
            <form class="ask" @submit.prevent="find">
                <NInput ref="field" v-model:value="mark" :maxlength="60" placeholder="The word by which you marked them, as lamp" :input-props="{ 'aria-label': 'Mark of the passages', dir: 'auto' }" />
                <NRadioGroup v-if="topic !== map.tree.root" v-model:value="where" aria-label="Where"><NRadioButton value="map">In the map</NRadioButton><NRadioButton value="branch">Below “{{ topicName(map.tree.topics.get(topic)?.title).slice(0, 24) }}”</NRadioButton></NRadioGroup>
                <NButton attr-type="submit" type="primary">Find</NButton>
            </form>
            <p v-if="problem !== ''" class="soft" role="alert">{{ problem }}</p>
            <p v-else-if="answer === null" class="soft">A paragraph counts in which the word stands (“LAMP: …”, “… #lamp”, or just lamp), and the one after a line that is nothing but the word.</p>
            <p v-else-if="isNone" class="soft" role="status">No note has this word.</p>
            <template v-else>
                <p class="soft" role="status">{{ answer.passages.length }} {{ answer.passages.length === 1 ? 'passage' : 'passages' }}{{ answer.hasMore ? ', the first of more' : '' }}; those that were lifted out before are not ticked.</p>
                <ul aria-label="Passages">
                    <li v-for="(one, i) in answer.passages" :key="i" :class="{ lifted: one.isLifted }">
                        <NCheckbox :checked="ticked.has(i)" :aria-label="`Lift out: ${one.text.slice(0, 60)}`" @update:checked="(is: boolean) => tick(i, is)" />
                        <div><p dir="auto">{{ one.text }}</p><small dir="auto">{{ one.title }}{{ one.isLifted ? ', lifted out before' : '' }}</small></div>
                    </li>
                </ul>
                <div class="tools"><NButton @click="close">Leave them</NButton><NButton type="primary" :disabled="ticked.size === 0" @click="lift">Lift out {{ ticked.size }}</NButton></div>
            </template>
        </div>
    </NModal>
</template>

<style scoped>
.lift { display: flex; flex-direction: column; gap: 12px; }
.ask { display: flex; flex-wrap: wrap; gap: 8px; }
.ask > :first-child { flex: 1 1 220px; }
p { margin: 0; line-height: 1.45; }
.soft, small { color: var(--soft); font-size: 14px; }
ul { list-style: none; margin: 0; padding: 0; max-height: 48vh; overflow: auto; }
li { display: flex; gap: 10px; padding: 7px 2px; border-bottom: 1px solid var(--faint-edge); }
li div { min-width: 0; }
li p { overflow-wrap: anywhere; white-space: pre-line; max-height: 6em; overflow: hidden; }
li.lifted p { color: var(--soft); }
.tools { display: flex; gap: 8px; justify-content: flex-end; }
</style>
