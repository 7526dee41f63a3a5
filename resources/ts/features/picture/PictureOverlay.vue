<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { defineAsyncComponent, onMounted, useTemplateRef } from 'vue'
import { useWalk } from '@/show/walkStore'
import { hereOr } from '@/stores/bringing'
import { useMap } from '@/stores/map'
import { usePictures } from './pictureStore'

/** Takes files of pictures that are chosen, and shows a picture in full when it is asked for. */
const PictureViewer = defineAsyncComponent(() => import('./PictureViewer.vue'))
const map = useMap()
const walk = useWalk()
const pictures = usePictures()

const chooser = useTemplateRef<HTMLInputElement>('chooser')
onMounted(() => (pictures.chooser = chooser.value))
function chosen(): void {
    const files = [...(chooser.value?.files ?? [])]
    if (files.length > 0) {
        void pictures.bring(files, hereOr(map.current))
    }
    if (chooser.value !== null) {
        chooser.value.value = ''
    }
}

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
    <PictureViewer v-if="pictures.opened !== null" :key="pictures.opened" :topic="pictures.opened" />
</template>
