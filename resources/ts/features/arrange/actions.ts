import { hasChoice, onTopics } from '@/actions/conditions'
import type { Action } from '@/actions/registry'
import { arrangements, ownArrangement } from './arrangements'

const ofMap: readonly Action[] = arrangements.map(({ name, words }) => ({
    id: `arrange.${name}`, name: `Arrange the map ${words}`, what: `Lays the whole map out ${words}; branches with an arrangement of their own keep it.`, group: 'Map', keys: [], scopes: ['board', 'outline', 'field'],
    available: ({ map }) => map.tree.arrangement !== name || ownArrangement(map.tree, map.tree.root) !== null,
    run: ({ map }) => {
        if (ownArrangement(map.tree, map.tree.root) !== null) {
            map.edit({ name: 'row.set', type: 'arrangement', topics: [map.tree.root], fields: { name: null } })
        }
        map.edit({ name: 'map.arrange', arrangement: name })
    },
}))

const ofBranch: readonly Action[] = arrangements.map(({ name, words }) => ({
    id: `branch.${name}`, name: `Arrange this branch ${words}`, what: `Lays out only what is below the chosen topics ${words}.`, group: 'Shape', keys: [], scopes: onTopics, available: hasChoice,
    run: ({ map }) => map.edit({ name: 'row.set', type: 'arrangement', topics: [...map.chosen], fields: { name } }),
}))

/** How the map and its branches are laid out. */
export const arrangeActions: readonly Action[] = [
    ...ofMap,
    ...ofBranch,
    {
        id: 'branch.as-above', name: 'Arrange this branch as what is above it', what: 'Takes the branch’s own arrangement away.', group: 'Shape', keys: [], scopes: onTopics,
        available: ({ map }) => map.chosen.some((id) => ownArrangement(map.tree, id) !== null),
        run: ({ map }) => map.edit({ name: 'row.set', type: 'arrangement', topics: [...map.chosen], fields: { name: null } }),
    },
]
