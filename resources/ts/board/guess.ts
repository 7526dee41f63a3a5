import type { Slip } from '@/api/wire'
import { ownWidth } from '@/features/look/width'
import { childrenOf, isFlow, type Topic, type Tree } from '@/stores/tree'
import { plainTitle } from '@/text/titleMarkdown'
import { deepestLevel, lookNamed, lookOfLevel, type Look } from './looks'
import { families, type DrawnPart, type GuessedPaper } from './Parts'
import { isMirrored, sideSeen } from '@/stores/mirror'
import { isRightToLeft } from '@/text/direction'

/** A slip as the server has drawn it, or as the browser guesses it. */
export type DrawnSlip = Omit<Slip, 'parts'> & { readonly parts: readonly DrawnPart[] }

/** Slips by topic, as far as they are known. */
export type KnownSlips = Pick<ReadonlyMap<string, DrawnSlip>, 'get'>

const enclosing = new Set(['capsule', 'oval', 'circle', 'hexagon', 'rhombus', 'slanted'])

const canvas = document.createElement('canvas').getContext('2d')

/**
 * Where a topic that the server has not drawn yet will stand, near enough to type in: beside its parent, below the
 * sibling before it. The answer, a moment later, puts it right.
 */
export function guessedSlip(tree: Tree, topic: Topic, slips: KnownSlips): DrawnSlip | null {
    const parent = topic.parent === null ? undefined : slips.get(topic.parent)
    if (topic.parent !== null && (parent === undefined || parent.hidden > 0)) {
        return null
    }
    const before = slips.get(topic.id)
    const level = before?.level ?? Math.min((parent?.level ?? 0) + 1, deepestLevel)
    const look = before === undefined ? lookOfLevel(level) : lookNamed(before.look)
    const width = ownWidth(tree, topic.id) ?? look.box.width
    const lines = wrapped((before?.number ?? '') === '' ? plainTitle(topic.title) : `${before?.number} ${plainTitle(topic.title)}`, width === null ? look.box.widest : width - 2 * look.box.padX, look)
    const text = Math.max(0, ...lines.map((line) => line.width))
    if (before?.title !== undefined) {
        // What else stands in the box stays where it is until the answer comes.
        const [x = 0, y = 0, wide = 0] = before.title
        const others = before.parts.filter((part) => part.part !== 'title' && part.part !== 'code')
        return { ...before, parts: [...others, ...lines.map((line, i) => titleLine(topic, line, look, before.chalk, look.type.align === 'centre' ? x + (wide - line.width) / 2 : x, y + i * look.type.line + look.type.baseline))] }
    }
    // In a shape that no rectangle fills text stands in the middle; how large that comes to be is the server's to say.
    const shaped = before !== undefined && enclosing.has(look.box.shape)
    const w = shaped ? before.w : Math.max(width ?? 56, 2 * Math.ceil((text + 2 * look.box.padX + look.box.spine + (topic.note === '' ? 0 : 18)) / 2))
    const h = shaped ? before.h : 2 * Math.ceil((lines.length * look.type.line + 2 * look.box.padY) / 2)
    const mate = mateAbove(tree, topic, slips)
    const grows = before?.grows ?? (parent?.level === 0 && tree.arrangement === 'both-sides' ? (topic.side == null ? sideGuess(tree, parent, slips) : sideSeen(tree, topic.side)) : (mate?.grows ?? growsBelow(parent)))
    // What stands on the other side is turned the other way.
    const like = mate?.grows === grows ? mate : undefined
    const place = before ?? placeBeside(tree, topic, parent, slips, grows, w, h, look.spacing.reach, look.spacing.gap)
    const spine = before?.spine ?? like?.spine ?? (grows === 'left' ? 'right' : 'left')
    const isRight = look.type.align === 'right' || spine === 'right' || (look.type.align === 'start' && isRightToLeft(topic.title))
    const begin = look.type.align === 'centre' || shaped ? undefined : !isRight ? look.box.padX + look.box.spine : Math.max(look.box.padX, w - look.box.padX - (spine === 'right' ? look.box.spine : 0) - text)
    return {
        id: topic.id,
        parent: topic.parent,
        x: before !== undefined && grows === 'left' ? before.x + before.w - w : place.x,
        y: before === undefined ? place.y : before.y + (before.h - h) / 2,
        w,
        h,
        level,
        grows,
        spine,
        opens: before?.opens ?? like?.opens ?? (grows === 'left' ? 'left' : 'right'),
        chalk: before?.chalk ?? parent?.chalk ?? 'mussel',
        hidden: before?.hidden ?? 0,
        number: before?.number ?? '',
        connector: before?.connector ?? null,
        look: look.name,
        way: before?.way ?? [],
        free: before?.free ?? false,
        ...(before?.line === undefined ? {} : { line: before.line }),
        parts: [...shapes(before ?? like, { w, h, spine, level }, look.box.corner), ...(before?.parts.filter(standsBeside) ?? []), ...lines.map((line, i) => titleLine(
            topic, line, look, before?.chalk ?? parent?.chalk ?? 'mussel', begin ?? (w - line.width) / 2,
            (shaped ? (h - lines.length * look.type.line) / 2 : look.box.padY) + i * look.type.line + look.type.baseline,
        ))],
    }
}

