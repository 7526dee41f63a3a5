<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { defineAsyncComponent, shallowRef, watch } from 'vue'
import { useWalk } from '@/show/walkStore'
import { useBeside } from '@/stores/beside'
import { useMap } from '@/stores/map'
import { fileWanted } from '@/stores/openFile'
import { filesOf, type Attached } from './files'
import { useFileState } from './fileState'

/** The files of a topic when one clicks its sign on the board, the file that is open, and those on their way. */
const FileList = defineAsyncComponent(() => import('./FileList.vue'))
const FileViewer = defineAsyncComponent(() => import('./FileViewer.vue'))
const ComingFiles = defineAsyncComponent(() => import('./ComingFiles.vue'))
const map = useMap()
const beside = useBeside()
const state = useFileState()
const walk = useWalk()

const WIDE = 300
const shown = shallowRef<{ topic: string; files: readonly Attached[]; x: number; y: number } | null>(null)
const leave = (): void => void (shown.value = null)
const signAt = (target: EventTarget | null): SVGElement | null => (target instanceof Element ? target.closest<SVGElement>('.slip [data-touch^="file:"]') : null)

useEventListener(window, 'click', (event) => {
    const sign = signAt(event.target)
    if (sign === null || walk.at !== null || event.ctrlKey || event.metaKey || event.shiftKey) {
        return
    }
    event.stopPropagation()
    const topic = (sign.dataset.touch ?? '').slice('file:'.length)
    const files = filesOf(beside.tree, topic)
    const box = sign.getBoundingClientRect()
    if (files.length === 1 && files[0] !== undefined) {
        leave()
        state.open(files[0])
    } else {
        shown.value = { topic, files, x: Math.max(8, Math.min(window.innerWidth - WIDE - 8, box.left - 20)), y: Math.min(window.innerHeight - 190, box.bottom + 4) }
    }
}, { capture: true })
useEventListener(window, 'pointerdown', (event) => shown.value !== null && !(event.target instanceof Element && event.target.closest('.file-list') !== null) && signAt(event.target) === null && leave(), { capture: true })
useEventListener(window, 'keydown', (event) => event.key === 'Escape' && leave(), { capture: true })
watch(() => beside.tree, () => shown.value !== null && (shown.value = { ...shown.value, files: filesOf(beside.tree, shown.value.topic) }))
watch(() => map.id, () => {
    leave()
    state.opened = null
})
watch(fileWanted, (wanted) => {
    if (wanted !== null) {
        state.opened = { ...wanted, topic: null }
        fileWanted.value = null
    }
})
</script>

<template>
    <aside v-if="shown !== null && shown.files.length > 0" class="file-list" aria-label="Files of the topic" :style="{ left: `${shown.x}px`, top: `${shown.y}px`, width: `${WIDE}px` }"><FileList :files="shown.files" plain @gone="leave" /></aside>
    <FileViewer v-if="state.opened !== null" :key="state.opened.source" :opened="state.opened" />
    <ComingFiles v-if="state.coming.length > 0" />
</template>

<style scoped>
.file-list { position: fixed; z-index: 8; max-height: 60vh; overflow: auto; padding: 6px; border: 1px solid var(--edge); border-radius: 9px; background: var(--slip); box-shadow: 0 4px 18px rgb(0 0 0 / 16%); }
</style>
