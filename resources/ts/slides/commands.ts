/** What can be done while slides are shown, with its keys as the list of actions writes them. The two keys of a remote are PageDown and PageUp. */
export const commands = [
    { id: 'show.on', name: 'Next slide', what: 'To the next slide.', keys: [' ', 'ArrowRight', 'PageDown', 'Enter'] },
    { id: 'show.back', name: 'Slide before', what: 'To the slide before.', keys: ['ArrowLeft', 'PageUp', 'Backspace'] },
    { id: 'show.into', name: 'Next topic of the slide', what: 'Close to the next topic.', keys: ['ArrowDown'] },
    { id: 'show.out', name: 'Topic before', what: 'Close to the topic before.', keys: ['ArrowUp'] },
    { id: 'show.whole', name: 'The whole slide again', what: 'All of the slide again.', keys: ['W'] },
    { id: 'show.first', name: 'First slide', what: 'To the first slide.', keys: ['Home'] },
    { id: 'show.last', name: 'Last slide', what: 'To the last slide.', keys: ['End'] },
    { id: 'show.list', name: 'List of the slides', what: 'Lists the slides.', keys: ['J'] },
    { id: 'show.black', name: 'Black, and back', what: 'Makes the screen black.', keys: ['.', 'B'] },
    { id: 'show.uncover', name: 'Uncover the next', what: 'Uncovers the next topic.', keys: ['U'] },
    { id: 'show.cover', name: 'Cover again', what: 'Covers all again.', keys: ['Shift+U'] },
    { id: 'show.open', name: 'Open what is at the topic, and close it', what: 'Opens or closes it over the slide.', keys: ['O'] },
    { id: 'show.rest', name: 'Show the rest in another way', what: 'Shows more or less of the rest.', keys: ['R'] },
    { id: 'show.dim', name: 'Dim the rest more', what: 'Dims the rest more.', keys: ['D'] },
    { id: 'show.light', name: 'Dim the rest less', what: 'Dims the rest less.', keys: ['L'] },
    { id: 'show.veil', name: 'Dim into another colour', what: 'Board, black or white.', keys: ['V'] },
    { id: 'show.closer', name: 'Closer', what: 'Comes closer.', keys: ['+', 'Shift++', '='] },
    { id: 'show.farther', name: 'Farther', what: 'Goes farther.', keys: ['-'] },
    { id: 'show.speak', name: 'Speaker’s window', what: 'Notes, next slide and time.', keys: ['S'] },
    { id: 'show.end', name: 'End the show', what: 'Closes what is open, or ends.', keys: ['Escape'] },
] as const

export type CommandId = (typeof commands)[number]['id']
