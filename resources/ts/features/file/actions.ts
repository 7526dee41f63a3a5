import { hasChoice, onTopics } from '@/actions/conditions'
import type { Action, Context } from '@/actions/registry'
import { filesOf } from './files'

const hasFiles = ({ map }: Context): boolean => map.current !== null && filesOf(map.tree, map.current).length > 0
const store = () => import('./fileStore').then(({ useFiles }) => useFiles())

/** Files at topics. */
export const fileActions: readonly Action[] = [
    { id: 'file.add', name: 'Add files', group: 'Topics', keys: ['Mod+O'], scopes: onTopics, available: hasChoice, run: ({ map }) => void store().then((files) => map.current !== null && files.choose({ topic: map.current })) },
    { id: 'file.open', name: 'Open its file', group: 'Topics', keys: ['Mod+Shift+O'], scopes: onTopics, available: hasFiles, run: ({ map }) => void store().then((files) => files.openFirst(map.current)) },
    { id: 'file.all', name: 'Files of this map', group: 'Map', keys: [], scopes: onTopics, run: ({ ui }) => ui.showSide('files') },
]
