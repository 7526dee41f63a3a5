import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { api } from '@/api/client'
import type { Edit } from '@/api/wire'
import { tell } from '@/ui/tell'
import { useMap, newId, type Region } from './map'
import { childrenOf, topsOf } from './tree'

type Place = Pick<Extract<Edit, { name: 'topic.move' }>, 'parent' | 'before' | 'after' | 'first' | 'side' | 'x' | 'y'>

/** Where topics that stand free would stand: their middles, from those of their parents. */
export interface Standing {
    readonly stand: readonly { readonly id: string; readonly x: number; readonly y: number }[]
}

/** Where dragged topics would land. What shows it is up to the part of the window it is in. */
export interface Landing {
    region: Region | 'table' | 'lot' | 'frame'
    place: Place | 'lot' | 'frame' | Standing
    /** What the place is called, for those who hear it. */
    words: string
    /** On the board: the pale slot. In the outline: the line, or the frame around one. */
    mark: { x: number; y: number; w: number; h: number; into: boolean }
    /** Lines along which what would stand so is aligned with others. */
    guides?: readonly { readonly x: number; readonly y: number; readonly w: number; readonly h: number }[]
    /** The folded topic it is over, which unfolds if one stays. */
    over: string | null
    /** What becomes of them, where that is not to be moved. */
    drop?: () => void
}

/** A part of the window on which topics can be dropped. */
export interface Target {
    element: () => HTMLElement | null
    landingAt: (x: number, y: number, ids: readonly string[]) => Landing | null
    scrollBy?: (dx: number, dy: number) => void
    /** What was dragged over has gone elsewhere. */
    left?: () => void
    /** Another document takes the topics itself. */
    take?: (guest: Guest) => void
}

/** Topics that come from another view. */
export interface Guest {
    map: string
    ids: readonly string[]
    copies: boolean
    /** Takes them out where they came from, once they have landed. */
    landed: () => void
}

const EDGE = 40
const UNFOLD_AFTER = 650

