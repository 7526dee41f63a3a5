import { hasChoice, isNotRoot, onTopics } from '@/actions/conditions'
import type { Action, Context } from '@/actions/registry'
import { useMap } from '@/stores/map'
import { branchOf, rowOf } from '@/stores/tree'
import type { Feature } from '../feature'
import LockInLine from './LockInLine.vue'

type How = 'fixed' | 'later'
const howOf = (topic: string): unknown => rowOf(useMap().tree, 'lock', topic)?.fields.how ?? null

/** Locks what is chosen, or where all of it is so already, no longer. */
function turn({ map }: Context, topics: readonly string[], how: How): void {
    map.edit({ name: 'row.set', type: 'lock', topics: [...topics], fields: { how: topics.every((topic) => howOf(topic) === how) ? null : how } })
}

const lockActions: readonly Action[] = [
    {
        id: 'lock.turn', name: 'Lock the branch for others', group: 'Map', keys: [], scopes: onTopics,
        available: (context) => context.map.isOwner && hasChoice(context),
        run: (context) => turn(context, [...new Set(context.map.chosen.flatMap((topic) => branchOf(context.map.tree, topic)))], 'fixed'),
    },
    {
        id: 'lock.later', name: 'Give the branch to a class later', group: 'Map', keys: [], scopes: onTopics,
        available: (context) => context.map.isOwner && isNotRoot(context),
        run: (context) => turn(context, context.map.chosen, 'later'),
    },
]

/** Topics that others may not change, and parts of a hand-out that a class gets later. */
export const lock: Feature = { name: 'lock', actions: lockActions, inLine: LockInLine, tells: (topic) => ({ fixed: 'locked', later: 'comes later' })[howOf(topic) as How] ?? '' }
