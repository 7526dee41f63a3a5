/** What a map can be handed over as. */
export interface Format {
    readonly to: string
    readonly name: string
    /** What one gets, in a sentence. */
    readonly what: string
    readonly sort: 'document' | 'outline' | 'picture' | 'paper' | 'slides' | 'page' | 'copy'
}

/** No file, but a page that is published. */
export const PAGE = 'page'

export const formats: readonly Format[] = [
    { to: 'docx', name: 'DOCX', what: 'For word processors: headings, lists, notes, tables and pictures in true styles.', sort: 'document' },
    { to: 'odt', name: 'OpenDocument', what: 'The open format of office suites, in true styles.', sort: 'document' },
    { to: 'pdf', name: 'PDF', what: 'Pages as they will be printed, with text that can be marked.', sort: 'document' },
    { to: 'epub', name: 'EPUB book', what: 'For readers of books: the type and the page suit the screen.', sort: 'document' },
    { to: 'html', name: 'Web page', what: 'One file with its pictures inside, for any browser.', sort: 'document' },
    { to: 'rtf', name: 'RTF', what: 'For programs that read nothing newer. It knows no styles of its own.', sort: 'document' },
    { to: 'md', name: 'Markdown', what: 'Headings, lists and notes as text.', sort: 'outline' },
    { to: 'txt', name: 'Text', what: 'Titles, indented by tabs.', sort: 'outline' },
    { to: 'opml', name: 'OPML', what: 'For other outline programs.', sort: 'outline' },
    { to: 'csv', name: 'Table (CSV)', what: 'A row a topic, for spreadsheets.', sort: 'outline' },
    { to: 'ics', name: 'Calendar', what: 'Events and to-dos as iCalendar: all that has a date or is to be done.', sort: 'outline' },
    { to: 'svg', name: 'SVG', what: 'A drawing that stays sharp at any size.', sort: 'picture' },
    { to: 'png', name: 'PNG', what: 'A picture of as many pixels as are wanted.', sort: 'picture' },
    { to: 'jpg', name: 'JPEG', what: 'A picture for programs that know nothing else; photographs take less room in it.', sort: 'picture' },
    { to: 'drawing', name: 'PDF drawing', what: 'One page as large as the drawing, in lines that stay sharp and text that can be found.', sort: 'picture' },
    { to: 'print', name: 'On paper', what: 'The drawing on one sheet or on many, with outline, notes and worksheets for a class.', sort: 'paper' },
    { to: 'pptx', name: 'PPTX', what: 'For office suites: true titles and lists, the drawing beside them, what you say as notes.', sort: 'slides' },
    { to: 'slides-pdf', name: 'PDF slides', what: 'A slide a page, or several, or each with what you say.', sort: 'slides' },
    { to: 'slides-html', name: 'HTML show', what: 'A page that shows itself in any browser, without network: keys, films and your notes go along.', sort: 'slides' },
    { to: 'slides-png', name: 'PNG set', what: 'Numbered pictures in an archive.', sort: 'slides' },
    { to: PAGE, name: 'Page for everyone', what: 'A page at an address of its own, which needs no account: the drawing, the outline below it, pictures for other sites.', sort: 'page' },
    { to: 'json', name: 'Chalk Tree file', what: 'A complete copy in our own format. What is private goes along.', sort: 'copy' },
    { to: 'zip', name: 'Archive', what: 'A complete copy with all files. What is private goes along.', sort: 'copy' },
]

export const sorts = [{ sort: 'document', name: 'Documents' }, { sort: 'outline', name: 'Outlines and data' }, { sort: 'picture', name: 'Pictures' }, { sort: 'paper', name: 'Print' }, { sort: 'slides', name: 'Slides' }, { sort: 'page', name: 'Publish' }, { sort: 'copy', name: 'Complete copies' }] as const

export const formatOf = (to: string): Format => formats.find((one) => one.to === to) ?? (formats[0] as Format)

/** What can be left out or put in, and in which sorts of file. */
export const withs: readonly { readonly flag: string; readonly name: string; readonly isLeftOut?: true; readonly ofStory?: true; readonly sorts: readonly Format['sort'][] }[] = [
    { flag: 'noNotes', name: 'Notes', isLeftOut: true, sorts: ['document', 'outline', 'page'] },
    { flag: 'noCaptions', name: 'Captions', isLeftOut: true, sorts: ['document', 'outline', 'picture', 'paper', 'page'] },
    { flag: 'noPictures', name: 'Pictures', isLeftOut: true, sorts: ['document', 'picture', 'paper', 'page'] },
    { flag: 'noTables', name: 'Tables', isLeftOut: true, sorts: ['document', 'outline', 'page'] },
    { flag: 'noLinks', name: 'Links', isLeftOut: true, sorts: ['document', 'outline', 'picture', 'paper', 'page'] },
    { flag: 'noFacts', name: 'Kinds, fields, to-dos', isLeftOut: true, sorts: ['document', 'outline', 'picture', 'paper', 'page'] },
    { flag: 'numbered', name: 'Numbers', sorts: ['document', 'outline', 'picture', 'paper', 'page'] },
    { flag: 'cut', name: 'What is stamped as cut', sorts: ['document', 'outline'] },
    { flag: 'asides', name: 'What I say to myself', sorts: ['document', 'outline'], ofStory: true },
    { flag: 'stamps', name: 'Stamps as words', sorts: ['document', 'outline'] },
    { flag: 'tags', name: 'Tags as words', sorts: ['document', 'outline'] },
    { flag: 'contents', name: 'Table of contents', sorts: ['document'] },
    { flag: 'drawing', name: 'Drawing of the map', sorts: ['document'] },
    { flag: 'footnotes', name: 'Captions as footnotes', sorts: ['document'] },
    { flag: 'sentences', name: 'Sentences', sorts: ['document'] },
    { flag: 'legend', name: 'Legend', sorts: ['document'] },
]

/** As what a story is written; the map as it is where nothing is said. */
export const forms = [{ value: '', label: 'The map: topics as headings' }, { value: 'manuscript', label: 'Manuscript' }, { value: 'book', label: 'Book' }, { value: 'synopsis', label: 'Synopsis' }, { value: 'cast', label: 'Who is in it' }, { value: 'scenes', label: 'Table of scenes' }]

/** Those that are drawn, of which one may want to know beforehand how large they will be. */
export const isDrawn = (to: string): boolean => ['picture', 'paper'].includes(formatOf(to).sort)

/** Those that are text, and can go to the clipboard. */
export const isText = (to: string): boolean => ['md', 'txt', 'opml', 'csv'].includes(to)
