import { rowOf, type Tree } from '@/stores/tree'

/** How far a branch is held apart by hand: from its parent, and from the sibling before it or, below zero, after it. */
export function apartOf(tree: Tree, topic: string): { x: number; y: number } {
    const fields = rowOf(tree, 'apart', topic)?.fields
    return { x: Number(fields?.x ?? 0), y: Number(fields?.y ?? 0) }
}

export function isApart(tree: Tree, topic: string): boolean {
    return rowOf(tree, 'apart', topic) !== undefined
}
