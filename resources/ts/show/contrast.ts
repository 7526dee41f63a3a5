/** Relative luminance of a colour as the page computes it; see WCAG 2.2, "relative luminance". */
export function luminance([r, g, b]: readonly [number, number, number]): number {
    const part = (value: number): number => (value / 255 <= 0.04045 ? value / 255 / 12.92 : ((value / 255 + 0.055) / 1.055) ** 2.4)
    return 0.2126 * part(r) + 0.7152 * part(g) + 0.0722 * part(b)
}

export function contrast(a: readonly [number, number, number], b: readonly [number, number, number]): number {
    const [high = 0, low = 0] = [luminance(a), luminance(b)].sort((x, y) => y - x)
    return (high + 0.05) / (low + 0.05)
}

/** What is dimmed is still recognised at this contrast, which WCAG asks of large type and of things that are no type. */
const LEAST = 3

function colour(value: string): [number, number, number] {
    const parts = value.match(/[\d.]+/g)?.map(Number) ?? []
    return [parts[0] ?? 0, parts[1] ?? 0, parts[2] ?? 0]
}

/** The least opacity at which ink on the board is still recognised, on the board that is chosen now. */
export function leastRest(): number {
    const style = getComputedStyle(document.body)
    const [ink, board] = [colour(style.color), colour(style.backgroundColor)]
    for (let rest = 0.2; rest < 1; rest += 0.02) {
        const mixed = ink.map((part, i) => part * rest + (board[i] ?? 0) * (1 - rest)) as [number, number, number]
        if (contrast(mixed, board) >= LEAST) {
            return rest
        }
    }
    return 1
}
