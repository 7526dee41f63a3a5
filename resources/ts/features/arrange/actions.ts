import type { Edit } from '@/api/wire'
import { hasChoice, onTopics } from '@/actions/conditions'
import type { Action, Context } from '@/actions/registry'
import { newId } from '@/stores/map'
import { arrangementSeen } from '@/stores/mirror'
import { rowOf } from '@/stores/tree'
import { arrangementOf, arrangements, ownArrangement } from './arrangements'

const ofMap: readonly Action[] = arrangements.map(({ name, words }) => ({
    id: `arrange.${name}`, name: `Arrange the map ${words}`, what: `Lays the whole map out ${words}; branches with an arrangement of their own keep it.`, group: 'Map', keys: [], scopes: ['board', 'outline', 'field'],
    available: ({ map }) => arrangementSeen(map.tree, map.tree.arrangement) !== name || ownArrangement(map.tree, map.tree.root) !== null,
    run: ({ map }) => {
        if (ownArrangement(map.tree, map.tree.root) !== null) {
            map.edit({ name: 'row.set', type: 'arrangement', topics: [map.tree.root], fields: { name: null } })
        }
        map.edit({ name: 'map.arrange', arrangement: arrangementSeen(map.tree, name) })
    },
}))

const ofBranch: readonly Action[] = arrangements.map(({ name, words }) => ({
    id: `branch.${name}`, name: `Arrange this branch ${words}`, what: `Lays out only what is below the chosen topics ${words}.`, group: 'Shape', keys: [], scopes: onTopics, available: hasChoice,
    run: ({ map }) => map.edit({ name: 'row.set', type: 'arrangement', topics: [...map.chosen], fields: { name: arrangementSeen(map.tree, name) } }),
}))

/** Whether all that is chosen are heads of branches laid out so. */
const areAll = (name: string) => ({ map }: Context): boolean => map.chosen.length > 0 && map.chosen.every((id) => arrangementOf(map.tree, id) === name)

const sides: readonly Action[] = ([['both', 'on both sides of its line'], ['above', 'above its line'], ['below', 'below its line']] as const).map(([value, words]) => ({
    id: `timeline.${value}`, name: `Timeline: all ${words}`, what: `Hangs the topics of the timeline ${words}.`, group: 'Shape', keys: [], scopes: onTopics, available: areAll('timeline'),
    run: ({ map }) => map.edit({ name: 'row.set', type: 'arrangement', topics: [...map.chosen], fields: { sides: value } }),
}))

const goes: readonly Action[] = ([['days', 'by their days'], ['order', 'in their order']] as const).map(([value, words]) => ({
    id: `timeline.${value}`, name: `Timeline: places ${words}`, what: value === 'days' ? 'Topics stand as far from each other as their days are; the line is broken where nothing is for long.' : 'Topics stand one after the other, however far their days are apart.',
    group: 'Shape', keys: [], scopes: onTopics, available: areAll('timeline'),
    run: ({ map }) => map.edit({ name: 'row.set', type: 'arrangement', topics: [...map.chosen], fields: { goes: value } }),
}))

const runs: readonly Action[] = ([['down', 'downwards'], ['across', 'from the left']] as const).map(([value, words]) => ({
    id: `flow.${value}`, name: `Flow: run ${words}`, what: `Lays the steps of the flow out ${words}.`, group: 'Shape', keys: [], scopes: onTopics, available: areAll('flow'),
    run: ({ map }) => map.edit({ name: 'row.set', type: 'arrangement', topics: [...map.chosen], fields: { runs: value } }),
}))

/** How the map and its branches are laid out. */
export const arrangeActions: readonly Action[] = [
    ...ofMap,
    ...ofBranch,
    ...sides,
    ...goes,
    ...runs,
    {
        id: 'fishbone.head', name: 'Fishbone: head to the other side', group: 'Shape', keys: [], scopes: onTopics, available: areAll('fishbone'),
        run: ({ map }) => {
            const isLeft = map.chosen.every((id) => rowOf(map.tree, 'arrangement', id)?.fields.head === 'left')
            map.edit({ name: 'row.set', type: 'arrangement', topics: [...map.chosen], fields: { head: isLeft ? 'right' : 'left' } })
        },
    },
    {
        id: 'arrange.mirror', name: 'Mirror the map: right to left, or back', group: 'Map', keys: [], scopes: ['board', 'outline', 'field'],
        run: ({ map }) => {
            const rows = [...map.tree.rows.values()].filter((row) => row.type === 'map-look').sort((a, b) => (a.id < b.id ? -1 : 1))
            const saying = rows.filter((row) => row.fields.mirrored === true).map((row) => row.id)
            const step = newId()
            const ids = saying.length > 0 ? saying : [rows.at(-1)?.id ?? newId()]
            map.edit(...ids.map((row): Edit => ({ name: 'row.set', step, type: 'map-look', row, fields: { mirrored: saying.length === 0 } })))
        },
    },
    {
        id: 'branch.as-above', name: 'Arrange this branch as what is above it', group: 'Shape', keys: [], scopes: onTopics,
        available: ({ map }) => map.chosen.some((id) => ownArrangement(map.tree, id) !== null),
        run: ({ map }) => map.edit({ name: 'row.set', type: 'arrangement', topics: [...map.chosen], fields: { name: null } }),
    },
]
