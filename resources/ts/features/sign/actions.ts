import { hasChoice, onTopics } from '@/actions/conditions'
import type { Action, Context } from '@/actions/registry'
import { rowOf } from '@/stores/tree'
import { useSigns } from './signStore'

/** The stamps that have names; the others are numbers and letters. */
const stamps = ['done', 'doing', 'cut', 'look-up', 'idea', 'question', 'warning', 'important', 'person', 'place', 'date', 'money', 'likes', 'dislikes', 'yes', 'no']
const nth = ['first', 'second', 'third', 'fourth', 'fifth', 'sixth', 'seventh', 'eighth', 'ninth']

const stamp = (value: string, words: string): Action => ({
    id: `sign.stamp-${value}`, name: `Stamp: ${words}`, what: 'Puts this stamp on the chosen topics, or takes it off where all have it.', group: 'Signs', keys: [], scopes: onTopics, available: hasChoice,
    run: () => useSigns().toggle(`stamp:${value}`),
})
const always = (): boolean => true

/** Signs on topics, and what they mean. */
export const signActions: readonly Action[] = [
    { id: 'sign.stamps', name: 'Turn to the stamps', what: 'Opens the stamps in the tray; there the digits put on what stands at their place.', group: 'Signs', keys: ['Alt+6'], scopes: [...onTopics, 'field'], available: always, run: ({ ui }) => ui.turnToTray('Stamps') },
    { id: 'sign.tags', name: 'Turn to the tags', what: 'Opens the tags in the tray, where one is put on by typing it.', group: 'Signs', keys: ['Alt+7'], scopes: [...onTopics, 'field'], available: always, run: ({ ui }) => ui.turnToTray('Tags') },
    { id: 'sign.legend', name: 'Legend', what: 'Opens what the signs of this map mean, and how often each is there.', group: 'Signs', keys: ['Alt+0'], scopes: [...onTopics, 'field'], available: always, run: () => void (useSigns().isOpen = true) },
    {
        id: 'sign.legend-board', name: 'Legend on the board', what: 'Lets the legend stand on the board and in what is handed over, or takes it from there.', group: 'Signs', keys: [], scopes: onTopics, available: always,
        run: () => {
            const signs = useSigns()
            signs.setPlace({ shown: !signs.isShown })
        },
    },
    { id: 'sign.all', name: 'Show everything again', what: 'Ends the narrowing to one sign.', group: 'Signs', keys: [], scopes: onTopics, available: () => useSigns().narrowed !== null, run: () => useSigns().narrow(null) },
    { id: 'sign.clear', name: 'Take all stamps off', what: 'Takes every stamp off the chosen topics.', group: 'Signs', keys: [], scopes: onTopics, available: ({ map }: Context) => map.chosen.some((id) => rowOf(map.tree, 'stamps', id) !== undefined), run: () => useSigns().clear() },
    ...stamps.map((value) => stamp(value, value.replace('-', ' '))),
    ...nth.map((words, i) => stamp(String(i + 1), words)),
]
