import { interpolateZoom } from 'd3-interpolate'
import type { Rect } from './deck'

/** Where one looks at on a board: what is in the middle, and pixels of the screen for one of the board. */
export interface Camera { readonly x: number; readonly y: number; readonly scale: number }

export interface Size { readonly w: number; readonly h: number }

/** How many times larger than on the board things become at most, on a screen of 1280 pixels. */
const LARGEST = 2.4
/** Room at the edges, of the width of the screen. */
const EDGE = 0.024
/** So that a glide takes no longer, and is still seen, milliseconds. */
const LONGEST = 1500
const SHORTEST = 420
const STEPS = 30

/** A frame as large as it fits below so many pixels of a title. */
export function fitted(frame: Rect, size: Size, top: number): Camera {
    const edge = size.w * EDGE
    const [w, h] = [Math.max(40, size.w - 2 * edge), Math.max(40, size.h - top - edge - (top === 0 ? edge : 0))]
    const scale = Math.min(w / frame[2], h / frame[3], (LARGEST * size.w) / 1280)
    const middle = top === 0 ? size.h / 2 : top + h / 2
    return { x: frame[0] + frame[2] / 2, y: frame[1] + frame[3] / 2 + (size.h / 2 - middle) / scale, scale }
}

/** Close to a box, with what is around it. */
export function closeTo(box: Rect, size: Size, from: Camera): Camera {
    const scale = Math.max(from.scale, Math.min((0.5 * size.w) / box[2], (0.3 * size.h) / box[3], (2.2 * size.w) / 1280))
    return { x: box[0] + box[2] / 2, y: box[1] + box[3] / 2, scale }
}

export const shifted = (camera: Camera, x: number, y: number): Camera => ({ x: camera.x + x, y: camera.y + y, scale: camera.scale })

/** The way from one camera to another, out and in again where they are far from each other, and how long it takes. */
export function glide(from: Camera, to: Camera, size: Size): { cameras: Camera[]; milliseconds: number } {
    const way = interpolateZoom([from.x, from.y, size.w / from.scale], [to.x, to.y, size.w / to.scale])
    const cameras: Camera[] = []
    for (let i = 0; i <= STEPS; i++) {
        const t = i / STEPS
        const [x, y, w] = way(t * t * (3 - 2 * t))
        cameras.push({ x, y, scale: size.w / w })
    }
    cameras[0] = from
    cameras[STEPS] = to
    return { cameras, milliseconds: Math.min(LONGEST, Math.max(SHORTEST, way.duration * 0.55)) }
}

/** How what was painted for one camera is moved and stretched so that it is as another sees it. */
export function transform(region: Rect, painted: Camera, camera: Camera, size: Size): string {
    const [x, y] = [size.w / 2 - (camera.x - region[0]) * camera.scale, size.h / 2 - (camera.y - region[1]) * camera.scale]
    return `translate(${x}px, ${y}px) scale(${camera.scale / painted.scale})`
}
