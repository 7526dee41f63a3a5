import { onTopics } from '@/actions/conditions'
import type { Action, Context } from '@/actions/registry'
import { overlaps } from '@/board/geometry'
import { newId } from '@/stores/map'
import type { Edit } from '@/api/wire'

type Way = Extract<Edit, { name: 'topic.align' }>['way']

/** Topics that stand free, or loose on the board. */
const free = ({ map }: Context): string[] => map.chosen.filter((id) => map.slips.get(id)?.free === true || (id !== map.tree.root && map.tree.topics.get(id)?.parent === null))

/** The topic over which one that stands free lies; null where it stands clear. */
export function liesOver({ boxes, drawn }: Pick<Context['camera'], 'boxes' | 'drawn'>, id: string): string | null {
    const box = boxes.get(id)
    if (box === undefined || drawn.get(id)?.free !== true) {
        return null
    }
    for (const [other, its] of boxes) {
        if (other !== id && overlaps(box, its)) {
            return other
        }
    }
    return null
}

const align = (way: Way, name: string, what: string): Action => ({
    id: `free.${way}`, name, what, group: 'Moving', keys: [], scopes: onTopics,
    available: (context) => free(context).length >= (way === 'across' || way === 'down' ? 3 : 2),
    run: ({ map }) => map.edit({ name: 'topic.align', topics: [...map.chosen], way }),
})

const nudge = (id: string, name: string, key: string, dx: number, dy: number): Action => ({
    id: `free.nudge-${id}`, name, what: 'Moves the chosen topics that stand free a little.', group: 'Moving', keys: [key], scopes: ['board'],
    available: ({ map }) => map.chosen.some((one) => map.slips.get(one)?.free === true),
    run: ({ map }) => {
        const step = newId()
        map.edit(...map.chosen.flatMap((one): Edit[] => {
            const row = map.tree.rows.get(`place ${one}`)
            return row === undefined ? [] : [{ name: 'row.set', step, type: 'place', topics: [one], fields: { x: Number(row.fields.x) + dx, y: Number(row.fields.y) + dy } } as Edit]
        }))
    },
})

/** Topics where one puts them. */
export const freeActions: readonly Action[] = [
    {
        id: 'free.room', name: 'Find room for it', group: 'Moving', keys: [], scopes: onTopics,
        available: ({ map }) => map.chosen.some((id) => map.slips.get(id)?.free === true),
        run: ({ map, camera }) => {
            const own = map.chosen.filter((id) => map.tree.rows.has(`place ${id}`))
            const over = own.filter((id) => liesOver(camera, id) !== null)
            map.edit({ name: 'row.remove', type: 'place', rows: over.length > 0 ? over : own })
        },
    },
    align('left', 'Align at the left', 'Brings what stands free to the line of the leftmost edge.'),
    align('middle', 'Align by their middles', 'Brings what stands free one above the other, middle over middle.'),
    align('right', 'Align at the right', 'Brings what stands free to the line of the rightmost edge.'),
    align('top', 'Align at the top', 'Brings what stands free to the line of the highest edge.'),
    align('centre', 'Align in a row', 'Brings what stands free side by side, middle beside middle.'),
    align('bottom', 'Align at the bottom', 'Brings what stands free to the line of the lowest edge.'),
    align('across', 'Spread evenly across', 'Leaves the same room between each two, from left to right.'),
    align('down', 'Spread evenly down', 'Leaves the same room between each two, from top to bottom.'),
    nudge('left', 'Put a little to the left', 'Mod+ArrowLeft', -10, 0),
    nudge('right', 'Put a little to the right', 'Mod+ArrowRight', 10, 0),
    nudge('up', 'Put a little higher', 'Mod+ArrowUp', 0, -10),
    nudge('down', 'Put a little lower', 'Mod+ArrowDown', 0, 10),
]
