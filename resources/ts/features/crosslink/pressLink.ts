import { shallowRef } from 'vue'
import { useCamera } from '@/board/cameraStore'
import { useMap } from '@/stores/map'
import { useUi } from '@/ui/uiStore'
import { useLinks } from './linkStore'

/** A cross-link that is being bent, and the point of the board to which. */
export const bending = shallowRef<{ readonly link: string; readonly x: number; readonly y: number } | null>(null)

const SLACK = 5

/** A press on a line that becomes a drag bends it there; Escape leaves it as it was. A click only chooses it. */
export function pressLink(ids: readonly string[] | null, event: PointerEvent): void {
    useMap().region = 'board'
    document.querySelector<HTMLElement>('[data-focus=board]')?.focus({ preventScroll: true })
    const id = ids?.[0]
    if (id === undefined || ids?.length !== 1 || event.button !== 0 || event.pointerType === 'touch') {
        return
    }
    const from = { x: event.clientX, y: event.clientY }
    const camera = useCamera()
    // While it is dragged the keys are its own.
    const ui = useUi()
    const ending = new AbortController()
    const listen = { signal: ending.signal, capture: true }
    window.addEventListener('pointermove', (moved) => {
        if (bending.value !== null || Math.hypot(moved.clientX - from.x, moved.clientY - from.y) >= SLACK) {
            const at = camera.handle?.toBoard(moved.clientX, moved.clientY)
            bending.value = at === undefined ? null : { link: id, ...at }
            ui.holdsKeys = bending.value !== null
        }
    }, listen)
    const stop = (keeps: boolean): void => {
        ending.abort()
        const bent = bending.value
        bending.value = null
        ui.holdsKeys = false
        if (keeps && bent !== null) {
            useLinks().choose([id])
            bendTo(id, bent)
        }
    }
    window.addEventListener('pointerup', () => stop(true), listen)
    window.addEventListener('pointercancel', () => stop(false), listen)
    window.addEventListener('keydown', (key) => {
        if (key.key === 'Escape' && bending.value !== null) {
            key.preventDefault()
            key.stopPropagation()
            stop(false)
        }
    }, listen)
}

/** Lets a cross-link go by a point: along the straight line between the middles of its topics, and beside it. */
function bendTo(id: string, { x, y }: { readonly x: number; readonly y: number }): void {
    const links = useLinks()
    const link = links.find(id)
    const ends = link === undefined ? null : endsOf(link)
    if (ends === null) {
        return
    }
    const [[ax, ay], [bx, by]] = ends
    const [dx, dy] = [bx - ax, by - ay]
    const length = Math.max(1, Math.hypot(dx, dy))
    const along = ((x - ax) * dx + (y - ay) * dy) / length / length
    links.set({ bendAt: Math.round(Math.max(-2, Math.min(3, along)) * 1000), bendBy: Math.round(((y - ay) * dx - (x - ax) * dy) / length) }, [id])
}

/** The middles of the boxes at both ends, or of what is shown of these. */
export function endsOf({ from, to }: { readonly from: string; readonly to: string }): [[number, number], [number, number]] | null {
    const [a, b] = [shownBox(from), shownBox(to)]
    return a === undefined || b === undefined ? null : [[a.x + a.w / 2, a.y + a.h / 2], [b.x + b.w / 2, b.y + b.h / 2]]
}

export function shownBox(topic: string): { readonly x: number; readonly y: number; readonly w: number; readonly h: number } | undefined {
    const [camera, map] = [useCamera(), useMap()]
    for (let at: string | null = topic; at !== null; at = map.tree.topics.get(at)?.parent ?? null) {
        const box = camera.boxes.get(at)
        if (box !== undefined) {
            return box
        }
    }
    return undefined
}
