import { onTopics } from '@/actions/conditions'
import type { Action, Context } from '@/actions/registry'
import { useProcess } from './processStore'
import { headOf, sorts } from './steps'

const isStep = ({ map }: Context): boolean => map.current !== null && headOf(map.tree, map.current) !== null

const words = { step: 'a step', decision: 'a decision', input: 'an input or output', end: 'a start or end' } as const

/** Steps of processes. What follows one is made by the key for the topic after it. */
export const processActions: readonly Action[] = [
    {
        id: 'process.sort', name: 'Another sort of step: decision, input, end, step', group: 'Shape', keys: ['Mod+Shift+S'], scopes: [...onTopics, 'typing'],
        available: isStep, run: () => useProcess().turnSort(),
    },
    ...sorts.map(({ name }): Action => ({
        id: `process.${name}`, name: `Make it ${words[name]}`, what: `Gives the chosen steps the shape of ${words[name]}.`, group: 'Shape', keys: [], scopes: onTopics,
        available: isStep, run: () => useProcess().become(name),
    })),
    {
        id: 'process.tie', name: 'Let the steps follow each other in their order', group: 'Shape', keys: [], scopes: onTopics,
        available: () => useProcess().row().length > 1, run: () => useProcess().tieInOrder(),
    },
]
