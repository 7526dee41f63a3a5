import { shallowRef } from 'vue'
import type { Slip } from '@/api/wire'
import { useMap } from '@/stores/map'
import { childrenOf, topsOf, type Tree } from '@/stores/tree'
import { usePointerDrag } from '@/ui/usePointerDrag'
import type { Box } from './geometry'

/** Where dragged topics would land, and the pale slot that shows it. */
export interface Landing {
    place: { parent: string; first?: true } | { before: string } | { after: string }
    side?: 'left' | 'right'
    /** What the place is called, for those who hear it. */
    words: string
    slot: Box
}

interface Drag {
    ids: readonly string[]
    /** From the pointer to the corner of the topic it took. */
    dx: number
    dy: number
    x: number
    y: number
    landing: Landing | null
}

const EDGE = 40
const SLOT = { w: 74, h: 14 }

/** Dragging topics on the board onto a parent or between siblings. Escape leaves everything as it was. */
export function useTopicDrag(options: {
    boxes: () => ReadonlyMap<string, Box>
    slips: () => ReadonlyMap<string, Slip>
    toBoard: (x: number, y: number) => { x: number; y: number }
    panBy: (dx: number, dy: number) => void
    frame: () => HTMLElement | null
}) {
    const map = useMap()
    const drag = shallowRef<Drag | null>(null)
    let last: PointerEvent | null = null
    let scrolling = 0

    function begin(id: string, pressed: { x: number; y: number }): boolean {
        if (!map.chosen.includes(id)) {
            map.choose(id)
        }
        const at = options.toBoard(pressed.x, pressed.y)
        const box = options.boxes().get(id)
        const ids = topsOf(map.tree, map.chosen).filter((one) => one !== map.tree.root)
        if (ids.length === 0) {
            return false
        }
        drag.value = { ids, dx: (box?.x ?? at.x) - at.x, dy: (box?.y ?? at.y) - at.y, x: at.x, y: at.y, landing: null }
        scrolling = requestAnimationFrame(scroll)
        return true
    }

    function follow(event: PointerEvent): void {
        last = event
        if (drag.value !== null) {
            const { x, y } = options.toBoard(event.clientX, event.clientY)
            drag.value = { ...drag.value, x, y, landing: landingAt(x, y, drag.value.ids) }
        }
    }

    /** Near the edge of the board the view moves along. */
    function scroll(): void {
        const bounds = options.frame()?.getBoundingClientRect()
        if (drag.value === null || bounds === undefined) {
            return
        }
        const pull = (at: number, low: number, high: number): number => (at < low + EDGE ? low + EDGE - at : at > high - EDGE ? high - EDGE - at : 0) / 4
        const dx = last === null ? 0 : pull(last.clientX, bounds.left, bounds.right)
        const dy = last === null ? 0 : pull(last.clientY, bounds.top, bounds.bottom)
        if (last !== null && (dx !== 0 || dy !== 0)) {
            options.panBy(dx, dy)
            follow(last)
        }
        scrolling = requestAnimationFrame(scroll)
    }

    function landingAt(x: number, y: number, ids: readonly string[]): Landing | null {
        const moved = new Set(ids)
        const isWithin = (id: string | null): boolean => {
            for (let at = id; at !== null; at = map.tree.topics.get(at)?.parent ?? null) {
                if (moved.has(at)) {
                    return true
                }
            }
            return false
        }
        let best: { id: string; box: Box; distance: number } | null = null
        for (const [id, box] of options.boxes()) {
            const dx = Math.max(box.x - x, 0, x - box.x - box.w)
            const dy = Math.max(box.y - y, 0, y - box.y - box.h)
            const distance = Math.hypot(dx, dy * 1.5)
            if (distance < (best?.distance ?? 90) && map.tree.topics.has(id) && !isWithin(id)) {
                best = { id, box, distance }
            }
        }
        return best === null ? null : landingBy(best.id, best.box, x, y, map.tree, options.slips())
    }

    function drop(): void {
        const landing = drag.value?.landing
        if (drag.value !== null && landing != null) {
            map.edit({ name: 'topic.move', topics: [...drag.value.ids], ...landing.place, ...(landing.side === undefined ? {} : { side: landing.side }) })
        }
    }

    function end(): void {
        cancelAnimationFrame(scrolling)
        last = null
        drag.value = null
    }

    return { drag, ...usePointerDrag({ begin, follow, drop, end }) }
}

/** Over the upper or lower third of a topic one lands beside it, in the middle or beyond its outer edge below it. */
function landingBy(id: string, box: Box, x: number, y: number, tree: Tree, slips: ReadonlyMap<string, Slip>): Landing | null {
    const topic = tree.topics.get(id)
    const slip = slips.get(id)
    if (topic === undefined || slip === undefined) {
        return null
    }
    const isRoot = id === tree.root
    const grows = isRoot ? (x < box.x + box.w / 2 && tree.arrangement === 'both-sides' ? 'left' : 'right') : slip.grows
    const along = (y - box.y) / box.h
    const beyond = grows === 'right' ? x > box.x + box.w * 0.7 : x < box.x + box.w * 0.3
    const side = topic.parent === tree.root || isRoot ? { side: grows } : {}
    const name = topic.title.slice(0, 60)
    if (!isRoot && topic.parent !== null && !beyond && (along < 0.33 || along > 0.67)) {
        const above = along < 0.33
        const slot = { x: grows === 'right' ? box.x : box.x + box.w - SLOT.w, y: above ? box.y - SLOT.h + 2 : box.y + box.h - 2, ...SLOT }
        return { place: above ? { before: id } : { after: id }, words: `${above ? 'before' : 'after'} ${name}`, slot, ...side }
    }
    const lastChild = childrenOf(tree, id).at(-1)
    const reach = 28
    const slot = { x: grows === 'right' ? box.x + box.w + reach : box.x - reach - SLOT.w, y: box.y + box.h / 2 - SLOT.h / 2, ...SLOT }
    return { place: { parent: id }, words: `${lastChild === undefined ? 'below' : 'last below'} ${name}`, slot, ...(isRoot ? side : {}) }
}
