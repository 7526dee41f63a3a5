<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { ref, shallowRef } from 'vue'
import { useWalk } from '@/show/walkStore'
import { bring, targetAt } from '@/stores/bringing'
import { useMap } from '@/stores/map'
import { plainTitle } from '@/text/titleMarkdown'

/** Takes files that are dropped onto the map, and says where they would go. */
const map = useMap()
const walk = useWalk()
const over = shallowRef<{ words: string; x: number; y: number } | null>(null)
// A note takes pictures itself.
const isOwn = (target: EventTarget | null): boolean => target instanceof Element && target.closest('.note-text') !== null
const isFiles = (event: DragEvent): boolean => walk.at === null && !isOwn(event.target) && event.dataTransfer !== null && event.dataTransfer.types.includes('Files')
const isOver = ref(0)
useEventListener(window, 'dragover', (event) => {
    const to = isFiles(event) ? targetAt(event.clientX, event.clientY) : null
    if (isFiles(event)) {
        // Never does the browser open the file in the place of the map.
        event.preventDefault()
    }
    if (event.dataTransfer !== null && isFiles(event)) {
        event.dataTransfer.dropEffect = to === null ? 'none' : 'copy'
    }
    over.value = to === null ? null : { words: 'topic' in to ? `into “${plainTitle(map.tree.topics.get(to.topic)?.title ?? '').slice(0, 40) || 'this topic'}”` : 'as a loose topic', x: event.clientX, y: event.clientY }
    clearTimeout(isOver.value)
    isOver.value = window.setTimeout(() => (over.value = null), 400)
})
useEventListener(window, 'drop', (event) => {
    if (!isFiles(event)) {
        return
    }
    event.preventDefault()
    over.value = null
    const to = targetAt(event.clientX, event.clientY)
    if (to !== null) {
        bring([...(event.dataTransfer?.files ?? [])], to)
    }
})
</script>

<template>
    <p v-if="over !== null" class="drop" :style="{ left: `${over.x + 14}px`, top: `${over.y + 14}px` }">{{ over.words }}</p>
</template>

<style scoped>
.drop { position: fixed; z-index: 9; margin: 0; padding: 4px 10px; border-radius: 6px; background: var(--plate); color: var(--plate-ink); font-size: 13.5px; pointer-events: none; }
</style>
