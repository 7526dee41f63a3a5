const KEY = 'chalk-left'
/** Milliseconds; later the server has heard of it, and another device may have chosen since. */
const FRESH = 10_000

/** Remembers what was chosen as a map is left, for one who comes back before the server has heard of it. */
export function rememberLeft(map: string, chosen: string | null): void {
    sessionStorage.setItem(KEY, JSON.stringify({ map, chosen, at: Date.now() }))
}

/** What was chosen in a map when it was left a moment ago; null if that was longer ago, or elsewhere. */
export function choiceLeft(map: string): string | null {
    try {
        const left = JSON.parse(sessionStorage.getItem(KEY) ?? '{}') as { map?: string; chosen?: string | null; at?: number }
        return left.map === map && Date.now() - (left.at ?? 0) < FRESH ? (left.chosen ?? null) : null
    } catch {
        return null
    }
}
