import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { useMap } from '@/stores/map'
import { absoluteBoxes, type Box } from './geometry'
import { guessedSlip, type DrawnSlip } from './guess'

/** What the board's camera can do; the board hands it over when it is there. */
export interface CameraHandle {
    showAll(glides?: boolean): void
    centre(box: Box, scale?: number): void
    reveal(box: Box): void
    zoomBy(factor: number): void
    middle(): { x: number; y: number }
    toBoard(clientX: number, clientY: number): { x: number; y: number }
}

/** The scale at which what one was led to can be read. */
export const LEAST_READ = 0.75

/** The slips as drawn, with their places, and the camera over them. */
export const useCamera = defineStore('camera', () => {
    const map = useMap()
    const handle = shallowRef<CameraHandle | null>(null)
    const scale = ref(1)

    /** Slips that the server has not drawn yet, or not with the title they have now, as they may be. */
    const guesses = computed<readonly DrawnSlip[]>(() => {
        const found = new Map<string, DrawnSlip>()
        const known = { get: (id: string): DrawnSlip | undefined => found.get(id) ?? map.slips.get(id) }
        for (const edit of map.waiting) {
            const ids = edit.name === 'topic.add' ? [edit.topic.id ?? ''] : edit.name === 'topic.retitle' ? [edit.topic] : edit.name === 'entry.put' ? (edit.as ?? []) : []
            for (const topic of ids.flatMap((id) => map.tree.topics.get(id) ?? [])) {
                const guess = guessedSlip(map.tree, topic, known)
                if (guess !== null) {
                    found.set(guess.id, guess)
                }
            }
        }
        return [...found.values()]
    })

    const removing = computed(() => map.waiting.some((edit) => edit.name === 'topic.remove'))

    /** The scene, with guesses for what the server has not drawn yet and without what is going. */
    const drawn = computed<ReadonlyMap<string, DrawnSlip>>(() => {
        if (map.tried !== null) {
            return map.tried
        }
        if (guesses.value.length === 0 && !removing.value) {
            return map.slips
        }
        const slips = new Map<string, DrawnSlip>(map.slips)
        if (removing.value) {
            for (const id of map.slips.keys()) {
                if (!map.tree.topics.has(id)) {
                    slips.delete(id)
                }
            }
        }
        for (const guess of guesses.value) {
            slips.set(guess.id, guess)
        }
        return slips
    })

    const settledBoxes = computed<ReadonlyMap<string, Box>>(() => absoluteBoxes(map.tried ?? map.slips))

    /** Guesses stand beside what has its place already, so only they are added up. */
    const boxes = computed<ReadonlyMap<string, Box>>(() => {
        if (drawn.value === (map.tried ?? map.slips)) {
            return settledBoxes.value
        }
        const placed = new Map(settledBoxes.value)
        if (removing.value) {
            for (const id of settledBoxes.value.keys()) {
                if (!drawn.value.has(id)) {
                    placed.delete(id)
                }
            }
        }
        for (const guess of guesses.value) {
            const above = guess.parent === null ? { x: 0, y: 0 } : placed.get(guess.parent)
            if (above !== undefined) {
                placed.set(guess.id, { x: above.x + guess.x, y: above.y + guess.y, w: guess.w, h: guess.h })
            }
        }
        return placed
    })

    /** One slip as drawn, without going over all of them. */
    const slipOf = (id: string): DrawnSlip | undefined => guesses.value.find((guess) => guess.id === id) ?? map.slips.get(id)

    /** Where one slip stands, the same way. */
    function boxOf(id: string): Box | undefined {
        const guess = guesses.value.find((one) => one.id === id)
        if (guess === undefined) {
            return settledBoxes.value.get(id)
        }
        const above = guess.parent === null ? { x: 0, y: 0 } : boxOf(guess.parent)
        return above === undefined ? undefined : { x: above.x + guess.x, y: above.y + guess.y, w: guess.w, h: guess.h }
    }

    function withBox(id: string, act: (box: Box) => void): void {
        const box = boxes.value.get(id)
        if (box !== undefined) {
            act(box)
        }
    }

    /** A point in view at which nothing stands: the middle, or lower down. */
    function freePoint(): { x: number; y: number } {
        const { x, y } = handle.value?.middle() ?? { x: 0, y: 0 }
        let free = y
        for (const box of [...boxes.value.values()].sort((a, b) => a.y - b.y)) {
            if (box.x < x + 160 && x - 20 < box.x + box.w && box.y < free + 30 && free - 30 < box.y + box.h) {
                free = box.y + box.h + 40
            }
        }
        return { x: Math.round(x), y: Math.round(free) }
    }

    return {
        handle, scale, drawn, boxes, slipOf, boxOf, freePoint,
        showAll: (glides = true): void => handle.value?.showAll(glides),
        zoomBy: (factor: number): void => handle.value?.zoomBy(factor),
        centre: (id: string, to?: number): void => withBox(id, (box) => handle.value?.centre(box, to)),
        reveal: (id: string): void => withBox(id, (box) => handle.value?.reveal(box)),
        /** Brings it into view, and nearer where it is too small to be read. */
        show: (id: string): void => withBox(id, (box) => (scale.value < LEAST_READ ? handle.value?.centre(box, LEAST_READ) : handle.value?.reveal(box))),
    }
})
