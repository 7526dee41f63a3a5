import type { Editor } from '@tiptap/core'
import { Plugin, PluginKey } from '@tiptap/pm/state'
import { Decoration, DecorationSet } from '@tiptap/pm/view'
import type { Present } from '@/api/wire'
import { chalkOf } from './present'

const key = new PluginKey<DecorationSet>('carets of others')

function mark({ id, name }: Present): HTMLElement {
    const caret = document.createElement('span')
    caret.className = 'caret-of'
    caret.style.setProperty('--chalk', chalkOf(id))
    caret.dataset.name = name
    return caret
}

/** Shows in an editor where others write; what they wrote and has not come yet lets a mark stand a little before its place. */
export function showCarets(its: Editor, others: readonly Present[]): void {
    if (key.getState(its.state) === undefined) {
        its.registerPlugin(new Plugin<DecorationSet>({
            key,
            state: {
                init: () => DecorationSet.empty,
                apply: (tr, before) => (tr.getMeta(key) as DecorationSet | undefined) ?? before.map(tr.mapping, tr.doc),
            },
            props: { decorations: (state) => key.getState(state) },
        }))
    }
    const { doc, tr } = its.state
    const marks = others.flatMap((one) => (one.caret === null ? [] : [Decoration.widget(Math.min(one.caret, doc.content.size), () => mark(one), { key: `${one.id} ${one.caret}`, side: -1, ignoreSelection: true })]))
    its.view.dispatch(tr.setMeta(key, DecorationSet.create(doc, marks)).setMeta('addToHistory', false).setMeta('preventUpdate', true))
}
