import { shallowRef } from 'vue'
import { usePointerDrag } from '@/ui/usePointerDrag'
import { useCamera } from './cameraStore'

/** How far a handle was dragged, in pixels of the board, and where the pointer is in the window. */
export interface Dragged { readonly x: number; readonly y: number; readonly clientX: number; readonly clientY: number }

/**
 * A handle on the board that is dragged: how far from where it was taken, until it is let go or Escape leaves all as it
 * was.
 */
export function useHandleDrag(drop: (by: Dragged) => void) {
    const camera = useCamera()
    const by = shallowRef<Dragged | null>(null)
    let from = { x: 0, y: 0 }

    const { down } = usePointerDrag({
        begin: (_id, pressed) => {
            from = pressed
            return true
        },
        follow: ({ clientX, clientY }) => (by.value = { x: (clientX - from.x) / camera.scale, y: (clientY - from.y) / camera.scale, clientX, clientY }),
        drop: () => by.value !== null && (by.value.x !== 0 || by.value.y !== 0) && drop(by.value),
        end: () => (by.value = null),
    })

    return { by, down }
}
