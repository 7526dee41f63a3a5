import { hasChoice, onTopics } from '@/actions/conditions'
import type { Action } from '@/actions/registry'
import { useChosenMarks } from '@/stores/chosenMarks'
import { useRings } from './ringStore'

const onRings = (): boolean => useRings().chosen.length > 0
const action = (id: string, name: string, what: string, keys: readonly string[], run: () => void, more: Partial<Action> = {}): Action =>
    ({ id: `ring.${id}`, name, what, group: 'Shape', keys, scopes: ['mark'], mark: 'ring', available: onRings, run, ...more })
const look = (id: string, name: string, what: string, fields: Record<string, string | number | null>): Action => action(id, name, what, [], () => useRings().set(fields))

/** Drawing and changing rings. */
export const ringActions: readonly Action[] = [
    action('draw', 'Draw a ring around it', 'Draws a line around what is chosen, with all below it, and asks for a name.', ['Alt+Shift+6'], () => useRings().draw(), { scopes: onTopics, available: hasChoice }),
    action('next', 'Go round its rings', 'Chooses the next ring that goes around this topic.', ['Alt+Shift+7'], () => useRings().next(), { scopes: [...onTopics, 'mark'], available: ({ map }) => onRings() || (map.current !== null && useRings().hasAround(map.current)) }),
    action('out', 'Take it out of its rings', 'Takes what is chosen out of every ring; a ring with nothing in it goes.', [], () => useRings().takeOut(), { scopes: onTopics, available: ({ map }) => map.chosen.some((topic) => useRings().ringsOf(topic).length > 0) }),
    action('name', 'Name the ring', 'Puts the caret into the name of the chosen ring.', ['Enter', 'F2'], () => useRings().beginName()),
    action('topics', 'Choose what is in it', 'Chooses the topics that the ring goes around.', ['ArrowDown', 'ArrowRight'], () => {
        const rings = useRings()
        const topics = rings.chosen.flatMap((id) => rings.find(id)?.topics ?? [])
        useChosenMarks().leave(topics[0] ?? null)
        useRings().chooseTopics(topics)
    }),
    action('remove', 'Remove the ring', 'Takes the chosen rings away; their topics stay.', ['Delete', 'Backspace'], () => useRings().remove()),
    action('leave', 'Back to the topic', 'Chooses the topic again that was chosen before.', ['Escape'], () => useChosenMarks().leave()),
    look('solid', 'A solid line', 'Draws the chosen rings with a solid line.', { line: null }),
    look('dashed', 'A dashed line', 'Draws the chosen rings with a dashed line.', { line: 'dashed' }),
    look('dotted', 'A dotted line', 'Draws the chosen rings with a dotted line.', { line: 'dotted' }),
    look('bare', 'No line', 'Draws the chosen rings without a line; give them a fill.', { line: 'none', fill: 'tint' }),
    look('fill', 'Fill it', 'Fills the chosen rings with the tint of their chalk.', { fill: 'tint' }),
    look('empty', 'No fill', 'Leaves the board to be seen in the chosen rings.', { fill: null, line: null }),
]
