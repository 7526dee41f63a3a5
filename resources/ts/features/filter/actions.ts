import type { Action } from '@/actions/registry'
import { useFilter } from './filterStore'

const everywhere = ['board', 'outline', 'field'] as const
const hasHits = (): boolean => useFilter().hits.length > 0

/** Finding what is meant, and going from hit to hit. */
export const filterActions: readonly Action[] = [
    {
        id: 'filter.open', name: 'Find', what: 'Narrows the map to what is meant while it is typed: words, kinds, people, days, whatever topics have.', group: 'Finding', keys: ['Mod+F'], opens: '.filter, .note-find', scopes: everywhere,
        run: ({ ui }) => (ui.isNoteLarge ? void (ui.isFindingInNote = true) : useFilter().open()),
    },
    { id: 'filter.next', name: 'Next hit', what: 'Goes to the next topic that was found.', group: 'Finding', keys: ['Mod+Alt+PageDown'], scopes: everywhere, available: hasHits, run: () => useFilter().go(1) },
    { id: 'filter.before', name: 'Hit before', what: 'Goes to the topic before that was found.', group: 'Finding', keys: ['Mod+Alt+PageUp'], scopes: everywhere, available: hasHits, run: () => useFilter().go(-1) },
    { id: 'filter.choose', name: 'Choose all hits', what: 'Chooses every topic that was found.', group: 'Finding', keys: ['Mod+Alt+Enter'], scopes: everywhere, available: hasHits, run: () => useFilter().chooseAll() },
    { id: 'filter.everywhere', name: 'Find in all maps', what: 'Tells the topics of all maps that are meant, with the way to each.', group: 'Finding', keys: ['Mod+Alt+Home'], scopes: everywhere, run: ({ ui }) => useFilter().openEverywhere(ui) },
    { id: 'filter.end', name: 'Show everything again', what: 'Ends what the map is narrowed to.', group: 'Finding', keys: [], scopes: everywhere, available: () => useFilter().isOn, run: () => useFilter().end() },
]
