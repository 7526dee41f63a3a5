<script setup lang="ts">
import { getSchema } from '@tiptap/core'
import { EditorContent, useEditor } from '@tiptap/vue-3'
import { NButton, NInput, NTooltip } from 'naive-ui'
import { defineAsyncComponent, onBeforeUnmount, ref, useTemplateRef, watch } from 'vue'
import { api } from '@/api/client'
import { useActions } from '@/actions/useActions'
import { followNote } from './followNote'
import { useDrafts } from '@/stores/drafts'
import { newId, useMap } from '@/stores/map'
import { noteExtensions } from '@/text/noteExtensions'
import { changeTable, insertTable, type TableChange } from '@/text/noteTable'
import { layNote, readTyped } from '@/text/layNote'
import { canKeep, noteDocument, noteMarkdown } from '@/text/noteMarkdown'
import { tell } from '@/ui/tell'
import { useUi } from '@/ui/uiStore'

/** Edits the note of one topic, formatted where that keeps it to the letter, else as Markdown; what is kept is Markdown either way. */
const props = defineProps<{ topic: string; note: string; large?: boolean }>()
defineEmits<{ large: [] }>()

const schema = getSchema(noteExtensions)
const drafts = useDrafts()
const { keyOf } = useActions()
const map = useMap()
const ui = useUi()
const own = ref(props.topic)
const asMarkdown = ref(!canKeep(schema, props.note))
const source = ref(props.note)
let step = newId()
let filling: ReturnType<typeof setTimeout> | undefined
/** The topic of which the note stands there, or will. */
let shown = props.topic

const editor = useEditor({
    extensions: noteExtensions,
    editorProps: { handlePaste: (_view, event) => takesPictures(event.clipboardData), handleDrop: (view, event) => takesPictures(event.dataTransfer, view.posAtCoords({ left: event.clientX, top: event.clientY })?.pos), handleClick: (_view, _at, event) => followNote(event, keep), attributes: { class: 'note-text', 'aria-label': 'Note', role: 'textbox', 'aria-multiline': 'true', dir: 'auto' } },
    onCreate: () => fill(props.note),
    onFocus: () => settle(),
    onUpdate: ({ editor: changed }) => change(noteMarkdown(changed.state.doc)),
    onBlur: () => {
        map.caret = null
        keep()
    },
    onSelectionUpdate: ({ editor: its }) => (map.caret = its.isFocused && map.isShared ? its.state.selection.head : null),
})

const keep = (): void => drafts.flush(own.value, 'note')

/** Another topic, somebody else's change, or an undo; what was typed here is kept first. */
watch(
    [() => props.topic, () => props.note] as const,
    ([topic, note]) => {
        if (topic === own.value && editor.value?.isFocused === true) {
            readTyped(editor.value)
        }
        if (topic !== own.value) {
            keep()
            own.value = topic
            step = newId()
        } else if (note === source.value || drafts.has(topic, 'note')) {
            return
        }
        const its = filling === undefined && !asMarkdown.value && topic === shown ? editor.value : undefined
        source.value = note
        asMarkdown.value = !canKeep(schema, note)
        if (its !== undefined && !asMarkdown.value) {
            layNote(its, note)
            return
        }
        shown = topic
        // While the choice runs along the board, only the note where it rests is set.
        clearTimeout(filling)
        filling = setTimeout(settle, 60)
    },
)

/** From now on the note of its topic stands there. Whoever comes to write does not write on in the note before. */
function settle(): void {
    if (filling !== undefined) {
        clearTimeout(filling)
        filling = undefined
        fill(source.value)
    }
}

function fill(markdown: string): void {
    const its = editor.value
    if (its !== undefined && markdown === source.value && !asMarkdown.value) {
        its.commands.setContent(noteDocument(its.schema, markdown).toJSON(), { emitUpdate: false })
    }
}

function change(text: string): void {
    const before = source.value
    source.value = text
    drafts.type(own.value, 'note', text, step, before)
}

function swap(): void {
    asMarkdown.value = !asMarkdown.value
    if (!asMarkdown.value) {
        keep()
        fill(source.value)
    }
}

function focus(): void {
    settle()
    if (asMarkdown.value) {
        document.querySelector<HTMLElement>('.note-source textarea')?.focus()
    } else {
        editor.value?.commands.focus('end')
    }
}

/** Where others write in the same note. */
watch([editor, () => map.others, own], async ([its]) => {
    if (its !== undefined && (map.others.some((one) => one.in === 'note') || its.view.dom.querySelector('.caret-of') !== null)) {
        (await import('@/features/share/noteCarets')).showCarets(its, map.others.filter((one) => one.at === own.value && one.in === 'note'))
    }
})

onBeforeUnmount(() => {
    map.caret = null
    ui.isFindingInNote = false
    clearTimeout(filling)
    keep()
})
defineExpose({ focus })

