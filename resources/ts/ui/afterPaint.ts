import { effect, onScopeDispose, shallowRef, stop, watch, type Ref } from 'vue'
import { useMap } from '@/stores/map'
import { afterFrame } from './afterFrame'

/** Milliseconds from the end of a frame until it is on the screen. */
const PRESENTED = 8

/**
 * Follows what a function reads, but while a title is being typed on the board only after the next frame is painted:
 * what is not the field itself must not hold up the caret or a letter. Nothing is even computed before.
 */
export function afterPaint<T>(read: () => T): Readonly<Ref<T>> {
    const map = useMap()
    const value = shallowRef() as Ref<T>
    /** How often what was read has changed. */
    const changes = shallowRef(0)
    let waiting: ReturnType<typeof afterFrame> | null = null

    const reading = effect(() => (value.value = read()), { scheduler: () => changes.value++ })

    function follow(): void {
        waiting?.drop()
        waiting = null
        reading()
    }

    // Whether one types is known when all that the key does is done.
    watch([changes, () => map.editing?.where], ([now], [before]) => {
        if (map.editing?.where !== 'board') {
            follow()
        } else if (now !== before) {
            waiting ??= afterFrame(follow, PRESENTED)
        }
    })
    onScopeDispose(() => {
        stop(reading)
        waiting?.drop()
    })
    return value
}
