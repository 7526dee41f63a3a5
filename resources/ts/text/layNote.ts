import type { Editor } from '@tiptap/core'
import { TextSelection } from '@tiptap/pm/state'
import { noteDocument } from './noteMarkdown'

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
    const { tr } = its.state
    tr.replace(start, end.a + over, is.slice(start, end.b + over))
    its.view.dispatch(tr.setMeta('preventUpdate', true))
    if (!its.state.doc.eq(is)) {
        its.commands.setContent(is.toJSON(), { emitUpdate: false })
    }
    if (goes) {
        const at = Math.min(its.state.doc.content.size, end.b + over)
        its.view.dispatch(its.state.tr.setSelection(TextSelection.near(its.state.doc.resolve(at), -1)))
    }
}
