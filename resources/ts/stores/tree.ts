import type { Draft, Edit, Row } from '@/api/wire'

/** A topic as the browser knows it; see the core's Topic. */
export interface Topic {
    readonly id: string
    readonly parent: string | null
    readonly rank: string
    readonly title: string
    readonly caption: string
    readonly note: string
    readonly side: 'left' | 'right' | null
    readonly sideHeld: boolean
    readonly width: number | null
}

/** The topics of a map and their order. Trees are never changed; what changes them makes a new one. */
export interface Tree {
    readonly topics: ReadonlyMap<string, Topic>
    /** Ids of subtopics in their order, by parent; '' holds the root and the loose topics. */
    readonly children: ReadonlyMap<string, readonly string[]>
    readonly root: string
    readonly title: string | null
    readonly arrangement: string
}

export const emptyTree: Tree = { topics: new Map(), children: new Map(), root: '', title: null, arrangement: 'both-sides' }

const blank = { rank: '', title: '', caption: '', note: '', side: null, sideHeld: false, width: null }

/** The tree with what the server said about some of its rows; with all rows, on the empty tree, the whole map. */
export function merged(tree: Tree, rows: readonly Row[]): Tree {
    const topics = new Map(tree.topics)
    const touched = new Set<string>()
    let { root, title, arrangement } = tree
    for (const { type, id, fields } of rows) {
        if (type === 'map') {
            root = fields?.root ?? root
            title = fields?.title === undefined ? title : fields.title
            arrangement = fields?.arrangement ?? arrangement
            continue
        }
        const before = topics.get(id)
        if (before !== undefined) {
            touched.add(before.parent ?? '')
        }
        if (fields === null) {
            topics.delete(id)
            continue
        }
        const after = { ...blank, parent: null, ...before, ...fields, id } as Topic
        topics.set(id, after)
        touched.add(after.parent ?? '')
    }
    return { topics, children: sortedChildren(tree.children, topics, touched), root, title, arrangement }
}

function sortedChildren(
    before: Tree['children'],
    topics: ReadonlyMap<string, Topic>,
    touched: ReadonlySet<string>,
): Tree['children'] {
    const children = new Map(before)
    const found = new Map<string, Topic[]>()
    for (const parent of touched) {
        found.set(parent, [])
    }
    for (const topic of topics.values()) {
        found.get(topic.parent ?? '')?.push(topic)
    }
    for (const [parent, list] of found) {
        list.sort((a, b) => compare(a.rank, b.rank) || compare(a.id, b.id))
        children.set(parent, list.map((topic) => topic.id))
    }
    return children
}

function compare(a: string, b: string): number {
    return a < b ? -1 : a > b ? 1 : 0
}

/**
 * The tree as it will be once the server has made these edits, so that the outline and the desk show them at once.
 * What it cannot foresee (undo, redo, arranging) waits for the answer.
 */
export function foreseen(tree: Tree, edits: readonly Edit[]): Tree {
    if (edits.length === 0) {
        return tree
    }
    const topics = new Map(tree.topics)
    const children = new Map(tree.children)
    const change = (ids: readonly string[], fields: Partial<Topic>): void => {
        for (const id of ids) {
            const topic = topics.get(id)
            if (topic !== undefined) {
                topics.set(id, { ...topic, ...fields })
            }
        }
    }
    const leave = (id: string): void => {
        const parent = topics.get(id)?.parent ?? ''
        children.set(parent, (children.get(parent) ?? []).filter((child) => child !== id))
    }
    for (const edit of edits) {
        switch (edit.name) {
            case 'topic.add': {
                const parent = parentOf(edit, topics)
                plant(topics, edit.topic, parent, children)
                insert(children, parent ?? '', [edit.topic.id ?? ''], edit)
                break
            }
            case 'topic.move': {
                const parent = parentOf(edit, topics)
                edit.topics.forEach(leave)
                change(edit.topics, { parent })
                insert(children, parent ?? '', edit.topics, edit)
                break
            }
            case 'topic.remove':
                edit.topics.forEach(leave)
                for (const id of edit.topics) {
                    uproot(topics, children, id)
                }
                break
            case 'topic.retitle':
                change([edit.topic], { title: edit.title })
                break
            case 'topic.caption':
                change(edit.topics, { caption: edit.caption })
                break
            case 'topic.note':
                change(edit.topics, { note: edit.note })
                break
            case 'topic.width':
                change(edit.topics, { width: edit.width })
                break
            case 'topic.side':
                change(edit.topics, edit.side === null ? { sideHeld: false } : { side: edit.side, sideHeld: true })
                break
        }
    }
    return { ...tree, topics, children }
}

type Place = Pick<Extract<Edit, { name: 'topic.add' }>, 'parent' | 'before' | 'after' | 'first'>

function parentOf(place: Place, topics: ReadonlyMap<string, Topic>): string | null {
    const sibling = place.before ?? place.after
    return sibling === undefined ? (place.parent ?? null) : (topics.get(sibling)?.parent ?? null)
}

function plant(topics: Map<string, Topic>, draft: Draft, parent: string | null, children: Map<string, readonly string[]>): void {
    const id = draft.id ?? ''
    topics.set(id, { ...blank, id, parent, title: draft.title ?? '', caption: draft.caption ?? '', note: draft.note ?? '' })
    children.set(id, (draft.children ?? []).map((child) => child.id ?? ''))
    draft.children?.forEach((child) => plant(topics, child, id, children))
}

function uproot(topics: Map<string, Topic>, children: ReadonlyMap<string, readonly string[]>, id: string): void {
    topics.delete(id)
    children.get(id)?.forEach((child) => uproot(topics, children, child))
}

function insert(children: Map<string, readonly string[]>, parent: string, ids: readonly string[], place: Place): void {
    const list = [...(children.get(parent) ?? [])]
    const sibling = place.before ?? place.after
    const found = sibling === undefined ? -1 : list.indexOf(sibling)
    const at = found < 0 ? (place.first === true ? 0 : list.length) : place.before === undefined ? found + 1 : found
    list.splice(at, 0, ...ids)
    children.set(parent, list)
}

export function childrenOf(tree: Tree, id: string): readonly string[] {
    return tree.children.get(id) ?? []
}

/** The topics above, nearest first. */
export function ancestorsOf(tree: Tree, id: string): string[] {
    const above: string[] = []
    for (let at = tree.topics.get(id)?.parent ?? null; at !== null; at = tree.topics.get(at)?.parent ?? null) {
        above.push(at)
    }
    return above
}

/** A topic and all below it, in reading order, passing over what is below those that are folded. */
export function branchOf(tree: Tree, id: string, folded?: ReadonlySet<string>): string[] {
    const branch: string[] = []
    const waiting = [id]
    for (let at = waiting.pop(); at !== undefined; at = waiting.pop()) {
        branch.push(at)
        if (folded?.has(at) !== true) {
            const below = childrenOf(tree, at)
            for (let i = below.length - 1; i >= 0; i--) {
                waiting.push(below[i] as string)
            }
        }
    }
    return branch
}

/** The sibling so many places further on, or undefined at the ends. */
export function siblingOf(tree: Tree, id: string, by: number): string | undefined {
    const siblings = childrenOf(tree, tree.topics.get(id)?.parent ?? '')
    return siblings[siblings.indexOf(id) + by]
}

/** Those of some topics that do not stand below another of them. */
export function topsOf(tree: Tree, ids: readonly string[]): string[] {
    const chosen = new Set(ids)
    return ids.filter((id) => !ancestorsOf(tree, id).some((above) => chosen.has(above)))
}
