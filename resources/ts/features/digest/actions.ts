import { hasChoice, onTopics } from '@/actions/conditions'
import type { Action } from '@/actions/registry'
import { rowOf } from '@/stores/tree'
import { goInto, makeDigest } from './digests'

/** Topics that gather others. */
export const digestActions: readonly Action[] = [
    { id: 'digest.make', name: 'Gather topics here', what: 'Adds a topic that gathers others: those to which the map is narrowed, or whatever one says.', group: 'Finding', keys: ['Mod+Shift+F3'], scopes: onTopics, available: hasChoice, run: (context) => void makeDigest(context) },
    {
        id: 'digest.enter', name: 'Go into the list of a digest', what: 'Puts the focus on the first topic that is gathered.', group: 'Finding', keys: ['Mod+Shift+F2'], scopes: onTopics,
        available: ({ map }) => map.current !== null && rowOf(map.tree, 'digest', map.current) !== undefined,
        run: (context) => context.map.current !== null && goInto(context, context.map.current),
    },
]
