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
] as const

export type ArrangementName = (typeof arrangements)[number]['name']

/** The arrangement that a branch has of its own; null where it has that of what stands above it. */
export function ownArrangement(tree: Tree, topic: string): string | null {
    const name = rowOf(tree, 'arrangement', topic)?.fields.name
    return typeof name === 'string' ? name : null
}
