import { commands, type CommandId } from './commands'
import { clock, type Opening, type ShownDeck, type ShownSlide, type Source, type Way } from './deck'
import { Fingers } from './fingers'
import { openedIn } from './opened'
import { button, make } from './secondWindow'
import { Speaker } from './speaker'
import { Stage } from './stage'

/** Something that can be done while slides are shown, with its keys as the list of actions writes them. */
export interface Command {
    readonly id: string
    readonly name: string
    readonly keys: readonly string[]
    readonly run: () => void
    readonly can?: () => boolean
}

export interface Ends {
    /** The show is over, at this slide. */
    readonly end: (slide: number) => void
    /** Something went wrong, in a sentence. */
    readonly tell: (sentence: string) => void
    /** Whether nothing is to move by itself. */
    readonly isStill: () => boolean
    /** The keys of a command as this person has them; those of the list where nothing is said. */
    readonly keysOf?: (command: string) => readonly string[] | undefined
}

const WAYS: readonly Way[] = ['only', 'trail', 'all']
const WAY_WORDS = { only: 'Only these', trail: 'With the way to the root', all: 'All, the rest dimmed' } as const
const VEILS = [['', 'Board'], ['black', 'Black'], ['white', 'White']] as const
const STAY = 2600
/** How far a finger goes before that is a swipe, pixels. */
const SWIPE = 50
/** For so long digits belong to one number, milliseconds. */
const DIGITS = 1500

/** A show of slides: the stage, what leads through it, and what opens above it. */
export class Player {
    readonly element: HTMLElement
    readonly stage: Stage
    readonly commands: readonly Command[]
    readonly begun = Date.now()
    /** When the slide that is seen came. */
    since = Date.now()
    isBlack = false
    private readonly bar: HTMLElement
    private readonly said: HTMLElement
    private readonly place: HTMLElement
    private readonly opens: HTMLElement
    private over: HTMLElement | null = null
    private speaker: Speaker | null = null
    private hiding: ReturnType<typeof setTimeout> | undefined
    private digits = ''
    private typed = 0
    private readonly watchers = new Set<() => void>()
    private readonly ending = new AbortController()

    constructor(host: HTMLElement, readonly deck: ShownDeck, readonly source: Source, private readonly ends: Ends) {
        const owner = host.ownerDocument
        this.element = make(owner, 'div', 'slide-show')
        this.element.setAttribute('role', 'application')
        this.element.setAttribute('aria-label', `Slides: ${deck.title}`)
        this.element.tabIndex = -1
        host.append(this.element)
        this.stage = new Stage(this.element, deck, source, ends.isStill)
        this.said = make(owner, 'p', 'unseen')
        this.said.setAttribute('aria-live', 'assertive')
        this.place = make(owner, 'span', 'place')
        this.opens = make(owner, 'span', 'opens')
        this.bar = this.controls()
        this.element.append(this.said, this.bar)
        this.commands = this.all()
        this.listen()
    }

    get slide(): ShownSlide | undefined {
        return this.deck.slides[this.stage.slide]
    }

    watch(run: () => void): void {
        this.watchers.add(run)
    }

    async begin(slide: number): Promise<void> {
        this.element.focus({ preventScroll: true })
        await this.to(slide, false)
        this.showBar()
    }

    /** Goes to a slide. */
    async to(slide: number, glides = true): Promise<void> {
        const wanted = Math.min(this.deck.slides.length - 1, Math.max(0, slide))
        this.close()
        this.wanted = wanted
        try {
            if (await this.stage.show(wanted, glides)) {
                this.since = Date.now()
                this.told()
            }
        } catch {
            this.wanted = Math.max(0, this.stage.slide)
            this.ends.tell('This slide could not be fetched. Look whether there is a network, and try again.')
        }
    }

    private wanted = 0

    on(): void {
        if (this.digits !== '' && Date.now() - this.typed < DIGITS) {
            this.digit('Enter')
        } else if (this.isBlack) {
            this.black()
        } else if (this.wanted < this.deck.slides.length - 1) {
            void this.to(this.wanted + 1)
        }
    }

    back(): void {
        if (this.isBlack) {
            this.black()
        } else if (this.wanted > 0) {
            void this.to(this.wanted - 1)
        }
    }

