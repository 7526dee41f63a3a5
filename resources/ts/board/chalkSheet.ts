import type { SceneNews } from '@/api/wire'

/** The colours of the chalks mixed for the open map, as the page's own style has those of the set. */
const sheet = new CSSStyleSheet()
let isAdopted = false

/** Takes the mixed chalks that came with a whole scene. */
export function learnChalks({ reset, chalks }: Pick<SceneNews, 'reset' | 'chalks'>): void {
    if (!reset) {
        return
    }
    if (!isAdopted) {
        document.adoptedStyleSheets.push(sheet)
        isAdopted = true
    }
    sheet.replaceSync(chalks.flatMap(({ name, boards }) => Object.entries(boards).map(([board, { line, tint, text }]) => `[data-board=${board}]{--${name}:${line};--${name}-tint:${tint};--${name}-text:${text};}`)).join(''))
}
