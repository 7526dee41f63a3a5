import { Extension } from '@tiptap/core'
import { Plugin, PluginKey, type EditorState } from '@tiptap/pm/state'
import { Decoration, DecorationSet } from '@tiptap/pm/view'
import type { Node } from '@tiptap/pm/model'

/** What one says to oneself, which leaves the map nowhere, and what stands at the foot of the page in documents. */
const PARTS = /(?<aside>\{\{(?:[^{}]|\{(?!\{)|\}(?!\}))*\}\})|\^\[[^[\]]+\]/g
const nameOf = (hit: RegExpMatchArray): string => (hit.groups?.aside === undefined ? 'note-foot' : 'note-aside')

/** Where such words stand in a text: its place, its length, what it is. */
const partsOf = (text: string): { at: number; length: number; name: string }[] => [...text.matchAll(PARTS)].map((hit) => ({ at: hit.index, length: hit[0].length, name: nameOf(hit) }))

/** The text of a block, letter for place; what is code in it says nothing. */
function textOf(block: Node): string {
    let text = ''
    block.descendants((node) => {
        const isCode = node.marks.some(({ type }) => type.name === 'code')
        text += node.isText && !isCode ? node.text ?? '' : '\0'.repeat(node.nodeSize)
        return false
    })
    return text
}

function decorated(document: Node): DecorationSet {
    const found: Decoration[] = []
    document.descendants((node, at) => {
        if (node.isTextblock && node.type.name !== 'codeBlock') {
            found.push(...partsOf(textOf(node)).map(({ at: from, length, name }) => Decoration.inline(at + 1 + from, at + 1 + from + length, { class: name })))
        }
        return !node.isTextblock
    })
    return DecorationSet.create(document, found)
}

const key = new PluginKey<DecorationSet>('asides')

/** Tells them from the text around them while one writes. */
export const Asides = Extension.create({
    name: 'asides',
    addProseMirrorPlugins: () => [new Plugin<DecorationSet>({
        key,
        state: { init: (_, { doc }) => decorated(doc), apply: (change, before) => (change.docChanged ? decorated(change.doc) : before) },
        props: { decorations: (state: EditorState) => key.getState(state) },
    })],
})

/** The same where nobody writes. */
export function markAsides(root: DocumentFragment | HTMLElement): void {
    const walker = document.createTreeWalker(root, NodeFilter.SHOW_TEXT)
    const texts: Text[] = []
    while (walker.nextNode() !== null) {
        const text = walker.currentNode
        if (text instanceof Text && text.parentElement?.closest('code, pre') == null) {
            texts.push(text)
        }
    }
    for (const text of texts) {
        for (const { at, length, name } of partsOf(text.data).reverse()) {
            const part = text.splitText(at)
            part.splitText(length)
            const span = document.createElement('span')
            span.className = name
            part.replaceWith(span)
            span.append(part)
        }
    }
}
