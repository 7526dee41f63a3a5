<script setup lang="ts">
import { useDocumentVisibility, useIntervalFn } from '@vueuse/core'
import { NAlert, NButton, NInput, NSpin, NTabPane, NTabs } from 'naive-ui'
import { computed, onMounted, ref, shallowRef } from 'vue'
import { useRouter } from 'vue-router'
import type { HandOutAnswer } from '@/api/wire'
import { useAttempt } from '@/features/share/useAttempt'
import { tell } from '@/ui/tell'
import { classApi, dueWords } from './api'
import ClassHead from './ClassHead.vue'
import ClassTable from './ClassTable.vue'
import HandOutWords from './HandOutWords.vue'
import LaidOverBoard from './LaidOverBoard.vue'

/** What was given out, and what became of it: as a table that follows while they work, laid over each other, and what is said with it. */
const props = defineProps<{ id: string }>()
const router = useRouter()
const its = shallowRef<HandOutAnswer | null>(null)
const tab = ref('table')
const words = ref('')
const { busy, problem, attempt } = useAttempt()
/** Milliseconds after which it is asked for anew while somebody looks. */
const OFTEN = 3_000
const visibility = useDocumentVisibility()
const due = computed(() => dueWords(its.value?.due ?? null))

const take = (does: () => Promise<HandOutAnswer>): Promise<boolean> => attempt(async () => void (its.value = await does()))
async function say(): Promise<void> {
    const text = words.value.trim()
    if (text !== '' && (await attempt(async () => void (await classApi.sayTo(props.id, text, null))))) {
        words.value = ''
        tell.info('Said to all: it stands as a comment at the root of each copy.')
    }
}
async function remove(): Promise<void> {
    if (await attempt(async () => void (await classApi.takeBack(props.id)))) {
        await router.push(`/classes/${its.value?.class ?? ''}`)
    }
}
let asks = false
useIntervalFn(async () => {
    if (visibility.value === 'visible' && its.value !== null && !busy.value && !asks) {
        asks = true
        const before = its.value
        const now = await classApi.handOut(props.id).catch(() => null)
        asks = false
        if (now !== null && its.value === before) {
            its.value = now
        }
    }
}, OFTEN)
onMounted(() => take(() => classApi.handOut(props.id)))
</script>

<template>
    <div class="hand-out">
        <ClassHead :title="its?.title ?? ''" :trail="its === null ? [] : [{ to: '/', name: 'Library' }, { to: '/classes', name: 'Classes' }, { to: `/classes/${its.class}`, name: its.className }]"><span v-if="due !== null" class="due" :class="{ over: due.isOver }">{{ due.words }}</span></ClassHead>
        <NAlert v-if="problem !== null" type="error" :show-icon="false" role="alert">{{ problem }}</NAlert>
        <NSpin v-if="its === null && problem === null" />
        <template v-if="its !== null">
            <p v-if="its.question !== ''" class="question" dir="auto">{{ its.question }}</p>
            <div class="line">
                <form class="say" @submit.prevent="say"><NInput v-model:value="words" size="small" placeholder="Say something to all" :maxlength="4000" :input-props="{ 'aria-label': 'Say something to all' }" /><NButton size="small" secondary type="primary" attr-type="submit" :disabled="words.trim() === ''" :loading="busy">Say it to all</NButton></form>
                <template v-for="part in its.parts" :key="part.topic"><NButton v-if="!part.isGiven" size="small" secondary :title="`“${part.title}” comes into every copy, where it stands in your map`" @click="take(() => classApi.givePart(id, part.topic))">Give “{{ part.title.slice(0, 30) }}” now</NButton></template>
            </div>
            <NTabs v-model:value="tab" type="line" class="tabs">
                <NTabPane name="table" tab="Table" display-directive="show"><ClassTable :of="its" :busy="busy" @take="take" /></NTabPane>
                <NTabPane name="over" tab="Laid over each other" display-directive="show:lazy"><LaidOverBoard :id="id" /></NTabPane>
                <NTabPane name="words" tab="Question, day and marking" display-directive="show:lazy"><HandOutWords :key="its.id" :of="its" @take="take" @remove="remove" /></NTabPane>
            </NTabs>
        </template>
    </div>
</template>

<style scoped>
.hand-out { height: 100dvh; max-width: 1500px; margin: 0 auto; padding: 18px 24px 0; box-sizing: border-box; display: flex; flex-direction: column; }
.due { color: var(--soft); }
.due.over { color: var(--ember); font-weight: 700; }
.question { margin: -4px 0 10px; padding-left: 12px; border-left: 4px solid var(--marigold); white-space: pre-line; line-height: 1.45; max-height: 6em; overflow: auto; }
.line { display: flex; flex-wrap: wrap; gap: 8px; }
.say { display: flex; gap: 8px; flex: 1; max-width: 560px; min-width: 240px; }
.tabs { flex: 1; min-height: 0; margin-top: 6px; }
.tabs :deep(.n-tabs-pane-wrapper), .tabs :deep(.n-tab-pane) { flex: 1; min-height: 0; height: 100%; box-sizing: border-box; }
.tabs :deep(.n-tab-pane) { display: flex; flex-direction: column; }
@media (max-width: 700px) { .hand-out { padding: 12px 12px 0; height: auto; min-height: 100dvh; } }
</style>
