import { onTopics } from '@/actions/conditions'
import type { Action, Context } from '@/actions/registry'
import { newId } from '@/stores/map'
import { ancestorsOf, rowOf, siblingOf } from '@/stores/tree'
import { isCell, isGrid } from './arrangements'
import { sideSeen } from '@/stores/mirror'

const onCell = ({ map }: Context): boolean => map.current !== null && isCell(map.tree, map.current)

/** The head of the grid in which the current topic is; null where it is in none. */
function gridOf({ map }: Context): string | null {
    return map.current === null ? null : ([map.current, ...ancestorsOf(map.tree, map.current)].slice(0, 3).find((id) => isGrid(map.tree, id)) ?? null)
}

const column = (way: 'left' | 'right' | 'remove', name: string, what: string, keys: readonly string[]): Action => ({
    id: `grid.${way}`, name, what, group: 'Shape', keys, scopes: onTopics, available: onCell,
    run: ({ map }) => map.current !== null && map.edit({ name: 'grid.column', topic: map.current, do: way === 'remove' ? way : sideSeen(map.tree, way) }),
})

/** The row of a grid in which the current topic is, or that it is. */
function rowIn(context: Context): string | undefined {
    const { map } = context
    const path = map.current === null ? [] : [map.current, ...ancestorsOf(map.tree, map.current)]
    return path[path.indexOf(gridOf(context) ?? '') - 1]
}

function besideRow(context: Context, by: -1 | 1): string | undefined {
    const row = rowIn(context)
    return row === undefined ? undefined : siblingOf(context.map.tree, row, by)
}

const moveRow = (id: string, by: -1 | 1, name: string, what: string, key: string): Action => ({
    id: `grid.row-${id}`, name, what, group: 'Shape', keys: [key], scopes: onTopics,
    available: (context) => besideRow(context, by) !== undefined,
    run: (context) => {
        const row = rowIn(context)
        const beside = besideRow(context, by)
        if (row !== undefined && beside !== undefined) {
            context.map.edit({ name: 'topic.move', topics: [row], ...(by < 0 ? { before: beside } : { after: beside }) })
        }
    },
})

/** Rows and columns of grids. */
export const gridActions: readonly Action[] = [
    {
        id: 'grid.row', name: 'Add a row to the grid', group: 'Shape', keys: ['Alt+Shift+Enter'], scopes: onTopics,
        available: (context) => gridOf(context) !== null,
        run: (context) => {
            const head = gridOf(context)
            const row = rowIn(context)
            if (row !== undefined) {
                context.titles.addSibling(row)
            } else if (head !== null) {
                context.titles.addChild(head)
            }
        },
    },
    {
        id: 'grid.column', name: 'Add a column to the grid', group: 'Shape', keys: ['Mod+Shift+Enter'], scopes: onTopics, available: onCell,
        run: ({ map }) => {
            const [as, step, cell] = [newId(), newId(), map.current]
            if (cell !== null) {
                map.edit({ name: 'grid.column', step, topic: cell, do: 'add', as })
                map.goOnAfterAnswer(() => {
                    map.choose(as)
                    map.editing = { id: as, where: map.region, step, fresh: false, instead: null }
                })
            }
        },
    },
    column('left', 'Move the column to the left', 'Changes places with the column before it, in every row.', ['Mod+Shift+ArrowLeft']),
    column('right', 'Move the column to the right', 'Changes places with the column after it, in every row.', ['Mod+Shift+ArrowRight']),
    moveRow('up', -1, 'Move the row up', 'Changes places with the row before it.', 'Mod+Shift+ArrowUp'),
    moveRow('down', 1, 'Move the row down', 'Changes places with the row after it.', 'Mod+Shift+ArrowDown'),
    column('remove', 'Remove the column', 'Removes the cell at this place from every row.', []),
    {
        id: 'grid.headings', name: 'First row of the grid as headings, or not', group: 'Shape', keys: [], scopes: onTopics,
        available: (context) => gridOf(context) !== null,
        run: (context) => {
            const head = gridOf(context)
            if (head !== null) {
                const has = rowOf(context.map.tree, 'arrangement', head)?.fields.headings === true
                context.map.edit({ name: 'row.set', type: 'arrangement', topics: [head], fields: { name: 'grid', headings: !has } })
            }
        },
    },
]