const tools = [
    { name: 'Bold', text: 'B', run: () => editor.value?.chain().focus().toggleBold().run(), on: () => editor.value?.isActive('bold') },
    { name: 'Italic', text: 'I', run: () => editor.value?.chain().focus().toggleItalic().run(), on: () => editor.value?.isActive('italic') },
    { name: 'Heading', text: 'Heading', run: () => editor.value?.chain().focus().toggleHeading({ level: 2 }).run(), on: () => editor.value?.isActive('heading') },
    { name: 'Tasks', text: 'Tasks', run: () => editor.value?.chain().focus().toggleTaskList().run(), on: () => editor.value?.isActive('taskList') },
    { name: 'List', text: 'List', run: () => editor.value?.chain().focus().toggleBulletList().run(), on: () => editor.value?.isActive('bulletList') },
    { name: 'Code', text: 'Code', run: () => editor.value?.chain().focus().toggleCodeBlock().run(), on: () => editor.value?.isActive('codeBlock') },
    { name: 'Table', text: 'Table', run: () => editor.value !== undefined && void insertTable(editor.value, 3, 2), on: () => editor.value?.isActive('table') },
    { name: 'Quote', text: 'Quote', run: () => editor.value?.chain().focus().toggleBlockquote().run(), on: () => editor.value?.isActive('blockquote') },
]

const NoteFind = defineAsyncComponent(() => import('./NoteFind.vue'))
const NotePictureTools = defineAsyncComponent(() => import('./NotePictureTools.vue'))
function endFinding(): void {
    ui.isFindingInNote = false
    editor.value?.commands.focus()
}

/** Takes the pictures that are pasted or dropped, if that is what they are; says whether it did. */
function takesPictures(data: DataTransfer | null, at?: number): boolean {
    const files = [...(data?.files ?? [])].filter(({ type }) => type.startsWith('image/'))
    if (files.length > 0 && data?.getData('text/plain') === '') {
        void bringPictures(files, at)
        return true
    }
    return false
}
async function bringPictures(files: readonly File[], at?: number): Promise<void> {
    for (const file of files) {
        try {
            const { picture } = await api.bringPicture(map.id, file)
            const content = { type: 'image', attrs: { src: picture, alt: file.name.replace(/\.[a-z0-9]{1,5}$/i, '').replace(/[-_]+/g, ' ') } }
            editor.value?.chain().focus().insertContentAt(at ?? editor.value.state.selection, content).run()
        } catch (error) {
            tell.error(`“${file.name}” was not taken in. ${(error as Error).message}`)
        }
    }
}
const chooser = useTemplateRef<HTMLInputElement>('chooser')
function chosen(): void {
    void bringPictures([...(chooser.value?.files ?? [])])
    if (chooser.value !== null) {
        chooser.value.value = ''
    }
}

const TopicPicker = defineAsyncComponent(() => import('./TopicPicker.vue'))
const isPicking = ref(false)
function leavePicking(): void {
    isPicking.value = false
    editor.value?.commands.focus()
}

/** Puts a link to a topic at the caret, or on what is chosen. */
function linkTo(title: string, href: string): void {
    isPicking.value = false
    const its = editor.value
    if (its === undefined) {
        return
    }
    if (its.state.selection.empty) {
        its.chain().focus().insertContent([{ type: 'text', text: title, marks: [{ type: 'link', attrs: { href } }] }, { type: 'text', text: ' ' }]).run()
    } else {
        its.chain().focus().setLink({ href }).run()
    }
}

const ofTable: readonly { text: string; change: TableChange }[] = [
    { text: 'Row below', change: 'addRowAfter' },
    { text: 'Column after', change: 'addColumnAfter' },
    { text: 'Remove row', change: 'deleteRow' },
    { text: 'Remove column', change: 'deleteColumn' },
    { text: 'Remove table', change: 'deleteTable' },
]
</script>

