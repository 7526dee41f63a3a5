import type { Landing } from '@/stores/drag'
import type { Tree } from '@/stores/tree'
import { plainTitle } from '@/text/titleMarkdown'
import { overlaps, type Box } from './geometry'
import type { DrawnSlip } from './guess'

/** Nearer than this to the line of another, one comes to stand on it. */
const SNAP = 7

interface Board {
    tree: Tree
    boxes: ReadonlyMap<string, Box>
    slips: ReadonlyMap<string, DrawnSlip>
    isDragged: (id: string) => boolean
}

const middle = (box: Box): { x: number; y: number } => ({ x: box.x + box.w / 2, y: box.y + box.h / 2 })

/** Where topics that stand free would stand if the last of them were put with its middle at a point; null if not all do, or the point is on another topic. */
export function freeLanding({ tree, boxes, slips, isDragged }: Board, ids: readonly string[], x: number, y: number): Landing | null {
    const pressed = ids[ids.length - 1] ?? ''
    const own = boxes.get(pressed)
    if (own === undefined || !ids.every((id) => slips.get(id)?.free === true)) {
        return null
    }
    for (const [id, box] of boxes) {
        if (!isDragged(id) && x > box.x && x < box.x + box.w && y > box.y && y < box.y + box.h) {
            return null
        }
    }
    const { at, guides } = aligned({ tree, boxes, slips, isDragged }, pressed, own, { x, y })
    const by = { x: at.x - middle(own).x, y: at.y - middle(own).y }
    const stand = ids.flatMap((id) => {
        const [box, parent] = [boxes.get(id), boxes.get(tree.topics.get(id)?.parent ?? '')]
        return box === undefined || parent === undefined ? [] : [{ id, x: Math.round(middle(box).x + by.x - middle(parent).x), y: Math.round(middle(box).y + by.y - middle(parent).y) }]
    })
    const mark = { x: own.x + by.x, y: own.y + by.y, w: own.w, h: own.h, into: true }
    const under = [...boxes].find(([id, box]) => !isDragged(id) && overlaps(mark, box))?.[0]
    const words = under === undefined ? 'here' : `here, over ${plainTitle(tree.topics.get(under)?.title ?? '').slice(0, 60)}`
    return { region: 'board', place: { stand }, words, over: null, guides, mark }
}

/** The point, or one near by at which the topic is in line with another that stands free beside it; and that line. */
function aligned({ tree, boxes, slips, isDragged }: Board, pressed: string, own: Box, to: { x: number; y: number }): { at: { x: number; y: number }; guides: Landing['guides'] } {
    const parent = tree.topics.get(pressed)?.parent
    const others = [...boxes].filter(([id]) => !isDragged(id) && (id === parent || (slips.get(id)?.free === true && tree.topics.get(id)?.parent === parent)))
    const guides: { x: number; y: number; w: number; h: number }[] = []
    const at = { ...to }
    for (const axis of ['x', 'y'] as const) {
        const size = axis === 'x' ? 'w' : 'h'
        let least = SNAP
        let line: { where: number; other: Box } | null = null
        for (const [, other] of others) {
            // Middles, and the edges at either side.
            for (const [mine, its] of [[0, other[size] / 2], [-own[size] / 2, 0], [own[size] / 2, other[size]]] as const) {
                const off = other[axis] + its - (to[axis] + mine)
                if (Math.abs(off) < least) {
                    least = Math.abs(off)
                    at[axis] = to[axis] + off
                    line = { where: other[axis] + its, other }
                }
            }
        }
        if (line !== null) {
            const across = axis === 'x' ? 'y' : 'x'
            const long = axis === 'x' ? 'h' : 'w'
            const [begin, end] = [Math.min(line.other[across], to[across] - own[long] / 2), Math.max(line.other[across] + line.other[long], to[across] + own[long] / 2)]
            guides.push(axis === 'x' ? { x: line.where, y: begin - 8, w: 0, h: end - begin + 16 } : { x: begin - 8, y: line.where, w: end - begin + 16, h: 0 })
        }
    }
    return { at, guides }
}
