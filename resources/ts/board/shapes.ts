/** The ring around a chosen slip, with a gap, drawn as chalk goes: not quite closed. */
export function ringPath(slip: { w: number; h: number }, corner: number): string {
    const gap = 4
    const r = corner + gap
    const [l, t, w, h] = [-gap, -gap, slip.w + 2 * gap, slip.h + 2 * gap]
    return `M${l + r + 6} ${t}H${l + w - r}a${r} ${r} 0 0 1 ${r} ${r}V${t + h - r}a${r} ${r} 0 0 1 ${-r} ${r}H${l + r}a${r} ${r} 0 0 1 ${-r} ${-r}V${t + r}a${r} ${r} 0 0 1 ${r - 2} ${-r}`
}

/** How round the ring is at its corners: as round as the shape, so far as a ring can be. */
export function ringCorner(box: { shape: string; corner: number }, slip: { w: number; h: number }): number {
    const round = Math.min(slip.w, slip.h) / 2
    return { capsule: round, circle: round, oval: round * 0.8, rectangle: 2 }[box.shape] ?? Math.min(box.corner, round)
}
