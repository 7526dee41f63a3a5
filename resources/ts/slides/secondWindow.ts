import { clock } from './deck'

/** How often the clocks go, milliseconds. */
const TICK = 500

export function make<K extends keyof HTMLElementTagNameMap>(owner: Document, tag: K, className: string, text = ''): HTMLElementTagNameMap[K] {
    const made = owner.createElement(tag)
    made.className = className
    made.textContent = text
    return made
}

export function button(owner: Document, text: string, says: string, act: () => void): HTMLButtonElement {
    const made = make(owner, 'button', '', text)
    made.type = 'button'
    made.title = says
    made.setAttribute('aria-label', says)
    made.addEventListener('click', act)
    return made
}

/** A line of a list in a second window. */
export interface Line { readonly text: string; readonly isAt: boolean; readonly act: () => void }

/**
 * A window beside this one, for a second screen, written by this page: it needs no server, and goes with the page. It has clocks
 * and buttons, and hands on the keys that are pressed in it.
 */
export class SecondWindow {
    readonly owner: Document
    readonly main: HTMLElement
    private readonly times = new Map<string, HTMLElement>()
    private readonly ticking: ReturnType<typeof setInterval>

    private constructor(readonly view: Window, title: string, key: (event: KeyboardEvent) => boolean) {
        const owner = view.document
        this.owner = owner
        owner.title = title
        owner.documentElement.lang = document.documentElement.lang
        Object.assign(owner.documentElement.dataset, document.documentElement.dataset)
        document.querySelectorAll('link[rel=stylesheet], style').forEach((one) => owner.head.append(owner.importNode(one, true)))
        // What the application keeps in sheets of its own goes along as text.
        owner.head.append(make(owner, 'style', '', document.adoptedStyleSheets.flatMap((sheet) => [...sheet.cssRules].map((rule) => rule.cssText)).join('\n')))
        owner.body.className = 'speaker'
        this.main = make(owner, 'main', '')
        owner.body.replaceChildren(this.main)
        owner.addEventListener('keydown', (event) => this.onKey(event, key))
        this.ticking = setInterval(() => this.tick(), TICK)
    }

    /**
     * @param key what a key that is pressed there does; false where it does nothing
     * @returns null where the browser lets none be opened
     */
    static open(name: string, title: string, key: (event: KeyboardEvent) => boolean): SecondWindow | null {
        const view = window.open('', name, 'popup=yes,width=1120,height=720')
        if (view === null) {
            return null
        }
        view.document.head.replaceChildren()
        return new SecondWindow(view, title, key)
    }

    get isClosed(): boolean {
        return this.view.closed
    }

    close(): void {
        clearInterval(this.ticking)
        if (!this.view.closed) {
            this.view.close()
        }
    }

    /** Clocks by what they show; each is told its time by what is asked at every tick. */
    clocks(pairs: readonly (readonly [name: string, words: string])[], ask: () => Readonly<Record<string, string | number>>): HTMLElement {
        const clocks = make(this.owner, 'dl', 'clocks')
        for (const [name, words] of pairs) {
            const pair = make(this.owner, 'div', '')
            const value = make(this.owner, 'dd', '')
            const time = make(this.owner, 'strong', 'time')
            this.times.set(name, time)
            value.append(time)
            pair.append(make(this.owner, 'dt', '', words), value)
            clocks.append(pair)
        }
        this.ask = ask
        return clocks
    }

    private ask: () => Readonly<Record<string, string | number>> = () => ({})

    /** Seconds are shown as minutes and seconds; what is less than none is marked. */
    tick(): void {
        if (this.view.closed) {
            clearInterval(this.ticking)
            return
        }
        for (const [name, value] of Object.entries(this.ask())) {
            const time = this.times.get(name)
            if (time !== undefined) {
                time.textContent = typeof value === 'number' ? clock(value) : value
                time.classList.toggle('over', typeof value === 'number' && value < 0)
            }
        }
    }

    tools(all: readonly (readonly [words: string, act: () => void])[]): HTMLElement {
        const tools = make(this.owner, 'div', 'tools')
        tools.append(...all.map(([words, act]) => button(this.owner, words, words, act)))
        return tools
    }

    /** Shows a list to go by, or takes it away. */
    list(lines: readonly Line[]): void {
        const known = this.owner.querySelector('.list')
        if (known !== null) {
            known.remove()
            return
        }
        const list = make(this.owner, 'div', 'list')
        list.append(...lines.map(({ text, isAt, act }) => {
            const line = button(this.owner, text, text, () => {
                list.remove()
                act()
            })
            line.classList.toggle('at', isAt)
            return line
        }))
        this.owner.body.append(list)
        ;(list.querySelector<HTMLElement>('.at') ?? list.querySelector<HTMLElement>('button'))?.focus()
    }

    /** The keys are those of what is shown; on what one writes or presses here they are the window's own. */
    private onKey(event: KeyboardEvent, key: (event: KeyboardEvent) => boolean): void {
        if (event.ctrlKey || event.metaKey || event.altKey || ((event.key === ' ' || event.key === 'Enter') && (event.target as Element).matches('button'))) {
            return
        }
        const list = this.owner.querySelector('.list')
        if (event.key === 'Escape' && list !== null) {
            list.remove()
        } else if (key(event)) {
            event.preventDefault()
        }
    }
}
