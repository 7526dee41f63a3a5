import { onTopics } from '@/actions/conditions'
import type { Action, Context } from '@/actions/registry'
import { useBraces } from './braceStore'

const isOnOne = ({ map }: Context): boolean => useBraces().of(map.current) !== undefined
const action = (id: string, name: string, what: string, keys: readonly string[], run: () => void, available: (context: Context) => boolean = isOnOne): Action =>
    ({ id: `brace.${id}`, name, what, group: 'Shape', keys, scopes: onTopics, available, run })

/** Drawing and changing braces. */
export const braceActions: readonly Action[] = [
    action('draw', 'Draw a brace over it', 'Draws a brace over the chosen topics and all between them, and asks for the title of what it leads to.', ['Mod+Shift+B'], () => useBraces().draw(), ({ map }) => useBraces().canDraw(map.chosen)),
    action('more', 'Brace: one more at its end', 'Lets the brace go on over the next sibling.', [], () => useBraces().move('last', 1)),
    action('fewer', 'Brace: one fewer at its end', 'Lets the brace end before the last that it spans.', [], () => useBraces().move('last', -1)),
    action('earlier', 'Brace: one more at its beginning', 'Lets the brace begin at the sibling before.', [], () => useBraces().move('first', -1)),
    action('later', 'Brace: one fewer at its beginning', 'Lets the brace begin behind the first that it spans.', [], () => useBraces().move('first', 1)),
    action('dissolve', 'Take the brace away, keep its topic', 'Makes of what the brace leads to a topic as any other.', [], () => useBraces().dissolve(), ({ map }) => map.chosen.some((topic) => useBraces().of(topic) !== undefined)),
]
