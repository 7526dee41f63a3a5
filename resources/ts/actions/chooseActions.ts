import { useChoosing } from '@/stores/choosing'
import { onTopics } from './conditions'
import type { Action, Context } from './registry'

type Way = keyof ReturnType<typeof useChoosing>

const choose = (id: Way, name: string, keys: readonly string[]): Action => ({
    id: `choose.${id}`, name, group: 'Choosing', keys, scopes: onTopics,
    available: ({ map }: Context) => map.current !== null,
    run: () => (useChoosing()[id] as () => void)(),
})

/** Choosing several topics by keys. */
export const chooseActions: readonly Action[] = [
    { id: 'choose.up', name: 'Choose the one before too', group: 'Choosing', keys: ['Shift+ArrowUp'], scopes: onTopics, run: () => useChoosing().extend(-1) },
    { id: 'choose.down', name: 'Choose the one after too', group: 'Choosing', keys: ['Shift+ArrowDown'], scopes: onTopics, run: () => useChoosing().extend(1) },
    choose('siblings', 'Choose all beside it', ['Mod+A']),
    choose('branch', 'Choose all of the branch', ['Alt+Shift+B']),
    choose('level', 'Choose all at this level', ['Alt+Shift+L']),
    choose('below', 'Choose what is right below', ['Alt+Shift+ArrowDown']),
    {
        id: 'choose.one', name: 'Choose only the last one', group: 'Choosing', keys: ['Escape'], scopes: onTopics,
        available: ({ map }) => map.chosen.length > 1,
        run: ({ map }) => map.current !== null && map.choose(map.current),
    },
]
