<script setup lang="ts">
import { NButton, NSpin } from 'naive-ui'
import { computed, nextTick, onMounted, ref, shallowRef } from 'vue'
import { useRouter } from 'vue-router'
import { api, starterPictureAddress } from '@/api/client'
import type { StartersAnswer } from '@/api/wire'
import { newId } from '@/stores/map'
import { usePreferences } from '@/stores/preferences'
import { useLibrary } from './libraryStore'

/** Maps to begin from, with pictures; the one chosen last comes first. */
const props = defineProps<{ takesFocus: boolean }>()
const emit = defineEmits<{ begun: [] }>()

const library = useLibrary()
const preferences = usePreferences()
const router = useRouter()
const answer = shallowRef<StartersAnswer | null>(null)
const frame = ref<HTMLElement | null>(null)

const starters = computed(() => [...(answer.value?.starters ?? [])].sort((a, b) => Number(b.id === answer.value?.first) - Number(a.id === answer.value?.first)))

onMounted(() => library.attempt(async () => {
    answer.value = await api.starters()
    await nextTick()
    if (!props.takesFocus) {
        return
    }
    frame.value?.querySelector<HTMLElement>('button.starter')?.focus()
}))

const begin = (id: string): Promise<void> => library.attempt(async () => {
    const made = await api.newMap(newId(), library.folder, id)
    emit('begun')
    await router.push(`/maps/${made.id}`)
})

const forget = (id: string): Promise<void> => library.attempt(async () => {
    await api.changeMap(id, { starter: false })
    answer.value = await api.starters()
})

function walk(event: KeyboardEvent): void {
    const by = { ArrowRight: 1, ArrowLeft: -1, ArrowDown: 3, ArrowUp: -3 }[event.key]
    const all = [...(frame.value?.querySelectorAll<HTMLElement>('button.starter') ?? [])]
    const next = by === undefined ? undefined : all[all.indexOf(document.activeElement as HTMLElement) + by]
    if (next !== undefined) {
        event.preventDefault()
        next.focus()
    }
}
</script>

<template>
    <NSpin v-if="answer === null" />
    <div v-else ref="frame" class="starters" @keydown="walk">
        <div v-for="one in starters" :key="one.id" class="one">
            <button class="starter" :aria-label="`Begin from ${one.name}`" @click="begin(one.id)">
                <img :src="starterPictureAddress(one.id, preferences.board)" alt="" loading="lazy" />
                <strong>{{ one.name }}</strong>
                <small>{{ one.what }}{{ one.id === answer.first ? ' · chosen last' : '' }}</small>
            </button>
            <NButton v-if="one.own" size="tiny" quaternary class="forget" @click="forget(one.id)">No starter any more</NButton>
        </div>
    </div>
</template>

<style scoped>
.starters { display: grid; grid-template-columns: repeat(3, 1fr); gap: 14px; padding: 3px; }
.one { position: relative; display: grid; }
.starter { display: grid; align-content: start; text-align: left; padding: 0 0 9px; border: 1px solid var(--edge); border-left: 4px solid var(--tide); border-radius: 9px; background: var(--board); color: inherit; font: inherit; cursor: pointer; overflow: hidden; }
.starter:hover, .starter:focus-visible { border-color: var(--tide); outline: 2px solid var(--tide); outline-offset: 1px; }
img { width: 100%; aspect-ratio: 1.6; object-fit: cover; display: block; border-bottom: 1px solid var(--edge); }
strong { padding: 7px 12px 0; }
small { padding: 0 12px; color: var(--soft); }
.forget { position: absolute; right: 6px; top: 6px; }
@media (max-width: 700px) { .starters { grid-template-columns: 1fr 1fr; } }
</style>
