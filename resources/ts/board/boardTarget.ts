import type { DrawnSlip } from './guess'
import type { Landing } from '@/stores/drag'
import { childrenOf, rowOf, type Tree } from '@/stores/tree'
import { plainTitle } from '@/text/titleMarkdown'
import type { Box } from './geometry'
import { arrangementOf, isCell } from '@/features/arrange/arrangements'
import { isMirrored, sideSeen } from '@/stores/mirror'

/** Farther from every topic than this, one lands on the open board. */
const NEAR = 70
const SLOT = { w: 74, h: 14 }
const REACH = 28

interface Board {
    tree: Tree
    boxes: ReadonlyMap<string, Box>
    slips: ReadonlyMap<string, DrawnSlip>
    isDragged: (id: string) => boolean
    /** Inside a branch there is no open board to land on. */
    isWhole: boolean
}

/** Where topics let go at a point of the board would land: by the nearest topic, or loose. */
export function boardLanding(board: Board, x: number, y: number): Landing | null {
    let best: { id: string; box: Box } | null = null
    let least = NEAR
    for (const [id, box] of board.boxes) {
        const dx = Math.max(box.x - x, 0, x - box.x - box.w)
        const dy = Math.max(box.y - y, 0, y - box.y - box.h)
        const distance = Math.hypot(dx, dy * 1.5)
        if (distance < least && board.tree.topics.has(id) && !board.isDragged(id)) {
            best = { id, box }
            least = distance
        }
    }
    if (best !== null) {
        return besideOrBelow(board, best.id, best.box, x, y)
    }
    if (!board.isWhole) {
        return null
    }
    return {
        region: 'board', over: null, words: 'loose, on the open board',
        place: { parent: null, x: Math.round(x - 20), y: Math.round(y) },
        mark: { x: x - 20, y: y - 12, w: 120, h: 24, into: true },
    }
}

/** Over the upper or lower third of a topic one lands beside it, in the middle or beyond its outer edge below it. */
function besideOrBelow({ tree, slips }: Board, id: string, box: Box, x: number, y: number): Landing | null {
    const topic = tree.topics.get(id)
    const slip = slips.get(id)
    if (topic === undefined || slip === undefined) {
        return null
    }
    const isRoot = id === tree.root
    const grows = isRoot ? (x < box.x + box.w / 2 && tree.arrangement === 'both-sides' ? 'left' : slip.opens === 'left' ? 'left' : 'right') : slip.grows
    const { axis, forward } = wayOfSiblings(tree, id, grows)
    const along = axis === 'x' ? (x - box.x) / box.w : (y - box.y) / box.h
    const outward = axis === 'y' ? (grows === 'left' ? 'left' : 'right') : grows === 'up' || (grows !== 'down' && slip.opens === 'up') ? 'up' : 'down'
    const beyond = { down: y > box.y + box.h * 0.7, up: y < box.y + box.h * 0.3, right: x > box.x + box.w * 0.7, left: x < box.x + box.w * 0.3 }[outward]
    const side = grows !== 'down' && grows !== 'up' && (topic.parent === tree.root || isRoot) ? { side: sideSeen(tree, grows) } : {}
    const name = plainTitle(topic.title).slice(0, 60)
    if (!isRoot && slip.level > 0 && !beyond && (along < 0.33 || along > 0.67)) {
        const isNear = along < 0.33
        const before = isNear === forward > 0
        const mark = axis === 'x'
            ? { x: isNear ? box.x - SLOT.h : box.x + box.w, y: box.y, w: SLOT.h, h: Math.max(box.h, 24), into: false }
            : { x: grows === 'right' ? box.x : box.x + box.w - SLOT.w, y: isNear ? box.y - SLOT.h + 2 : box.y + box.h - 2, ...SLOT, into: false }
        return { region: 'board', place: before ? { before: id, ...side } : { after: id, ...side }, words: `${before ? 'before' : 'after'} ${name}`, mark, over: null }
    }
    const isFirst = childrenOf(tree, id).length === 0
    const mark = slip.opens === 'down' || slip.opens === 'up'
        ? { x: box.x + box.w / 2 - SLOT.w / 2, y: slip.opens === 'up' ? box.y - 10 - SLOT.h : box.y + box.h + 10, ...SLOT, into: true }
        : { x: grows !== 'left' ? box.x + box.w + REACH : box.x - REACH - SLOT.w, y: box.y + box.h / 2 - SLOT.h / 2, ...SLOT, into: true }
    return { region: 'board', place: { parent: id, ...(isRoot ? side : {}) }, words: `${isFirst ? 'below' : 'last below'} ${name}`, mark, over: slip.hidden > 0 ? id : null }
}

/** Along which axis the topics beside one follow each other as they are drawn, and whether with it or against it. */
function wayOfSiblings(tree: Tree, id: string, grows: DrawnSlip['grows']): { axis: 'x' | 'y'; forward: 1 | -1 } {
    const parent = tree.topics.get(id)?.parent
    const head = parent == null ? null : arrangementOf(tree, parent)
    const across = isMirrored(tree) ? -1 : 1
    if (parent != null && head === 'fishbone') {
        const isTurned = rowOf(tree, 'arrangement', parent)?.fields.head === 'left'
        return { axis: 'x', forward: (across > 0) === isTurned ? 1 : -1 }
    }
    if (head === 'timeline' || isCell(tree, id) || grows === 'down' || grows === 'up') {
        return { axis: 'x', forward: across }
    }
    // All around they go clockwise, or against that in a mirrored map.
    return { axis: 'y', forward: head === 'round' && grows === sideSeen(tree, 'left') ? -1 : 1 }
}
