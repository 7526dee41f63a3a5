import type { Draft, Edit, FeatureRow, Row } from '@/api/wire'

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
    /** Of loose topics: the left edge and the middle on the board, and the column it is in. */
    readonly x: number | null
    readonly y: number | null
    readonly column: string | null
    /** Where it stood, while it is in the parking lot. */
    readonly parked: string | null
    /** Seconds since 1970; 0 if that is not known. */
    readonly changed: number
}

/** The group of children that holds what is in the parking lot. */
export const LOT = 'lot'

/** What a feature keeps of a topic, or of several; see the core's FeatureRow. */
export interface KeptRow {
    readonly type: string
    readonly id: string
    readonly fields: Readonly<Record<string, string | number | boolean | null>>
    readonly topics: readonly string[]
}

/** The topics of a map and their order. Trees are never changed; what changes them makes a new one. */
export interface Tree {
    readonly topics: ReadonlyMap<string, Topic>
    /** Ids of subtopics in their order, by parent; '' holds the root and the loose topics, LOT what is parked. */
    readonly children: ReadonlyMap<string, readonly string[]>
    readonly root: string
    readonly title: string | null
    readonly arrangement: string
    /** What features keep, by sort of row and id. */
    readonly rows: ReadonlyMap<string, KeptRow>
}

const keyOf = (row: { type: string; id: string }): string => `${row.type} ${row.id}`

/** The rows of a sort. */
export const rowsOf = (tree: Tree, type: string): KeptRow[] => [...tree.rows.values()].filter((row) => row.type === type)

/** A row that there is one of for a topic. */
export function rowOf(tree: Tree, type: string, topic: string): KeptRow | undefined {
    return tree.rows.get(keyOf({ type, id: topic }))
}

/** Whether what is right below a topic are steps of a process. */
export function isFlow(tree: Tree, topic: string): boolean {
    const own = rowOf(tree, 'arrangement', topic)?.fields.name
    return typeof own === 'string' ? own === 'flow' : tree.topics.get(topic)?.parent === null && tree.arrangement === 'flow'
}

const isKept = (row: Row | FeatureRow): row is FeatureRow => row.type !== 'map' && row.type !== 'topic'

export const emptyTree: Tree = { topics: new Map(), children: new Map(), rows: new Map(), root: '', title: null, arrangement: 'both-sides' }

const blank = {
    rank: '', title: '', caption: '', note: '', side: null, sideHeld: false,
    x: null, y: null, column: null, parked: null, changed: 0,
}

/** The group of children in which a topic stands. */
const groupOf = (topic: Topic): string => (topic.parked === null ? (topic.parent ?? '') : LOT)

/** The tree with what the server said about some of its rows; with all rows, on the empty tree, the whole map. */
export function merged(tree: Tree, rows: readonly (Row | FeatureRow)[]): Tree {
    const topics = new Map(tree.topics)
    const touched = new Set<string>()
    let { root, title, arrangement } = tree
    for (const row of rows) {
        if (isKept(row)) {
            continue
        }
        const { type, id, fields, whole } = row
        if (type === 'map') {
            root = fields?.root ?? root
            title = fields?.title === undefined ? title : fields.title
            arrangement = fields?.arrangement ?? arrangement
            continue
        }
        const before = topics.get(id)
        if (before !== undefined) {
            touched.add(groupOf(before))
        }
        if (fields === null) {
            topics.delete(id)
            continue
        }
        const after = { ...blank, parent: null, ...(whole === true ? {} : before), ...fields, id } as Topic
        topics.set(id, after)
        touched.add(groupOf(after))
    }
    return { topics, children: sortedChildren(tree.children, topics, touched), rows: mergedRows(tree.rows, rows.filter(isKept), topics), root, title, arrangement }
}

