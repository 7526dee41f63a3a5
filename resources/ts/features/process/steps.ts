import { childrenOf, isFlow, rowOf, type Tree } from '@/stores/tree'

/** A way between two steps of a process: a cross-link between two topics right below a flow. */
export interface Way { readonly id: string; readonly from: string; readonly to: string; readonly phrase: string }

/** What a step can be, and the shape that says so; what begins and what ends has its shape from the process. */
export const sorts = [
    { name: 'step', label: 'Step', shape: null },
    { name: 'decision', label: 'Decision', shape: 'rhombus' },
    { name: 'input', label: 'Input or output', shape: 'slanted' },
    { name: 'end', label: 'Start or end', shape: 'capsule' },
] as const

export type Sort = (typeof sorts)[number]['name']

/** The words on the ways of a decision, in the order in which they are asked for. */
export const answers = ['yes', 'no'] as const

/** The head of the process in which a topic is a step; null where it is none. */
export function headOf(tree: Tree, topic: string): string | null {
    const head = tree.topics.get(topic)?.parent ?? null
    return head !== null && isFlow(tree, head) ? head : null
}

/** The ways between the steps of a process. */
export function waysIn(tree: Tree, head: string): Way[] {
    const steps = new Set(childrenOf(tree, head))
    return [...tree.rows.values()].filter((row) => row.type === 'crosslink' && steps.has(String(row.fields.from)) && steps.has(String(row.fields.to)))
        .map(({ id, fields }) => ({ id, from: String(fields.from), to: String(fields.to), phrase: String(fields.phrase ?? '') }))
}

/** The sort of a step as its own shape says; a shape that says nothing is a step’s. */
export function sortOf(tree: Tree, step: string): Sort {
    const shape = rowOf(tree, 'look', step)?.fields.shape ?? null
    return sorts.find((sort) => sort.shape === shape)?.name ?? 'step'
}
