import type { BoardName } from '@/stores/preferences'

/** Tells the server, by a cookie, how the board stands in the window, so that the page of a map can carry its picture. */
export function keepFrame(theme: BoardName, board: { x: number; y: number; w: number; h: number } | null): void {
    const at = board === null ? '' : `.${window.innerWidth}x${window.innerHeight}.${[board.x, board.y, board.w, board.h].map(Math.round).join()}`
    document.cookie = `chalk-frame=${theme}${at}; path=/; max-age=31536000; samesite=lax`
}

export const knowsFrame = (): boolean => document.cookie.includes('chalk-frame=')

/** Takes away the picture that came with the page, once the board is painted or will not be. */
export function endFirstPicture(): void {
    const picture = document.getElementById('first-picture')
    if (picture !== null) {
        // What was put in the document now is on the screen after the second frame.
        requestAnimationFrame(() => requestAnimationFrame(() => picture.remove()))
    }
}
