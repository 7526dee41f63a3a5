import { useEventListener } from '@vueuse/core'
import { useWalk } from './walkStore'
import { useWalkWay } from './walkWay'

/** How far a finger goes before that is a swipe, pixels, and how long that may take, milliseconds. */
const SWIPE = 50
const SWIFT = 600
/** A press that ends where it began. */
const STILL = 8
/** At this part of the left a press goes back. */
const EDGE = 0.12

/**
 * A walk by mouse and by fingers: a press beside the topics goes on, at the left edge back, as the right button does; a swipe to
 * the left goes on, to the right back, upwards deeper, downwards past the branch. Slower, and with two fingers, the board moves.
 */
export function useFingers(): void {
    const walk = useWalk()
    let from: { x: number; y: number; at: number } | null = null
    /** Fingers that are down; more than one never swipe. */
    const down = new Set<number>()

    const way = useWalkWay()
    const isBoard = (event: Event): boolean => event.target instanceof Element && event.target.closest('.board') !== null
    const isOnThing = (event: Event): boolean => event.target instanceof Element && event.target.closest('[data-topic], [data-touch], .controls') !== null

    useEventListener(window, 'pointerdown', (event) => {
        if (isBoard(event)) {
            down.add(event.pointerId)
            if (down.size > 1) {
                way.zoomedByHand()
            }
            from = down.size === 1 ? { x: event.clientX, y: event.clientY, at: event.timeStamp } : null
        }
    }, { capture: true })
    useEventListener(window, ['pointerup', 'pointercancel'], (event) => {
        const was = from
        from = null
        down.delete(event.pointerId)
        if (was === null || event.type === 'pointercancel' || event.button !== 0 || !isBoard(event)) {
            return
        }
        const [x, y] = [event.clientX - was.x, event.clientY - was.y]
        if (Math.hypot(x, y) < STILL) {
            const on = event.target as Element
            const topic = event.pointerType === 'touch' && on.closest('.link, [data-touch]') === null ? on.closest<SVGElement>('[data-topic]')?.dataset.topic : undefined
            if (topic !== undefined) {
                // Not every touch becomes a click.
                walk.go(topic)
            } else if (!isOnThing(event)) {
                walk.does(event.clientX < window.innerWidth * EDGE ? 'back' : 'on')
            }
        } else if (event.pointerType !== 'mouse' && event.timeStamp - was.at < SWIFT && Math.max(Math.abs(x), Math.abs(y)) > SWIPE) {
            walk.does(Math.abs(x) > Math.abs(y) ? (x < 0 ? 'on' : 'back') : y < 0 ? 'deeper' : 'skip')
        }
    }, { capture: true })
    useEventListener(window, 'wheel', (event) => isBoard(event) && way.zoomedByHand(), { capture: true, passive: true })
    useEventListener(window, 'contextmenu', (event) => {
        if (isBoard(event)) {
            event.preventDefault()
            walk.does('back')
        }
    })
}
