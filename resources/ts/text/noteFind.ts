import type { Editor } from '@tiptap/core'
import { Plugin, PluginKey, TextSelection } from '@tiptap/pm/state'
import { Decoration, DecorationSet } from '@tiptap/pm/view'
import type { Node } from '@tiptap/pm/model'

interface Found { readonly words: string; readonly at: number; readonly hits: readonly { from: number; to: number }[] }

const key = new PluginKey<Found>('find')
const MOST = 2000

/** Where words stand in a note, block by block, whatever is bold in them. */
function hitsOf(document: Node, words: string): { from: number; to: number }[] {
    const hits: { from: number; to: number }[] = []
    const wanted = words.toLocaleLowerCase()
    document.descendants((node, at) => {
        if (!node.isTextblock || wanted === '' || hits.length >= MOST) {
            return wanted !== ''
        }
        const text = node.textBetween(0, node.content.size, undefined, '\u0000').toLocaleLowerCase()
        for (let i = text.indexOf(wanted); i >= 0 && hits.length < MOST; i = text.indexOf(wanted, i + wanted.length)) {
            hits.push({ from: at + 1 + i, to: at + 1 + i + wanted.length })
        }
        return false
    })
    return hits
}

const plugin = new Plugin<Found>({
    key,
    state: {
        init: () => ({ words: '', at: 0, hits: [] }),
        apply(change, before) {
            const said = change.getMeta(key) as Partial<Found> | undefined
            const now = { ...before, ...said }
            return said === undefined && !change.docChanged ? before : { ...now, hits: said?.words === undefined && !change.docChanged ? before.hits : hitsOf(change.doc, now.words) }
        },
    },
    props: {
        decorations(state) {
            const found = key.getState(state)
            return found === undefined || found.words === '' ? null : DecorationSet.create(state.doc, found.hits.map(({ from, to }, i) => Decoration.inline(from, to, { class: i === found.at ? 'note-hit here' : 'note-hit' })))
        },
    },
})

/** Marks where words stand in a note, and says how often. */
export function findInNote(editor: Editor, words: string): number {
    if (key.getState(editor.state) === undefined) {
        editor.registerPlugin(plugin)
    }
    editor.view.dispatch(editor.state.tr.setMeta(key, { words, at: 0 }))
    const hits = key.getState(editor.state)?.hits ?? []
    show(editor, hits[0])
    return hits.length
}

/** Goes on to the next hit or back, and says which one that is. */
export function stepInNote(editor: Editor, by: number): number {
    const found = key.getState(editor.state)
    if (found === undefined || found.hits.length === 0) {
        return 0
    }
    const at = (found.at + by + found.hits.length) % found.hits.length
    editor.view.dispatch(editor.state.tr.setMeta(key, { at }))
    show(editor, found.hits[at])
    return at
}

/** The marks go, and the caret stands at the hit. */
export function endFind(editor: Editor): void {
    const found = key.getState(editor.state)
    const hit = found?.hits[found.at]
    if (hit !== undefined) {
        editor.view.dispatch(editor.state.tr.setSelection(TextSelection.create(editor.state.doc, hit.from, hit.to)))
    }
    editor.unregisterPlugin(key)
}

function show(editor: Editor, hit: { from: number } | undefined): void {
    if (hit !== undefined) {
        const { node } = editor.view.domAtPos(hit.from)
        ;(node instanceof Element ? node : node.parentElement)?.scrollIntoView({ block: 'nearest' })
    }
}