/** One drag for the whole window: from the board, the outline or the parking lot to any of these, or to the other view. */
export const useDrag = defineStore('drag', () => {
    const map = useMap()
    const targets = new Set<Target>()
    const ids = shallowRef<readonly string[]>([])
    const at = shallowRef<{ x: number; y: number } | null>(null)
    const landing = shallowRef<Landing | null>(null)
    const copies = ref(false)
    /** Whether Shift is held, by which topics are tied instead of moved. */
    const ties = ref(false)
    const isDragging = computed(() => ids.value.length > 0)
    let guest: Guest | null = null
    const hasGuest = ref(false)
    let target: Target | null = null
    let scrolling = 0
    /** Whether the edges of the part one is over pull: there it began, or one has been away from them. Who only comes in over an edge aims at what is within. */
    let pulls = true
    let isBegun = false
    let staying: { id: string; since: number } | null = null

    function offer(one: Target): () => void {
        targets.add(one)
        return () => targets.delete(one)
    }

    /** Takes up the chosen topics with the one that was pressed. */
    function begin(id: string): boolean {
        if (!map.chosen.includes(id)) {
            map.choose(id)
        }
        if (!map.mayEdit) {
            return false
        }
        ids.value = topsOf(map.tree, map.chosen).filter((one) => one !== map.tree.root)
        isBegun = false
        scrolling = requestAnimationFrame(scroll)
        return ids.value.length > 0
    }

    function follow(x: number, y: number, copying: boolean, tying = false): void {
        at.value = { x, y }
        copies.value = copying
        ties.value = tying
        const over = [...targets].find((one) => contains(one.element(), x, y)) ?? null
        if (over !== target) {
            target?.left?.()
            target = over
            pulls = !isBegun
        }
        isBegun = true
        landing.value = over?.landingAt(x, y, guest === null || guest.map === map.id ? ids.value : []) ?? null
        unfoldIfStaying()
    }

    function contains(element: HTMLElement | null, x: number, y: number): boolean {
        const box = element?.getBoundingClientRect()
        return box !== undefined && x >= box.left && x <= box.right && y >= box.top && y <= box.bottom
    }

    function unfoldIfStaying(): void {
        const id = landing.value?.over ?? null
        const region = landing.value?.region
        if (id === null || (region !== 'board' && region !== 'outline')) {
            staying = null
        } else if (staying?.id !== id) {
            staying = { id, since: performance.now() }
        } else if (performance.now() - staying.since > UNFOLD_AFTER) {
            staying = null
            map.setFolded(region, [id], false)
        }
    }

    /** Near an edge the view moves along; while the pointer rests over a folded topic, time goes on too. */
    function scroll(): void {
        const box = target?.element()?.getBoundingClientRect()
        if (box !== undefined && at.value !== null && target?.scrollBy !== undefined) {
            const pull = (where: number, low: number, high: number): number => (where < low + EDGE ? low + EDGE - where : where > high - EDGE ? high - EDGE - where : 0) / 4
            const [dx, dy] = [pull(at.value.x, box.left, box.right), pull(at.value.y, box.top, box.bottom)]
            if (dx === 0 && dy === 0) {
                pulls = true
            } else if (pulls) {
                target.scrollBy(dx, dy)
                follow(at.value.x, at.value.y, copies.value, ties.value)
            }
        }
        unfoldIfStaying()
        scrolling = requestAnimationFrame(scroll)
    }

    function drop(): void {
        const where = landing.value
        if (where === null) {
            return
        }
        if (where.drop !== undefined) {
            where.drop()
        } else if (where.place === 'frame') {
            const own = [...ids.value]
            target?.take?.({ map: map.id, ids: own, copies: copies.value, landed: () => map.edit({ name: 'topic.remove', topics: own }) })
        } else if (where.place === 'lot') {
            map.edit({ name: 'topic.park', topics: [...ids.value] })
        } else if (typeof where.place === 'object' && 'stand' in where.place) {
            const step = newId()
            map.edit(...where.place.stand.map(({ id, x, y }) => ({ name: 'row.set', step, type: 'place', topics: [id], fields: { x, y } }) as Edit))
        } else if (guest !== null && guest.map !== map.id) {
            void takeIn(guest, where.place)
        } else {
            land(where.place, [...(guest?.ids ?? ids.value)])
        }
    }

    function land(place: Place, topics: string[]): void {
        if (copies.value) {
            const as = topics.map(newId)
            map.edit({ name: 'topic.copy', topics, as, ...place })
        } else {
            map.edit({ name: 'topic.move', topics, ...place })
        }
    }

    async function takeIn(from: Guest, place: Place): Promise<void> {
        try {
            const { topics } = await api.copy(from.map, [...from.ids])
            const isTaken = await map.outcomeOf({ name: 'topic.add-many', topics, ...place })
            if (!isTaken) {
                tell.warning('The topics could not be put here, so they stay where they were.')
            } else if (!from.copies) {
                from.landed()
            }
        } catch (error) {
            tell.error((error as Error).message)
        }
    }

    function end(): void {
        cancelAnimationFrame(scrolling)
        target?.left?.()
        target = guest = staying = null
        hasGuest.value = false
        at.value = landing.value = null
        ids.value = []
    }

    /** Topics of another view are over this one, at a point of this window. */
    function welcome(from: Guest, x: number, y: number): boolean {
        if (guest === null) {
            guest = from
            hasGuest.value = true
            ids.value = from.map === map.id ? from.ids : ['guest']
        }
        follow(x, y, from.copies)
        return landing.value !== null
    }

    /** Lets go topics of another view where they are now. */
    function dropGuest(from: Guest): void {
        guest = from
        copies.value = from.copies
        drop()
    }

    /** Whether a topic is one of those dragged, or below one. */
    function isDragged(id: string): boolean {
        for (let one: string | null = id; one !== null; one = map.tree.topics.get(one)?.parent ?? null) {
            if (ids.value.includes(one)) {
                return true
            }
        }
        return false
    }

    const isFoldedHere = (id: string, where: Region): boolean => (where === 'board' ? map.folded : map.outlineFolded).has(id) && childrenOf(map.tree, id).length > 0

    return { ids, at, landing, copies, ties, isDragging, hasGuest, offer, begin, follow, drop, dropGuest, end, welcome, isDragged, isFoldedHere }
})
