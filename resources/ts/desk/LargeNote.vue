<script setup lang="ts">
import { NModal } from 'naive-ui'
import { onMounted } from 'vue'
import { useMap } from '@/stores/map'
import { useUi } from '@/ui/uiStore'
import NoteEditor from './NoteEditor.vue'

/** The note of a topic in a large window, to read and to write. */
defineProps<{ topic: string; note: string; title: string }>()
const map = useMap()
const ui = useUi()

onMounted(() => setTimeout(() => document.querySelector<HTMLElement>('.large-note .note-text, .large-note textarea')?.focus(), 120))
function close(): void {
    ui.isNoteLarge = false
    ui.focusRegion(map.region)
}
</script>

<template>
    <NModal show preset="card" class="large-note" :title="title === '' ? 'Untitled topic' : title" :style="{ width: 'min(820px, calc(100vw - 32px))' }" role="dialog" aria-label="Note" @update:show="close">
        <NoteEditor :topic="topic" :note="note" large />
    </NModal>
</template>
