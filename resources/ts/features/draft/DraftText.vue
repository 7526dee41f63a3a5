<script setup lang="ts">
import { getSchema } from '@tiptap/core'
import { Slice } from '@tiptap/pm/model'
import { TextSelection } from '@tiptap/pm/state'
import type { EditorView } from '@tiptap/pm/view'
import { EditorContent, useEditor } from '@tiptap/vue-3'
import { onBeforeUnmount, onMounted, watch } from 'vue'
import { followNote } from '@/desk/followNote'
import { useDrafts } from '@/stores/drafts'
import { newId, useMap } from '@/stores/map'
import { noteExtensions } from '@/text/noteExtensions'
import { layNote, readTyped } from '@/text/layNote'
import { noteDocument, noteMarkdown } from '@/text/noteMarkdown'
import { quoteTyping } from '@/text/quoteTyping'
import { useDraft, type Caret } from './draftStore'
import { useHand } from './hand/handStore'

/** The text of the section in which one writes. What is taken back is taken back in the map, so the editor keeps no steps of its own. */
const props = defineProps<{ topic: string; note: string }>()
const emit = defineEmits<{ moved: [top: number, bottom: number] }>()

const draft = useDraft()
const atHand = useHand()
const extensions = [...noteExtensions.filter(({ name }) => name !== 'undoRedo'), quoteTyping(() => draft.quotation)]
const schema = getSchema(extensions)
const drafts = useDrafts()
const map = useMap()
/** The text as it was typed or taken last. */
let source = props.note
let step = newId()
/** The step of which what is put there is a part. */
let given: string | null = null
let isMade = false
/** Where the caret was last, for when the editor has gone. */
let last = 0

const editor = useEditor({
    extensions,
    content: noteDocument(schema, props.note).toJSON(),
    editorProps: { handleClick: (_view, _at, event) => followNote(event, () => drafts.flush(props.topic, 'note'), (there) => atHand.see(there)), handleKeyDown: (view, event) => {
        catchUp(view, event)
        return leaves(event)
    }, attributes: { class: 'note-text', 'aria-label': 'Text of the section', role: 'textbox', 'aria-multiline': 'true', dir: 'auto', spellcheck: 'true' } },
    onCreate: () => {
        isMade = true
        take()
    },
    onUpdate: ({ editor: changed }) => {
        const text = noteMarkdown(changed.state.doc)
        if (text !== source) {
            // After a pause another step begins, so that what is taken back is words and not the whole.
            step = given ?? (drafts.has(props.topic, 'note') ? step : newId())
            const before = source
            source = text
            drafts.type(props.topic, 'note', text, step, before)
        }
    },
    onSelectionUpdate: ({ editor: its }) => {
        last = its.state.selection.head
        tell()
    },
    onBlur: () => drafts.flush(props.topic, 'note'),
})

/** The editor's view, once it is in the page. */
const viewed = (): EditorView | undefined => (isMade && editor.value?.isDestroyed === false ? editor.value.view : undefined)

/** Where the line is in which the caret stands. */
function tell(): void {
    const view = viewed()
    if (view?.hasFocus() === true) {
        const { top, bottom } = view.coordsAtPos(view.state.selection.head)
        emit('moved', top, bottom)
    }
}

/** Somebody else's change, or an undo: only what is otherwise is put there, so that the caret stays. */
watch(() => props.note, (note) => {
    const its = editor.value
    if (its !== undefined && isMade) {
        readTyped(its)
    }
    if (its === undefined || note === source || drafts.has(props.topic, 'note')) {
        return
    }
    source = note
    layNote(its, note, map.others.length === 0)
    tell()
})

/** The editor learns of keys that move the caret a little later; what is done at the caret is done where it stands by now. */
function catchUp(view: EditorView, event: KeyboardEvent): void {
    const { anchorNode, anchorOffset, focusNode, focusOffset } = getSelection() ?? {}
    if (!['Enter', 'Backspace', 'Delete'].includes(event.key) || event.isComposing || anchorNode == null || focusNode == null || !view.dom.contains(anchorNode) || !view.dom.contains(focusNode)) {
        return
    }
    const [anchor, at] = [view.posAtDOM(anchorNode, anchorOffset ?? 0), view.posAtDOM(focusNode, focusOffset ?? 0)]
    const { doc, selection } = view.state
    if (selection instanceof TextSelection && (anchor !== selection.anchor || at !== selection.head)) {
        view.dispatch(view.state.tr.setSelection(TextSelection.between(doc.resolve(anchor), doc.resolve(at))))
    }
}

/** At its edges the arrows lead on to the sections beside it. */
function leaves(event: KeyboardEvent): boolean {
    const view = viewed()
    if (view === undefined || event.shiftKey || event.ctrlKey || event.metaKey || event.altKey || !view.state.selection.empty) {
        return false
    }
    const { $head } = view.state.selection
    const isFirst = $head.pos <= 1 || (event.key === 'ArrowUp' && $head.before(1) === 0 && view.endOfTextblock('up'))
    const isLast = $head.pos >= view.state.doc.content.size - 1 || (event.key === 'ArrowDown' && $head.after(1) === view.state.doc.content.size && view.endOfTextblock('down'))
    const by = isLast && ['ArrowDown', 'ArrowRight'].includes(event.key) ? 1 : isFirst && ['ArrowUp', 'ArrowLeft'].includes(event.key) ? -1 : null
    return by !== null && draft.step(props.topic, by)
}

