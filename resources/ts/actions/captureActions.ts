import { api, topicAddress } from '@/api/client'
import { copyTopics } from '@/paste/clipboard'
import { topsOf } from '@/stores/tree'
import { tell } from '@/ui/tell'
import { hasChoice, isNotRoot, onTopics } from './conditions'
import type { Action } from './registry'

/** What goes aside, in and out. */
export const captureActions: readonly Action[] = [
    {
        id: 'lot.park', name: 'Park for another time', group: 'Topics', keys: ['Alt+P'], scopes: onTopics, available: isNotRoot,
        run: ({ map }) => {
            const topics = topsOf(map.tree, map.chosen)
            const parent = map.tree.topics.get(topics[0] ?? '')?.parent ?? map.tree.root
            map.edit({ name: 'topic.park', topics })
            map.choose(parent)
        },
    },
    { id: 'lot.open', name: 'Open the parking lot', group: 'Topics', keys: ['Alt+Shift+P'], opens: '.lot', scopes: ['board', 'outline', 'field'], run: ({ ui }) => ui.toggleSide('lot') },
    {
        id: 'lot.idea', name: 'Write an idea into the parking lot', group: 'Topics', keys: ['Alt+Z'], scopes: ['board', 'outline', 'typing'],
        run: ({ ui, typing }) => {
            typing.finish()
            ui.showSide('lot')
        },
    },
    {
        id: 'topic.loose', name: 'Add a loose topic', group: 'Topics', keys: ['Alt+Shift+N'], scopes: onTopics,
        available: ({ map }) => map.scope === null,
        run: ({ titles, camera }) => {
            const { x, y } = camera.freePoint()
            titles.addLoose(x, y)
        },
    },
    { id: 'clip.copy', name: 'Copy with all below', group: 'Clipboard', keys: ['Mod+C'], scopes: onTopics, available: hasChoice, run: ({ map }) => void copyTopics(map.id, topsOf(map.tree, map.chosen), false) },
    { id: 'clip.copy-alone', name: 'Copy without what is below', group: 'Clipboard', keys: ['Mod+Shift+C'], scopes: onTopics, available: hasChoice, run: ({ map }) => void copyTopics(map.id, [...map.chosen], true) },
    {
        id: 'clip.cut', name: 'Cut', group: 'Clipboard', keys: ['Mod+X'], scopes: onTopics, available: isNotRoot,
        run: ({ map, titles }) => {
            const topics = topsOf(map.tree, map.chosen)
            void copyTopics(map.id, topics, false).then((copied) => copied && titles.remove(topics))
        },
    },
    { id: 'clip.paste', name: 'Paste below', group: 'Clipboard', keys: ['Mod+V'], scopes: onTopics, native: true, available: hasChoice, run: ({ paste }) => void paste.openEmpty() },
    { id: 'clip.document', name: 'Bring in a document …', group: 'Clipboard', keys: [], scopes: onTopics, available: hasChoice, run: ({ paste }) => paste.openDocument() },
    { id: 'clip.preview', name: 'Paste and look at it first', group: 'Clipboard', keys: ['Alt+V'], scopes: onTopics, available: hasChoice, run: ({ paste }) => void paste.openEmpty() },
    {
        id: 'clip.address', name: 'Copy the address of this topic', group: 'Clipboard', keys: ['Alt+Shift+C'], scopes: onTopics, available: hasChoice,
        run: ({ map }) => {
            void navigator.clipboard.writeText(topicAddress(map.id, map.current ?? map.tree.root)).then(
                () => tell.info('The address is on the clipboard. Opened anywhere, it leads to this topic.'),
                () => tell.warning('The browser does not allow writing to the clipboard.'),
            )
        },
    },
    { id: 'find.here', name: 'Find and replace', group: 'Finding', keys: ['Mod+Alt+F'], opens: '.find', scopes: ['board', 'outline', 'field', 'table', 'draft'], run: ({ ui }) => ui.showFind('map') },
    { id: 'find.everywhere', name: 'Find and replace in all maps', group: 'Finding', keys: ['Mod+Shift+F'], opens: '.find', scopes: ['board', 'outline', 'field', 'table', 'draft'], run: ({ ui }) => ui.showFind('all') },
    {
        id: 'map.starter', name: 'Use this map as a starter', group: 'Map', keys: [], scopes: onTopics,
        run: ({ map }) => {
            void api.changeMap(map.id, { starter: true }).then(
                () => tell.info('New maps can begin from this one. The library lists it among the starters.'),
                (error: unknown) => tell.error((error as Error).message),
            )
        },
    },
]