    /** Goes through the topics of the slide one by one, and from the last back to all of it. */
    step(by: 1 | -1): void {
        const lines = [...(this.over?.matches('.list') === true ? this.over.querySelectorAll('button') : [])]
        if (lines.length > 0) {
            lines[(lines.indexOf(this.element.ownerDocument.activeElement as HTMLButtonElement) + by + lines.length) % lines.length]?.focus()
            return
        }
        const topics = this.slide?.topics ?? []
        const at = topics.findIndex(({ id }) => id === this.stage.topic)
        const next = this.stage.topic === null ? (by === 1 ? 0 : topics.length - 1) : at + by
        void this.goTo(topics[next]?.id ?? null)
    }

    private async goTo(topic: string | null): Promise<void> {
        await this.stage.goTo(topic)
        this.told()
    }

    black(): void {
        this.isBlack = !this.isBlack
        this.element.classList.toggle('black', this.isBlack)
        this.told()
    }

    uncover(topic: string | null = null): void {
        if (this.stage.uncover(topic)) {
            this.told()
        }
    }

    setWay(way: Way): void {
        this.stage.way = way
        void this.to(this.stage.slide, false)
    }

    dim(by: number): void {
        this.stage.dim = Math.min(100, Math.max(0, (this.stage.dim ?? this.slide?.dim ?? 0) + by))
        this.stage.redress()
        this.told()
    }

    /** Closes what stands over the slide: what was opened, or the list. True where there was something. */
    close(): boolean {
        const was = this.over
        this.over?.remove()
        this.over = null
        if (was !== null) {
            this.element.focus({ preventScroll: true })
        }
        return was !== null
    }

    /** The page is left: no window of it stays behind. */
    leave(): void {
        this.speaker?.close()
    }

    end(): void {
        if (this.ending.signal.aborted) {
            return
        }
        this.ending.abort()
        clearTimeout(this.hiding)
        this.speaker?.close()
        this.element.remove()
        this.ends.end(Math.max(0, this.stage.slide))
    }

    /** Opens the speaker's window. */
    speak(): void {
        this.speaker?.close()
        this.speaker = Speaker.open(this)
        if (this.speaker === null) {
            this.ends.tell('The browser did not let the speaker’s window open. Allow windows for this page and try again.')
        }
    }

    /** What of the slide can be opened now: of the topic one has gone to, or of all. */
    get openings(): readonly Opening[] {
        const all = this.slide?.opens ?? []
        const its = all.filter(({ topic }) => topic === this.stage.topic)
        return its.length > 0 ? its : all
    }

    open(opening: Opening): void {
        this.close()
        const owner = this.element.ownerDocument
        const over = make(owner, 'div', 'opened')
        over.setAttribute('role', 'dialog')
        over.setAttribute('aria-label', opening.title)
        const head = make(owner, 'header', '')
        head.append(make(owner, 'strong', '', opening.title), button(owner, 'Close', 'Close, and go on with the slides', () => this.close()))
        if (opening.sort === 'page') {
            head.insertBefore(button(owner, 'In a window of its own', 'Opens it in a window of its own', () => window.open(opening.source, '_blank', 'noopener,noreferrer')), head.lastChild)
        }
        over.append(head, openedIn(owner, opening, this.source.address(opening)))
        this.element.append(over)
        this.over = over
        over.querySelector<HTMLElement>('button:last-of-type')?.focus({ preventScroll: true })
        this.told()
    }

    /** What there is to open, or the one thing there is. */
    private openAny(): void {
        const [first, ...more] = this.openings
        if (first !== undefined && more.length === 0) {
            this.open(first)
        } else if (first !== undefined) {
            this.choose('What to open', this.openings.map((one) => ({ text: one.title === '' ? one.sort : one.title, act: () => this.open(one) })), -1)
        }
    }

    list(): void {
        if (this.over?.classList.contains('list') === true) {
            this.close()
            return
        }
        this.choose('Slides', this.deck.slides.map(({ title }, i) => ({ text: `${i + 1}  ${title === '' ? 'Untitled' : title}`, act: () => void this.to(i) })), this.stage.slide)
    }

