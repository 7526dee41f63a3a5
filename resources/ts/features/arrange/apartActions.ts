import { isNotRoot, onTopics } from '@/actions/conditions'
import type { Action } from '@/actions/registry'
import { branchOf, childrenOf, topsOf } from '@/stores/tree'
import { apartOf, isApart } from './apart'

function apart(name: string, key: string, x: number, y: number): Action {
    return {
        id: `apart.${name}`, name: `Pull apart: ${name}`, group: 'Moving', keys: [key], scopes: ['board'], available: isNotRoot,
        run: ({ map }) => {
            for (const id of topsOf(map.tree, map.chosen)) {
                if (map.tree.topics.get(id)?.parent != null) {
                    const at = apartOf(map.tree, id)
                    map.edit({ name: 'topic.apart', topics: [id], x: Math.max(0, at.x + x), y: at.y + y })
                }
            }
        },
    }
}

/** Holding branches away from where their arrangement has them, and putting them back. */
export const apartActions: readonly Action[] = [
    apart('farther out', 'Alt+Shift+ArrowRight', 24, 0),
    apart('nearer', 'Alt+Shift+ArrowLeft', -24, 0),
    apart('down', 'Alt+Shift+PageDown', 0, 24),
    apart('up', 'Alt+Shift+PageUp', 0, -24),
    {
        id: 'apart.back', name: 'Put back what was pulled apart', group: 'Moving', keys: ['Alt+Shift+0'], scopes: onTopics,
        available: ({ map }) => map.chosen.some((id) => isApart(map.tree, id)),
        run: ({ map }) => map.edit({ name: 'topic.apart', topics: [...map.chosen], x: 0, y: 0 }),
    },
    {
        id: 'apart.back-branch', name: 'Put back all that was pulled apart in this branch', group: 'Moving', keys: [], scopes: onTopics,
        available: ({ map }) => map.chosen.some((id) => branchOf(map.tree, id).some((one) => isApart(map.tree, one))),
        run: ({ map }) => map.edit({ name: 'topic.apart', topics: [...map.chosen], x: 0, y: 0, deep: true }),
    },
    {
        id: 'apart.back-all', name: 'Put back all that was pulled apart in the map', group: 'Moving', keys: [], scopes: onTopics,
        available: ({ map }) => [...map.tree.rows.values()].some((row) => row.type === 'apart'),
        run: ({ map }) => map.edit({ name: 'topic.apart', topics: [...childrenOf(map.tree, '')], x: 0, y: 0, deep: true }),
    },
]
