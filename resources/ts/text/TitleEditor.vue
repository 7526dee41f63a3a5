<script setup lang="ts">
import { Editor } from '@tiptap/core'
import Bold from '@tiptap/extension-bold'
import Code from '@tiptap/extension-code'
import Document from '@tiptap/extension-document'
import HardBreak from '@tiptap/extension-hard-break'
import Italic from '@tiptap/extension-italic'
import Link from '@tiptap/extension-link'
import Paragraph from '@tiptap/extension-paragraph'
import Strike from '@tiptap/extension-strike'
import Text from '@tiptap/extension-text'
import Underline from '@tiptap/extension-underline'
import { UndoRedo } from '@tiptap/extensions'
import { onBeforeUnmount, onMounted, ref } from 'vue'
import { titleDocument, titleMarkdown } from './titleMarkdown'
import { useTyping } from './typing'

/** Edits one title in place, formatting as one types. What it holds is read through the typing store. */
const props = defineProps<{ title: string; instead: string | null; label: string }>()
const emit = defineEmits<{ leave: [] }>()

const typing = useTyping()
const frame = ref<HTMLElement | null>(null)
let editor: Editor | null = null

const make = (element: HTMLElement): Editor => new Editor({
    element,
    extensions: [
        Document.extend({ content: 'paragraph' }),
        Paragraph, Text, HardBreak, Bold, Italic, Underline, Strike, Code,
        Link.configure({ openOnClick: false, autolink: true, linkOnPaste: true }),
        UndoRedo,
    ],
    editorProps: {
        attributes: { class: 'title-editor', role: 'textbox', 'aria-label': props.label, 'aria-multiline': 'true', spellcheck: 'true' },
        handlePaste(view, event) {
            // Pasted text is one topic, line breaks and all.
            const text = event.clipboardData?.getData('text/plain') ?? ''
            if (text === '') {
                return false
            }
            const lines = text.replace(/\r\n?/g, '\n').trim().split('\n')
            const { schema } = view.state
            const nodes = lines.flatMap((line, i) => [
                ...(i > 0 && schema.nodes.hardBreak ? [schema.nodes.hardBreak.create()] : []),
                ...(line === '' ? [] : [schema.text(line)]),
            ])
            let transaction = view.state.tr.deleteSelection()
            for (const node of nodes) {
                transaction = transaction.replaceSelectionWith(node, true)
            }
            view.dispatch(transaction)
            return true
        },
    },
})

const read = (): string => (editor === null ? props.title : titleMarkdown(editor.state.doc))

onMounted(() => {
    if (frame.value === null) {
        return
    }
    editor = make(frame.value)
    editor.commands.setContent(titleDocument(editor.schema, props.instead ?? props.title).toJSON(), { emitUpdate: false })
    if (props.instead === null && props.title !== '') {
        editor.commands.selectAll()
    } else {
        editor.commands.setTextSelection(editor.state.doc.content.size - 1)
    }
    // Not by the editor's own command, which waits for a frame: the next key may come sooner.
    editor.view.focus()
    typing.hold(read, editor)
})

onBeforeUnmount(() => {
    typing.letGo(read)
    editor?.destroy()
})
</script>

<template>
    <div ref="frame" class="title-editor-frame" @focusout="emit('leave')" />
</template>

<style>
.title-editor { outline: none; white-space: pre-wrap; overflow-wrap: anywhere; font-kerning: none; font-variant-ligatures: none; min-width: 1ch; caret-color: var(--caret, currentcolor); }
.title-editor p { margin: 0; }
.title-editor code { background: var(--code); border-radius: 3px; padding: 0 2px; font: inherit; }
.title-editor a { color: var(--link); }
</style>
