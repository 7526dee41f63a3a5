import { Node, type Editor } from '@tiptap/core'
import type { Command } from '@tiptap/pm/state'

type Tables = typeof import('@tiptap/pm/tables')

/** What changes tables comes when there is one: most notes have none. */
let tables: Tables | null = null
const load = async (): Promise<Tables> => (tables ??= await import('@tiptap/pm/tables'))

const hidden = (initial: unknown) => ({ default: initial, rendered: false })
const ofCells = () => ({ colspan: hidden(1), rowspan: hidden(1), colwidth: hidden(null), align: hidden(null) })

const hasTable = (editor: Editor): boolean => {
    let found = false
    editor.state.doc.descendants((node) => {
        found ||= node.type.name === 'table'
        return !found
    })
    return found
}

/** Goes to the next cell, or the one before it; behind the last one a row is added. */
function step(editor: Editor, by: 1 | -1): boolean {
    if (!editor.isActive('table') || tables === null) {
        return editor.isActive('table')
    }
    const go = tables.goToNextCell(by)
    if (!go(editor.state, editor.view.dispatch) && by === 1 && tables.addRowAfter(editor.state, editor.view.dispatch)) {
        go(editor.state, editor.view.dispatch)
    }
    return true
}

export type TableChange = 'addRowAfter' | 'addColumnAfter' | 'deleteRow' | 'deleteColumn' | 'deleteTable'

/** Changes the table in which the caret is. */
export async function changeTable(editor: Editor, change: TableChange): Promise<void> {
    const command: Command = (await load())[change]
    editor.commands.focus()
    command(editor.state, editor.view.dispatch)
}

/** Puts a table at the caret, of so many rows, the first for headings. */
export async function insertTable(editor: Editor, rows: number, columns: number): Promise<void> {
    await load()
    const row = (cell: string) => ({ type: 'tableRow', content: Array.from({ length: columns }, () => ({ type: cell, content: [{ type: 'paragraph' }] })) })
    const at = editor.state.selection.from
    editor.chain().focus().insertContent({ type: 'table', content: [row('tableHeader'), ...Array.from({ length: rows - 1 }, () => row('tableCell'))] }).run()
    // The caret goes into the first cell.
    let first: number | null = null
    editor.state.doc.nodesBetween(Math.max(0, at - 1), editor.state.doc.content.size, (node, pos) => {
        first ??= node.type.name === 'tableHeader' && pos >= at - 1 ? pos : null
        return first === null
    })
    if (first !== null) {
        editor.commands.setTextSelection(first + 2)
    }
}

const cell = (name: string, tag: 'td' | 'th', role: 'cell' | 'header_cell') => Node.create({
    // As in Markdown a cell is one line, and a column says how its cells stand.
    name, content: 'paragraph', isolating: true, addAttributes: ofCells, parseHTML: () => [{ tag }], renderHTML: () => [tag, 0], extendNodeSchema: (extension) => (extension.name === name ? { tableRole: role } : {}),
})

/** Tables of notes. */
export const noteTable = [
    Node.create({
        name: 'table', group: 'block', content: 'tableRow+', isolating: true, parseHTML: () => [{ tag: 'table' }], renderHTML: () => ['table', ['tbody', 0]],
        extendNodeSchema: (extension) => (extension.name === 'table' ? { tableRole: 'table' } : {}),
        addKeyboardShortcuts() {
            return { 'Tab': () => step(this.editor, 1), 'Shift-Tab': () => step(this.editor, -1) }
        },
        onUpdate() {
            if (tables === null && hasTable(this.editor)) {
                void load()
            }
        },
        onFocus() {
            if (tables === null && hasTable(this.editor)) {
                void load()
            }
        },
    }),
    Node.create({ name: 'tableRow', content: '(tableCell | tableHeader)*', parseHTML: () => [{ tag: 'tr' }], renderHTML: () => ['tr', 0], extendNodeSchema: (extension) => (extension.name === 'tableRow' ? { tableRole: 'row' } : {}) }),
    cell('tableHeader', 'th', 'header_cell'),
    cell('tableCell', 'td', 'cell'),
]
