<script setup lang="ts">
import { NButton, NCheckbox, NMention } from 'naive-ui'
import { computed, nextTick, onMounted, watch } from 'vue'
import { api } from '@/api/client'
import SidePanel from '@/desk/SidePanel.vue'
import { useCamera } from '@/board/cameraStore'
import { useMap } from '@/stores/map'
import { topicName } from '@/text/titleMarkdown'
import { useComments } from './commentStore'
import OneComment from './OneComment.vue'

/** What was said about the chosen topic, a field to say something, and where else something open was said. */
const map = useMap()
const camera = useCamera()
const comments = useComments()

const topic = computed(() => (map.chosen.length === 1 ? map.currentTopic : null))
const nameOf = (id: string): string => topicName(map.tree.topics.get(id)?.title)
const here = computed(() => (topic.value === null ? [] : comments.at(topic.value.id)))
const elsewhere = computed(() => comments.threads.filter(({ first }) => first.topic !== topic.value?.id && (comments.showsSettled || !first.isResolved)))
const hasSettled = computed(() => comments.threads.some(({ first }) => first.isResolved))
const names = computed(() => comments.people.map((name) => ({ label: name, value: name })))
const write = (key: string, text: string): void => void (comments.drafts = { ...comments.drafts, [key]: text.slice(0, 4000) })

/** The field in which one writes is called so; its component has no name for it. */
const call = (frame: HTMLElement, { value }: { value: string }): void => frame.querySelector('textarea')?.setAttribute('aria-label', value)
const vCalled = { mounted: call, updated: call }

function go(id: string): void {
    map.uncover(id, 'board')
    map.choose(id)
    map.afterAnswer(() => camera.reveal(id))
}
/** Ctrl+Enter says it; Enter alone goes on in a new line. */
function key(event: KeyboardEvent, parent: string | null): void {
    if (event.key === 'Enter' && (event.ctrlKey || event.metaKey) && topic.value !== null) {
        event.preventDefault()
        event.stopPropagation()
        void comments.say(topic.value.id, parent)
    }
}

onMounted(() => void comments.meetPeople())
watch(() => comments.wantsField, async () => {
    await nextTick()
    document.querySelector<HTMLElement>('.comments-panel .saying textarea')?.focus()
}, { immediate: true })
/** What is seen here need not be told elsewhere. */
watch(() => comments.all, () => void api.seeComments(map.id).catch(() => undefined), { immediate: true })
</script>

<template>
    <SidePanel title="Comments" class="comments-panel">
        <template v-if="topic !== null">
            <h3 dir="auto">About “{{ nameOf(topic.id) }}”</h3>
            <article v-for="thread in here" :key="thread.first.id" class="thread">
                <OneComment :said="thread.first" />
                <div class="answers">
                    <OneComment v-for="answer in thread.answers" :key="answer.id" :said="answer" />
                    <form @submit.prevent="comments.say(topic.id, thread.first.id)">
                        <NMention v-called="`Answer to ${thread.first.by}`" :value="comments.drafts[thread.first.id] ?? ''" :options="names" type="textarea" size="small" :autosize="{ minRows: 1, maxRows: 8 }" placeholder="Answer" @update:value="(text: string) => write(thread.first.id, text)" @keydown="key($event, thread.first.id)" />
                        <NButton v-if="(comments.drafts[thread.first.id] ?? '').trim() !== ''" size="tiny" type="primary" attr-type="submit">Answer</NButton>
                    </form>
                </div>
            </article>
            <form class="saying" @submit.prevent="comments.say(topic.id, null)">
                <NMention v-called="'Say something about this topic'" :value="comments.drafts[topic.id] ?? ''" :options="names" type="textarea" :autosize="{ minRows: 2, maxRows: 10 }" placeholder="Say something. @ and a name tells that person." @update:value="(text: string) => write(topic?.id ?? '', text)" @keydown="key($event, null)" />
                <NButton size="small" type="primary" attr-type="submit" :disabled="(comments.drafts[topic.id] ?? '').trim() === ''">Say it</NButton>
            </form>
        </template>
        <p v-else class="none">Choose a topic to say something about it.</p>
        <section v-if="elsewhere.length > 0">
            <h3>{{ topic === null ? 'In this map' : 'Elsewhere in this map' }}</h3>
            <ul>
                <li v-for="{ first, answers } in elsewhere" :key="first.id"><button type="button" @click="go(first.topic)"><strong dir="auto">{{ nameOf(first.topic) }}</strong><span dir="auto">{{ first.by }}: {{ first.text.slice(0, 140) }}</span><small v-if="answers.length > 0 || first.isResolved">{{ [answers.length === 0 ? '' : answers.length === 1 ? '1 answer' : `${answers.length} answers`, first.isResolved ? 'settled' : ''].filter((part) => part !== '').join(' · ') }}</small></button></li>
            </ul>
        </section>
        <NCheckbox v-if="hasSettled" v-model:checked="comments.showsSettled" size="small">Show what is settled</NCheckbox>
    </SidePanel>
</template>

<style scoped>
h3 { font-size: 15px; margin: 0 0 2px; overflow-wrap: anywhere; }
.thread { display: flex; flex-direction: column; gap: 6px; padding-left: 10px; border-left: 4px solid var(--marigold); }
.answers { display: flex; flex-direction: column; gap: 6px; padding-left: 12px; border-left: 2px solid var(--edge); }
.answers form, .saying { display: flex; flex-direction: column; gap: 5px; align-items: flex-start; }
.answers form > :first-child, .saying > :first-child { width: 100%; }
.none { color: var(--soft); margin: 0; }
ul { list-style: none; margin: 4px 0 0; padding: 0; display: grid; gap: 6px; }
li button { width: 100%; display: flex; flex-direction: column; gap: 1px; text-align: start; border: 1px solid var(--edge); border-left: 3px solid var(--marigold); border-radius: 6px; background: none; color: inherit; font: inherit; padding: 6px 9px; cursor: pointer; }
li button:hover { background: color-mix(in srgb, var(--tide) 10%, transparent); }
li button:focus-visible { outline: 2px solid var(--tide); outline-offset: 1px; }
li span, li small { color: var(--soft); font-size: 13.5px; overflow-wrap: anywhere; }
</style>
