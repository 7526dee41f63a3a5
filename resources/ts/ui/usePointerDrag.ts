import { onBeforeUnmount } from 'vue'

/** So many pixels of movement make a press a drag. */
const SLACK = 5

/**
 * The way of every drag of topics: a press, a little movement, then following the pointer until it is let go, or
 * until Escape leaves everything as it was. Touch is left to scrolling and panning.
 */
export function usePointerDrag(on: {
    /** The press has become a drag; false if it must not. */
    begin: (id: string, pressed: { x: number; y: number }) => boolean
    follow: (event: PointerEvent) => void
    drop: () => void
    /** After a drop as after Escape. */
    end: () => void
}) {
    let pressed: { id: string; x: number; y: number } | null = null
    let dragging = false

    function down(event: PointerEvent, id: string): void {
        if (event.button !== 0 || event.pointerType === 'touch') {
            return
        }
        pressed = { id, x: event.clientX, y: event.clientY }
        window.addEventListener('pointermove', move)
        window.addEventListener('pointerup', up)
        window.addEventListener('pointercancel', stop)
        window.addEventListener('keydown', key, { capture: true })
    }

    function move(event: PointerEvent): void {
        if (pressed === null || (!dragging && Math.hypot(event.clientX - pressed.x, event.clientY - pressed.y) < SLACK)) {
            return
        }
        if (!dragging && !on.begin(pressed.id, pressed)) {
            stop()
            return
        }
        dragging = true
        on.follow(event)
    }

    function key(event: KeyboardEvent): void {
        if (event.key === 'Escape' && dragging) {
            event.preventDefault()
            event.stopPropagation()
            stop()
        }
    }

    function up(): void {
        if (dragging) {
            on.drop()
        }
        stop()
    }

    function stop(): void {
        pressed = null
        dragging = false
        window.removeEventListener('pointermove', move)
        window.removeEventListener('pointerup', up)
        window.removeEventListener('pointercancel', stop)
        window.removeEventListener('keydown', key, { capture: true })
        on.end()
    }

    onBeforeUnmount(stop)

    return { down }
}
