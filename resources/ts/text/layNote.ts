import type { Editor } from '@tiptap/core'
import type { Node } from '@tiptap/pm/model'
import { TextSelection } from '@tiptap/pm/state'
import { noteDocument } from './noteMarkdown'

/** Lets an editor learn of what has been typed into the page just now, before anything else is put there. */
export function readTyped(its: Editor): void {
    const { domObserver } = its.view as unknown as { domObserver?: { flush(): void } }
    domObserver?.flush()
}

/**
 * Puts another note into an editor: only what is otherwise, so that the caret stays where one writes.
 *
 * @param goes whether the caret goes to what is otherwise, as when one takes something back
 */
export function layNote(its: Editor, note: string, goes = false): void {
    const [was, is] = [its.state.doc, noteDocument(its.schema, note)]
    const start = was.content.findDiffStart(is.content)
    const end = was.content.findDiffEnd(is.content)
    if (start === null || end === null) {
        return
    }
    const over = Math.max(0, start - Math.min(end.a, end.b))
    const [before, after] = [end.a + over, end.b + over]
    const { head, empty } = its.state.selection
    const caret = empty && head > start && head < before ? caretIn(was, is, start, before, after, head) : null
    its.view.dispatch(its.state.tr.replace(start, before, is.slice(start, after)).setMeta('preventUpdate', true))
    if (!its.state.doc.eq(is)) {
        its.commands.setContent(is.toJSON(), { emitUpdate: false })
    }
    const to = goes ? after : caret
    if (to !== null) {
        const { doc, tr } = its.state
        its.view.dispatch(tr.setSelection(TextSelection.near(doc.resolve(Math.min(doc.content.size, to)), -1)))
    }
}

/** Where a caret stands in a passage that was written anew: between the same letters as before, as many of them as possible. */
function caretIn(was: Node, is: Node, start: number, before: number, after: number, head: number): number {
    const letters = (doc: Node, from: number, to: number): string[] => Array.from({ length: to - from }, (_, n) => doc.textBetween(from + n, from + n + 1, '\n', '\u{FFFC}') || '\n')
    const [left, right, now] = [letters(was, start, head), letters(was, head, before), letters(is, start, after)]
    const alike = (first: (n: number) => string | undefined, second: (n: number) => string | undefined): number => {
        let n = 0
        while (first(n) !== undefined && first(n) === second(n)) {
            n++
        }
        return n
    }
    let [best, at] = [-1, start]
    for (let place = 0; place <= now.length; place++) {
        const score = alike((n) => left[left.length - 1 - n], (n) => now[place - 1 - n]) + alike((n) => right[n], (n) => now[place + n])
        if (score > best) {
            [best, at] = [score, start + place]
        }
    }
    return at
}
