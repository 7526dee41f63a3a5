<script setup lang="ts">
import { useTemplateRef, watch } from 'vue'
import { stillNote } from '@/text/stillNote'

/** A note as it is read. */
const props = defineProps<{ note: string }>()
const frame = useTemplateRef<HTMLElement>('frame')
watch([frame, () => props.note], ([element, note]) => element?.replaceChildren(stillNote(note)), { flush: 'post' })
</script>

<template>
    <div ref="frame" class="note-text still" dir="auto" />
</template>

<style scoped>
.still { border-left: 3px solid var(--edge); padding-left: 10px; }
</style>
