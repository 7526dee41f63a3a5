<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { defineAsyncComponent, onMounted, ref, shallowRef, useTemplateRef } from 'vue'
import { useCamera } from '@/board/cameraStore'
import { useWalk } from '@/show/walkStore'
import { useMap } from '@/stores/map'
import { plainTitle } from '@/text/titleMarkdown'
import { usePictures } from './pictureStore'

/** Takes files that are dropped onto the map or chosen, and shows a picture in full when it is asked for. */
const PictureViewer = defineAsyncComponent(() => import('./PictureViewer.vue'))
const map = useMap()
const camera = useCamera()
const walk = useWalk()
const pictures = usePictures()

const chooser = useTemplateRef<HTMLInputElement>('chooser')
onMounted(() => (pictures.chooser = chooser.value))
function chosen(): void {
    const files = [...(chooser.value?.files ?? [])]
    const point = camera.freePoint()
    if (files.length > 0) {
        void pictures.bring(files, map.current === null ? point : { topic: map.current })
    }
    if (chooser.value !== null) {
        chooser.value.value = ''
    }
}

/** Where the files under the pointer would go. */
const over = shallowRef<{ words: string; x: number; y: number } | null>(null)
const isFiles = (event: DragEvent): boolean => walk.at === null && event.dataTransfer !== null && event.dataTransfer.types.includes('Files')
const isOver = ref(0)
useEventListener(window, 'dragover', (event) => {
    const to = isFiles(event) ? pictures.targetAt(event.clientX, event.clientY) : null
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
    const to = pictures.targetAt(event.clientX, event.clientY)
    const files = [...(event.dataTransfer?.files ?? [])]
    if (to !== null && files.length > 0) {
        void pictures.bring(files, to)
    }
})

/** A double click on a picture opens it; on the rest of a topic it begins the title. */
useEventListener(window, 'dblclick', (event) => {
    const image = event.target instanceof Element && walk.at === null ? event.target.closest('.board .slip image.picture') : null
    const topic = image?.closest<SVGElement>('[data-topic]')?.dataset.topic
    if (topic !== undefined) {
        event.stopPropagation()
        pictures.opened = topic
    }
}, { capture: true })
</script>

<template>
    <input ref="chooser" type="file" accept="image/png,image/jpeg,image/gif,image/webp,image/svg+xml,.png,.jpg,.jpeg,.gif,.webp,.svg" multiple hidden aria-label="Files of pictures" @change="chosen" />
    <p v-if="over !== null" class="drop" :style="{ left: `${over.x + 14}px`, top: `${over.y + 14}px` }">{{ over.words }}</p>
    <PictureViewer v-if="pictures.opened !== null" :key="pictures.opened" :topic="pictures.opened" />
</template>

<style scoped>
.drop { position: fixed; z-index: 9; margin: 0; padding: 4px 10px; border-radius: 6px; background: var(--plate); color: var(--plate-ink); font-size: 13.5px; pointer-events: none; }
</style>
