<script setup lang="ts">
import { useEventListener, usePreferredReducedMotion } from '@vueuse/core'
import { onBeforeUnmount, onMounted, ref } from 'vue'
import { showApi } from '@/api/show'
import type { Afar } from '@/api/wire'
import { current } from '@/slides/current'
import { Player } from '@/slides/player'
import type { Opening, Source } from '@/slides/deck'
import '@/slides/show.css'
import { useMap } from '@/stores/map'
import { usePreferences } from '@/stores/preferences'
import { useSession } from '@/stores/session'
import { tell } from '@/ui/tell'
import { useShow } from './showStore'

/** The slides of a deck, full screen. */
const show = useShow()
const map = useMap()
const preferences = usePreferences()
const session = useSession()
const reduced = usePreferredReducedMotion()
const host = ref<HTMLElement | null>(null)

onMounted(() => {
    const began = show.begun
    if (began === null || host.value === null) {
        return
    }
    const { deck, slide } = began
    const [of, its] = [map.id, deck.id]
    const source: Source = {
        drawing: (at, way) => showApi.slide(of, its, deck.slides[at]?.id ?? '', way),
        afar: (at, drawing): Promise<Afar | null> => (drawing.way === 'all' ? showApi.afar(of, its, deck.slides[at]?.id ?? '', drawing.way) : Promise.resolve(null)),
        address: ({ source: from }: Opening) => {
            const [sort, hash] = from.split(':', 2)
            return sort === 'file' ? `/api/maps/${of}/files/${hash ?? ''}` : sort === 'picture' ? `/api/maps/${of}/pictures/${hash ?? ''}/original` : from
        },
        hasWays: true,
    }
    const player = new Player(host.value, deck, source, {
        end: (at) => show.ended(deck.slides[at]?.id ?? null),
        tell: (sentence) => tell.error(sentence),
        keysOf: (command) => session.keys[command],
        isStill: () => preferences.motion === 'less' || reduced.value === 'reduce',
    })
    current.player = player
    // Full screen where the browser allows it; the show fills the window either way.
    document.documentElement.requestFullscreen?.().catch(() => undefined)
    void player.begin(slide)
})
// Digits are no actions of their own: they make the number of a slide.
useEventListener(window, 'keydown', (event: KeyboardEvent) => {
    if (!event.defaultPrevented && !event.ctrlKey && !event.metaKey && !event.altKey && current.player?.digit(event.key) === true) {
        event.preventDefault()
    }
})
useEventListener(window, 'pagehide', () => current.player?.leave())
onBeforeUnmount(() => current.player?.end())
</script>

<template><Teleport to="body"><div ref="host" /></Teleport></template>
