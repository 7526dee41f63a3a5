import { shallowRef } from 'vue'
import { useMap } from '@/stores/map'
import { overlaps, type Box } from './geometry'

/** Choosing all topics in a rectangle that is drawn on the open board with Shift held. */
export function useLasso(options: { boxes: () => ReadonlyMap<string, Box>; toBoard: (x: number, y: number) => { x: number; y: number } }) {
    const map = useMap()
    const lasso = shallowRef<Box | null>(null)
    let from: { x: number; y: number } | null = null
    let before: readonly string[] = []

    function down(event: PointerEvent): void {
        from = options.toBoard(event.clientX, event.clientY)
        before = event.ctrlKey || event.metaKey ? map.chosen : []
        window.addEventListener('pointermove', move)
        window.addEventListener('pointerup', up)
        window.addEventListener('pointercancel', stop)
    }

    function move(event: PointerEvent): void {
        if (from !== null) {
            const to = options.toBoard(event.clientX, event.clientY)
            lasso.value = { x: Math.min(from.x, to.x), y: Math.min(from.y, to.y), w: Math.abs(to.x - from.x), h: Math.abs(to.y - from.y) }
        }
    }

    function up(): void {
        const frame = lasso.value
        if (frame !== null) {
            const caught = [...options.boxes()].filter(([, box]) => overlaps(box, frame)).map(([id]) => id)
            map.choose(...new Set([...before, ...caught]))
        }
        stop()
    }

    function stop(): void {
        window.removeEventListener('pointermove', move)
        window.removeEventListener('pointerup', up)
        window.removeEventListener('pointercancel', stop)
        from = lasso.value = null
    }

    return { lasso, down }
}
