import { hasChoice, onTopics } from '@/actions/conditions'
import type { Action, Context } from '@/actions/registry'
import { lookOf } from '@/board/looks'
import { rowOf } from '@/stores/tree'
import { useLooks, type Kin } from './lookStore'
import { shapes } from './vocabulary'

const look = (id: string, name: string, what: string, keys: readonly string[], run: (context: Context) => void, available: (context: Context) => boolean = hasChoice): Action =>
    ({ id: `look.${id}`, name, what, group: 'Look', keys, scopes: onTopics, available, run })

const sizeOf = ({ map }: Context) => (topic: string): number => {
    const own = rowOf(map.tree, 'look', topic)?.fields.size
    const slip = map.slips.get(topic)
    return typeof own === 'number' ? own : slip === undefined ? 14 : lookOf(slip).type.size
}
const widthOf = ({ map }: Context) => (topic: string): number => Number(rowOf(map.tree, 'look', topic)?.fields.width ?? map.slips.get(topic)?.w ?? 120)

const spread = (kin: Kin | 'map', words: string): Action =>
    look(`for-${kin}`, `Take this look for ${words}`, `Lets ${words} look as the chosen topic does, in one step.`, [], () => useLooks().spread(kin))

/** Whether any chosen topic has a look of its own. */
const isStyled = ({ map }: Context): boolean => map.chosen.some((id) => rowOf(map.tree, 'look', id) !== undefined)

/** How topics look. */
export const lookActions: readonly Action[] = [
    look('larger', 'Larger', 'Makes the chosen topics larger, type and all.', ['Alt+.'], (context) => useLooks().grow(2, sizeOf(context))),
    look('smaller', 'Smaller', 'Makes the chosen topics smaller, type and all.', ['Alt+,'], (context) => useLooks().grow(-2, sizeOf(context))),
    look('wider', 'Wider', 'Makes the chosen topics wider.', ['Alt+Shift+K'], (context) => useLooks().widen(20, widthOf(context))),
    look('narrower', 'Narrower', 'Makes the chosen topics narrower; their text wraps.', ['Alt+Shift+J'], (context) => useLooks().widen(-20, widthOf(context))),
    look('copy', 'Copy the look', 'Remembers how the chosen topic looks, to give it to others.', ['Alt+Shift+S'], () => useLooks().copy()),
    look('give', 'Give the copied look', 'Lets the chosen topics look as the one whose look was copied.', ['Alt+Shift+Q'], () => useLooks().give(), (context) => hasChoice(context) && useLooks().copied !== null),
    spread('siblings', 'all beside it'),
    spread('level', 'its whole level'),
    spread('branch', 'its whole branch'),
    spread('alike', 'all that look the same'),
    spread('map', 'the whole map'),
    look('reset', 'Take the look of its own away', 'Lets the chosen topics look as their level does again.', ['Alt+Shift+Z'], () => {
        const looks = useLooks()
        looks.reach = 'topics'
        looks.reset()
    }, isStyled),
    look('choose-alike', 'Choose all that look like this', 'Chooses every topic that is drawn with the same look.', ['Alt+Shift+A'], ({ map }) => {
        if (map.current !== null) {
            const alike = useLooks().kinOf(map.current, 'alike').filter((id) => id !== map.current)
            map.choose(...alike, map.current)
        }
    }),
    look('why', 'Why does it look so?', 'Lists every value of the topic’s look, and leads to where it is said.', ['Alt+Shift+H'], () => void (useLooks().dialog = 'why')),
    { ...look('whole', 'Look of the map', 'Shows this map in each of the whole-map looks, to take one.', ['Alt+Shift+D'], () => void (useLooks().dialog = 'whole')), group: 'Map', scopes: ['board', 'outline', 'field'], available: () => true },
    ...shapes.map(({ value, label }) => look(`shape-${value}`, `Shape: ${label.toLowerCase()}`, 'Gives the chosen topics this shape.', [], () => {
        const looks = useLooks()
        looks.reach = 'topics'
        looks.set({ shape: value })
    })),
    { ...look('tray', 'Turn to the tray', 'Opens the tray below the board; there the digits put on what stands at their place.', ['Alt+Shift+E'], ({ ui }) => ui.turnToTray()), available: () => true },
]
