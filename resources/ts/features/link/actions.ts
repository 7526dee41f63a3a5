import { hasChoice, onTopics } from '@/actions/conditions'
import type { Action } from '@/actions/registry'
import { childrenOf } from '@/stores/tree'
import { useOuts } from './outStore'

/** Links out of topics. */
export const linkActions: readonly Action[] = [
    { id: 'link.add', name: 'Add a link', what: 'Lets the chosen topics lead to a page, an e-mail address, another topic or another map. An address that is pasted on a topic does the same.', group: 'Topics', keys: ['Mod+Shift+L'], scopes: onTopics, available: hasChoice, run: () => useOuts().toField() },
    { id: 'link.go', name: 'Go where it leads', what: 'Follows the link of the topic; where there are several, the desk lists them.', group: 'Topics', keys: ['Alt+End'], scopes: onTopics, available: ({ map }) => map.current !== null && useOuts().of(map.current).length > 0, run: () => useOuts().follow() },
    {
        id: 'link.own-map', name: 'Let this branch be a map of its own', what: 'Makes a map of the branch; the topic stays and leads there, and that map leads back. Its list of links can bring it back.', group: 'Shape', keys: [], scopes: onTopics,
        available: ({ map }) => map.current !== null && map.current !== map.tree.root && map.chosen.length === 1 && childrenOf(map.tree, map.current).length > 0, run: ({ map }) => {
            const topic = map.current
            void import('./ownMap').then(({ becomeMap }) => topic !== null && becomeMap(topic))
        },
    },
    {
        id: 'link.how-far', name: 'Show how far the other map is', what: 'Lets a topic that leads to another map show how many topics are there and how many are done, or no more.', group: 'Topics', keys: [], scopes: onTopics,
        available: ({ map }) => map.current !== null && useOuts().of(map.current).some(({ kind, to }) => kind === 'map' && !to.includes('/')),
        run: ({ map }) => {
            const topic = map.current
            void import('./howFar').then(({ setHowFar, showsHowFar }) => topic !== null && setHowFar(topic, !showsHowFar(topic)))
        },
    },
    { id: 'link.back', name: 'Back to where one was before a link', what: 'Goes back along the links that were followed, over maps too.', group: 'Topics', keys: ['Alt+Backspace'], scopes: onTopics, available: () => useOuts().canGoBack, run: () => useOuts().back() },
]
