import { clock } from './deck'
import type { Player } from './player'
import { button, make } from './player'
import { Stage } from './stage'

/** How often the clocks go, milliseconds. */
const TICK = 500

/**
 * The speaker's window: the slide that is seen, the next, what is said, the time. It is written by the page that shows, so it
 * needs no server, follows it, and leads it.
 */
export class Speaker {
    private readonly now: Stage
    private readonly next: Stage
    private readonly notes: HTMLElement
    private readonly title: HTMLElement
    private readonly after: HTMLElement
    private readonly times: Record<'clock' | 'used' | 'left' | 'slide', HTMLElement>
    private readonly ticking: ReturnType<typeof setInterval>
    private seen = -1

    private constructor(private readonly view: Window, private readonly player: Player) {
        const owner = view.document
        owner.title = `Speaker: ${player.deck.title}`
        owner.documentElement.lang = document.documentElement.lang
        Object.assign(owner.documentElement.dataset, document.documentElement.dataset)
        document.querySelectorAll('link[rel=stylesheet], style').forEach((one) => owner.head.append(owner.importNode(one, true)))
        // What the application keeps in sheets of its own goes along as text.
        const own = make(owner, 'style', '', document.adoptedStyleSheets.flatMap((sheet) => [...sheet.cssRules].map((rule) => rule.cssText)).join('\n'))
        owner.head.append(own)
        owner.body.className = 'speaker'
        const main = make(owner, 'main', '')
        const left = make(owner, 'section', 'now')
        const right = make(owner, 'section', 'next')
        this.title = make(owner, 'h1', '')
        this.after = make(owner, 'h2', '')
        this.notes = make(owner, 'div', 'notes')
        this.notes.tabIndex = 0
        this.notes.setAttribute('aria-label', 'What is said')
        this.times = { clock: make(owner, 'strong', 'time'), used: make(owner, 'strong', 'time'), left: make(owner, 'strong', 'time'), slide: make(owner, 'strong', 'time') }
        const clocks = make(owner, 'dl', 'clocks')
        for (const [name, words] of [['clock', 'Clock'], ['used', 'Used'], ['left', 'Left of the deck'], ['slide', 'Left of this slide']] as const) {
            const pair = make(owner, 'div', '')
            const value = make(owner, 'dd', '')
            value.append(this.times[name])
            pair.append(make(owner, 'dt', '', words), value)
            clocks.append(pair)
        }
        const tools = make(owner, 'div', 'tools')
        for (const [words, id] of ([['Back', 'show.back'], ['On', 'show.on'], ['All slides', 'show.list'], ['Uncover', 'show.uncover'], ['Black', 'show.black'], ['End', 'show.end']] as const).filter(([, id]) => id !== 'show.uncover' || player.deck.gaps)) {
            tools.append(button(owner, words, words, () => {
                if (id === 'show.list') {
                    this.list()
                } else {
                    player.commands.find((one) => one.id === id)?.run()
                }
            }))
        }
        left.append(this.title)
        right.append(this.after)
        main.append(left, right, clocks, this.notes, tools)
        owner.body.replaceChildren(main)
        this.now = new Stage(left, player.deck, player.source, () => true)
        this.next = new Stage(right, player.deck, player.source, () => true)
        owner.addEventListener('keydown', (event) => this.key(event))
        view.addEventListener('resize', () => {
            this.now.resized()
            this.next.resized()
        })
        player.watch(() => this.follow())
        this.ticking = setInterval(() => this.tick(), TICK)
        this.follow()
        this.tick()
    }

    /** @returns null where the browser lets none be opened */
    static open(player: Player): Speaker | null {
        const view = window.open('', 'chalk-speaker', 'popup=yes,width=1120,height=720')
        if (view === null) {
            return null
        }
        view.document.head.replaceChildren()
        return new Speaker(view, player)
    }

    close(): void {
        clearInterval(this.ticking)
        if (!this.view.closed) {
            this.view.close()
        }
    }

    private follow(): void {
        const { player } = this
        if (this.view.closed) {
            return
        }
        const at = player.stage.slide
        const slide = player.slide
        const next = player.deck.slides[at + 1]
        const owner = this.view.document
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
        this.tick()
    }

    private tick(): void {
        if (this.view.closed) {
            clearInterval(this.ticking)
            return
        }
        const { used, left, slideLeft } = this.player.times
        this.times.clock.textContent = new Date().toLocaleTimeString([], { hour: '2-digit', minute: '2-digit' })
        this.times.used.textContent = clock(used)
        this.times.left.textContent = clock(left)
        this.times.slide.textContent = clock(slideLeft)
        this.times.left.classList.toggle('over', left < 0)
        this.times.slide.classList.toggle('over', slideLeft < 0)
    }

    private list(): void {
        const owner = this.view.document
        const known = owner.querySelector('.list')
        if (known !== null) {
            known.remove()
            return
        }
        const list = make(owner, 'div', 'list')
        this.player.deck.slides.forEach(({ title }, i) => list.append(button(owner, `${i + 1}  ${title}`, title, () => {
            list.remove()
            void this.player.to(i)
        })))
        owner.body.append(list)
        list.querySelector<HTMLElement>('button')?.focus()
    }

    /** The keys are those of the show; on what one writes or presses here they are the window's own. */
    private key(event: KeyboardEvent): void {
        if (event.ctrlKey || event.metaKey || event.altKey || ((event.key === ' ' || event.key === 'Enter') && (event.target as Element).matches('button'))) {
            return
        }
        if (event.key === 'Escape' && this.view.document.querySelector('.list') !== null) {
            this.list()
        } else if (this.player.key(event, 'show.speak')) {
            event.preventDefault()
        }
    }
}
