import { ancestorsOf, branchOf, inOrder, type Tree } from '@/stores/tree'

/** All topics of the branch, only those that are marked, or those in one's own order. */
export type Order = 'all' | 'marked' | 'own'

const isParked = (tree: Tree, id: string): boolean => [id, ...ancestorsOf(tree, id)].some((one) => tree.topics.get(one)?.parked != null)

/** The topics that are marked as stops, in one's own order. */
export function markedIn(tree: Tree): string[] {
    const marked: [string, string][] = []
    for (const { type, id, fields } of tree.rows.values()) {
        if (type === 'stop' && typeof fields.rank === 'string' && fields.rank !== '' && tree.topics.has(id) && !isParked(tree, id)) {
            marked.push([fields.rank, id])
        }
    }
    // As the core orders them, byte by byte.
    return marked.sort(([a, i], [b, j]) => (a < b ? -1 : a > b ? 1 : i < j ? -1 : 1)).map(([, id]) => id)
}

/** Whether a topic is another one or in its branch. */
export const isWithin = (tree: Tree, topic: string, branch: string): boolean => topic === branch || ancestorsOf(tree, topic).includes(branch)

/**
 * Where a walk stops.
 *
 * @param branch null for the whole map, with its loose topics; then only marked ones are walked
 * @param depth no topic that stands more levels below is a stop; null for all
 */
export function stopsOf(tree: Tree, branch: string | null, order: Order, depth: number | null): string[] {
    if (branch !== null && !tree.topics.has(branch)) {
        return []
    }
    if (order !== 'all' || branch === null) {
        const marked = markedIn(tree).filter((id) => branch === null || isWithin(tree, id, branch))
        return order === 'own' ? marked : inOrder(tree, marked)
    }
    const all = branchOf(tree, branch)
    if (depth === null) {
        return all
    }
    // A child stands one below its parent, which comes before it.
    const levels = new Map([[branch, 0]])
    return all.filter((id) => {
        const level = levels.get(id) ?? (levels.get(tree.topics.get(id)?.parent ?? '') ?? 0) + 1
        levels.set(id, level)
        return level <= depth
    })
}

/** The stop one is at, or that one has come from: of those above the topic, the nearest; else the one before. */
export function placeOf(tree: Tree, stops: readonly string[], topic: string, before: number): number {
    for (const one of [topic, ...ancestorsOf(tree, topic)]) {
        const at = stops.indexOf(one)
        if (at !== -1) {
            return at
        }
    }
    return before
}
