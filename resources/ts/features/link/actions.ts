import { hasChoice, onTopics } from '@/actions/conditions'
import type { Action } from '@/actions/registry'
import { childrenOf } from '@/stores/tree'
import { useOuts } from './outStore'

/** Links out of topics. */
export const linkActions: readonly Action[] = [
    { id: 'link.add', name: 'Add a link', group: 'Topics', keys: ['Mod+Shift+L'], scopes: onTopics, available: hasChoice, run: () => useOuts().toField() },
    { id: 'link.go', name: 'Go where it leads', group: 'Topics', keys: ['Alt+End'], scopes: onTopics, available: ({ map }) => map.current !== null && useOuts().of(map.current).length > 0, run: () => useOuts().follow() },
    {
        id: 'link.own-map', name: 'Let this branch be a map of its own', group: 'Shape', keys: [], scopes: onTopics,
        available: ({ map }) => map.current !== null && map.current !== map.tree.root && map.chosen.length === 1 && childrenOf(map.tree, map.current).length > 0, run: ({ map }) => {
            const topic = map.current
            void import('./ownMap').then(({ becomeMap }) => topic !== null && becomeMap(topic))
        },
    },
    {
        id: 'link.how-far', name: 'Show how far the other map is', group: 'Topics', keys: [], scopes: onTopics,
        available: ({ map }) => map.current !== null && useOuts().of(map.current).some(({ kind, to }) => kind === 'map' && !to.includes('/')),
        run: ({ map }) => {
            const topic = map.current
            void import('./howFar').then(({ setHowFar, showsHowFar }) => topic !== null && setHowFar(topic, !showsHowFar(topic)))
        },
    },
    { id: 'link.back', name: 'Back to where one was', group: 'Topics', keys: ['Alt+Backspace'], scopes: onTopics, available: () => useOuts().canGoBack, run: () => useOuts().back() },
]