    private choose(says: string, lines: readonly { text: string; act: () => void }[], at: number): void {
        this.close()
        const owner = this.element.ownerDocument
        const list = make(owner, 'div', 'list')
        list.setAttribute('role', 'menu')
        list.setAttribute('aria-label', says)
        lines.forEach(({ text, act }, i) => {
            const line = button(owner, text, text, () => {
                this.close()
                act()
            })
            line.setAttribute('role', 'menuitem')
            line.classList.toggle('at', i === at)
            list.append(line)
        })
        this.element.append(list)
        this.over = list
        ;(list.children[Math.max(0, at)] as HTMLElement | undefined)?.focus()
    }

    /** Keys that are digits make the number of a slide, and Enter goes there. */
    digit(key: string): boolean {
        if (/^\d$/.test(key)) {
            this.digits = (Date.now() - this.typed < DIGITS ? this.digits : '') + key
            this.typed = Date.now()
            this.place.textContent = `To ${this.digits} …`
            setTimeout(() => this.digits !== '' && Date.now() - this.typed >= DIGITS && this.forget(), DIGITS + 50)
            this.showBar()
            return true
        }
        if (key === 'Enter' && this.digits !== '' && Date.now() - this.typed < DIGITS) {
            const to = Number(this.digits) - 1
            this.digits = ''
            void this.to(to)
            return true
        }
        this.digits = ''
        return false
    }

    /** Does what a key is for, in a window of the show that no list of actions listens to; false where it is for nothing. */
    key(event: KeyboardEvent, without: CommandId | null = null): boolean {
        const sign = event.key.length === 1 ? event.key.toUpperCase() : event.key
        const key = event.shiftKey && /^[A-Z]$/.test(sign) ? `Shift+${sign}` : sign
        if (this.digit(event.key)) {
            return true
        }
        const command = this.commands.find(({ id, keys }) => id !== without && (this.ends.keysOf?.(id) ?? keys).includes(key))
        if (command === undefined || command.can?.() === false) {
            return false
        }
        command.run()
        return true
    }

    private forget(): void {
        this.digits = ''
        this.told()
    }

    private all(): Command[] {
        const last = this.deck.slides.length - 1
        const does: Record<CommandId, { run: () => void; can?: () => boolean }> = {
            'show.on': { run: () => this.on(), can: () => this.isBlack || this.digits !== '' || this.wanted < last },
            'show.back': { run: () => this.back(), can: () => this.isBlack || this.wanted > 0 },
            'show.into': { run: () => this.step(1) },
            'show.out': { run: () => this.step(-1) },
            'show.whole': { run: () => void this.to(this.stage.slide) },
            'show.first': { run: () => void this.to(0) },
            'show.last': { run: () => void this.to(last) },
            'show.list': { run: () => this.list() },
            'show.black': { run: () => this.black() },
            'show.uncover': { run: () => this.uncover(), can: () => this.stage.hasCover },
            'show.cover': { run: () => this.stage.coverAgain() },
            'show.open': { run: () => (this.over?.classList.contains('opened') === true ? this.close() : this.openAny()), can: () => this.over !== null || this.openings.length > 0 },
            'show.rest': { run: () => this.nextWay(), can: () => this.source.hasWays },
            'show.dim': { run: () => this.dim(10) },
            'show.light': { run: () => this.dim(-10) },
            'show.veil': { run: () => this.nextVeil() },
            'show.closer': { run: () => void this.stage.zoom(1.2) },
            'show.farther': { run: () => void this.stage.zoom(1 / 1.2) },
            'show.speak': { run: () => this.speak() },
            'show.end': { run: () => (this.close() ? undefined : this.end()) },
        }
        return commands.map((command) => ({ ...command, ...does[command.id] }))
    }

    private nextWay(): void {
        const now = this.stage.way ?? this.slide?.way ?? 'only'
        this.setWay(WAYS[(WAYS.indexOf(now) + 1) % WAYS.length] ?? 'only')
        this.showBar()
    }

    private nextVeil(): void {
        const all = VEILS.map(([veil]) => veil as string)
        this.stage.veil = all[(all.indexOf(this.stage.veil ?? this.deck.veil) + 1) % all.length] ?? ''
        this.stage.redress()
        this.told()
    }

    /** Does one of the commands, where it makes sense now. */
    does(id: string): void {
        const command = this.commands.find((one) => one.id === id)
        if (command !== undefined && command.can?.() !== false) {
            command.run()
        }
    }

