/**
 * Things in the tray are put on what is chosen by a click, or dragged onto any topic. What ends a drag is no click.
 *
 * @param drop what is done with a thing that was let go over a topic
 */
export function useTrayDrag<T>(drop: (thing: T, topic: string) => void) {
    let wasDragged = false
    let dragged: { thing: T; x: number; y: number } | null = null

    function press(thing: T, event: PointerEvent): void {
        dragged = { thing, x: event.clientX, y: event.clientY }
        wasDragged = false
        const target = event.currentTarget as HTMLElement
        target.setPointerCapture(event.pointerId)
    }

    function release(event: PointerEvent): void {
        const from = dragged
        dragged = null
        if (from === null || Math.hypot(event.clientX - from.x, event.clientY - from.y) < 6) {
            return
        }
        wasDragged = true
        const topic = document.elementFromPoint(event.clientX, event.clientY)?.closest<HTMLElement>('[data-topic]')?.dataset.topic
        if (topic !== undefined) {
            drop(from.thing, topic)
        }
    }

    return { press, release, isClick: (): boolean => !wasDragged }
}
