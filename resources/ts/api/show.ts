import { request } from './http'
import type { Afar, ShownDeck, SlideDrawing, Way } from './wire'

const asked = (way: Way | null): string => (way === null ? '' : `?way=${way}`)

/** Decks as they are shown; see docs/protocol.md. */
export const showApi = {
    deck: (map: string, deck: string) => request<ShownDeck>('GET', `maps/${map}/decks/${deck}`),
    slide: (map: string, deck: string, slide: string, way: Way | null) => request<SlideDrawing>('GET', `maps/${map}/decks/${deck}/slides/${slide}${asked(way)}`),
    afar: (map: string, deck: string, slide: string, way: Way | null) => request<Afar>('GET', `maps/${map}/decks/${deck}/slides/${slide}/afar${asked(way)}`),
}

/** Where the small picture of a slide is, of one state of the map. */
export const slidePicture = (map: string, deck: string, slide: string, board: string, at: number): string => `/api/maps/${map}/decks/${deck}/slides/${slide}/picture?board=${board}&at=${at}`