/** Rows whose topics are gone go with them; the server sends them again with these. */
function mergedRows(before: Tree['rows'], news: readonly FeatureRow[], topics: ReadonlyMap<string, Topic>): Tree['rows'] {
    if (before.size === 0 && news.length === 0) {
        return before
    }
    const rows = new Map(before)
    for (const { type, id, fields, topics: about } of news) {
        if (fields === null) {
            rows.delete(keyOf({ type, id }))
        } else {
            rows.set(keyOf({ type, id }), { type, id, fields, topics: about ?? [id] })
        }
    }
    for (const [key, row] of rows) {
        if (!row.topics.every((id) => topics.has(id))) {
            rows.delete(key)
        }
    }
    return rows
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
        found.get(groupOf(topic))?.push(topic)
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

/** What features foresee of their own edits, by name: the rows as they will be. */
export const foresight = new Map<string, (edit: Edit, rows: Tree['rows']) => Tree['rows']>()

/** What topics their edits make, by name: a branch, and the topic below which it comes. */
export const plantings = new Map<string, (edit: Edit, rows: Tree['rows']) => { draft: Draft; parent: string; first: boolean } | null>()

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
    let rows = tree.rows
    const change = (ids: readonly string[], fields: Partial<Topic>): void => {
        for (const id of ids) {
            const topic = topics.get(id)
            if (topic !== undefined) {
                topics.set(id, { ...topic, ...fields })
            }
        }
    }
    const leave = (id: string): void => {
        const topic = topics.get(id)
        const group = topic === undefined ? '' : groupOf(topic)
        children.set(group, (children.get(group) ?? []).filter((child) => child !== id))
    }
    const grow = (planted: { draft: Draft; parent: string; first: boolean } | null | undefined): void => {
        if (planted != null && topics.has(planted.parent)) {
            plant(topics, planted.draft, planted.parent, children)
            insert(children, planted.parent, [planted.draft.id ?? ''], { first: planted.first })
        }
    }
    // A step that is begun and taken back before the server has heard of it never was.
    const takenBack = new Set(edits.flatMap((edit) => (edit.name === 'undo' && edit.of !== undefined ? [edit.of] : [])))
    for (const edit of edits) {
        if (takenBack.has(edit.step ?? edit.id ?? '')) {
            continue
        }
        switch (edit.name) {
            case 'topic.add': {
                const parent = parentOf(edit, topics)
                plant(topics, edit.topic, parent, children)
                change([edit.topic.id ?? ''], { x: edit.x ?? null, y: edit.y ?? null })
                insert(children, parent ?? '', [edit.topic.id ?? ''], edit)
                break
            }
            case 'topic.move': {
                const parent = parentOf(edit, topics)
                edit.topics.forEach(leave)
                change(edit.topics, { parent, parked: null, x: edit.x ?? null, y: edit.y ?? null })
                insert(children, parent ?? '', edit.topics, edit)
                break
            }
            case 'topic.remove':
                edit.topics.forEach(leave)
                for (const id of edit.topics) {
                    uproot(topics, children, id)
                }
                break
            case 'topic.park':
                edit.topics.forEach(leave)
                for (const id of edit.topics) {
                    change([id], { parent: null, parked: topics.get(id)?.parent ?? id })
                }
                insert(children, LOT, edit.topics, {})
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
            case 'row.set':
                if ('topics' in edit) {
                    rows = withFields(rows, edit.type, edit.topics.filter((id) => topics.has(id)), edit.fields)
                } else {
                    rows = withFields(rows, edit.type, edit.rows ?? [edit.row ?? ''], edit.fields, [])
                }
                break
            case 'row.remove':
                rows = new Map([...rows].filter(([, row]) => row.type !== edit.type || !edit.rows.includes(row.id)))
                break
            default:
                rows = foresight.get(edit.name)?.(edit, rows) ?? rows
                grow(plantings.get(edit.name)?.(edit, rows))
                break
            case 'topic.side':
                change(edit.topics, edit.side === null ? { sideHeld: false } : { side: edit.side, sideHeld: true })
                break
        }
    }
    return { ...tree, topics, children, rows }
}

/**
 * Rows with some fields set; those that say nothing any more wait for the answer to go.
 *
 * @param about the topics of rows that are made; each its own where there is one a topic
 */
function withFields(before: Tree['rows'], type: string, ids: readonly string[], fields: KeptRow['fields'], about?: readonly string[]): Tree['rows'] {
    const rows = new Map(before)
    for (const id of ids) {
        const row = before.get(keyOf({ type, id }))
        rows.set(keyOf({ type, id }), { type, id, topics: row?.topics ?? about ?? [id], fields: { ...row?.fields, ...fields } })
    }
    return rows
}

type Place = Pick<Extract<Edit, { name: 'topic.add' }>, 'parent' | 'before' | 'after' | 'first'>

function parentOf(place: Place, topics: ReadonlyMap<string, Topic>): string | null {
    const sibling = place.before ?? place.after
    return sibling === undefined ? (place.parent ?? null) : (topics.get(sibling)?.parent ?? null)
}

function plant(topics: Map<string, Topic>, draft: Draft, parent: string | null, children: Map<string, readonly string[]>): void {
    const id = draft.id ?? ''
    topics.set(id, { ...blank, id, parent, title: draft.title ?? '', caption: draft.caption ?? '', note: draft.note ?? '' } as Topic)
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
    const siblings = siblingsOf(tree, id)
    return siblings[siblings.indexOf(id) + by]
}

/** All that stand beside a topic, itself too: in a column those of the column, else all below its parent. */
export function siblingsOf(tree: Tree, id: string): readonly string[] {
    const topic = tree.topics.get(id)
    const all = topic === undefined ? [] : childrenOf(tree, groupOf(topic))
    return topic?.column == null ? all : all.filter((one) => tree.topics.get(one)?.column === topic.column)
}

/** How many levels a topic stands below the top of its branch. */
export function depthOf(tree: Tree, id: string): number {
    return ancestorsOf(tree, id).length
}

/** Topics in the order in which one reads the map. */
export function inOrder(tree: Tree, ids: readonly string[]): string[] {
    const wanted = new Set(ids)
    return ['', LOT].flatMap((group) => childrenOf(tree, group)).flatMap((top) => branchOf(tree, top)).filter((id) => wanted.has(id))
}

/** Those of some topics that do not stand below another of them. */
export function topsOf(tree: Tree, ids: readonly string[]): string[] {
    const chosen = new Set(ids)
    return ids.filter((id) => !ancestorsOf(tree, id).some((above) => chosen.has(above)))
}
