interface Point { readonly x: number; readonly y: number }

/** Two fingers on the stage: how much farther from each other they are than before, and how far their middle has gone. */
export class Fingers {
    private readonly at = new Map<number, Point>()
    /** After two fingers were down, nothing is a press until all are up. */
    private wereTwo = false

    constructor(private readonly moved: (by: number, at: Point, x: number, y: number) => void, private readonly left: () => void) {
    }

    /** @returns whether a finger comes beside another, so that neither is a press of its own */
    down(event: PointerEvent): boolean {
        if (event.pointerType !== 'touch') {
            return false
        }
        this.at.set(event.pointerId, { x: event.clientX, y: event.clientY })
        this.wereTwo ||= this.at.size > 1
        return this.wereTwo
    }

    /** @returns whether the move was theirs */
    move(event: PointerEvent): boolean {
        const was = this.at.get(event.pointerId)
        if (was === undefined) {
            return false
        }
        const other = [...this.at].find(([id]) => id !== event.pointerId)?.[1]
        const now = { x: event.clientX, y: event.clientY }
        this.at.set(event.pointerId, now)
        if (other === undefined || this.at.size !== 2) {
            return this.wereTwo
        }
        const apart = (one: Point): number => Math.max(10, Math.hypot(one.x - other.x, one.y - other.y))
        this.moved(apart(now) / apart(was), { x: (now.x + other.x) / 2, y: (now.y + other.y) / 2 }, (now.x - was.x) / 2, (now.y - was.y) / 2)
        return true
    }

    /** @returns whether the finger was one of two */
    up(event: PointerEvent): boolean {
        this.at.delete(event.pointerId)
        const were = this.wereTwo
        if (were && this.at.size === 1) {
            this.left()
        }
        this.wereTwo &&= this.at.size > 0
        return were
    }
}
