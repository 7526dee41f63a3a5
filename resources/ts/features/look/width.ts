import { rowOf, type Tree } from '@/stores/tree'

/** The width in pixels to which a person set a topic; null where the text decides. */
export function ownWidth(tree: Tree, topic: string): number | null {
    const width = rowOf(tree, 'look', topic)?.fields.width
    return typeof width === 'number' ? width : null
}
