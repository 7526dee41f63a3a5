<script setup lang="ts">
import { NSpin } from 'naive-ui'
import { useDebounceFn } from '@vueuse/core'
import { ref, shallowRef, watch } from 'vue'
import { api } from '@/api/client'
import type { FindAnswer } from '@/api/wire'

/** The places inside all maps where what is searched for stands. */
const props = defineProps<{ words: string }>()

const LISTED = 6

const answer = shallowRef<FindAnswer | null>(null)
const busy = ref(false)

const search = useDebounceFn(async (words: string) => {
    busy.value = true
    const found = await api.find({ text: words, case: false, word: false, pattern: false }, ['title', 'caption', 'note', 'more'], null, null).catch(() => null)
    if (words === props.words.trim()) {
        answer.value = found
        busy.value = false
    }
}, 250)

watch(
    () => props.words.trim(),
    (words) => {
        if (words.length > 1) {
            void search(words)
        } else {
            answer.value = null
        }
    },
    { immediate: true },
)
</script>

<template>
    <section v-if="words.trim().length > 1" class="inside" aria-live="polite">
        <h2>Inside your maps <NSpin v-if="busy" size="small" /></h2>
        <p v-if="answer !== null && answer.maps.length === 0" class="none">“{{ words }}” stands in no topic, caption or note.</p>
        <article v-for="one in answer?.maps ?? []" :key="one.map">
            <h3>{{ one.title }} · {{ one.hits.length }}</h3>
            <RouterLink v-for="hit in one.hits.slice(0, LISTED)" :key="hit.key" :to="`/maps/${one.map}/topics/${hit.topic}`">
                <span>{{ hit.before }}<mark>{{ hit.found }}</mark>{{ hit.after }}</span>
                <small>{{ (one.trails[hit.topic] ?? []).slice(1, hit.field === 'title' ? -1 : undefined).join(' › ') }}{{ hit.field === 'title' ? '' : ` · ${hit.field}` }}</small>
            </RouterLink>
            <p v-if="one.hits.length > LISTED" class="none">and {{ one.hits.length - LISTED }} more; open the map and press Ctrl+F to see all</p>
        </article>
    </section>
</template>

<style scoped>
.inside { margin-top: 26px; }
h2 { font-size: 17px; margin: 0 0 4px; }
h3 { font-size: 15px; margin: 12px 0 2px; }
a { display: flex; gap: 12px; align-items: baseline; padding: 4px 10px; border-left: 3px solid var(--edge); color: inherit; text-decoration: none; }
a:hover, a:focus-visible { border-color: var(--tide); background: color-mix(in srgb, var(--tide) 12%, transparent); outline: none; }
a span { overflow-wrap: anywhere; }
mark { background: var(--marigold-tint); color: inherit; border-bottom: 2px solid var(--marigold); }
small { color: var(--soft); margin-left: auto; text-align: right; }
.none { color: var(--soft); margin: 4px 10px; }
</style>
