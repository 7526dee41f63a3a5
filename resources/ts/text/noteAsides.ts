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

/** What stands within a line; all else begins a block. */
const INLINE = new Set(['A', 'B', 'CODE', 'DEL', 'EM', 'I', 'S', 'SPAN', 'STRONG', 'SUB', 'SUP', 'U'])

/** The texts of each block, in their order. */
function textsOf(root: DocumentFragment | HTMLElement): Text[][] {
    const blocks = new Map<ParentNode, Text[]>()
    const walker = document.createTreeWalker(root, NodeFilter.SHOW_TEXT)
    while (walker.nextNode() !== null) {
        const text = walker.currentNode as Text
        let block = text.parentNode
        while (block instanceof HTMLElement && INLINE.has(block.tagName)) {
            block = block.parentNode
        }
        if (text.parentElement?.closest('pre') == null && block !== null) {
            blocks.set(block, [...(blocks.get(block) ?? []), text])
        }
    }
    return [...blocks.values()]
}

/** Puts part of a text into an element that says what it is. */
function wrap(text: Text, from: number, to: number, name: string): void {
    const part = from === 0 ? text : text.splitText(from)
    if (to - from < part.length) {
        part.splitText(to - from)
    }
    const span = document.createElement('span')
    span.className = name
    part.replaceWith(span)
    span.append(part)
}

/** The same where nobody writes. What is said to oneself may hold a link, and so lie in several texts. */
export function markAsides(root: DocumentFragment | HTMLElement): void {
    for (const texts of textsOf(root)) {
        const whole = texts.map((text) => (text.parentElement?.closest('code') == null ? text.data : '\0'.repeat(text.length))).join('')
        const parts = whole.includes('{{') || whole.includes('^[') ? partsOf(whole).reverse() : []
        const starts = texts.reduce<number[]>((all, text) => [...all, (all.at(-1) ?? 0) + text.length], [0])
        for (const { at, length, name } of parts) {
            texts.forEach((text, i) => {
                const begin = starts[i] ?? 0
                const [from, to] = [Math.max(0, at - begin), Math.min((starts[i + 1] ?? 0) - begin, at + length - begin)]
                if (to > from) {
                    wrap(text, from, to, name)
                }
            })
        }
    }
}
