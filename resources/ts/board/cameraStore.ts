import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { useMap } from '@/stores/map'
import type { Slip } from '@/api/wire'
import { absoluteBoxes, type Box } from './geometry'
import { guessedSlip } from './guess'

/** What the board's camera can do; the board hands it over when it is there. */
export interface CameraHandle {
    showAll(): void
    centre(box: Box, scale?: number): void
    reveal(box: Box): void
    zoomBy(factor: number): void
}

/** The slips as drawn, with their places, and the camera over them. */
export const useCamera = defineStore('camera', () => {
    const map = useMap()
    const handle = shallowRef<CameraHandle | null>(null)
    const scale = ref(1)

    /** The scene, with guesses for what the server has not drawn yet and without what is going. */
    const drawn = computed<ReadonlyMap<string, Slip>>(() => {
        if (map.waiting.length === 0) {
            return map.slips
        }
        const slips = new Map([...map.slips].filter(([id]) => map.tree.topics.has(id)))
        for (const edit of map.waiting) {
            const id = edit.name === 'topic.add' ? edit.topic.id : edit.name === 'topic.retitle' ? edit.topic : undefined
            const topic = id === undefined ? undefined : map.tree.topics.get(id)
            const guess = topic === undefined ? null : guessedSlip(map.tree, topic, slips)
            if (guess !== null) {
                slips.set(guess.id, guess)
            }
        }
        return slips
    })

    const boxes = computed<ReadonlyMap<string, Box>>(() => absoluteBoxes(drawn.value))

    function withBox(id: string, act: (box: Box) => void): void {
        const box = boxes.value.get(id)
        if (box !== undefined) {
            act(box)
        }
    }

    return {
        handle, scale, drawn, boxes,
        showAll: (): void => handle.value?.showAll(),
        zoomBy: (factor: number): void => handle.value?.zoomBy(factor),
        centre: (id: string, to?: number): void => withBox(id, (box) => handle.value?.centre(box, to)),
        reveal: (id: string): void => withBox(id, (box) => handle.value?.reveal(box)),
    }
})
