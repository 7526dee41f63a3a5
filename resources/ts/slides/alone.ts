/* The script of a page that shows its own slides, without network and without the application. */

import type { Afar, Opening, ShownDeck, SlideDrawing, Source } from './deck'
import { Player } from './player'

interface Held { readonly deck: ShownDeck; readonly drawings: readonly SlideDrawing[]; readonly afar: Readonly<Record<string, Afar>>; readonly left: readonly string[] }

const held = JSON.parse(document.getElementById('deck')?.textContent ?? '{}') as Held
const first = document.getElementById('first') as HTMLElement

const source: Source = {
    drawing: (slide) => {
        const drawing = held.drawings[slide]
        return drawing === undefined ? Promise.reject(new Error('There is no such slide.')) : Promise.resolve(drawing)
    },
    afar: (_, drawing) => Promise.resolve(held.afar[drawing.key] ?? null),
    address: ({ source: address }: Opening) => address,
    hasWays: false,
}

let player: Player | null = null

/** The slides are asked for by the address as well, so that one can come back to them. */
function begin(slide: number, isFull: boolean): void {
    first.hidden = true
    if (isFull) {
        document.documentElement.requestFullscreen?.().catch(() => undefined)
    }
    player = new Player(document.body, held.deck, source, {
        end: (at) => {
            player = null
            if (document.fullscreenElement !== null) {
                void document.exitFullscreen()
            }
            first.hidden = false
            first.querySelectorAll('button')[at + 1]?.focus()
        },
        tell: (sentence) => alert(sentence),
        isStill: () => matchMedia('(prefers-reduced-motion: reduce)').matches,
    })
    player.watch(() => history.replaceState(null, '', `#${(player?.stage.slide ?? 0) + 1}`))
    void player.begin(slide)
}

document.addEventListener('keydown', (event) => {
    const target = event.target as Element
    if (player === null || event.ctrlKey || event.metaKey || event.altKey || target.matches('input, select') || ((event.key === ' ' || event.key === 'Enter') && target.matches('button'))) {
        return
    }
    if (player.key(event)) {
        event.preventDefault()
    }
})

document.getElementById('begin')?.addEventListener('click', () => begin(0, true))
held.deck.slides.forEach(({ title }, i) => {
    const line = document.createElement('li')
    const button = document.createElement('button')
    button.textContent = title === '' ? 'Untitled' : title
    button.addEventListener('click', () => begin(i, false))
    line.append(button)
    document.getElementById('slides')?.append(line)
})
if (held.left.length > 0) {
    const left = document.getElementById('left') as HTMLElement
    left.hidden = false
    left.textContent = `Too large to go along: ${held.left.join(', ')}.`
}
const asked = Number(location.hash.slice(1))
if (asked > 0) {
    begin(asked - 1, false)
}
