import { rowOf, type Tree } from '@/stores/tree'

/** The ways to lay a branch out, as they are called. */
export const arrangements = [
    { name: 'both-sides', label: 'Both sides', words: 'on both sides' },
    { name: 'rightward', label: 'Rightward', words: 'rightward' },
    { name: 'leftward', label: 'Leftward', words: 'leftward' },
    { name: 'top-down', label: 'Top-down', words: 'top-down' },
    { name: 'bottom-up', label: 'Bottom-up', words: 'bottom-up' },
    { name: 'stepped-list', label: 'Stepped list', words: 'as a stepped list' },
    { name: 'fishbone', label: 'Fishbone', words: 'as a fishbone' },
    { name: 'timeline', label: 'Timeline', words: 'as a timeline' },
    { name: 'grid', label: 'Grid', words: 'as a grid' },
    { name: 'round', label: 'Round', words: 'all around' },
    { name: 'free', label: 'Free', words: 'freely' },
    { name: 'flow', label: 'Flow', words: 'as a flow' },
] as const

export type ArrangementName = (typeof arrangements)[number]['name']

/** Whether what is right below a topic are the rows of a grid. */
export function isGrid(tree: Tree, topic: string): boolean {
    return arrangementOf(tree, topic) === 'grid'
}

/** Whether a topic is a cell of a grid. */
export function isCell(tree: Tree, topic: string): boolean {
    const row = tree.topics.get(topic)?.parent
    const head = row == null ? null : tree.topics.get(row)?.parent
    return head != null && isGrid(tree, head)
}

/** The arrangement of a branch that has one of its own, or is the whole map; null where it has that of what stands above it. */
export const arrangementOf = (tree: Tree, topic: string): string | null => ownArrangement(tree, topic) ?? (tree.topics.get(topic)?.parent === null ? tree.arrangement : null)

/** The arrangement that a branch has of its own; null where it has that of what stands above it. */
export function ownArrangement(tree: Tree, topic: string): string | null {
    const name = rowOf(tree, 'arrangement', topic)?.fields.name
    return typeof name === 'string' ? name : null
}
