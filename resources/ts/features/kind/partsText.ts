import { partsOf, type Kind, type KindPart } from '@/facts/facts'
import type { KeptRow } from '@/stores/tree'

const MOST = 60
const DEEPEST = 5

/** The subtopics of a kind as a person writes them: one a line, two spaces a level, "@Kind" at the end. */
export function partsAsText(fields: KeptRow['fields'], kinds: readonly Kind[]): string {
    return partsOf(fields).map(({ t, k, l }) => {
        const kind = kinds.find(({ id }) => id === k)
        return `${'  '.repeat(l ?? 0)}${t === '' ? '-' : t}${kind === undefined ? '' : ` @${kind.name}`}`
    }).join('\n')
}

/** The same read back, as the row of the kind keeps it; or what is wrong with it. */
export function partsFromText(text: string, kinds: readonly Kind[]): { json: string | null; problem: string } {
    const parts: KindPart[] = []
    let above = -1
    for (const line of text.split('\n').filter((one) => one.trim() !== '')) {
        const indent = /^[\t ]*/.exec(line)?.[0].replaceAll('\t', '  ').length ?? 0
        const level = Math.min(Math.floor(indent / 2), above + 1, DEEPEST)
        const marked = / ?@([^@]+)$/.exec(line.trim())
        const named = marked === null ? undefined : kinds.find(({ name }) => name.toLowerCase() === (marked[1] ?? '').trim().toLowerCase())
        if (marked !== null && named === undefined && (marked.index === 0 || line.trim()[marked.index] === ' ')) {
            return { json: null, problem: `No kind of this map is called “${(marked[1] ?? '').trim()}”. Take it into the map first.` }
        }
        const title = named === undefined ? line.trim() : line.trim().slice(0, marked?.index)
        if (title.length > 300) {
            return { json: null, problem: 'A subtopic has at most 300 letters here.' }
        }
        parts.push({ t: title === '-' ? '' : title, ...(named === undefined ? {} : { k: named.id }), ...(level === 0 ? {} : { l: level }) })
        above = level
    }
    return parts.length > MOST ? { json: null, problem: `A kind begins with at most ${MOST} subtopics.` } : { json: parts.length === 0 ? null : JSON.stringify(parts), problem: '' }
}
