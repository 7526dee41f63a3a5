import { hasChoice, onTopics } from '@/actions/conditions'
import type { Action, Context } from '@/actions/registry'
import { filesOf } from './files'

const hasFiles = ({ map }: Context): boolean => map.current !== null && filesOf(map.tree, map.current).length > 0
const store = () => import('./fileStore').then(({ useFiles }) => useFiles())

/** Files at topics. */
export const fileActions: readonly Action[] = [
    { id: 'file.add', name: 'Add files', what: 'Lets you choose files that are kept with the map, at the chosen topic. Files that are dropped on a topic or pasted do the same.', group: 'Topics', keys: ['Mod+O'], scopes: onTopics, available: hasChoice, run: ({ map }) => void store().then((files) => map.current !== null && files.choose({ topic: map.current })) },
    { id: 'file.open', name: 'Open its file', what: 'Shows the file of the chosen topic beside the map: PDF, film, sound, pictures; all else can be saved there.', group: 'Topics', keys: ['Mod+Shift+O'], scopes: onTopics, available: hasFiles, run: ({ map }) => void store().then((files) => files.openFirst(map.current)) },
    { id: 'file.all', name: 'Files of this map', what: 'Lists every file and picture of the map with its size and where it is used, and what only the history still has.', group: 'Map', keys: [], scopes: onTopics, run: ({ ui }) => ui.showSide('files') },
]
