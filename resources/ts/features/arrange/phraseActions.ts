import { hasChoice, onTopics } from '@/actions/conditions'
import type { Action } from '@/actions/registry'
import { usePhrases } from './phraseStore'

/** Phrases on the connectors of the tree. */
export const phraseActions: readonly Action[] = [
    {
        id: 'phrase.type', name: 'Type the phrase of its connector', group: 'Cross-links', keys: ['F3'], scopes: onTopics,
        available: ({ map }) => map.current !== null && usePhrases().canHave(map.current), run: ({ map }) => usePhrases().begin(map.current ?? ''),
    },
    {
        id: 'phrase.ask', name: 'Ask for phrases below it, or no more', group: 'Cross-links', keys: [], scopes: onTopics,
        available: hasChoice, run: () => usePhrases().say('asked'),
    },
    {
        id: 'phrase.hide', name: 'Hide the phrases below it, or show them', group: 'Cross-links', keys: [], scopes: onTopics,
        available: hasChoice, run: () => usePhrases().say('hidden'),
    },
]
