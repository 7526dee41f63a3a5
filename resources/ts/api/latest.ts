/**
 * Tells whether an answer is still wanted when it comes: begin() is called before asking, and what it gives is true
 * until the next question begins or all are dropped.
 */
export function latest(): { begin: () => () => boolean; drop: () => void } {
    let asked = 0
    return {
        begin() {
            const mine = ++asked
            return () => mine === asked
        },
        drop() {
            asked++
        },
    }
}
