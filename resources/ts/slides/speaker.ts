import type { Player } from './player'
import { make, SecondWindow } from './secondWindow'
import { Stage } from './stage'

/** The speaker's window: the slide that is seen, the next, what is said, the time. It follows the show, and leads it. */
export class Speaker {
    private readonly now: Stage
    private readonly next: Stage
    private readonly notes: HTMLElement
    private readonly title: HTMLElement
    private readonly after: HTMLElement
    private seen = -1

    private constructor(private readonly window: SecondWindow, private readonly player: Player) {
        const { owner, main } = window
        const left = make(owner, 'section', 'now')
        const right = make(owner, 'section', 'next')
        this.title = make(owner, 'h1', '')
        this.after = make(owner, 'h2', '')
        this.notes = make(owner, 'div', 'notes')
        this.notes.tabIndex = 0
        this.notes.setAttribute('aria-label', 'What is said')
        const clocks = window.clocks([['clock', 'Clock'], ['used', 'Used'], ['left', 'Left of the deck'], ['slide', 'Left of this slide']], () => {
            const { used, left: rest, slideLeft } = player.times
            return { clock: new Date().toLocaleTimeString([], { hour: '2-digit', minute: '2-digit' }), used, left: rest, slide: slideLeft }
        })
        const does = (id: string) => (): void => player.does(id)
        const tools = window.tools([
            ['Back', does('show.back')], ['On', does('show.on')], ['All slides', () => this.list()],
            ...(player.deck.gaps ? [['Uncover', does('show.uncover')] as const] : []), ['Black', does('show.black')], ['End', does('show.end')],
        ])
        left.append(this.title)
        right.append(this.after)
        main.append(left, right, clocks, this.notes, tools)
        this.now = new Stage(left, player.deck, player.source, () => true)
        this.next = new Stage(right, player.deck, player.source, () => true)
        window.view.addEventListener('resize', () => {
            this.now.resized()
            this.next.resized()
        })
        player.watch(() => this.follow())
        this.follow()
    }

    /** @returns null where the browser lets none be opened */
    static open(player: Player): Speaker | null {
        const window = SecondWindow.open('chalk-speaker', `Speaker: ${player.deck.title}`, (event) => player.key(event, 'show.speak'))
        return window === null ? null : new Speaker(window, player)
    }

    close(): void {
        this.window.close()
    }

    private follow(): void {
        const { player } = this
        if (this.window.isClosed) {
            return
        }
        const at = player.stage.slide
        const slide = player.slide
        const next = player.deck.slides[at + 1]
        const { owner } = this.window
        this.title.textContent = `${at + 1} of ${player.deck.slides.length}  ${slide?.title ?? ''}${player.isBlack ? '  (black)' : ''}`
        this.after.textContent = next === undefined ? 'The last slide' : `Next: ${next.title}`
        void this.now.follow(player.stage).catch(() => undefined)
        if (this.seen !== at) {
            this.seen = at
            this.notes.replaceChildren(...(slide?.notes ?? []).map((line) => {
                const made = make(owner, 'p', line.bold ? 'bold' : '', line.text)
                made.style.marginInlineStart = `${Math.max(0, line.indent - 1) * 1.3}em`
                return made
            }))
            this.notes.scrollTop = 0
            if ((slide?.notes.length ?? 0) === 0) {
                this.notes.replaceChildren(make(owner, 'p', 'soft', 'Nothing is noted for this slide.'))
            }
            this.next.element.hidden = next === undefined
            if (next !== undefined) {
                this.next.way = player.stage.way
                void this.next.show(at + 1, false).catch(() => undefined)
            }
        }
        this.window.tick()
    }

    private list(): void {
        this.window.list(this.player.deck.slides.map(({ title }, i) => ({ text: `${i + 1}  ${title}`, isAt: i === this.player.stage.slide, act: () => void this.player.to(i) })))
    }
}
