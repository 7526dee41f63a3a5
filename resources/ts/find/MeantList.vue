<script setup lang="ts">
import { NButton, NSpin } from 'naive-ui'
import { useDebounceFn } from '@vueuse/core'
import { nextTick, ref, shallowRef, watch } from 'vue'
import { api } from '@/api/client'
import { latest } from '@/api/latest'
import type { MeantAnswer } from '@/api/wire'

/** The topics of all maps that are meant by some words, map by map, with the way to each; more of them when one asks. */
const props = defineProps<{ words: string; /** The map that is open, in which nothing has to be opened. */ here?: string }>()
const emit = defineEmits<{ go: [map: string, topic: string] }>()

/** How long nothing has to be typed. */
const PAUSE = 120
/** So many lines are to be seen before one has to ask for more. */
const ENOUGH = 12
/** Answers that are asked for until there are. */
const MOST_ANSWERS = 40

const list = ref<HTMLElement | null>(null)
const answer = shallowRef<MeantAnswer | null>(null)
const problem = ref('')
const busy = ref(false)
const asking = latest()

/** Goes on where the answer before ended, until there is enough to be seen; what was found by then is there. */
async function ask(words: string, before: MeantAnswer | null): Promise<void> {
    const isWanted = asking.begin()
    busy.value = true
    let got = before
    let count = 0
    for (let i = 0; i < MOST_ANSWERS && count < ENOUGH; i++) {
        const more = await api.meant(words, got?.next ?? null).catch((error: unknown) => (error as Error).message)
        if (!isWanted()) {
            return
        }
        if (typeof more === 'string') {
            problem.value = more
            break
        }
        problem.value = more.problem ?? ''
        got = { ...more, maps: [...(got?.maps ?? []), ...more.maps] }
        count += more.maps.reduce((sum, one) => sum + one.hits.length, 0)
        if (more.next === null) {
            break
        }
        answer.value = got.maps.length > 0 ? got : answer.value
    }
    answer.value = got
    busy.value = false
}
const search = useDebounceFn(() => ask(props.words, null), PAUSE)
watch(() => props.words, (words) => {
    if (words.trim() === '') {
        asking.drop()
        busy.value = false
        answer.value = null
        problem.value = ''
    } else {
        void search()
    }
}, { immediate: true })

async function more(): Promise<void> {
    const count = lines().length
    await ask(props.words, answer.value)
    await nextTick()
    lines()[count]?.focus()
}

const lines = (): HTMLElement[] => [...(list.value?.querySelectorAll<HTMLElement>('a') ?? [])]
function key(event: KeyboardEvent): void {
    const by = { ArrowDown: 1, ArrowUp: -1 }[event.key]
    const at = lines().findIndex((line) => line === document.activeElement)
    if (by !== undefined && at >= 0 && lines()[at + by] !== undefined) {
        event.preventDefault()
        event.stopPropagation()
        lines()[at + by]?.focus()
    }
}
defineExpose({ focus: () => lines()[0]?.focus() })
</script>

<template>
    <div ref="list" class="meant" aria-live="polite" @keydown="key">
        <p v-if="problem !== ''" class="problem" role="alert">{{ problem }}</p>
        <p v-else-if="answer !== null && answer.maps.length === 0" class="none">No topic of any map is meant by that.</p>
        <article v-for="one in answer?.maps ?? []" :key="one.map">
            <h3>{{ one.title }}<small>{{ one.map === here ? `this map · ${one.count}` : one.count }}</small></h3>
            <RouterLink v-for="hit in one.hits" :key="hit.topic" v-slot="{ href }" custom :to="`/maps/${one.map}/topics/${hit.topic}`">
                <a :href="href" @click.exact.prevent="emit('go', one.map, hit.topic)"><span>{{ hit.title === '' ? 'Untitled' : hit.title }}<em v-if="hit.beside !== ''">{{ hit.beside }}</em></span><small v-if="hit.trail.length > 0">{{ hit.trail.join(' › ') }}</small></a>
            </RouterLink>
            <RouterLink v-if="one.count > one.hits.length" class="all" :to="{ path: `/maps/${one.map}`, query: { find: words } }">All {{ one.count }} in this map</RouterLink>
        </article>
        <p v-if="busy" class="none"><NSpin size="small" /></p>
        <NButton v-else-if="answer?.next != null" size="small" secondary @click="more">Look in more maps</NButton>
    </div>
</template>

<style scoped>
h3 { font-size: 15px; margin: 12px 0 2px; display: flex; gap: 8px; align-items: baseline; }
a { display: block; padding: 4px 10px; border-left: 3px solid var(--edge); color: inherit; text-decoration: none; font-size: 14px; }
a:hover, a:focus-visible { border-color: var(--tide); background: color-mix(in srgb, var(--tide) 12%, transparent); outline: none; }
a span { display: block; overflow-wrap: anywhere; }
em { display: block; font-style: normal; color: var(--soft); font-size: 13px; }
small { color: var(--soft); font-weight: 400; font-size: 12.5px; }
.all { border-left-color: transparent; text-decoration: underline; color: var(--soft); }
.none { color: var(--soft); margin: 4px 0; font-size: 14px; }
.problem { margin: 0; padding: 5px 10px; border-left: 3px solid var(--ember); background: var(--ember-tint); border-radius: 4px; font-size: 14px; }
</style>
