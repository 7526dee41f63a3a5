<script setup lang="ts">
import { useElementVisibility, watchDebounced } from '@vueuse/core'
import { ref } from 'vue'
import { slidePicture } from '@/api/show'
import { useMap } from '@/stores/map'
import { usePreferences } from '@/stores/preferences'
import { rowOf } from '@/stores/tree'

/** A small true picture of a slide, fetched when it is in view, and anew when the map has changed and rests. */
const { deck, slide } = defineProps<{ deck: string; slide: string }>()

const RESTS = 350

const map = useMap()
const preferences = usePreferences()
const frame = ref<HTMLElement | null>(null)
const isVisible = useElementVisibility(frame, { rootMargin: '200px' })
let seen = ''
let asked = ''

async function fetchIt(): Promise<void> {
    const address = slidePicture(map.id, deck, slide, preferences.board, map.seq)
    // One that was removed a moment ago is asked for no more.
    if (!isVisible.value || address === asked || rowOf(map.tree, 'slide', slide) === undefined) {
        return
    }
    asked = address
    const answer = await fetch(address).catch(() => null)
    const text = answer?.ok === true ? await answer.text() : ''
    if (text !== '' && text !== seen && asked === address && frame.value !== null) {
        seen = text
        // Read as XML, nothing in it runs.
        frame.value.replaceChildren(document.importNode(new DOMParser().parseFromString(text, 'image/svg+xml').documentElement, true))
    }
}
watchDebounced([isVisible, () => map.seq, () => preferences.board], () => void fetchIt(), { debounce: () => (seen === '' ? 0 : RESTS), immediate: true })
</script>

<template><div ref="frame" class="thumb" aria-hidden="true" /></template>

<style scoped>
.thumb { aspect-ratio: 16 / 9; width: 100%; background: var(--board); border-radius: 5px; overflow: hidden; pointer-events: none; contain: strict; }
.thumb :deep(svg) { display: block; width: 100%; height: 100%; }
</style>
