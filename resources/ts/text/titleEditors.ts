import { Editor } from '@tiptap/core'
import Bold from '@tiptap/extension-bold'
import Code from '@tiptap/extension-code'
import Document from '@tiptap/extension-document'
import HardBreak from '@tiptap/extension-hard-break'
import Italic from '@tiptap/extension-italic'
import Paragraph from '@tiptap/extension-paragraph'
import Strike from '@tiptap/extension-strike'
import Subscript from '@tiptap/extension-subscript'
import Superscript from '@tiptap/extension-superscript'
import Text from '@tiptap/extension-text'
import Underline from '@tiptap/extension-underline'
import { UndoRedo } from '@tiptap/extensions/undo-redo'
import { EditorState, Selection, TextSelection } from '@tiptap/pm/state'
import type { EditorView } from '@tiptap/pm/view'
import { afterFrame } from '@/ui/afterFrame'
import { LinkMark } from './linkMark'
import { titleDocument } from './titleMarkdown'

/** Editors that wait to be used; of those that are fresh the text is empty and so is the history. */
interface Spare {
    readonly editor: Editor
    isFresh: boolean
}

/** One is taken while the one before it is given back. */
const MOST_SPARE = 2
const spares: Spare[] = []

/** Pasted text is one topic, line breaks and all. */
function pasteAsText(view: EditorView, event: ClipboardEvent): boolean {
    const text = event.clipboardData?.getData('text/plain') ?? ''
    const { schema } = view.state
    const lineBreak = schema.nodes.hardBreak
    if (text === '' || lineBreak === undefined) {
        return false
    }
    const nodes = text
        .replace(/\r\n?/g, '\n')
        .trim()
        .split('\n')
        .flatMap((line, i) => [...(i > 0 ? [lineBreak.create()] : []), ...(line === '' ? [] : [schema.text(line)])])
    view.dispatch(nodes.reduce((change, node) => change.replaceSelectionWith(node, true), view.state.tr.deleteSelection()))
    return true
}

function make(): Editor {
    return new Editor({
        element: document.createElement('div'),
        // Nobody asks an editor whether it has the focus, and telling it costs the caret two milliseconds.
        enableCoreExtensions: { focusEvents: false },
        extensions: [
            Document.extend({ content: 'paragraph' }),
            Paragraph, Text, HardBreak, Bold, Italic, Underline, Strike, Subscript, Superscript, Code,
            LinkMark,
            UndoRedo,
        ],
        editorProps: {
            attributes: { class: 'title-editor', role: 'textbox', 'aria-label': 'Title of the topic', 'aria-multiline': 'true', spellcheck: 'true', dir: 'auto' },
            handlePaste: pasteAsText,
        },
    })
}

/**
 * An editor for titles in a frame, holding a title and the focus. Making one takes longer than a frame lasts, so they
 * are used again; each begins with a history of its own.
 */
export function takeEditor(frame: HTMLElement, markdown: string, selectAll: boolean): Editor {
    const at = Math.max(0, spares.findIndex((spare) => spare.isFresh))
    const { editor, isFresh } = spares.splice(at, 1)[0] ?? { editor: make(), isFresh: true }
    frame.append(editor.view.dom)
    if (!isFresh || markdown !== '') {
        fill(editor, markdown, selectAll)
    }
    // Without a caret in it the browser looks for a place for one all over the page, which takes as long as half a frame.
    document.getSelection()?.collapse(editor.view.dom.firstChild, 0)
    editor.view.focus()
    return editor
}

function fill(editor: Editor, markdown: string, selectAll: boolean): void {
    const doc = titleDocument(editor.schema, markdown)
    const selection = selectAll ? TextSelection.create(doc, 1, doc.content.size - 1) : Selection.atEnd(doc)
    editor.view.updateState(EditorState.create({ doc, selection, plugins: editor.state.plugins }))
}

export function giveBack(editor: Editor): void {
    editor.view.dom.remove()
    if (spares.length === MOST_SPARE) {
        editor.destroy()
        return
    }
    const spare = { editor, isFresh: false }
    spares.push(spare)
    afterFrame(() => {
        if (spares.includes(spare)) {
            fill(editor, '', false)
            spare.isFresh = true
        }
    })
}

/** Makes the first editors before they are needed. */
export function prepareEditor(): void {
    while (spares.length < MOST_SPARE) {
        spares.push({ editor: make(), isFresh: true })
    }
}
