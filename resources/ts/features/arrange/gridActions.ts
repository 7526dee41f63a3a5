import { onTopics } from '@/actions/conditions'
import type { Action, Context } from '@/actions/registry'
import { newId } from '@/stores/map'
import { ancestorsOf, rowOf } from '@/stores/tree'
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

/** Rows and columns of grids. */
export const gridActions: readonly Action[] = [
    {
        id: 'grid.row', name: 'Add a row to the grid', what: 'Adds a row below the one in which the chosen topic is.', group: 'Shape', keys: ['Mod+Shift+ArrowDown'], scopes: onTopics,
        available: (context) => gridOf(context) !== null,
        run: (context) => {
            const head = gridOf(context)
            const { map, titles } = context
            const path = map.current === null ? [] : [map.current, ...ancestorsOf(map.tree, map.current)]
            const row = path[path.indexOf(head ?? '') - 1]
            if (head !== null) {
                if (row === undefined) {
                    titles.addChild(head)
                } else {
                    titles.addSibling(row)
                }
            }
        },
    },
    {
        id: 'grid.column', name: 'Add a column to the grid', what: 'Adds a cell after the one at this place in every row.', group: 'Shape', keys: ['Mod+Shift+ArrowRight'], scopes: onTopics, available: onCell,
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
    column('right', 'Move the column to the right', 'Changes places with the column after it, in every row.', []),
    column('remove', 'Remove the column', 'Removes the cell at this place from every row.', []),
    {
        id: 'grid.headings', name: 'First row of the grid as headings, or not', what: 'Sets the first row of the grid bold, as headings.', group: 'Shape', keys: [], scopes: onTopics,
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
