import type { DrawnSlip } from './guess'
import type { Box } from './geometry'
import { lineBox, overlaps } from './geometry'
import { lookOf } from './looks'

/** Type smaller than this on the screen is not drawn as type. */
export const LEAST_TYPE = 9
/** Of the titles that stand over their branches from afar, in pixels on the screen, by level; deeper ones like the last. */
const SIZES = [16, 13.5, 11.5, 11]
/** Titles that would be cut to less than this are left out, and no title is longer than that. */
const SHORTEST = 44
const LONGEST = 240
/** More are not tried: by then there is no room left. */
const MOST_TRIED = 320

const canvas = document.createElement('canvas').getContext('2d')

/** A title drawn large over its branch; the box is in pixels on the screen from the board's origin, scaled. */
export interface FarLabel {
    readonly id: string
    readonly text: string
    readonly size: number
    readonly bold: boolean
    /** On the board. */
    readonly box: Box
    readonly level: number
    readonly chalk: string
    readonly spine: DrawnSlip['spine']
}

export const isReadable = (slip: { readonly look: string }, scale: number): boolean => lookOf(slip).type.size * scale >= LEAST_TYPE

interface Scene {
    boxes: ReadonlyMap<string, Box>
    slips: ReadonlyMap<string, DrawnSlip>
    title: (id: string) => string
    /** Topics that need no title, because something else of them can be seen. */
    isLeftOut: (slip: DrawnSlip) => boolean
}

/**
 * The titles that are readable from afar: those of the upper levels first, each beside or over its bar where it covers
 * no other title and nothing that is drawn readable, cut with an ellipsis where it has to be.
 */
export function farLabels({ boxes, slips, title, isLeftOut }: Scene, painted: Box, scale: number): FarLabel[] {
    // Twice the window is painted, and a title should not hang over its edge.
    const seen = { x: painted.x + painted.w / 4, y: painted.y + painted.h / 4, w: painted.w / 2, h: painted.h / 2 }
    const taken: Box[] = []
    // Along which topics stand; the root's title may cover the beginning of its own.
    const lines: Box[] = []
    const levels: string[][] = []
    for (const [id, box] of boxes) {
        const slip = slips.get(id)
        if (slip?.line !== undefined) {
            lines.push(lineBox(slip.line, box))
        }
        if (slip === undefined || !overlaps(box, painted) || isLeftOut(slip)) {
            continue
        }
        if (isReadable(slip, scale)) {
            taken.push(box)
        } else {
            (levels[slip.level] ??= []).push(id)
        }
    }
    const labels: FarLabel[] = []
    let tried = 0
    for (const [level, ids] of levels.entries()) {
        taken.push(...(level === 1 ? lines : []))
        // The deepest look stands for all levels below it; these are the quiet ones.
        for (const id of level < SIZES.length - 1 ? (ids ?? []) : []) {
            if (tried++ >= MOST_TRIED) {
                return labels
            }
            const label = placed(id, title(id), slips.get(id) as DrawnSlip, boxes.get(id) as Box, scale, taken, overlaps(boxes.get(id) as Box, seen) ? seen : painted)
            if (label !== null) {
                labels.push(label)
                taken.push(label.box)
            }
        }
    }
    return labels
}

function placed(id: string, title: string, slip: DrawnSlip, box: Box, scale: number, taken: readonly Box[], within: Box): FarLabel | null {
    const size = SIZES[slip.level] ?? 11
    const bold = slip.level < 2
    const text = title.replace(/\s+/g, ' ').trim()
    if (text === '') {
        return null
    }
    const full = Math.min(LONGEST, measure(text, size, bold))
    const h = (size * 1.3) / scale
    const y = box.y + box.h / 2 - h / 2
    for (const share of [1, 0.7, 0.45]) {
        const width = Math.max(Math.min(full, SHORTEST), full * share)
        const w = width / scale
        // Outwards over its branch, in the middle, inwards over the way to its parent, above, below.
        const places = [
            { x: slip.grows === 'left' ? box.x + box.w - w : box.x, y },
            { x: box.x + box.w / 2 - w / 2, y },
            { x: slip.grows === 'left' ? box.x : box.x + box.w - w, y },
            { x: box.x + box.w / 2 - w / 2, y: box.y - h },
            { x: box.x + box.w / 2 - w / 2, y: box.y + box.h },
        ]
        for (const place of slip.level === 0 ? [places[1] as { x: number; y: number }, ...places] : places) {
            const label = { ...place, w, h }
            if (isInside(label, within) && !taken.some((other) => overlaps(label, other))) {
                return { id, text: cut(text, width, size, bold), size, bold, box: label, level: slip.level, chalk: slip.chalk, spine: slip.spine }
            }
        }
        if (full <= SHORTEST) {
            break
        }
    }
    return null
}

const isInside = (a: Box, b: Box): boolean => a.x >= b.x && a.y >= b.y && a.x + a.w <= b.x + b.w && a.y + a.h <= b.y + b.h

/** As much of a text as fits, with an ellipsis where that is not all. */
function cut(text: string, width: number, size: number, bold: boolean): string {
    if (measure(text, size, bold) <= width + 0.5) {
        return text
    }
    let [least, most] = [0, text.length]
    while (least < most) {
        const middle = Math.ceil((least + most) / 2)
        if (measure(`${text.slice(0, middle).trimEnd()}…`, size, bold) <= width) {
            least = middle
        } else {
            most = middle - 1
        }
    }
    return `${text.slice(0, least).trimEnd()}…`
}

/** With a little room at both ends, so that two titles never touch. */
function measure(text: string, size: number, bold: boolean): number {
    if (canvas === null) {
        return text.length * size * 0.56 + 12
    }
    canvas.font = `${bold ? '700 ' : ''}${size}px "Atkinson Hyperlegible"`
    return canvas.measureText(text).width + 12
}
