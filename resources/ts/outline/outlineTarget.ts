import type { Landing } from '@/stores/drag'
import { ancestorsOf, childrenOf, type Tree } from '@/stores/tree'
import { plainTitle } from '@/text/titleMarkdown'

interface Outline {
    tree: Tree
    lines: readonly string[]
    lineHeight: number
    folded: ReadonlySet<string>
    /** How deep the first line stands, which is not indented. */
    base: number
    isDragged: (id: string) => boolean
}

/** Where topics let go at a height of the outline would land: on a line below it, between two lines there. */
export function outlineLanding({ tree, lines, lineHeight, folded, base, isDragged }: Outline, y: number): Landing | null {
    const index = Math.min(lines.length - 1, Math.max(0, Math.floor(y / lineHeight)))
    const id = lines[index]
    if (id === undefined || isDragged(id)) {
        return null
    }
    const left = 10 + (ancestorsOf(tree, id).length - base) * 16
    const top = index * lineHeight
    const within = y / lineHeight - index
    const name = plainTitle(tree.topics.get(id)?.title ?? '').slice(0, 60)
    const over = folded.has(id) && childrenOf(tree, id).length > 0 ? id : null
    if (id === tree.root || index === 0 || (within > 0.3 && within < 0.7)) {
        return { region: 'outline', place: { parent: id }, words: `below ${name}`, mark: { x: left, y: top + 2, w: 0, h: 0, into: true }, over }
    }
    return within <= 0.3
        ? { region: 'outline', place: { before: id }, words: `before ${name}`, mark: { x: left, y: top - 1, w: 0, h: 0, into: false }, over: null }
        : { region: 'outline', place: { after: id }, words: `after ${name}`, mark: { x: left, y: top + lineHeight - 2, w: 0, h: 0, into: false }, over: null }
}
