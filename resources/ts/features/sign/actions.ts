import { hasChoice, onTopics } from '@/actions/conditions'
import type { Action, Context } from '@/actions/registry'
import { rowOf } from '@/stores/tree'
import { useSigns } from './signStore'

/** The stamps that have names; the others are numbers and letters. */
const stamps = ['done', 'doing', 'cut', 'look-up', 'idea', 'question', 'warning', 'important', 'person', 'place', 'date', 'money', 'likes', 'dislikes', 'yes', 'no', 'used', 'drafted', 'revised']
const nth = ['first', 'second', 'third', 'fourth', 'fifth', 'sixth', 'seventh', 'eighth', 'ninth']

/** Those by which writers say what has become of a note or a scene; the draft has them too. */
const keysOf: Readonly<Record<string, string>> = { cut: 'Mod+Alt+X', 'look-up': 'Mod+Alt+L', used: 'Mod+Alt+D' }

const stamp = (value: string, words: string): Action => ({
    id: `sign.stamp-${value}`, name: `Stamp: ${words}`, what: 'Puts this stamp on the chosen topics, or takes it off where all have it.', group: 'Signs', keys: keysOf[value] === undefined ? [] : [keysOf[value]], scopes: onTopics, available: hasChoice,
    run: () => useSigns().toggle(`stamp:${value}`),
})
const always = (): boolean => true

/** Signs on topics, and what they mean. */
export const signActions: readonly Action[] = [
    { id: 'sign.stamps', name: 'Turn to the stamps', group: 'Signs', keys: ['Alt+6'], scopes: [...onTopics, 'field'], available: always, run: ({ ui }) => ui.turnToTray('Stamps') },
    { id: 'sign.tags', name: 'Turn to the tags', group: 'Signs', keys: ['Alt+7'], scopes: [...onTopics, 'field'], available: always, run: ({ ui }) => ui.turnToTray('Tags') },
    { id: 'sign.legend', name: 'Legend', group: 'Signs', keys: ['Alt+0'], scopes: [...onTopics, 'field'], available: always, run: () => void (useSigns().isOpen = true) },
    {
        id: 'sign.legend-board', name: 'Legend on the board', group: 'Signs', keys: [], scopes: onTopics, available: always,
        run: () => {
            const signs = useSigns()
            signs.setPlace({ shown: !signs.isShown })
        },
    },
    { id: 'sign.all', name: 'Show everything again', group: 'Signs', keys: [], scopes: onTopics, available: () => useSigns().narrowed !== null, run: () => useSigns().narrow(null) },
    { id: 'sign.clear', name: 'Take all stamps off', group: 'Signs', keys: [], scopes: onTopics, available: ({ map }: Context) => map.chosen.some((id) => rowOf(map.tree, 'stamps', id) !== undefined), run: () => useSigns().clear() },
    ...stamps.map((value) => stamp(value, value.replace('-', ' '))),
    ...nth.map((words, i) => stamp(String(i + 1), words)),
]