/** A line of a title as it will be drawn, beginning at a place. */
function titleLine(topic: Topic, line: { text: string; width: number }, look: Look, chalk: string, x: number, y: number): DrawnPart {
    return {
        part: 'title', size: look.type.size, fill: look.type.ink.replace(/^(chalk|text)$/, `$1:${chalk}`), ...(look.type.face === 'clear' ? {} : { face: look.type.face }),
        y, ...(isRightToLeft(topic.title) ? { rtl: true } : {}),
        spans: [{ x, w: line.width, text: line.text, marks: (look.type.bold ? 1 : 0) + (look.type.slanted ? 2 : 0) }],
    }
}

/** The paper and the spine of a slip as those of one that is drawn alike. */
/** What is drawn of a topic outside of its box: the phrase that leads to it, the line along which its subtopics stand. */
export const standsBeside = ({ part }: { part: string }): boolean => /^(phrase|leader)/.test(part) || isOfLine({ part })
export const isOfLine = ({ part }: { part: string }): boolean => /^(axis|ruler|lasting|today)/.test(part)

function shapes(like: DrawnSlip | undefined, slip: Pick<Slip, 'w' | 'h' | 'spine' | 'level'>, corner: number): DrawnPart[] {
    const its = like === undefined || like.level !== slip.level ? [] : like.parts
    const paper: GuessedPaper = { part: 'paper', rect: { w: slip.w, h: slip.h, corner }, fill: its.find((part) => part.part === 'paper')?.fill ?? '' }
    const spine = its.filter((part) => part.part === 'spine' && like?.h === slip.h && like.spine === slip.spine && slip.spine !== 'top')
    return [paper, ...spine.map((part) => ({ ...part, aside: slip.spine === 'right' ? slip.w - (like?.w ?? 0) : 0 }))]
}

/** Subtopics of one that opens downwards are mostly a list. */
const growsBelow = (parent: DrawnSlip | undefined): Slip['grows'] => (parent?.opens === 'left' ? 'left' : 'right')

/** The sibling before a topic, which tells where it goes. */
function mateAbove(tree: Tree, topic: Topic, slips: KnownSlips): DrawnSlip | undefined {
    const mates = topic.parent === null ? [] : childrenOf(tree, topic.parent)
    return slips.get(mates[mates.indexOf(topic.id) - 1] ?? '')
}

function sideGuess(tree: Tree, root: DrawnSlip, slips: KnownSlips): 'left' | 'right' {
    const second = sideSeen(tree, 'left')
    const there = childrenOf(tree, root.id).filter((id) => slips.get(id)?.grows === second).length
    return there * 2 < childrenOf(tree, root.id).length - 1 ? second : sideSeen(tree, 'right')
}

function placeBeside(
    tree: Tree,
    topic: Topic,
    parent: DrawnSlip | undefined,
    slips: KnownSlips,
    grows: Slip['grows'],
    w: number,
    h: number,
    reach: number,
    gap: number,
): { x: number; y: number } {
    if (parent === undefined) {
        const above = columnMateAbove(tree, topic, slips)
        if (above !== undefined) {
            return { x: above.x, y: above.y + above.h + 10 }
        }
        return { x: topic.x ?? -w / 2, y: (topic.y ?? 0) - h / 2 }
    }
    const mates = childrenOf(tree, parent.id).filter((id) => id === topic.id || slips.get(id)?.grows === grows)
    const above = slips.get(mates[mates.indexOf(topic.id) - 1] ?? '')
    if (isFlow(tree, parent.id)) {
        // A step goes on from the one before it.
        const [from, out] = [above ?? { x: 0, y: 0, w: parent.w, h: parent.h }, gap + 40]
        return grows === 'down' ? { x: from.x + (from.w - w) / 2, y: from.y + from.h + out } : { x: grows === 'left' ? from.x - out - w : from.x + from.w + out, y: from.y + (from.h - h) / 2 }
    }
    if (grows === 'down' && above !== undefined) {
        return { x: isMirrored(tree) ? above.x - gap - 12 - w : above.x + above.w + gap + 12, y: above.y }
    }
    if (parent.opens === 'down') {
        const left = above?.x ?? 26
        return { x: grows === 'left' ? (above === undefined ? parent.w - 26 : above.x + above.w) - w : left, y: above === undefined ? parent.h + gap : above.y + above.h + gap }
    }
    return {
        x: grows === 'right' ? parent.w + reach : -reach - w,
        y: above === undefined ? (parent.h - h) / 2 : above.y + above.h + gap,
    }
}

/** A new topic after a loose one goes into its column, below it. */
function columnMateAbove(tree: Tree, topic: Topic, slips: KnownSlips): DrawnSlip | undefined {
    const tops = childrenOf(tree, '')
    const before = tops[tops.indexOf(topic.id) - 1]
    return topic.x !== null || before === undefined || before === tree.root ? undefined : slips.get(before)
}

function wrapped(text: string, limit: number, look: Look): { text: string; width: number }[] {
    if (canvas === null) {
        return [{ text, width: text.length * look.type.size * 0.55 }]
    }
    canvas.font = `${look.type.slanted ? 'italic ' : ''}${look.type.bold ? '700 ' : ''}${look.type.size}px "${families[look.type.face] ?? ''}"`
    const lines: { text: string; width: number }[] = []
    for (const paragraph of text.split('\n')) {
        let line = ''
        for (const word of paragraph.split(/ +/)) {
            const longer = line === '' ? word : `${line} ${word}`
            if (line !== '' && canvas.measureText(longer).width > limit) {
                lines.push({ text: line, width: canvas.measureText(line).width })
                line = word
            } else {
                line = longer
            }
        }
        lines.push({ text: line, width: canvas.measureText(line).width })
    }
    return lines
}
