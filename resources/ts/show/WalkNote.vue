<script setup lang="ts">
import { getSchema } from '@tiptap/core'
import { EditorContent, useEditor } from '@tiptap/vue-3'
import { computed, watch } from 'vue'
import { noteExtensions } from '@/text/noteExtensions'
import { canKeep, noteDocument } from '@/text/noteMarkdown'
import { useWalkWay } from './walkWay'

/** The note of the topic one is at, in type that is read across a room, beside the board. */
const way = useWalkWay()
const schema = getSchema(noteExtensions)
const note = computed(() => way.topic?.note ?? '')
/** What would not be shown as it was written is shown as it was written. */
const isPlain = computed(() => !canKeep(schema, note.value))
const editor = useEditor({ extensions: noteExtensions, editable: false, editorProps: { attributes: { class: 'walk-note-text', dir: 'auto' } }, onCreate: fill })

function fill(): void {
    const its = editor.value
    if (its !== undefined && !isPlain.value) {
        its.commands.setContent(noteDocument(its.schema, note.value).toJSON(), { emitUpdate: false })
    }
}
watch(note, fill)
</script>

<template>
    <Teleport to="main">
        <aside class="walk-note" aria-label="Note" tabindex="0">
            <pre v-if="isPlain" dir="auto">{{ note }}</pre>
            <EditorContent v-else :editor="editor" />
        </aside>
    </Teleport>
</template>

<style>
.walk-note { flex: none; width: 42%; box-sizing: border-box; overflow: auto; padding: 5vh 4vw 110px 3vw; background: var(--slip); border-left: 1px solid var(--edge); font-size: clamp(20px, 1.9vw, 38px); line-height: 1.42; user-select: text; outline-offset: -3px; }
.walk-note :is(h1, h2, h3) { font-size: 1.15em; line-height: 1.25; margin: 0.9em 0 0.35em; }
.walk-note p { margin: 0 0 0.6em; } .walk-note li p { margin: 0 0 0.2em; }
.walk-note img { max-width: 100%; max-height: 60vh; }
.walk-note table { border-collapse: collapse; } .walk-note :is(td, th) { border: 1px solid var(--edge); padding: 0.2em 0.5em; }
.walk-note blockquote { margin: 0 0 0.6em; padding-left: 0.7em; border-left: 4px solid var(--edge); }
.walk-note pre { white-space: pre-wrap; font: inherit; margin: 0; }
.walk-note-text { outline: none; }
@media (max-width: 800px) { main:has(.walk-note) { flex-direction: column; } .walk-note { width: 100%; max-height: 42%; border: 0; border-top: 1px solid var(--edge); padding: 14px 18px 120px; } }
</style>