function select(caret: Caret): void {
    const view = viewed()
    if (view === undefined || caret === 'title') {
        return
    }
    const { doc } = view.state
    // With a letter there, since blanks at an end are none in Markdown.
    const after = (letters: number): number => noteDocument(schema, `${props.note.slice(0, letters)}x`).content.size - 2
    const pos = (x: number, y: number): number => view.posAtCoords({ left: x, top: y })?.pos ?? doc.content.size
    const of = (): number => {
        if (typeof caret === 'number') {
            return caret
        }
        if (typeof caret === 'object') {
            return 'x' in caret ? pos(caret.x, caret.y) : after(caret.letters)
        }
        return caret === 'start' ? 0 : doc.content.size
    }
    const from = Math.max(0, Math.min(doc.content.size, of()))
    const end = typeof caret !== 'object' ? from : 'letters' in caret ? (caret.to === undefined ? from : after(caret.to)) : caret.toX === undefined || caret.toY === undefined ? from : pos(caret.toX, caret.toY)
    const to = Math.max(from, Math.min(doc.content.size, end))
    const selection = from === to ? TextSelection.near(doc.resolve(from), caret === 'start' ? 1 : -1) : TextSelection.between(doc.resolve(from), doc.resolve(to))
    view.dispatch(view.state.tr.setSelection(selection))
}

function focus(caret?: Caret): void {
    // Where it stands already it stays, to the letter.
    if (caret !== undefined && caret !== hand.at()) {
        select(caret)
    }
    viewed()?.focus()
    tell()
}

/** Where the caret is in the page; the editor learns of keys that move it a little later. */
function head(): number {
    const view = viewed()
    const { focusNode, focusOffset } = getSelection() ?? { focusNode: null, focusOffset: 0 }
    return view === undefined ? last : focusNode !== null && view.hasFocus() && view.dom.contains(focusNode) ? view.posAtDOM(focusNode, focusOffset) : view.state.selection.head
}

const hand = {
    topic: props.topic,
    cut: (): readonly [string, string] => {
        const state = editor.value?.state
        const at = head()
        return state === undefined ? [source, ''] : [noteMarkdown(state.doc.cut(0, at)).trim(), noteMarkdown(state.doc.cut(at)).trim()]
    },
    at: head,
    focus,
    wrap: (open: string, close: string): void => {
        const view = viewed()
        if (view !== undefined) {
            const { from, to } = view.state.selection
            const { tr } = view.state
            tr.insertText(close, to).insertText(open, from)
            view.dispatch(tr.setSelection(TextSelection.create(tr.doc, to + open.length + (from === to ? 0 : close.length))))
            view.focus()
        }
    },
    insert: (markdown: string, its: string): void => {
        const view = viewed()
        if (view !== undefined) {
            drafts.flush(props.topic, 'note')
            given = its
            const piece = noteDocument(view.state.schema, markdown).content
            view.dispatch(view.state.tr.replaceSelection(new Slice(piece, 1, 1)).scrollIntoView())
            given = null
            drafts.flush(props.topic, 'note')
        }
    },
    leads: (): string | null => {
        const state = viewed()?.state
        const [at, found]: [number, { to: number; href: string; block: unknown }[]] = [head(), []]
        const here = state?.doc.resolve(Math.min(at, state.doc.content.size)).parent
        state?.doc.descendants((node, pos, parent) => {
            const href: unknown = node.marks.find(({ type }) => type.name === 'link')?.attrs.href
            if (typeof href === 'string') {
                found.push({ to: pos + node.nodeSize, href, block: parent })
            }
        })
        const near = found.filter(({ block }) => block === here)
        return (near.find(({ to }) => to >= at) ?? near.at(-1) ?? found.findLast(({ to }) => to < at) ?? found[0])?.href ?? null
    },
    marked: (): string => {
        // As the page has it: the editor learns of it a little later.
        const chosen = getSelection()
        return chosen !== null && viewed()?.dom.contains(chosen.anchorNode) === true ? chosen.toString() : ''
    },
}
onMounted(() => (draft.hand = hand))
onBeforeUnmount(() => {
    draft.leaveMark()
    drafts.flush(props.topic, 'note')
    draft.hand = draft.hand === hand ? null : draft.hand
})
/** Puts the caret where it is wanted, as soon as that can be. */
function take(): void {
    const wanted = draft.wanted
    if (wanted?.topic === props.topic && wanted.caret !== 'title' && viewed() !== undefined) {
        draft.wanted = null
        focus(wanted.caret)
        const { ahead } = draft
        draft.ahead = ''
        if (ahead !== '') {
            editor.value?.view.dispatch(editor.value.state.tr.insertText(ahead))
        }
    }
}
watch(() => draft.wanted, () => setTimeout(take))
</script>

<template>
    <EditorContent :editor="editor" />
</template>
