<script setup lang="ts">
import type { Editor } from '@tiptap/core'
import { NButton, NInput, type InputInst } from 'naive-ui'
import { onBeforeUnmount, onMounted, ref, useTemplateRef, watch } from 'vue'
import { endFind, findInNote, stepInNote } from '@/text/noteFind'

/** Finds words in the note that is open: every place is marked, and one goes from each to the next. */
const props = defineProps<{ editor: Editor }>()
const emit = defineEmits<{ close: [] }>()
const field = useTemplateRef<InputInst>('field')
const words = ref('')
const count = ref(0)
const at = ref(0)
watch(words, (now) => {
    count.value = findInNote(props.editor, now)
    at.value = 0
})
const step = (by: number): void => void (at.value = stepInNote(props.editor, by))
function close(): void {
    endFind(props.editor)
    emit('close')
}
onMounted(() => field.value?.focus())
onBeforeUnmount(() => !props.editor.isDestroyed && endFind(props.editor))
</script>

<template>
    <div class="note-find" role="search" @keydown.escape.stop="close">
        <NInput ref="field" v-model:value="words" size="small" placeholder="Find in this note" :input-props="{ 'aria-label': 'Find in this note', dir: 'auto' }" @keydown.enter.prevent="step($event.shiftKey ? -1 : 1)" />
        <span aria-live="polite">{{ words === '' ? '' : count === 0 ? 'nowhere' : `${at + 1} of ${count}` }}</span>
        <NButton size="tiny" quaternary :disabled="count === 0" @click="step(-1)">Before</NButton>
        <NButton size="tiny" quaternary :disabled="count === 0" @click="step(1)">Next</NButton>
        <NButton size="tiny" quaternary @click="close">Close</NButton>
    </div>
</template>

<style scoped>
.note-find { display: flex; flex-wrap: wrap; gap: 4px; align-items: center; margin-bottom: 6px; }
.note-find .n-input { flex: 1; min-width: 120px; }
span { color: var(--soft); font-size: 13px; }
</style>
