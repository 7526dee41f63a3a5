import type { Action, Scope } from '@/actions/registry'
import { notLoaded } from '@/ui/tell'
import { current } from './current'
import type { useTable as UseTable } from './tableStore'

type Store = ReturnType<typeof UseTable>
const withTable = (run: (table: Store) => void): void => (current.table === null ? void import('./tableStore').then(({ useTable }) => run(useTable())).catch(notLoaded) : run(current.table))

const inTable: readonly Scope[] = ['table']
const anywhere: readonly Scope[] = ['board', 'outline', 'table', 'strip', 'mark', 'field']
const isThere = (): boolean => current.table !== null
const of = (id: string, name: string, keys: readonly string[], run: (table: Store) => void): Action => ({ id: `table.${id}`, name, group: 'Table', keys, scopes: inTable, available: isThere, run: () => withTable(run) })
const way = (id: string, name: string, key: string, lines: number, across: number): readonly Action[] => [
    of(id, `Cell ${name}`, [key], (table) => table.move(lines, across)),
    of(`${id}-more`, `Choose ${name} as well`, [`Shift+${key}`], (table) => table.move(lines, across, true)),
]
/** So many rows are a page. */
const PAGE = 18
const FAR = 1_000_000

/** A map as rows under columns. */
export const tableActions: readonly Action[] = [
    { id: 'way.table', name: 'Table', group: 'Seeing', keys: ['Alt+3'], scopes: anywhere, run: ({ map, preferences, ui }) => {
        preferences.way = 'table'
        ui.phoneView = 'table'
        map.region = 'outline'
        withTable((table) => void table.wanted++)
    } },
    ...way('up', 'above', 'ArrowUp', -1, 0), ...way('down', 'below', 'ArrowDown', 1, 0), ...way('left', 'to the left', 'ArrowLeft', 0, -1), ...way('right', 'to the right', 'ArrowRight', 0, 1),
    ...way('page-up', 'a page above', 'PageUp', -PAGE, 0), ...way('page-down', 'a page below', 'PageDown', PAGE, 0), ...way('first', 'first in the row', 'Home', 0, -FAR), ...way('last', 'last in the row', 'End', 0, FAR),
    ...way('top', 'of the first row', 'Mod+ArrowUp', -FAR, 0), ...way('bottom', 'of the last row', 'Mod+ArrowDown', FAR, 0),
    of('next', 'Next cell', ['Tab'], (table) => table.move(0, 1)),
    of('before', 'Cell before', ['Shift+Tab'], (table) => table.move(0, -1)),
    of('lane-left', 'Card to the lane or day before', ['Mod+ArrowLeft'], (table) => table.hand?.shift(0, -1)),
    of('lane-right', 'Card to the next lane or day', ['Mod+ArrowRight'], (table) => table.hand?.shift(0, 1)),
    of('edit', 'Change the cell', ['F2', 'Enter'], (table) => table.begin()),
    of('clear', 'Empty the cells', ['Delete', 'Backspace'], (table) => table.clear()),
    of('all', 'Choose all cells', ['Mod+A'], (table) => {
        table.go({ line: 0, column: 0 })
        table.go({ line: table.items.length - 1, column: table.columns.length - 1 }, true)
    }),
    of('fill', 'Fill down', ['Alt+Shift+ArrowDown'], (table) => void table.fill()),
    of('row', 'Add a row', ['Mod+Enter', 'Insert'], (table) => table.newRow()),
    of('column', 'Add a column', ['Mod+Alt+Enter', 'Alt+Insert'], (table) => void (table.isAdding = true)),
    of('menu', 'What can be done with the column', ['Alt+Enter'], (table) => void (table.menu = table.columns[table.spot.column]?.key ?? null)),
    { id: 'table.remove', name: 'Remove the rows', group: 'Table', keys: ['Mod+Delete', 'Mod+Backspace'], scopes: inTable, available: isThere, run: ({ map }) => withTable((table) => map.edit({ name: 'topic.remove', topics: [...table.chosenTopics] })) },
    of('bring', 'Bring in a table (CSV)', [], (table) => void (table.isBringing = true)),
    { id: 'table.board', name: 'See the topic on the board', group: 'Table', keys: ['Alt+Backspace'], scopes: inTable, available: isThere, run: ({ map, preferences, ui, camera }) => {
        preferences.way = 'board'
        ui.phoneView = 'board'
        map.region = 'board'
        const topic = map.current
        setTimeout(() => {
            ui.focusRegion('board')
            if (topic !== null) {
                map.uncover(topic, 'board')
                camera.reveal(topic)
            }
        }, 60)
    } },
]
