import type { Edit } from '@/api/wire'
import type { useMap } from '@/stores/map'
import { REMINDS, today } from '@/facts/facts'
import { branchOf, inOrder, rowOf } from '@/stores/tree'

type MapStore = ReturnType<typeof useMap>
export type Values = Record<string, string | number | boolean>

/** One thing that a change can be told. */
export interface Option {
    key: string
    label: string
    kind: 'choice' | 'text' | 'number' | 'switch'
    choices?: readonly { value: string; label: string }[]
    initial: (map: MapStore) => string | number | boolean
    /** Whether it matters, given the other values. */
    when?: (values: Values, map: MapStore) => boolean
}

/** A change that is shown before it is made: what it can be told, and the edit it comes to. */
export interface Change {
    title: string
    about: string
    options: readonly Option[]
    edit: (values: Values, map: MapStore) => Edit
}

const choice = (key: string, label: string, choices: Record<string, string>, when?: Option['when']): Option => ({
    key, label, kind: 'choice', when,
    choices: Object.entries(choices).map(([value, text]) => ({ value, label: text })),
    initial: () => Object.keys(choices)[0] ?? '',
})
const flag = (key: string, label: string, initial: Option['initial'] = () => false, when?: Option['when']): Option => ({ key, label, kind: 'switch', initial, when })

const chosen = (map: MapStore): string[] => inOrder(map.tree, map.chosen)
const isSiblings = (map: MapStore): boolean => map.chosen.length > 1 && new Set(map.chosen.map((id) => map.tree.topics.get(id)?.parent)).size === 1

const NEVER = 'never'

const styles = { '1*': '1. 2. 3.', '1.1*': '1. 1.1 1.1.1', 'A*': 'A. B. C.', 'a*': 'a. b. c.', 'I*': 'I. II. III.', 'i*': 'i. ii. iii.' }

/** The kind that is carried to its topics, and the day on which. */
export const carried = { kind: '', today: '' }

/** A year after the earliest day that a branch has. */
function yearLater(map: MapStore): string {
    const branch = new Set(branchOf(map.tree, map.current ?? map.tree.root))
    const days = [...map.tree.rows.values()].filter(({ id }) => branch.has(id)).flatMap(({ type, fields }) => (type === 'task' ? [fields.begins, fields.by] : type === 'values' ? (String(fields.values).match(/\b\d{4}-\d\d-\d\d\b/g) ?? []) : []))
    const first = days.filter((day) => typeof day === 'string').sort()[0] ?? today()
    return `${Number(first.slice(0, 4)) + 1}${first.slice(4).replace('02-29', '02-28')}`
}

