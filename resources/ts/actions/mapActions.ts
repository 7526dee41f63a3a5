import { exportAddress } from '@/api/client'
import { onTopics } from './conditions'
import type { Action, Context } from './registry'

const inMap = ['board', 'outline', 'field'] as const

function exporting(to: string, name: string, options: (context: Context) => Record<string, string> = () => ({})): Action {
    return {
        id: `export.${to}`, name, group: 'Map', keys: [], scopes: inMap,
        run: (context) => context.ui.download(exportAddress(context.map.id, to, { ...options(context), ...(context.map.scope === null ? {} : { topic: context.map.scope }) })),
    }
}

const asShown = ({ preferences }: Context): Record<string, string> => ({ board: preferences.board, as: 'shown' })

/** What concerns the map as a whole, and what helps. */
export const mapActions: readonly Action[] = [
    {
        id: 'map.undo', name: 'Undo', group: 'Map', keys: ['Mod+Z'], scopes: onTopics,
        available: ({ map }) => map.undoLabel !== null || map.waiting.length > 0,
        run: ({ map }) => map.edit({ name: 'undo' }),
    },
    {
        id: 'map.redo', name: 'Redo', group: 'Map', keys: ['Mod+Shift+Z', 'Mod+Y'], scopes: onTopics,
        available: ({ map }) => map.redoLabel !== null || map.waiting.length > 0,
        run: ({ map }) => map.edit({ name: 'redo' }),
    },
    { id: 'map.history', name: 'History', group: 'Map', keys: ['Alt+H'], scopes: onTopics, run: ({ map, router }) => void router.push(`/maps/${map.id}/history`) },
    { id: 'map.beside', name: 'Lay another map beside it …', group: 'Map', keys: [], scopes: onTopics, run: ({ map, router }) => void router.push(`/maps/${map.id}/beside`) },
    { id: 'map.version', name: 'Name this version', group: 'Map', keys: ['Mod+Alt+H'], scopes: [...onTopics, 'draft'], run: ({ map, router }) => void router.push({ path: `/maps/${map.id}/history`, query: { call: 'now' } }) },
    { id: 'map.trash', name: 'Removed branches', group: 'Map', keys: ['Alt+R'], scopes: onTopics, run: ({ ui }) => ui.showSide('removed') },
    {
        id: 'arrange.balance', name: 'Balance the two sides', group: 'Map', keys: [], scopes: inMap,
        available: ({ map }) => map.tree.arrangement === 'both-sides',
        run: ({ map }) => map.edit({ name: 'map.balance' }),
    },
    exporting('md', 'Take out as Markdown'),
    exporting('txt', 'Take out as text'),
    exporting('opml', 'Take out as OPML'),
    exporting('json', 'Take out a complete copy (JSON)'),
    exporting('zip', 'Take out a complete copy with all its files'),
    exporting('svg', 'Take out as SVG picture', asShown),
    exporting('png', 'Take out as PNG picture', asShown),
    {
        id: 'map.library', name: 'Back to the library', group: 'Map', keys: ['Alt+L'],
        // Also while a map is being fetched, or fetched anew since one's role in it changed.
        scopes: [...inMap, 'library'],
        run: ({ router }) => void router.push('/'),
    },
    {
        id: 'help.palette', name: 'Find anything: maps, topics, actions', group: 'Help', keys: ['Mod+J'], opens: '[role=dialog]', scopes: ['board', 'outline', 'field', 'typing', 'library'],
        run: ({ ui, typing }) => {
            typing.finish()
            ui.show('palette')
        },
    },
    { id: 'help.keys', name: 'All keys', group: 'Help', keys: ['F1'], opens: '[role=dialog]', scopes: ['board', 'outline', 'field', 'library', 'typing'], run: ({ ui }) => ui.show('keys') },
]

/** While a title is being typed. */
export const typingActions: readonly Action[] = [
    { id: 'typing.next', name: 'Finish, and go on with the next topic', group: 'Typing', keys: ['Enter'], scopes: ['typing'], run: ({ typing, titles }) => typing.then((id) => titles.addSibling(id)) },
    { id: 'typing.subtopic', name: 'Go on one level deeper: with a subtopic, or below the one before while it is empty', group: 'Typing', keys: ['Tab'], scopes: ['typing'], run: ({ typing }) => typing.deeper() },
    { id: 'typing.out', name: 'Go on one level higher, beside the parent', group: 'Typing', keys: ['Shift+Tab'], scopes: ['typing'], run: ({ typing }) => typing.higher() },
    { id: 'typing.finish', name: 'Finish the title', group: 'Typing', keys: ['Mod+Enter', 'F2'], scopes: ['typing'], run: ({ typing }) => typing.finish() },
    { id: 'typing.split', name: 'Break in two at the caret', group: 'Typing', keys: ['Alt+Enter'], scopes: ['typing'], run: ({ typing, titles }) => titles.split(typing.halves()) },
    { id: 'typing.line', name: 'Begin a new line', group: 'Typing', keys: ['Shift+Enter'], scopes: ['typing'], run: ({ typing }) => void typing.editor?.commands.setHardBreak() },
    { id: 'typing.cancel', name: 'Leave the title as it was', group: 'Typing', keys: ['Escape'], scopes: ['typing'], run: ({ typing }) => typing.cancel() },
    { id: 'typing.bold', name: 'Bold', group: 'Typing', keys: ['Mod+B'], scopes: ['typing'], run: ({ typing }) => void typing.editor?.commands.toggleBold() },
    { id: 'typing.italic', name: 'Italic', group: 'Typing', keys: ['Mod+I'], scopes: ['typing'], run: ({ typing }) => void typing.editor?.commands.toggleItalic() },
    { id: 'typing.underline', name: 'Underline', group: 'Typing', keys: ['Mod+U'], scopes: ['typing'], run: ({ typing }) => void typing.editor?.commands.toggleUnderline() },
    { id: 'typing.strike', name: 'Strike through', group: 'Typing', keys: ['Mod+Shift+X'], scopes: ['typing'], run: ({ typing }) => void typing.editor?.commands.toggleStrike() },
    { id: 'typing.sub', name: 'Set lower and smaller', what: 'Sets what is chosen in the title as an index.', group: 'Typing', keys: ['Mod+,'], scopes: ['typing'], run: ({ typing }) => void typing.editor?.chain().unsetMark('superscript').toggleMark('subscript').run() },
    { id: 'typing.super', name: 'Set higher and smaller', what: 'Sets what is chosen in the title as an exponent.', group: 'Typing', keys: ['Mod+.'], scopes: ['typing'], run: ({ typing }) => void typing.editor?.chain().unsetMark('subscript').toggleMark('superscript').run() },
    { id: 'typing.code', name: 'Code', group: 'Typing', keys: ['Mod+E'], scopes: ['typing'], run: ({ typing }) => void typing.editor?.commands.toggleCode() },
]
