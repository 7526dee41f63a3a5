import { onTopics } from './conditions'
import type { Action } from './registry'

/** What can be done while one walks through a map, with its name and keys; PageDown and PageUp are the two keys of a remote. */
const steps: readonly (readonly [string, string, ...string[]])[] = [
    ['on', 'Go on', ' ', 'ArrowDown', 'PageDown', 'Enter'],
    ['deeper', 'Go deeper', 'ArrowRight'],
    ['skip', 'Skip this branch', 'S', 'End'],
    ['back', 'Go back', 'ArrowUp', 'ArrowLeft', 'PageUp', 'Backspace'],
    ['first', 'Back to where the walk began', 'Home'],
    ['list', 'Jump to a topic', 'J', '/'],
    ['note', 'The note, large beside the topic', 'N'],
    ['open', 'Open what is at the topic, and close it', 'O'],
    ['peek', 'Peek at the topics below', 'P'],
    ['peek-note', 'Peek at the note', 'Shift+P'],
    ['order', 'Walk in another order', 'V'],
    ['rest', 'Show the rest in another way', 'R'],
    ['dim', 'Dim the rest more', 'D'],
    ['light', 'Dim the rest less', 'L'],
    ['pace', 'Go on by itself, or no more', 'T'],
    ['aloud', 'Read aloud, stop, and go on', 'A'],
    ['speak', 'Speaker’s window', 'W'],
    ['black', 'Black, and back', '.', 'B'],
    ['closer', 'Closer', '+', 'Shift++', '='],
    ['farther', 'Farther', '-'],
    ['settings', 'How to walk', 'H'],
    ['end', 'End the walk', 'Escape', 'F9'],
]

export const walkActions: readonly Action[] = [
    ...steps.map(([id, name, ...keys]): Action => ({ id: `walk.${id}`, name, group: 'Walk', keys, scopes: ['walk'], available: ({ walk }) => walk.can(id), run: ({ walk }) => walk.does(id) })),
    ...Array.from({ length: 10 }, (_, level): Action => ({
        id: `walk.level-${level}`, name: level === 0 ? 'Walk through all levels' : `Walk no deeper than ${level} below`, group: 'Walk', keys: [String(level)], scopes: ['walk'], run: ({ walk }) => walk.does(`level-${level}`),
    })),
    { id: 'walk.begin', name: 'Walk through the map from here', group: 'Walk', keys: ['F9'], scopes: onTopics, run: ({ map, walk }) => walk.begin(map.current) },
]
