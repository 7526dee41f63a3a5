import type { Tree } from '@/stores/tree'
import { fieldsIn, kindsIn, type Field } from './facts'

/** Conditions as they cross the wire; see the core's Condition. */
export interface AllOf { all: Condition[] }
export interface AnyOf { any: Condition[] }
export interface NotOf { not: Condition }
export interface Ask { ask: string; [argument: string]: string | number | null }
export type Condition = AllOf | AnyOf | NotOf | Ask
export const isAll = (one: Condition): one is AllOf => 'all' in one && Array.isArray(one.all)
export const isAny = (one: Condition): one is AnyOf => 'any' in one && Array.isArray(one.any)
export const isNot = (one: Condition): one is NotOf => 'not' in one && typeof one.not === 'object'
export type Choice = Readonly<Record<'value' | 'label', string>>

/** What can be asked, in the order in which it is offered. */
export const asks: readonly Choice[] = [
    { value: 'todo', label: 'To-do' }, { value: 'due', label: 'Day of a to-do' }, { value: 'progress', label: 'Progress' }, { value: 'who', label: 'Who' }, { value: 'kind', label: 'Kind' }, { value: 'field', label: 'Field' },
    { value: 'tag', label: 'Tag' }, { value: 'stamp', label: 'Stamp' }, { value: 'text', label: 'Text' }, { value: 'has', label: 'Has a' }, { value: 'level', label: 'Level' }, { value: 'below', label: 'Below' },
]

export const states: readonly Choice[] = [
    { value: 'any', label: 'is a to-do' }, { value: 'open', label: 'open' }, { value: 'doing', label: 'under way' }, { value: 'done', label: 'done' }, { value: 'not-done', label: 'not done' }, { value: 'overdue', label: 'overdue' },
    { value: 'soon', label: 'due within a week' }, { value: 'nobody', label: 'without anyone' }, { value: 'after-parent', label: 'due after what it belongs to' }, { value: 'before-time', label: 'begun before its time' }, { value: 'gathers', label: 'has to-dos below' },
]
export const days: readonly Choice[] = [
    { value: 'today', label: 'today' }, { value: 'today+7', label: 'in 7 days' }, { value: 'today+14', label: 'in 14 days' }, { value: 'today-7', label: '7 days ago' }, { value: 'this-week', label: 'this week' }, { value: 'next-week', label: 'next week' },
    { value: 'last-week', label: 'last week' }, { value: 'this-month', label: 'this month' }, { value: 'next-month', label: 'next month' }, { value: 'last-month', label: 'last month' }, { value: 'this-quarter', label: 'this quarter' }, { value: 'last-quarter', label: 'last quarter' }, { value: 'next-quarter', label: 'next quarter' },
    { value: 'this-year', label: 'this year' }, { value: 'last-year', label: 'last year' }, { value: 'next-year', label: 'next year' },
]
export const daysOf: readonly Choice[] = [{ value: 'by', label: 'due' }, { value: 'begins', label: 'begins' }, { value: 'done', label: 'done' }]
export const hows: readonly Choice[] = [{ value: 'is', label: 'is' }, { value: 'under', label: 'under' }, { value: 'over', label: 'over' }]
export const dayHows: readonly Choice[] = [{ value: 'is', label: 'on' }, { value: 'under', label: 'before' }, { value: 'over', label: 'after' }]
export const had: readonly Choice[] = ['note', 'caption', 'subtopics', 'picture', 'link', 'file', 'cross-link', 'remark', 'stamp', 'tag', 'filled-in field'].map((value) => ({ value, label: value }))
export const textIn: readonly Choice[] = [{ value: 'all', label: 'anywhere' }, { value: 'title', label: 'in the title' }, { value: 'caption', label: 'in the caption' }, { value: 'note', label: 'in the note' }]

export const isDay = (field: Field | undefined): boolean => field?.sort === 'date' || field?.sort === 'range'
export function fieldHows(field: Field | undefined): readonly Choice[] {
    const empty = { value: 'empty', label: 'is empty' }
    if (isDay(field)) {
        return [...dayHows, empty]
    }
    const isNumber = ['number', 'money', 'rating', 'progress', 'computed'].includes(field?.sort ?? '')
    return isNumber ? [...hows, empty] : [{ value: 'is', label: 'is' }, { value: 'has', label: 'has' }, empty]
}

/** A question of a sort as it begins, which can be asked as it is. */
export function begun(ask: string, tree: Tree, chosen: string | null): Ask {
    const field = fieldsIn(tree)[0]
    const fresh: Record<string, Record<string, string | number | null>> = {
        todo: { is: 'not-done' }, due: { of: 'by', how: 'under', than: 'today+7' }, progress: { how: 'under', than: 100 }, who: { is: 'Somebody' }, kind: { is: kindsIn(tree)[0]?.id ?? null },
        field: { field: field?.id ?? '0', how: 'empty' }, tag: { is: [...tree.rows.values()].find(({ type }) => type === 'tag')?.id ?? '' }, stamp: { is: 'stamp:idea' }, text: { has: 'words', in: 'all' }, has: { what: 'note' }, level: { how: 'is', than: 1 },
        below: { topic: chosen ?? tree.root },
    }
    return { ask, ...fresh[ask] }
}