<template>
    <div class="note-editor">
        <div class="head"><span>{{ large === true ? '' : 'Note' }}</span><NButton v-if="large !== true" size="tiny" quaternary class="swap wide" :title="keyOf('note.large')" @click="$emit('large')">Open large</NButton><NButton size="tiny" quaternary class="swap" :disabled="asMarkdown && !canKeep(schema, source)" :title="asMarkdown && !canKeep(schema, source) ? 'It holds Markdown that the formatted editor would change' : undefined" @click="swap">{{ asMarkdown ? 'Formatted' : 'Markdown' }}</NButton></div>
        <!-- The text keeps the caret while its tools are clicked, so that one types on at once. -->
        <div v-if="!asMarkdown" class="tools" role="toolbar" aria-label="Format the note" @mousedown.prevent>
            <NTooltip v-for="tool in tools" :key="tool.name">
                <template #trigger>
                    <NButton size="tiny" quaternary :type="tool.on() === true ? 'primary' : 'default'" :aria-label="tool.name" :aria-pressed="tool.on() === true" @click="tool.run()">{{ tool.text }}</NButton>
                </template>
                {{ tool.name }}
            </NTooltip>
            <NButton size="tiny" quaternary aria-label="Link to a topic" :aria-expanded="isPicking" @click="isPicking = !isPicking">Topic</NButton>
            <NButton size="tiny" quaternary aria-label="Picture in the note" @click="chooser?.click()">Picture</NButton>
            <NButton size="tiny" quaternary aria-label="Find in the note" :aria-expanded="ui.isFindingInNote" @click="ui.isFindingInNote = !ui.isFindingInNote">Find</NButton>
            <input ref="chooser" class="note-pictures" type="file" accept="image/png,image/jpeg,image/gif,image/webp,image/svg+xml" multiple hidden aria-label="Pictures for the note" @change="chosen" />
        </div>
        <TopicPicker v-if="!asMarkdown && isPicking" @take="linkTo" @leave="leavePicking" />
        <div v-if="!asMarkdown && editor?.isActive('table') === true" class="tools" role="toolbar" aria-label="Change the table" @mousedown.prevent>
            <NButton v-for="tool in ofTable" :key="tool.text" size="tiny" quaternary @click="editor !== undefined && changeTable(editor, tool.change)">{{ tool.text }}</NButton>
        </div>
        <NoteFind v-if="!asMarkdown && ui.isFindingInNote && editor !== undefined" :editor="editor" @close="endFinding" />
        <NotePictureTools v-if="!asMarkdown && editor?.isActive('image') === true" :key="editor.state.selection.from" :editor="editor" />
        <NInput v-if="asMarkdown" class="note-source" type="textarea" :value="source" :autosize="{ minRows: 6, maxRows: 30 }" :input-props="{ 'aria-label': 'Note as Markdown' }" @update:value="change" @blur="keep" />
        <EditorContent v-else :editor="editor" class="sheet" @click.self="focus" />
    </div>
</template>

<style scoped>
.tools { display: flex; flex-wrap: wrap; margin-bottom: 4px; }
.tools :deep(.n-button) { padding: 0 6px; }
.head { display: flex; justify-content: space-between; align-items: center; font-size: 13px; color: var(--soft); }
.swap { color: var(--soft); }
.sheet { background: var(--slip); border: 1px solid var(--field); border-radius: 6px; min-height: 130px; padding: 8px 10px; cursor: text; }
.wide { margin-left: auto; }
.sheet:focus-within { border-color: var(--tide); box-shadow: 0 0 0 1px var(--tide); }
</style>

<style>
@font-face { font-family: 'STIX Two Math'; font-display: swap; src: url('@fontsource/stix-two-math/files/stix-two-math-latin-400-normal.woff2') format('woff2'); }
.large-note .sheet { min-height: 56vh; max-height: 68vh; overflow: auto; padding: 16px 22px; }
.large-note .note-text { font-size: 16.5px; line-height: 1.6; max-width: 68ch; margin: 0 auto; }
.note-text { outline: none; font-size: 14.5px; line-height: 1.5; overflow-wrap: anywhere; }
.note-text p, .note-text ul, .note-text ol, .note-text pre, .note-text blockquote { margin: 0 0 .6em; }
.note-text h1, .note-text h2, .note-text h3 { font-size: 16px; margin: .4em 0 .3em; }
.note-text ul, .note-text ol { padding-left: 1.3em; }
.note-text ul[data-type=taskList] { list-style: none; padding-left: 0; }
.note-text ul[data-type=taskList] li { display: flex; gap: 6px; }
.note-text ul[data-type=taskList] p { margin: 0; }
.note-text blockquote { border-left: 3px solid var(--edge); padding-left: 10px; color: var(--soft); }
.note-text code { background: var(--code); border-radius: 3px; padding: 0 3px; }
.note-text pre { background: var(--code); border-radius: 6px; padding: 8px; white-space: pre-wrap; }
.note-text table { border-collapse: collapse; margin: 0 0 .6em; min-width: 60%; }
.note-text th, .note-text td { border: 1px solid var(--edge); padding: 3px 7px; text-align: start; vertical-align: top; }
.note-text th { background: color-mix(in srgb, var(--tide) 10%, transparent); }
.note-text th p, .note-text td p { margin: 0; }
.note-text .selectedCell { background: color-mix(in srgb, var(--tide) 18%, transparent); }
.note-text .formula math { font-family: 'STIX Two Math', math; }
.note-text .formula { cursor: pointer; padding: 0 2px; border-radius: 3px; }
.note-text .formula:hover { background: color-mix(in srgb, var(--tide) 14%, transparent); }
.note-text .formula.wrong { text-decoration: underline wavy var(--ember); font-family: monospace; }
.note-picture { max-width: 100%; max-height: 420px; border-radius: 4px; vertical-align: bottom; }
.note-picture.elsewhere { display: inline-block; padding: 2px 8px; border: 1px dashed var(--edge); color: var(--soft); font-size: 13.5px; }
.note-text .ProseMirror-selectednode { outline: 2px solid var(--tide); outline-offset: 2px; }
.note-hit { background: color-mix(in srgb, var(--amber, #e0b13d) 45%, transparent); border-radius: 2px; }
.note-hit.here { outline: 2px solid var(--tide); }
.note-text a { color: var(--link); }
</style>
