import type { Slip } from '@/api/wire'
import { lookOf } from './looks'

/** The bar along the edge of a slip that faces its parent, round where the slip is. */
export function spinePath(slip: Slip): string {
    const { corner: r, spine: s } = lookOf(slip.level)
    const { w, h } = slip
    const inner = h - 2 * r
    switch (slip.spine) {
        case 'left':
            return `M${r} 0A${r} ${r} 0 0 0 0 ${r}v${inner}A${r} ${r} 0 0 0 ${r} ${h}H${Math.max(s, r)}L${s} ${h - r}V${r}L${Math.max(s, r)} 0Z`
        case 'right':
            return `M${w - r} 0A${r} ${r} 0 0 1 ${w} ${r}v${inner}A${r} ${r} 0 0 1 ${w - r} ${h}L${w - s} ${h - r}V${r}Z`
        case 'top':
            return `M0 ${r}A${r} ${r} 0 0 1 ${r} 0H${w - r}A${r} ${r} 0 0 1 ${w} ${r}L${w - r} ${s}H${r}Z`
    }
}

/** A stroke for each topic folded away, up to five. */
export function tallyPath(slip: Slip): string {
    const x = { right: slip.w + 9, left: -9 - 20, down: slip.w / 2 - 10 }[slip.opens]
    const middle = slip.opens === 'down' ? slip.h + 15 : slip.h / 2
    let strokes = ''
    for (let i = 0; i < Math.min(4, slip.hidden); i++) {
        strokes += `M${x + 5 * i} ${middle - 7 + (i % 2)}l${i % 2 ? 0.8 : -0.6} 13`
    }
    return slip.hidden === 5 ? `${strokes}M${x - 3} ${middle + 5}l21 -10` : strokes
}

export function noteSignPath(slip: Slip): string {
    const look = lookOf(slip.level)
    const x = slip.w - look.padX - 11 - (slip.spine === 'right' ? look.spine : 0)
    return `M${x} ${look.padY + look.line / 2 - 5}h11m-11 5h11m-11 5h6`
}

/** The ring around a chosen slip, with a gap, drawn as chalk goes: not quite closed. */
export function ringPath(slip: Slip): string {
    const gap = 4
    const r = lookOf(slip.level).corner + gap
    const [l, t, w, h] = [-gap, -gap, slip.w + 2 * gap, slip.h + 2 * gap]
    return `M${l + r + 6} ${t}H${l + w - r}a${r} ${r} 0 0 1 ${r} ${r}V${t + h - r}a${r} ${r} 0 0 1 ${-r} ${r}H${l + r}a${r} ${r} 0 0 1 ${-r} ${-r}V${t + r}a${r} ${r} 0 0 1 ${r - 2} ${-r}`
}