export const changes = {
    again: {
        title: 'Begin again', about: 'A copy of the branch for the next time: its days are moved so that the earliest is the new start, progress is cleared, remarks are left behind.',
        options: [
            { key: 'start', label: 'New start', kind: 'text', initial: yearLater },
            flag('weekdays', 'Keep the weekdays', () => true),
            flag('copy', 'As a copy right after it', (map) => map.current !== map.tree.root, (_values, map) => map.current !== map.tree.root),
        ],
        edit: ({ start, weekdays, copy }, map) => ({ name: 'branch.again', topic: map.current ?? map.tree.root, start: String(start), weekdays: weekdays === true, copy: copy === true && map.current !== map.tree.root, today: today() }),
    },
    remind: {
        title: 'Remind', about: 'In the library, in the map and by letter, on so many days before it is to be done.',
        options: [{
            key: 'days', label: 'When', kind: 'choice', choices: [...REMINDS.map(([days, label]) => ({ value: String(days), label })), { value: NEVER, label: 'Not at all' }],
            initial: (map) => String(map.current === null ? 0 : (rowOf(map.tree, 'task', map.current)?.fields.remind ?? 0)),
        }],
        edit: ({ days }, map) => ({ name: 'task.set', topics: chosen(map), remind: days === NEVER ? null : Number(days), today: today() }),
    },
    carry: {
        title: 'Carry the kind to its topics', about: 'Subtopics that are missing are added, and first values where fields are empty. Nothing that is there is changed.',
        options: [], edit: () => ({ name: 'kind.carry', kind: carried.kind, today: carried.today }),
    },
    sort: {
        title: 'Sort', about: 'Numbers count as numbers, so 2 comes before 10. Equals keep their order.',
        options: [
            choice('by', 'By', { title: 'Title', length: 'Length of the title', subtopics: 'Number of subtopics', changed: 'Date of change', day: 'Their days', reverse: 'Turn round', shuffle: 'Shuffle' }),
            flag('down', 'From most to least', undefined, ({ by }) => by !== 'reverse' && by !== 'shuffle'),
            flag('these', 'The chosen topics themselves, not what is below them', isSiblings, (_values, map) => isSiblings(map)),
            flag('deep', 'All levels below', undefined, ({ these }) => these !== true),
        ],
        edit: ({ by, down, these, deep }, map) => ({
            name: 'branch.sort', topics: chosen(map), by: by as 'title', down: down === true, these: these === true, deep: deep === true && these !== true,
            locale: navigator.language, seed: map.chosen.length * 7919 + map.tree.topics.size,
        }),
    },
    tidy: {
        title: 'Tidy the text', about: 'Formatting and links stay as they are.',
        options: [
            choice('way', 'What', { spaces: 'Superfluous spaces and empty lines', begin: 'Capital at the beginning', words: 'Capital for each word', lower: 'all small letters', upper: 'ALL CAPITALS' }),
            flag('deep', 'All topics below too', () => true),
        ],
        edit: ({ way, deep }, map) => ({ name: 'text.tidy', topics: chosen(map), way: way as 'spaces', deep: deep === true }),
    },
    empties: {
        title: 'Remove empty topics', about: 'Topics in this branch with no text and nothing below them. They go to the trash.',
        options: [], edit: (_values, map) => ({ name: 'branch.empties', topics: chosen(map) }),
    },
    duplicates: {
        title: 'Merge duplicates', about: 'Topics in this branch that say the same, whatever their case and punctuation. The first keeps its place and gets the notes, captions and subtopics of the others.',
        options: [], edit: (_values, map) => ({ name: 'branch.duplicates', topics: chosen(map) }),
    },
    levels: {
        title: 'Remove levels with a single topic', about: 'What is below the single topic hangs on its parent then; its text is added to the parent’s note.',
        options: [], edit: (_values, map) => ({ name: 'level.dissolve', topics: chosen(map), whole: true }),
    },
    break: {
        title: 'Break into several', about: 'The first part keeps what is below the topic.',
        options: [
            choice('by', 'At', { sentences: 'Sentences', lines: 'Lines', separator: 'A separator' }),
            { key: 'separator', label: 'Separator', kind: 'text', initial: () => ', ', when: ({ by }) => by === 'separator' },
            flag('below', 'The other parts below the first, not after it'),
        ],
        edit: ({ by, separator, below }, map) => ({
            name: 'topic.break', topics: chosen(map), by: by as 'lines', below: below === true, ...(by === 'separator' ? { separator: String(separator) } : {}),
        }),
    },
    join: {
        title: 'Join into one', about: 'The first topic keeps its place and gets the text of the others and all that is below them, in order.',
        options: [
            choice('between', 'Between the texts', { ' ': 'A space', ', ': 'A comma', '\n': 'A new line', '': 'Nothing', own: 'Something else' }),
            { key: 'glue', label: 'Something else', kind: 'text', initial: () => ' – ', when: ({ between }) => between === 'own' },
        ],
        edit: ({ between, glue }, map) => ({ name: 'topic.join', topics: chosen(map), glue: between === 'own' ? String(glue) : String(between) }),
    },
    send: {
        title: 'Send text to another place', about: 'Where there is text already, this is added to it.',
        options: [
            choice('from', 'From', { title: 'Title', caption: 'Caption', note: 'Note' }),
            choice('to', 'To', { note: 'Note', caption: 'Caption', title: 'Title' }),
        ],
        edit: ({ from, to }, map) => ({ name: 'text.send', topics: chosen(map), from: from as 'title', to: to as 'note' }),
    },
    number: {
        title: 'Number what is below', about: 'Numbers follow when topics move, and go along when the map is taken out.',
        options: [
            choice('style', 'Numbers', { ...styles, levels: 'Another style for each level', none: 'No numbers' }),
            { key: 'levels', label: 'Styles from the first level down, of 1, 1.1, A, a, I, i', kind: 'text', initial: () => 'A, 1, a', when: ({ style }) => style === 'levels' },
            flag('deep', 'Levels below too', () => true, ({ style }) => style !== 'none' && style !== 'levels'),
            { key: 'from', label: 'Begin with', kind: 'number', initial: () => 1, when: ({ style }) => style !== 'none' },
        ],
        edit: ({ style, levels, deep, from }, map) => ({
            name: 'branch.number', topics: chosen(map), from: Number(from),
            numbering: style === 'none' ? null : style === 'levels' ? String(levels).replace(/\s/g, '') : deep === true ? String(style) : String(style).replace('*', ''),
        }),
    },
} satisfies Record<string, Change>

export type ChangeId = keyof typeof changes
