<script setup lang="ts">
import { computed, defineAsyncComponent } from 'vue'
import { useMap } from '@/stores/map'
import { filesOf } from './files'

const FileList = defineAsyncComponent(() => import('./FileList.vue'))

/** The files of the chosen topic, for who only reads. */
const map = useMap()
const files = computed(() => (map.current === null ? [] : filesOf(map.tree, map.current)))
</script>

<template>
    <section v-if="files.length > 0"><h3>Files</h3><FileList :files="files" plain /></section>
</template>
