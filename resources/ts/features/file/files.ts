import type { Tree } from '@/stores/tree'

/** A file at a topic; see the core's AttachedFile. */
export interface Attached {
    /** Of the row. */
    readonly id: string
    readonly topic: string
    /** The bytes, as "file:…". */
    readonly source: string
    readonly name: string
    readonly bytes: number
}

const none: readonly Attached[] = []
/** By topic, for each state of the rows: a board asks for every topic that it shows. */
const grouped = new WeakMap<Tree['rows'], ReadonlyMap<string, readonly Attached[]>>()

function group(rows: Tree['rows']): ReadonlyMap<string, readonly Attached[]> {
    const found = new Map<string, Attached[]>()
    for (const { type, id, fields } of rows.values()) {
        if (type === 'file' && typeof fields.source === 'string') {
            const topic = String(fields.at)
            const its = found.get(topic) ?? []
            its.push({ id, topic, source: fields.source, name: String(fields.name ?? ''), bytes: Number(fields.bytes ?? 0) })
            found.set(topic, its)
        }
    }
    found.forEach((its) => its.sort((a, b) => (a.id < b.id ? -1 : 1)))
    return found
}

/** The files of a topic, in the order in which they came. */
export function filesOf(tree: Tree, topic: string): readonly Attached[] {
    const known = grouped.get(tree.rows) ?? group(tree.rows)
    grouped.set(tree.rows, known)
    return known.get(topic) ?? none
}

/** The files of all topics. */
export const allFiles = (tree: Tree): readonly Attached[] => [...(grouped.get(tree.rows) ?? group(tree.rows)).values()].flat()

/** The files at a topic for those who do not see it. */
export function toldFiles(tree: Tree, topic: string): string {
    const files = filesOf(tree, topic)
    return files.length === 0 ? '' : files.length === 1 ? `file ${files[0]?.name ?? ''}` : `${files.length} files`
}
