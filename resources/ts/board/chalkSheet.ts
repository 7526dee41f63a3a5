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
    sheet.replaceSync((['day', 'slate'] as const).map((board) => `[data-board=${board}]{${chalks.map((chalk) => {
        const { line, tint, text } = chalk[board]
        return `--${chalk.name}:${line};--${chalk.name}-tint:${tint};--${chalk.name}-text:${text};`
    }).join('')}}`).join(''))
}
