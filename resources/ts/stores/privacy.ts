import { branchOf, childrenOf, rowOf, type Tree } from './tree'

/** What holds a topic back: it is marked itself, has a private tag, or hangs below one that is held. */
export type Held = { readonly by: 'itself' } | { readonly by: 'tag'; readonly tag: string } | { readonly by: 'above'; readonly topic: string }

const known = new WeakMap<Tree, ReadonlyMap<string, Held>>()

/** The private topics of a map, which are in nothing that leaves it. */
export function heldIn(tree: Tree): ReadonlyMap<string, Held> {
    const before = known.get(tree)
    if (before !== undefined) {
        return before
    }
    const held = new Map<string, Held>()
    const tags = new Map<string, string>()
    const tagged: [string, string[]][] = []
    for (const { type, id, fields } of tree.rows.values()) {
        if (type === 'private' && fields.held === true) {
            held.set(id, { by: 'itself' })
        } else if (type === 'tag' && fields.private === true) {
            tags.set(id, String(fields.name ?? ''))
        } else if (type === 'tags') {
            tagged.push([id, String(fields.tags ?? '').split(' ')])
        }
    }
    for (const [topic, its] of tags.size === 0 ? [] : tagged) {
        const tag = its.find((one) => tags.has(one))
        if (tag !== undefined && !held.has(topic)) {
            held.set(topic, { by: 'tag', tag: tags.get(tag) ?? '' })
        }
    }
    for (const top of [...held.keys()]) {
        for (const topic of tree.topics.has(top) ? branchOf(tree, top) : []) {
            if (!held.has(topic)) {
                held.set(topic, { by: 'above', topic: top })
            }
        }
    }
    known.set(tree, held)
    return held
}

const shown = new WeakMap<Tree, Tree>()

/** The map as others may see it. */
export function withoutHeld(tree: Tree): Tree {
    const held = heldIn(tree)
    if (held.size === 0) {
        return tree
    }
    let without = shown.get(tree)
    if (without === undefined) {
        const children = new Map([...tree.children.keys()].filter((id) => !held.has(id)).map((id) => [id, childrenOf(tree, id).filter((one) => !held.has(one))]))
        without = { ...tree, children, topics: new Map([...tree.topics].filter(([id]) => !held.has(id))) }
        shown.set(tree, without)
    }
    return without
}

export const isMarked = (tree: Tree, topic: string): boolean => rowOf(tree, 'private', topic)?.fields.held === true