    private controls(): HTMLElement {
        const owner = this.element.ownerDocument
        const bar = make(owner, 'div', 'show-bar')
        bar.setAttribute('role', 'toolbar')
        bar.setAttribute('aria-label', 'Show')
        const of = (text: string, id: string): HTMLButtonElement => {
            const made = button(owner, text, text, () => {
                this.element.focus({ preventScroll: true })
                this.does(id)
            })
            made.dataset.does = id
            return made
        }
        const way = make(owner, 'select', '')
        way.setAttribute('aria-label', 'What is shown of the rest')
        way.append(...WAYS.map((one) => Object.assign(make(owner, 'option', '', WAY_WORDS[one]), { value: one })))
        way.addEventListener('change', () => {
            this.element.focus({ preventScroll: true })
            this.setWay(way.value as Way)
        })
        way.hidden = !this.source.hasWays
        way.dataset.is = 'way'
        const dim = make(owner, 'input', '')
        Object.assign(dim, { type: 'range', min: '0', max: '100', step: '5' })
        dim.setAttribute('aria-label', 'How much the rest is dimmed')
        dim.addEventListener('input', () => this.dim(Number(dim.value) - (this.stage.dim ?? this.slide?.dim ?? 0)))
        dim.dataset.is = 'dim'
        const veil = make(owner, 'select', '')
        veil.setAttribute('aria-label', 'Colour into which the rest is dimmed')
        veil.append(...VEILS.map(([value, text]) => Object.assign(make(owner, 'option', '', text), { value })))
        veil.addEventListener('change', () => {
            this.element.focus({ preventScroll: true })
            this.stage.veil = veil.value
            this.stage.redress()
        })
        veil.dataset.is = 'veil'
        const rest = make(owner, 'span', 'rest-tools', 'Dim')
        rest.append(dim, veil)
        bar.append(of('Back', 'show.back'), of('On', 'show.on'), this.place, of('All slides', 'show.list'), of('Uncover', 'show.uncover'), this.opens, way, rest, of('Black', 'show.black'), of('Speaker', 'show.speak'), of('End', 'show.end'))
        return bar
    }

    /** After anything has changed, for the bar, for who does not see it, and for the speaker. */
    private told(): void {
        const slide = this.slide
        if (slide === undefined) {
            return
        }
        const owner = this.element.ownerDocument
        const topic = slide.topics.find(({ id }) => id === this.stage.topic)
        this.place.textContent = `${this.stage.slide + 1} of ${this.deck.slides.length}`
        this.said.textContent = this.isBlack ? 'Black' : (topic?.title ?? `Slide ${this.stage.slide + 1}: ${slide.title}`)
        for (const tool of this.bar.querySelectorAll<HTMLButtonElement>('[data-does]')) {
            tool.disabled = this.commands.find(({ id }) => id === tool.dataset.does)?.can?.() === false
        }
        this.bar.querySelector<HTMLElement>('[data-does="show.uncover"]')?.toggleAttribute('hidden', slide.covered.length === 0 || !this.deck.gaps)
        const set = (is: string, value: string): void => {
            const field = this.bar.querySelector<HTMLInputElement | HTMLSelectElement>(`[data-is=${is}]`)
            if (field !== null) {
                field.value = value
            }
        }
        set('way', this.stage.way ?? slide.way)
        set('dim', String(this.stage.dim ?? slide.dim))
        set('veil', this.stage.veil ?? this.deck.veil)
        const isDimmed = (this.stage.way ?? slide.way) === 'all'
        this.bar.querySelector('.rest-tools')?.toggleAttribute('hidden', !isDimmed)
        const openings = this.openings
        this.opens.replaceChildren(...(openings.length > 2 ? [button(owner, `Open (${openings.length})`, 'What there is to open', () => this.openAny())] : openings.map((one) => button(owner, short(one.title === '' ? one.sort : one.title), `Open ${one.title}`, () => this.open(one)))))
        this.watchers.forEach((run) => run())
    }

    showBar(): void {
        this.element.classList.add('tools')
        clearTimeout(this.hiding)
        this.hiding = setTimeout(() => this.element.classList.toggle('tools', this.over !== null || this.bar.contains(this.element.ownerDocument.activeElement)), STAY)
    }

