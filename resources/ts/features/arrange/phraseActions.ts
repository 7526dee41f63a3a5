import { hasChoice, onTopics } from '@/actions/conditions'
import type { Action } from '@/actions/registry'
import { usePhrases } from './phraseStore'

/** Phrases on the connectors of the tree. */
export const phraseActions: readonly Action[] = [
    {
        id: 'phrase.type', name: 'Type the phrase of its connector', what: 'Puts the caret on the connector that leads to this topic; parent, phrase and topic make a sentence.', group: 'Cross-links', keys: ['F3'], scopes: onTopics,
        available: ({ map }) => map.current !== null && usePhrases().canHave(map.current), run: ({ map }) => usePhrases().begin(map.current ?? ''),
    },
    {
        id: 'phrase.ask', name: 'Ask for phrases below it, or no more', what: 'A new subtopic is asked for its linking phrase before its title, and where a phrase is missing the sentences say so.', group: 'Cross-links', keys: [], scopes: onTopics,
        available: hasChoice, run: () => usePhrases().say('asked'),
    },
    {
        id: 'phrase.hide', name: 'Hide the phrases below it, or show them', what: 'The phrases on the connectors of this branch are kept and not shown.', group: 'Cross-links', keys: [], scopes: onTopics,
        available: hasChoice, run: () => usePhrases().say('hidden'),
    },
]
