import type { Action, Context, Scope } from '@/actions/registry'
import { mining } from './mining'

const anywhere: readonly Scope[] = ['board', 'outline', 'table']
const at = ({ map }: Context): string => map.current ?? map.tree.root

/** Old notes come into a map, and what concerns a book is lifted out of them. */
export const storyActions: readonly Action[] = [
    { id: 'notes.bring', name: 'Bring in texts as notes', what: 'Makes a topic of each of many text files, with its text as the note and its day, below the chosen topic.', group: 'Draft', keys: ['Mod+Alt+Q'], scopes: anywhere, run: (context) => void (mining.value = { does: 'bring', topic: at(context) }) },
    { id: 'notes.lift', name: 'Lift marked passages out of notes', what: 'Finds the passages in which a word stands by which they were marked, and makes topics of them, each with the way to its source.', group: 'Draft', keys: ['Mod+Alt+Z'], scopes: anywhere, run: (context) => void (mining.value = { does: 'lift', topic: at(context) }) },
]
