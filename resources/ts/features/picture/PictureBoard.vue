<script setup lang="ts">
import { computed, defineAsyncComponent } from 'vue'
import { useMap } from '@/stores/map'
import { usePictures } from './pictureStore'

/** What the hand needs at a picture, once there is one to take hold of. */
const PictureHandles = defineAsyncComponent(() => import('./PictureHandles.vue'))
const map = useMap()
const pictures = usePictures()
const isWanted = computed(() => pictures.coming.length > 0 || (map.current !== null && pictures.has([map.current])))
</script>

<template>
    <PictureHandles v-if="isWanted" />
</template>
