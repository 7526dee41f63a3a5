import type { Afar, Opening, Rect, SaidLine, ShownDeck, ShownSlide, SlideDrawing, Way } from '@/api/wire'

/* What is shown. But for the shapes of what comes from the server, nothing in this folder knows the editor; pages that show themselves are made of it too. */

export type { Afar, Opening, Rect, SaidLine, ShownDeck, ShownSlide, SlideDrawing, Way }

/** Where drawings and files come from. */
export interface Source {
    drawing(slide: number, way: Way | null): Promise<SlideDrawing>
    /** All of what a slide is a part of, from afar; null where there is none. */
    afar(slide: number, drawing: SlideDrawing): Promise<Afar | null>
    /** The address of a file or a picture. */
    address(opening: Opening): string
    /** Whether a slide can be had in other ways of showing. */
    readonly hasWays: boolean
}

/** Minutes and seconds; below nothing with a minus. */
export function clock(seconds: number): string {
    const whole = Math.abs(Math.round(seconds))
    return `${seconds < -0.5 ? '−' : ''}${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, '0')}`
}
