/** Milliseconds after which something runs although no frame came, as in a window that nobody sees. */
const LONGEST = 120

/**
 * Runs something when the next frame is painted, or soon after if none comes.
 *
 * @param presented milliseconds to leave for the frame to get to the screen
 * @returns what runs it at once instead, if it has not run yet
 */
export function afterFrame(run: () => void, presented = 0): { now(): void; drop(): void } {
    let isOver = false
    let timer: ReturnType<typeof setTimeout> | undefined
    const frame = requestAnimationFrame(() => {
        clearTimeout(timer)
        timer = setTimeout(now, presented)
    })
    timer = setTimeout(now, LONGEST)

    function drop(): void {
        isOver = true
        cancelAnimationFrame(frame)
        clearTimeout(timer)
    }

    function now(): void {
        if (!isOver) {
            drop()
            run()
        }
    }

    return { now, drop }
}
