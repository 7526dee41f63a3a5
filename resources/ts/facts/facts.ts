import type { KeptRow, Tree } from '@/stores/tree'
import { rowOf, rowsOf } from '@/stores/tree'
import { plainTitle } from '@/text/titleMarkdown'
import { storyFields, storyKinds } from './shipped'

/** What the map says of kinds, fields and people; what follows from that is reckoned by the server. */

export interface Kind { readonly id: string; readonly name: string; readonly fields: KeptRow['fields'] }
export interface Field { readonly id: string; readonly name: string; readonly sort: string; readonly choices: readonly string[]; readonly fields: KeptRow['fields'] }
export interface KindPart { readonly t: string; readonly k?: string; readonly l?: number }

export const linesOf = (text: unknown): string[] => (typeof text === 'string' && text !== '' ? text.split('\n') : [])
const byName = (a: { name: string }, b: { name: string }): number => a.name.localeCompare(b.name, undefined, { numeric: true })

export const kindOf = ({ id, fields }: { id: string; fields: KeptRow['fields'] }): Kind => ({ id, name: String(fields.name ?? ''), fields })
export const fieldOf = ({ id, fields }: { id: string; fields: KeptRow['fields'] }): Field => ({ id, name: String(fields.name ?? ''), sort: String(fields.sort ?? 'text'), choices: linesOf(fields.choices), fields })

export const kindsIn = (tree: Tree): Kind[] => rowsOf(tree, 'kind').map(kindOf).sort(byName)
export const fieldsIn = (tree: Tree): Field[] => rowsOf(tree, 'field').map(fieldOf).sort(byName)
export const fieldIds = (kind: Kind): string[] => String(kind.fields.fields ?? '').split(' ').filter((id) => id !== '')
export const partsOf = (fields: KeptRow['fields']): KindPart[] => (typeof fields.parts === 'string' ? (JSON.parse(fields.parts) as KindPart[]) : [])

/** The kind of a topic, as far as it is in the map. */
export function kindAt(tree: Tree, topic: string): Kind | null {
    const row = rowOf(tree, 'kind', String(rowOf(tree, 'of-kind', topic)?.fields.kind ?? ''))
    return row === undefined ? null : kindOf(row)
}

export function valuesAt(tree: Tree, topic: string): Readonly<Record<string, string>> {
    const kept = rowOf(tree, 'values', topic)?.fields.values
    return typeof kept === 'string' ? (JSON.parse(kept) as Record<string, string>) : {}
}

/** The fields of a topic: those of its kind, then those beyond it of which it has a value. */
export function fieldsAt(tree: Tree, topic: string): Field[] {
    const kind = kindAt(tree, topic)
    const ids = new Set([...(kind === null ? [] : fieldIds(kind)), ...Object.keys(valuesAt(tree, topic))])
    return [...ids].flatMap((id) => rowOf(tree, 'field', id) ?? []).map(fieldOf)
}

/** The titles of the topics of a kind. */
export function titlesOf(tree: Tree, kind: string): string[] {
    return rowsOf(tree, 'of-kind').filter(({ fields }) => fields.kind === kind).map(({ id }) => plainTitle(tree.topics.get(id)?.title ?? '').replace(/\s+/g, ' ').trim()).filter((title) => title !== '')
}

/** What is in a field of names somewhere in the map, and what could be. */
export function namesIn(tree: Tree, field: string): string[] {
    const threads = field === storyFields.threads || field === storyFields.closes ? titlesOf(tree, storyKinds.thread) : []
    return [...new Set([...threads, ...rowsOf(tree, 'values').flatMap(({ id }) => linesOf(valuesAt(tree, id)[field]))])]
}

/** Everybody who is named somewhere in the map, the most often named first; those whose sheets are in it last. */
export function peopleIn(tree: Tree): string[] {
    const counts = new Map<string, number>()
    const count = (names: readonly string[]): void => names.forEach((name) => counts.set(name, (counts.get(name) ?? 0) + 1))
    const people = new Set(rowsOf(tree, 'field').filter(({ fields }) => fields.sort === 'people').map(({ id }) => id))
    rowsOf(tree, 'task').forEach(({ fields }) => count(linesOf(fields.who)))
    rowsOf(tree, 'kind').forEach(({ fields }) => count(linesOf(fields.people)))
    rowsOf(tree, 'values').forEach(({ id }) => Object.entries(valuesAt(tree, id)).forEach(([field, value]) => people.has(field) && count(linesOf(value))))
    count(titlesOf(tree, storyKinds.character))
    return [...counts].sort((a, b) => b[1] - a[1] || a[0].localeCompare(b[0])).map(([name]) => name)
}

export const isTodo = (tree: Tree, topic: string): boolean => rowOf(tree, 'task', topic) !== undefined || kindAt(tree, topic)?.fields.todo === true

/** On how many days before it is due one can be reminded of a to-do. */
export const REMINDS: readonly (readonly [number, string])[] = [[0, 'on the day'], [1, '1 day early'], [2, '2 days early'], [3, '3 days early'], [7, '1 week early'], [14, '2 weeks early'], [30, '30 days early']]

const two = (n: number): string => String(n).padStart(2, '0')
/** The day and the time where the person is. */
export const today = (at = new Date()): string => `${at.getFullYear()}-${two(at.getMonth() + 1)}-${two(at.getDate())}`
export const timeNow = (at = new Date()): string => `${two(at.getHours())}:${two(at.getMinutes())}`

/** A day as people read it, "Fri 5 Dec"; with the year where that is another. */
export function dayWords(day: string): string {
    const at = new Date(`${day}T12:00:00`)
    return Number.isNaN(at.getTime()) ? day : at.toLocaleDateString('en-GB', { weekday: 'short', day: 'numeric', month: 'short', ...(day.slice(0, 4) === today().slice(0, 4) ? {} : { year: 'numeric' }) }).replace(',', '')
}

/** A value as it stands in the field in which it is changed: what a person could have typed. */
export function typedForm(sort: string, value: string): string {
    switch (sort) {
        case 'date':
            return dayWords(value).replace(/^\w+ /, '')
        case 'range':
            return value.split('/').map((day) => dayWords(day).replace(/^\w+ /, '')).join(' to ')
        case 'people':
        case 'names':
        case 'choices':
            return value.split('\n').join(', ')
        default:
            return value
    }
}

export const sortWords: Readonly<Record<string, string>> = {
    text: 'Text', long: 'Long text', number: 'Number', money: 'Money', date: 'Date', time: 'Time of day', range: 'From day to day', yes: 'Yes or no', choice: 'One of several', choices: 'Some of several', people: 'People', names: 'Several names',
    rating: 'Rating, 1 to 5', progress: 'Progress, 0 to 100', address: 'Address', topic: 'Topic', computed: 'Computed',
}

/** What may be typed into a field of a sort. */
export const sortHints: Readonly<Record<string, string>> = {
    number: '12', money: '12.50', date: '5 Dec, Friday, +3', time: '14:30', range: '5 Dec to 8 Dec', people: 'Names, with commas between', names: 'Names, with commas between', rating: '1 to 5', progress: '0 to 100', address: 'https://… or somebody@…', choices: 'Some of these, with commas between',
}
