/** What can be done while slides are shown, with its keys as the list of actions writes them. The two keys of a remote are PageDown and PageUp. */
export const commands = [
    { id: 'show.on', name: 'Next slide', keys: [' ', 'ArrowRight', 'PageDown', 'Enter'] },
    { id: 'show.back', name: 'Slide before', keys: ['ArrowLeft', 'PageUp', 'Backspace'] },
    { id: 'show.into', name: 'Next topic of the slide', keys: ['ArrowDown'] },
    { id: 'show.out', name: 'Topic before', keys: ['ArrowUp'] },
    { id: 'show.whole', name: 'The whole slide again', keys: ['W'] },
    { id: 'show.first', name: 'First slide', keys: ['Home'] },
    { id: 'show.last', name: 'Last slide', keys: ['End'] },
    { id: 'show.list', name: 'List of the slides', keys: ['J'] },
    { id: 'show.black', name: 'Black, and back', keys: ['.', 'B'] },
    { id: 'show.uncover', name: 'Uncover the next', keys: ['U'] },
    { id: 'show.cover', name: 'Cover again', keys: ['Shift+U'] },
    { id: 'show.open', name: 'Open what is at the topic, and close it', keys: ['O'] },
    { id: 'show.rest', name: 'Show the rest in another way', keys: ['R'] },
    { id: 'show.dim', name: 'Dim the rest more', keys: ['D'] },
    { id: 'show.light', name: 'Dim the rest less', keys: ['L'] },
    { id: 'show.veil', name: 'Dim into another colour', keys: ['V'] },
    { id: 'show.closer', name: 'Closer', keys: ['+', 'Shift++', '='] },
    { id: 'show.farther', name: 'Farther', keys: ['-'] },
    { id: 'show.speak', name: 'Speaker’s window', keys: ['S'] },
    { id: 'show.end', name: 'End the show', keys: ['Escape'] },
] as const

export type CommandId = (typeof commands)[number]['id']
