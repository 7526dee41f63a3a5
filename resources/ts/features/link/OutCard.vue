<script setup lang="ts">
import { NButton } from 'naive-ui'
import { ref, shallowRef, watch } from 'vue'
import { api } from '@/api/client'
import { latest } from '@/api/latest'
import type { CardAnswer, PageAnswer } from '@/api/wire'
import { useMap } from '@/stores/map'
import FileLook from '@/ui/FileLook.vue'
import { inMap, type Out } from './outs'
import { useOuts } from './outStore'

/** What a link leads to, before it is followed. A page is asked for only when somebody wants to see it. */
const props = defineProps<{ out: Out }>()
const map = useMap()
const outs = useOuts()
const card = shallowRef<CardAnswer | null>(null)
const page = shallowRef<PageAnswer | null>(null)
const problem = ref('')
const isAsking = ref(false)
const asking = latest()

watch(() => `${props.out.id} ${props.out.to}`, async () => {
    const { out } = props
    card.value = page.value = null
    problem.value = ''
    const there = out.kind === 'here' ? { map: map.id, topic: out.to } : inMap(out.to)
    if (there !== null) {
        const isWanted = asking.begin()
        const answer = await api.card(there.map, there.topic).catch((error: unknown) => (error as Error).message)
        if (isWanted()) {
            [card.value, problem.value] = typeof answer === 'string' ? [null, 'What it leads to is not there any more, or not yours.'] : [answer, '']
        }
    }
}, { immediate: true })

async function ask(again = false): Promise<void> {
    const isWanted = asking.begin()
    isAsking.value = true
    const answer = await api.page(map.id, props.out.to, again).catch((error: unknown) => (error as Error).message)
    if (isWanted()) {
        isAsking.value = false
        ;[page.value, problem.value] = typeof answer === 'string' ? [page.value, answer] : [answer, '']
        if (typeof answer !== 'string' && props.out.title === '' && answer.title !== '') {
            outs.rename(props.out, answer.title)
        }
    }
}

function openBeside(): void {
    outs.page = { address: page.value?.address ?? props.out.to, title: page.value?.title || outs.nameOf(props.out) }
}
</script>

<template>
    <div class="card">
        <template v-if="card !== null">
            <p v-if="card.map !== map.id" class="of">{{ card.mapTitle }}</p>
            <p v-if="card.trail.length > 0" class="of">{{ card.trail.join(' › ') }}</p>
            <p class="title" dir="auto">{{ card.title || 'Untitled' }}</p>
            <p v-if="card.caption !== ''" class="of" dir="auto">{{ card.caption }}</p>
            <p v-if="card.note !== ''" class="note" dir="auto">{{ card.note }}{{ card.isCut ? '…' : '' }}</p>
            <p class="of">{{ card.below === 0 ? 'nothing below it' : card.below === 1 ? '1 topic below it' : `${card.below} topics below it` }}{{ card.done > 0 ? `, ${card.done} done` : '' }}</p>
        </template>
        <template v-if="out.kind === 'web'">
            <img v-if="page?.picture != null" :src="`/api/maps/${map.id}/pictures/${page.picture}/small`" alt="" />
            <p v-if="page !== null" class="title" dir="auto">{{ page.title || 'A page without a title' }}</p>
            <p v-if="page !== null && page.description !== ''" class="note" dir="auto">{{ page.description }}</p>
            <p class="address">{{ page?.address ?? out.to }}</p>
            <p v-if="page === null && problem === ''" class="of">The page is asked for when you want to see what it is, not before.</p>
            <div class="tools">
                <NButton size="tiny" secondary :loading="isAsking" @click="ask(page !== null)">{{ page === null ? 'See what it is' : 'Ask anew' }}</NButton>
                <NButton v-if="page?.framed === true" size="tiny" secondary @click="openBeside">Open it beside the map</NButton>
            </div>
        </template>
        <FileLook v-if="out.kind === 'file'" :map="map.id" :source="out.to" :name="outs.nameOf(out)" />
        <p v-if="out.kind === 'mail'" class="address">{{ out.to.slice(7) }}</p>
        <p v-if="problem !== ''" class="problem" role="alert">{{ problem }}</p>
    </div>
</template>

<style scoped>
.card { padding: 8px 10px; border-left: 3px solid var(--tide); background: color-mix(in srgb, var(--tide) 7%, transparent); border-radius: 0 6px 6px 0; }
p { margin: 0 0 4px; overflow-wrap: anywhere; }
.title { font-weight: 700; }
.of, .address { color: var(--soft); font-size: 13px; }
.note { font-size: 14px; max-height: 9.5em; overflow: auto; white-space: pre-line; }
.problem { color: var(--ink); border-left: 3px solid var(--ember); padding-left: 8px; }
img { display: block; max-width: 100%; max-height: 130px; border-radius: 5px; margin-bottom: 6px; }
.tools { display: flex; flex-wrap: wrap; gap: 6px; margin-top: 4px; }
</style>
