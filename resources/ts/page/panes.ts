/** A window onto the board of a page. */
export interface Pane { readonly x: number; readonly y: number; readonly w: number; readonly h: number }

/** As "viewBox" has it. */
export function paneOf(text: string | null | undefined): Pane {
    const [x = 0, y = 0, w = 1, h = 1] = (text ?? '').split(' ').map(Number)
    return { x, y, w, h }
}

/** Another size about the same middle. */
export const resized = (pane: Pane, w: number, h: number): Pane => ({ x: pane.x - (w - pane.w) / 2, y: pane.y - (h - pane.h) / 2, w, h })

/** Widened or heightened to a ratio, so that all of it is seen. */
export const around = (pane: Pane, ratio: number): Pane => (pane.w / pane.h > ratio ? resized(pane, pane.w, pane.w / ratio) : resized(pane, pane.h * ratio, pane.h))

/** So much of it as has a ratio. */
export const within = (pane: Pane, ratio: number): Pane => (pane.w / pane.h > ratio ? resized(pane, pane.h * ratio, pane.h) : resized(pane, pane.w, pane.w / ratio))
