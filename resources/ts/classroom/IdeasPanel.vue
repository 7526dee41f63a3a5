<script setup lang="ts">
import { useDocumentVisibility, useIntervalFn } from '@vueuse/core'
import { NAlert, NButton, NCheckbox, NInput } from 'naive-ui'
import { computed, nextTick, onMounted, ref, shallowRef } from 'vue'
import { latest } from '@/api/latest'
import type { IdeasAnswer } from '@/api/wire'
import SidePanel from '@/desk/SidePanel.vue'
import { useAttempt } from '@/features/share/useAttempt'
import { useMap } from '@/stores/map'
import { topicName } from '@/text/titleMarkdown'
import { classApi, inFours } from './api'
import CodeSquare from './CodeSquare.vue'

/** Ideas that come into the map by a code: where, what is asked, and those that wait for a look. */
const map = useMap()
const its = shallowRef<IdeasAnswer | null>(null)
const question = ref('')
const isLooked = ref(false)
const list = ref<HTMLElement | null>(null)
const field = ref<InstanceType<typeof NInput> | null>(null)
const { busy, problem, attempt } = useAttempt()
const visibility = useDocumentVisibility()
/** Milliseconds between two looks for what has come. */
const OFTEN = 3_000

const box = computed(() => its.value?.box ?? null)
const nameOf = (topic: string | undefined): string => topicName(map.tree.topics.get(topic ?? '')?.title) || 'Untitled'
const address = computed(() => `${location.origin}/ideas/${box.value?.code ?? ''}`)
/** Below what is chosen. */
const at = computed(() => map.current ?? map.tree.root)

/** What was asked for last is what is shown, however late another answer comes. */
const asked = latest()
const take = (does: () => Promise<IdeasAnswer>): Promise<boolean> => attempt(async () => {
    const isWanted = asked.begin()
    const now = await does()
    its.value = isWanted() ? now : its.value
})
const open = (topic: string): Promise<boolean> => take(() => classApi.openIdeas(map.id, topic, question.value.trim(), isLooked.value))
async function decide(idea: string, isIn: boolean, place: number): Promise<void> {
    if (await take(() => classApi.decide(idea, isIn))) {
        map.askForNews()
        await nextTick()
        const lines = [...(list.value?.querySelectorAll<HTMLElement>('li') ?? [])]
        lines[Math.min(place, lines.length - 1)]?.focus()
    }
}
function key(event: KeyboardEvent, idea: string, place: number): void {
    if (event.target !== event.currentTarget) {
        return
    }
    const lines = [...(list.value?.querySelectorAll<HTMLElement>('li') ?? [])]
    const acts: Record<string, () => void> = { Enter: () => void decide(idea, true, place), Delete: () => void decide(idea, false, place), ArrowDown: () => lines[place + 1]?.focus(), ArrowUp: () => lines[place - 1]?.focus() }
    const act = acts[event.key]
    if (act !== undefined) {
        event.preventDefault()
        event.stopPropagation()
        act()
    }
}
useIntervalFn(async () => {
    if (visibility.value === 'visible' && box.value?.isOpen === true && !busy.value) {
        const isWanted = asked.begin()
        const now = await classApi.ideas(map.id).catch(() => null)
        its.value = isWanted() ? (now ?? its.value) : its.value
        if (!map.isShared) {
            map.askForNews(true)
        }
    }
}, OFTEN)
onMounted(async () => {
    field.value?.focus()
    if (await take(() => classApi.ideas(map.id))) {
        // What was typed or ticked meanwhile stays.
        question.value ||= box.value?.question ?? ''
        isLooked.value ||= box.value?.isLooked ?? false
    }
})
</script>

<template>
    <SidePanel title="Ideas by code" class="ideas-panel">
        <p class="hint">A class or a meeting sends ideas from any phone, without an account. They come below one topic, and are sorted there together.</p>
        <div v-if="box?.isOpen" class="open">
            <CodeSquare :address="address" :size="150" />
            <b class="code">{{ inFours(box.code) }}</b><small>{{ address.replace(/^https?:\/\//, '') }}</small>
            <p>They come below “<span dir="auto">{{ nameOf(box.topic) }}</span>”.</p>
        </div>
        <form @submit.prevent="open(box?.isOpen ? box.topic : at)">
            <NInput ref="field" v-model:value="question" size="small" placeholder="What is asked" :maxlength="300" :input-props="{ 'aria-label': 'What is asked' }" />
            <NCheckbox v-model:checked="isLooked" size="small">Somebody looks at each before it is shown</NCheckbox>
            <div class="acts">
                <NButton v-if="!box?.isOpen" size="small" type="primary" attr-type="submit" :loading="busy">Take ideas below “{{ nameOf(at).slice(0, 24) }}”</NButton>
                <template v-else>
                    <NButton size="small" secondary attr-type="submit" :loading="busy" :disabled="question.trim() === box.question && isLooked === box.isLooked">Keep that</NButton>
                    <NButton v-if="at !== box.topic" size="small" quaternary @click="open(at)">Below “{{ nameOf(at).slice(0, 20) }}” from now on</NButton>
                    <NButton size="small" quaternary @click="take(() => classApi.closeIdeas(map.id))">Close it</NButton>
                </template>
            </div>
        </form>
        <NAlert v-if="problem !== null" type="error" :show-icon="false" role="alert">{{ problem }}</NAlert>
        <!-- A dialog: its keys are its own, not the board's. -->
        <section v-if="box !== null && box.waiting.length > 0" role="dialog" aria-label="Ideas that wait">
            <h3>{{ box.waiting.length === 1 ? '1 idea waits' : `${box.waiting.length} ideas wait` }}</h3>
            <ul ref="list"><li v-for="(idea, n) in box.waiting" :key="idea.id" tabindex="0" @keydown="key($event, idea.id, n)"><span dir="auto">{{ idea.text }}</span><div class="acts"><NButton size="tiny" secondary tabindex="-1" @click="decide(idea.id, true, n)">Let in</NButton><NButton size="tiny" quaternary tabindex="-1" @click="decide(idea.id, false, n)">Put away</NButton></div></li></ul>
            <p class="hint">Enter lets one in, Del puts it away.</p>
        </section>
    </SidePanel>
</template>

<style scoped>
.hint { color: var(--soft); font-size: 13.5px; margin: 0; line-height: 1.45; }
.open { display: flex; flex-direction: column; align-items: center; gap: 4px; background: var(--slip); border: 1px solid var(--edge); border-radius: 10px; padding: 12px; text-align: center; }
.code { font-size: 24px; letter-spacing: 0.07em; }
.open p { margin: 2px 0 0; overflow-wrap: anywhere; }
small { color: var(--soft); overflow-wrap: anywhere; }
form { display: flex; flex-direction: column; gap: 8px; }
.acts { display: flex; flex-wrap: wrap; gap: 4px; }
h3 { font-size: 15px; margin: 6px 0 4px; }
ul { list-style: none; margin: 0 0 6px; padding: 0; }
li { padding: 6px 8px; border-left: 3px solid var(--marigold); margin-bottom: 6px; background: var(--slip); outline: none; overflow-wrap: anywhere; }
li:focus { box-shadow: 0 0 0 2px var(--tide); }
</style>