    private listen(): void {
        const on = { signal: this.ending.signal }
        this.element.addEventListener('pointermove', () => this.showBar(), on)
        this.element.addEventListener('focusin', () => this.showBar(), on)
        let from: { x: number; y: number; dragged: boolean; id: number } | null = null
        const stage = this.stage.element
        const fingers = new Fingers((by, at, x, y) => this.stage.pinch(by, at, x, y), () => this.stage.settlePinch())
        stage.addEventListener('pointerdown', (event) => {
            from = fingers.down(event) ? null : { x: event.clientX, y: event.clientY, dragged: false, id: event.pointerId }
        }, on)
        stage.addEventListener('pointermove', (event) => {
            // One finger moves what two have brought closer.
            if (!fingers.move(event) && from !== null && (event.pointerType !== 'mouse' ? this.stage.isClose : event.buttons === 1) && (from.dragged || Math.hypot(event.clientX - from.x, event.clientY - from.y) > 6)) {
                from.dragged = true
                this.stage.drag(event.movementX, event.movementY)
            }
        }, on)
        stage.addEventListener('pointercancel', (event) => {
            from = null
            fingers.up(event)
        }, on)
        stage.addEventListener('pointerup', (event) => {
            const was = from
            from = null
            if (fingers.up(event) || was === null || was.dragged) {
                return
            }
            const [x, y] = [event.clientX - was.x, event.clientY - was.y]
            if (event.pointerType !== 'mouse' && Math.abs(x) > SWIPE && Math.abs(x) > Math.abs(y)) {
                if (x < 0) {
                    this.on()
                } else {
                    this.back()
                }
            } else if (event.pointerType !== 'mouse' && Math.abs(y) > SWIPE) {
                this.step(y < 0 ? 1 : -1)
            } else if (Math.hypot(x, y) < 10) {
                this.touched(event)
            }
        }, on)
        stage.addEventListener('click', (event) => (event.target as Element).closest('a') !== null && event.preventDefault(), on)
        stage.addEventListener('contextmenu', (event) => {
            event.preventDefault()
            this.back()
        }, on)
        stage.addEventListener('wheel', (event) => {
            if (event.ctrlKey) {
                event.preventDefault()
                void this.stage.zoom(event.deltaY < 0 ? 1.15 : 1 / 1.15)
            }
        }, { ...on, passive: false })
        const seen = new ResizeObserver(() => this.stage.resized())
        seen.observe(stage)
        this.ending.signal.addEventListener('abort', () => seen.disconnect())
    }

    /** A click uncovers what is covered, follows a link, opens what is at a topic, and goes on anywhere else; at the left edge it goes back. */
    private touched(event: PointerEvent): void {
        const target = event.target as Element
        const topic = target.closest('[data-t]')?.getAttribute('data-t') ?? null
        const href = target.closest('a')?.getAttribute('href') ?? null
        const opening = topic === null || target.closest('.shown') === null ? undefined : this.slide?.opens.find((one) => one.topic === topic)
        if (event.button !== 0) {
            return
        }
        if (topic !== null && target.closest('[data-c]:not(.gone)') !== null) {
            this.uncover(topic)
        } else if (href !== null && /^https?:/i.test(href)) {
            this.open({ topic: topic ?? '', sort: 'page', title: target.closest('a')?.textContent ?? href, source: href })
        } else if (opening !== undefined) {
            this.open(opening)
        } else if (event.clientX < this.stage.element.clientWidth * 0.12) {
            this.back()
        } else {
            this.on()
        }
    }

    /** How long the deck is meant to take, and how much of that is left of the slides that are to come. */
    get times(): { used: number; left: number; all: number; slideUsed: number; slideLeft: number } {
        const seconds = this.deck.slides.map((slide) => slide.seconds)
        const all = seconds.reduce((sum, one) => sum + one, 0)
        const used = (Date.now() - this.begun) / 1000
        const slideUsed = (Date.now() - this.since) / 1000
        return { used, left: all - used, all, slideUsed, slideLeft: (this.slide?.seconds ?? 0) - slideUsed }
    }
}

const short = (text: string): string => (text.length > 22 ? `${text.slice(0, 21)}…` : text)

export { clock }
