import type { Slip } from '@/api/wire'
import { childrenOf, siblingOf, siblingsOf, type Tree } from '@/stores/tree'
import { isMirrored } from '@/stores/mirror'

/** A rectangle on the board, pixels at scale 1. */
export interface Box {
    readonly x: number
    readonly y: number
    readonly w: number
    readonly h: number
}

/** What the line takes along which subtopics stand; see Slip in the wire schema. */
export const lineBox = ([x, y, w, h]: NonNullable<Slip['line']>, box: Box): Box => ({ x: box.x + x, y: box.y + y, w, h })

export type Direction = 'up' | 'down' | 'left' | 'right'

/** Adds up the relative places of slips to places on the board. */
export function absoluteBoxes(slips: ReadonlyMap<string, Slip>): Map<string, Box> {
    const boxes = new Map<string, Box>()
    const place = (slip: Slip): Box | null => {
        const trail: Slip[] = []
        let at: Slip | undefined = slip
        while (at !== undefined && !boxes.has(at.id)) {
            trail.push(at)
            at = at.parent === null ? undefined : slips.get(at.parent)
            if (at === undefined && trail[trail.length - 1]?.parent !== null) {
                return null
            }
        }
        let above: Box = at === undefined ? { x: 0, y: 0, w: 0, h: 0 } : (boxes.get(at.id) ?? { x: 0, y: 0, w: 0, h: 0 })
        for (const next of trail.reverse()) {
            above = { x: above.x + next.x, y: above.y + next.y, w: next.w, h: next.h }
            boxes.set(next.id, above)
        }
        return above
    }
    for (const slip of slips.values()) {
        place(slip)
    }
    return boxes
}

export function frameAround(boxes: Iterable<Box>): Box | null {
    let [left, top, right, bottom] = [Infinity, Infinity, -Infinity, -Infinity]
    for (const box of boxes) {
        left = Math.min(left, box.x)
        top = Math.min(top, box.y)
        right = Math.max(right, box.x + box.w)
        bottom = Math.max(bottom, box.y + box.h)
    }
    return left === Infinity ? null : { x: left, y: top, w: right - left, h: bottom - top }
}

export function overlaps(a: Box, b: Box): boolean {
    return a.x < b.x + b.w && b.x < a.x + a.w && a.y < b.y + b.h && b.y < a.y + a.h
}

/** The topic one comes to by an arrow key: along the branch first, else the nearest one drawn in that direction. */
export function nearestTowards(
    boxes: ReadonlyMap<string, Box>,
    slips: ReadonlyMap<string, Pick<Slip, 'grows' | 'parent' | 'way'>>,
    tree: Tree,
    from: string,
    direction: Direction,
): string | null {
    const here = boxes.get(from)
    if (here === undefined) {
        return null
    }
    // Along a line and all around, what is below a topic is nearest by how far it is, not by its row.
    const winding = childrenOf(tree, from).filter((id) => (slips.get(id)?.way.length ?? 0) > 0 && isBeyond(here, boxes.get(id), direction))
    if (winding.length > 0) {
        return closest(winding, boxes, middle(here))
    }
    const outward = childrenOf(tree, from).filter((id) => slips.get(id)?.grows === direction && boxes.has(id))
    if (outward.length > 0) {
        return nearest(outward, boxes, middle(here), direction === 'down' ? 'x' : 'y')
    }
    const slip = slips.get(from)
    if (slip !== undefined && slip.parent !== null && slip.grows === opposite[direction]) {
        return slip.parent
    }
    // Siblings that stand side by side are nearer than what hangs below one of them.
    const beside = slip?.grows === 'down' && direction !== 'up' && direction !== 'down' ? siblingOf(tree, from, (direction === 'left') === !isMirrored(tree) ? -1 : 1) : undefined
    if (beside !== undefined && slips.get(beside)?.grows === 'down' && boxes.has(beside)) {
        return beside
    }
    // What hangs beside a topic is come to sideways; up and down one comes to those over and under it, where there are any.
    const isOver = (id: string): boolean => isBeyond(here, boxes.get(id), direction) && slips.get(id)?.grows === slip?.grows && asideOf(here, boxes.get(id) ?? here, true) === 0
    const isColumn = (slip?.grows === 'left' || slip?.grows === 'right') && (direction === 'up' || direction === 'down') && siblingsOf(tree, from).some(isOver)
    return inDirection(boxes, from, here, direction, isColumn)
}

/** How far a box is aside from the row or the column of another. */
function asideOf(here: Box, box: Box, vertical: boolean): number {
    return vertical
        ? Math.max(0, box.x - (here.x + here.w), here.x - (box.x + box.w))
        : Math.max(0, box.y - (here.y + here.h), here.y - (box.y + box.h))
}

/** Whether the middle of a box lies beyond an edge of another. */
function isBeyond(here: Box, box: Box | undefined, direction: Direction): boolean {
    if (box === undefined) {
        return false
    }
    const { x, y } = middle(box)
    return { left: x < here.x, right: x > here.x + here.w, up: y < here.y, down: y > here.y + here.h }[direction]
}

function closest(ids: readonly string[], boxes: ReadonlyMap<string, Box>, to: { x: number; y: number }): string | null {
    const far = (id: string): number => {
        const box = boxes.get(id)
        return box === undefined ? Infinity : Math.hypot(middle(box).x - to.x, middle(box).y - to.y)
    }
    return ids.reduce<string | null>((best, id) => (best === null || far(id) < far(best) ? id : best), null)
}

function middle(box: Box): { x: number; y: number } {
    return { x: box.x + box.w / 2, y: box.y + box.h / 2 }
}

const opposite = { left: 'right', right: 'left', up: 'down', down: 'up' } as const

/** The one whose middle is nearest along an axis. */
function nearest(ids: readonly string[], boxes: ReadonlyMap<string, Box>, to: { x: number; y: number }, axis: 'x' | 'y'): string | null {
    let best: string | null = null
    let least = Infinity
    for (const id of ids) {
        const box = boxes.get(id)
        const distance = box === undefined ? Infinity : Math.abs(middle(box)[axis] - to[axis])
        if (distance < least) {
            least = distance
            best = id
        }
    }
    return best
}

/** Going aside costs more than going on, and topics that share the row or column come first. */
function inDirection(boxes: ReadonlyMap<string, Box>, from: string, here: Box, direction: Direction, isStraight: boolean): string | null {
    const vertical = direction === 'up' || direction === 'down'
    const sign = direction === 'down' || direction === 'right' ? 1 : -1
    const at = middle(here)
    let best: string | null = null
    let least = Infinity
    for (const [id, box] of boxes) {
        const there = middle(box)
        const ahead = sign * (vertical ? there.y - at.y : there.x - at.x)
        if (id === from || ahead < 1) {
            continue
        }
        const gapAside = asideOf(here, box, vertical)
        if (isStraight && gapAside > 0) {
            continue
        }
        const startAside = vertical ? Math.min(Math.abs(box.x - here.x), Math.abs(box.x + box.w - here.x - here.w)) : 0
        const cost = ahead + 4 * gapAside + 0.5 * startAside
        if (cost < least) {
            least = cost
            best = id
        }
    }
    return best
}
