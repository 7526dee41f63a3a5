<script setup lang="ts">
import type { Editor } from '@tiptap/core'
import { onBeforeUnmount, onMounted, ref } from 'vue'
import { giveBack, takeEditor } from './titleEditors'
import { titleMarkdown } from './titleMarkdown'
import { useTyping } from './typing'

/** Edits one title in place, formatting as one types. What it holds is read through the typing store. */
const props = defineProps<{ title: string; instead: string | null }>()
const emit = defineEmits<{ leave: [] }>()

const typing = useTyping()
const frame = ref<HTMLElement | null>(null)
let editor: Editor | null = null

const read = (): string => (editor === null ? props.title : titleMarkdown(editor.state.doc))

onMounted(() => {
    if (frame.value !== null) {
        editor = takeEditor(frame.value, props.instead ?? props.title, props.instead === null && props.title !== '')
        typing.hold(read, editor)
    }
})

onBeforeUnmount(() => {
    typing.letGo(read)
    if (editor !== null) {
        giveBack(editor)
        editor = null
    }
})
</script>

<template>
    <div ref="frame" class="title-editor-frame" @focusout="emit('leave')" />
</template>

<style>
.title-editor, .title-typed { outline: none; white-space: pre-wrap; overflow-wrap: anywhere; font-kerning: none; font-variant-ligatures: none; min-width: 1ch; }
.title-editor p, .title-typed p { margin: 0; }
.title-editor code, .title-typed code { background: var(--code); border-radius: 3px; padding: 0 2px; font: inherit; }
.title-editor sub, .title-typed sub, .title-editor sup, .title-typed sup { font-size: 70%; line-height: 0; }
.title-editor a, .title-typed a { color: var(--link); }
</style>
