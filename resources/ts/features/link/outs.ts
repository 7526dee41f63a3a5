import type { KeptRow, Tree } from '@/stores/tree'

/** A way out of a topic: to a page, to somebody’s mail, to a file of this map, to a topic of it, or to another map. */
export interface Out {
    /** Of the row that says it. */
    readonly id: string
    readonly type: 'link' | 'see-also'
    readonly kind: 'web' | 'mail' | 'file' | 'here' | 'map'
    /** The address, or the id of a topic of this map. */
    readonly to: string
    readonly title: string
    /** Of two topics of this map: whether they lead to each other. */
    readonly both: boolean
}

export const kinds = { web: 'page', mail: 'e-mail', file: 'file', here: 'topic', map: 'other map' } as const

/** The ids of the map and of the topic to which an address of ours leads: “map:…”. */
export function inMap(address: string): { map: string; topic: string | null } | null {
    const m = /^map:([0-9a-z]{26})(?:\/([0-9a-z]{26}))?$/.exec(address)
    return m === null ? null : { map: m[1] ?? '', topic: m[2] ?? null }
}

function outOf(row: KeptRow, topic: string): Out | null {
    const { id, fields } = row
    if (row.type === 'link' && fields.at === topic && typeof fields.to === 'string') {
        const kind = fields.to.startsWith('mailto:') ? 'mail' : fields.to.startsWith('file:') ? 'file' : inMap(fields.to) === null ? 'web' : 'map'
        return { id, type: 'link', kind, to: fields.to, title: String(fields.title ?? ''), both: false }
    }
    if (row.type !== 'see-also' || (fields.one !== topic && (fields.other !== topic || fields.oneWay === true))) {
        return null
    }
    return { id, type: 'see-also', kind: 'here', to: String(fields.one === topic ? fields.other : fields.one), title: '', both: fields.oneWay !== true }
}

/** The rows that say ways out, by the topics that they are about, for each state of the rows: a board asks for every topic that it shows. */
const grouped = new WeakMap<Tree['rows'], ReadonlyMap<string, readonly KeptRow[]>>()

function group(rows: Tree['rows']): ReadonlyMap<string, readonly KeptRow[]> {
    const found = new Map<string, KeptRow[]>()
    for (const row of rows.values()) {
        for (const topic of row.type === 'link' ? [row.fields.at] : row.type === 'see-also' ? [row.fields.one, row.fields.other] : []) {
            found.set(String(topic), [...(found.get(String(topic)) ?? []), row])
        }
    }
    return found
}

/** The ways out of a topic, in the order in which they came. */
export function outsOf(tree: Tree, topic: string): Out[] {
    const known = grouped.get(tree.rows) ?? group(tree.rows)
    grouped.set(tree.rows, known)
    const found = (known.get(topic) ?? []).map((row) => outOf(row, topic)).filter((out) => out !== null)
    return found.sort((a, b) => (a.id < b.id ? -1 : 1))
}

/** The topics of the map that lead to one, and not the other way too. */
export function leadingTo(tree: Tree, topic: string): string[] {
    return [...tree.rows.values()].filter((row) => row.type === 'see-also' && row.fields.other === topic && row.fields.oneWay === true).map((row) => String(row.fields.one))
}

/** What somebody types or pastes as an address, as it is kept; null where it is none. */
export function addressIn(text: string): string | null {
    const typed = text.trim()
    if (/^file:[0-9a-f]{64}$/.test(typed)) {
        return typed
    }
    if (/^[^\s@<>"?&:/]+@[^\s@<>"?&]+\.[^\s@<>"?&]+$/.test(typed)) {
        return `mailto:${typed}`
    }
    if (/^mailto:[^\s@<>"?&]+@[^\s@<>"?&]+\.[^\s@<>"?&]+$/i.test(typed)) {
        return typed
    }
    const address = /^www\.[^\s]+\.[^\s]+$/i.test(typed) ? `https://${typed}` : typed
    if (!/^https?:\/\/\S+$/i.test(address) || address.length > 2000) {
        return null
    }
    try {
        const url = new URL(address)
        return url.username === '' && url.password === '' ? ours(url) ?? url.href : null
    } catch {
        return null
    }
}

/** An address of ours as links have it. */
function ours(url: URL): string | null {
    const m = url.origin === location.origin ? /^\/maps\/([0-9a-z]{26})(?:\/topics\/([0-9a-z]{26}))?\/?$/.exec(url.pathname) : null
    return m === null ? null : `map:${m[1] ?? ''}${m[2] === undefined ? '' : `/${m[2]}`}`
}
