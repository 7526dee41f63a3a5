import { onScopeDispose, shallowRef, watch, type Ref } from 'vue'
import { useMap } from '@/stores/map'

/**
 * Follows a value, but while a title is being typed on the board only after the next frame is painted: what stands
 * beside the board must not hold up the caret or a letter.
 */
export function afterPaint<T>(read: () => T): Readonly<Ref<T>> {
    const map = useMap()
    const value = shallowRef(read()) as Ref<T>
    let frame = 0
    let timer: ReturnType<typeof setTimeout> | undefined

    function follow(): void {
        cancelAnimationFrame(frame)
        clearTimeout(timer)
        frame = 0
        value.value = read()
    }

    watch(read, () => {
        if (map.editing?.where !== 'board') {
            follow()
        } else if (frame === 0) {
            frame = requestAnimationFrame(() => (timer = setTimeout(follow)))
        }
    })
    onScopeDispose(() => {
        cancelAnimationFrame(frame)
        clearTimeout(timer)
    })
    return value
}
