/*
 * What a published page can do besides being read: the whole board in place of its beginning, with zoom, folding, search and
 * notes. It knows nothing of the editor; without it the page is the beginning of the drawing, and the outline below.
 */

import { around, paneOf, resized, within, type Pane } from './panes'

const SVG = 'http://www.w3.org/2000/svg'
/** How far one zooms in at most: pixels of the screen for one of the board. */
const CLOSEST = 3
const STEP = 1.3
/** How large things are at most where all of them are shown. */
const LARGEST = 1.2

const board = document.getElementById('board') as HTMLElement
const tools = document.getElementById('tools') as HTMLElement
const outline = document.getElementById('outline') as HTMLElement
const numbers = (text: string | null | undefined): number[] => (text ?? '').split(' ').map(Number)
const frame = paneOf(board.dataset.frame)
const isFramed = window.top !== window.self || location.search === '?frame'

let svg = board.querySelector('svg') as SVGSVGElement
let view: Pane = paneOf(svg.getAttribute('viewBox'))
const folded = new Set<string>()
/** The topics of the board, with the one above each. */
const above = new Map<string, string>()
const slips = new Map<string, SVGGElement>()
const below = new Map<string, string[]>()
const signs = new Map<string, SVGGElement>()

function button(words: string, says: string, act: () => void): HTMLButtonElement {
    const made = document.createElement('button')
    made.type = 'button'
    made.textContent = words
    made.title = says
    made.setAttribute('aria-label', says)
    made.addEventListener('click', act)
    return made
}

/* The window onto the board. */

function show(next: Pane): void {
    view = next
    svg.setAttribute('viewBox', `${view.x} ${view.y} ${view.w} ${view.h}`)
}
/** Width to height of the board on the screen. */
const ratio = (): number => board.clientWidth / Math.max(1, board.clientHeight)
/** All of it; what is small is not blown up. */
const allOfIt = (): Pane => around(resized(frame, Math.max(frame.w, board.clientWidth / LARGEST), Math.max(frame.h, board.clientHeight / LARGEST)), ratio())
function all(): void {
    show(allOfIt())
}
function zoom(by: number, clientX?: number, clientY?: number): void {
    const box = board.getBoundingClientRect()
    const [px, py] = [((clientX ?? box.left + box.width / 2) - box.left) / box.width, ((clientY ?? box.top + box.height / 2) - box.top) / box.height]
    const widest = Math.max(around(frame, ratio()).w * 1.2, box.width)
    const w = Math.min(widest, Math.max(box.width / CLOSEST, view.w / by))
    const h = (w * box.height) / box.width
    show({ x: view.x + px * (view.w - w), y: view.y + py * (view.h - h), w, h })
}
function pan(dx: number, dy: number): void {
    const unit = view.w / board.clientWidth
    show({ ...view, x: view.x - dx * unit, y: view.y - dy * unit })
}
function placeOf(id: string): Pane | null {
    const slip = slips.get(id)
    if (slip === undefined) {
        return null
    }
    const { e, f } = slip.transform.baseVal.consolidate()?.matrix ?? { e: 0, f: 0 }
    const [w = 0, h = 0] = numbers(slip.dataset.b)
    return { x: e, y: f, w, h }
}
/** Draws around the box of a topic. */
function ring(id: string, kind: 'hit' | 'at'): void {
    const place = placeOf(id)
    if (place === null || slips.get(id)?.querySelector(`:scope > .${kind}`) != null) {
        return
    }
    const made = document.createElementNS(SVG, 'rect')
    const away = kind === 'at' ? 3 : 6
    for (const [name, value] of Object.entries({ class: `ring ${kind}`, x: -away, y: -away, width: place.w + 2 * away, height: place.h + 2 * away, rx: 8 })) {
        made.setAttribute(name, String(value))
    }
    slips.get(id)?.append(made)
}
const unring = (kind: 'hit' | 'at'): void => svg.querySelectorAll(`.ring.${kind}`).forEach((one) => one.remove())
function centre(id: string): void {
    const place = placeOf(id)
    if (place !== null) {
        const w = Math.min(view.w, board.clientWidth * 1.1)
        const h = (w * board.clientHeight) / board.clientWidth
        show({ x: place.x + place.w / 2 - w / 2, y: place.y + place.h / 2 - h / 2, w, h })
    }
}

/* Folding hides what is below a topic, in place. */

function isAway(id: string): boolean {
    for (let at = above.get(id); at !== undefined; at = above.get(at)) {
        if (folded.has(at)) {
            return true
        }
    }
    return false
}
function countBelow(id: string): number {
    return (below.get(id) ?? []).reduce((sum, one) => sum + 1 + countBelow(one), 0)
}
function drawFolds(): void {
    svg.querySelectorAll<SVGElement>('[data-t]').forEach((part) => part.classList.toggle('away', isAway(part.dataset.t ?? '')))
    svg.querySelectorAll<SVGElement>('[data-f]').forEach((part) => part.classList.toggle('away', folded.has(part.dataset.f ?? '')))
    svg.querySelectorAll<SVGElement>('[data-of]').forEach((part) => {
        const ends = (part.dataset.of ?? '').split(' ')
        part.classList.toggle('away', part.dataset.all === undefined ? ends.some(isAway) : ends.every(isAway))
    })
    for (const [id, sign] of signs) {
        const isFolded = folded.has(id)
        sign.classList.toggle('away', isAway(id))
        sign.setAttribute('aria-expanded', String(!isFolded))
        const text = sign.querySelector('text') as SVGTextElement
        text.textContent = isFolded ? String(countBelow(id)) : '–'
    }
}
function toggle(id: string): void {
    if (!folded.delete(id)) {
        folded.add(id)
    }
    drawFolds()
}
function unfoldTo(id: string): void {
    let isChanged = false
    for (let at = above.get(id); at !== undefined; at = above.get(at)) {
        isChanged = folded.delete(at) || isChanged
    }
    if (isChanged) {
        drawFolds()
    }
}
const titleOf = (id: string): string => document.getElementById(id)?.textContent ?? document.querySelector('h1')?.textContent ?? ''
function addSigns(): void {
    const layer = document.createElementNS(SVG, 'g')
    for (const [id, slip] of slips) {
        const opens = slip.dataset.o
        const place = placeOf(id)
        if (opens === undefined || place === null || above.get(id) === undefined) {
            continue
        }
        const [x = 0, y = 0] = { right: [place.w + 9, place.h / 2], left: [-9, place.h / 2], down: [place.w / 2, place.h + 9], up: [place.w / 2, -9] }[opens] ?? []
        const sign = document.createElementNS(SVG, 'g')
        sign.setAttribute('class', 'fold')
        sign.setAttribute('transform', `translate(${place.x + x} ${place.y + y})`)
        sign.setAttribute('role', 'button')
        sign.setAttribute('tabindex', '0')
        sign.setAttribute('aria-label', `What is below “${titleOf(id)}”`)
        sign.innerHTML = '<circle r="9"/><text y="4.5"></text>'
        sign.addEventListener('click', () => toggle(id))
        sign.addEventListener('keydown', (event) => {
            if (event.key === 'Enter' || event.key === ' ') {
                event.preventDefault()
                toggle(id)
            }
        })
        layer.append(sign)
        signs.set(id, sign)
    }
    svg.append(layer)
}

/* What is told of a topic: its note and all else that stands below its title in the outline. */

function partsOf(id: string): Element[] {
    const title = document.getElementById(id)
    const from = title === null ? [...outline.children] : [...(title.closest('li')?.children ?? [])].filter((part) => part !== title)
    return from.filter((part) => part.tagName !== 'UL' || part.querySelector('p[id]') === null)
}
function tell(id: string): void {
    document.getElementById('told')?.remove()
    unring('at')
    outline.querySelectorAll('.here').forEach((one) => one.classList.remove('here'))
    ring(id, 'at')
    document.getElementById(id)?.classList.add('here')
    const parts = partsOf(id)
    if (parts.length === 0) {
        return
    }
    const told = document.createElement('section')
    told.id = 'told'
    told.setAttribute('aria-label', 'About this topic')
    const title = document.createElement('h2')
    title.textContent = titleOf(id)
    const close = button('×', 'Close', untell)
    told.append(title, close, ...parts.map((part) => part.cloneNode(true)))
    told.addEventListener('pointerdown', (event) => event.stopPropagation())
    told.addEventListener('wheel', (event) => event.stopPropagation())
    board.append(told)
}
function untell(): void {
    document.getElementById('told')?.remove()
    unring('at')
}
function go(id: string, isRead: boolean): void {
    unfoldTo(id)
    centre(id)
    tell(id)
    if (isRead && !isFramed) {
        document.getElementById(id)?.scrollIntoView({ block: 'nearest' })
    }
}

/* Finding. */

let found: string[] = []
let at = -1
const plain = (text: string): string => text.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase()
function find(words: string, told: HTMLElement): void {
    unring('hit')
    const wanted = plain(words.trim())
    found = wanted === '' ? [] : [...slips.keys()].filter((id) => plain([titleOf(id), ...partsOf(id).map((part) => part.textContent ?? '')].join('\n')).includes(wanted))
    found.forEach((id) => ring(id, 'hit'))
    at = -1
    told.textContent = wanted === '' ? '' : found.length === 0 ? 'Not found' : `${found.length} found`
}
function next(by: number, told: HTMLElement): void {
    if (found.length > 0) {
        at = (at + by + found.length) % found.length
        told.textContent = `${at + 1} of ${found.length}`
        go(found[at] as string, false)
    }
}
function addTools(): void {
    const field = document.createElement('input')
    field.type = 'search'
    field.placeholder = 'Find'
    field.maxLength = 200
    field.setAttribute('aria-label', 'Find in this map')
    const told = document.createElement('span')
    told.setAttribute('role', 'status')
    field.addEventListener('input', () => find(field.value, told))
    field.addEventListener('keydown', (event) => {
        if (event.key === 'Enter') {
            next(event.shiftKey ? -1 : 1, told)
        } else if (event.key === 'Escape') {
            field.value = ''
            find('', told)
        }
    })
    tools.append(field, told, button('−', 'Smaller', () => zoom(1 / STEP)), button('+', 'Larger', () => zoom(STEP)), button('All', 'Show all of it', all), button('Fold', 'Fold all branches, or unfold them', () => {
        const tops = [...signs.keys()].filter((id) => above.get(above.get(id) ?? '') === undefined)
        const isOpen = tops.some((id) => !folded.has(id))
        folded.clear()
        if (isOpen) {
            tops.forEach((id) => folded.add(id))
        }
        drawFolds()
    }))
    tools.hidden = false
}

/* The hand. */

function listen(): void {
    const held = new Map<number, { x: number; y: number }>()
    let moved = 0
    board.addEventListener('pointerdown', (event) => {
        held.set(event.pointerId, { x: event.clientX, y: event.clientY })
        moved = 0
    })
    board.addEventListener('pointermove', (event) => {
        const before = held.get(event.pointerId)
        if (before === undefined) {
            return
        }
        moved += Math.abs(event.clientX - before.x) + Math.abs(event.clientY - before.y)
        if (moved > 5) {
            board.setPointerCapture(event.pointerId)
            board.classList.add('held')
        }
        const [other] = [...held].filter(([id]) => id !== event.pointerId).map(([, place]) => place)
        if (other !== undefined) {
            // Two fingers draw apart or together.
            const [was, is] = [Math.hypot(before.x - other.x, before.y - other.y), Math.hypot(event.clientX - other.x, event.clientY - other.y)]
            zoom(is / Math.max(1, was), (event.clientX + other.x) / 2, (event.clientY + other.y) / 2)
        } else if (moved > 5) {
            pan(event.clientX - before.x, event.clientY - before.y)
        }
        held.set(event.pointerId, { x: event.clientX, y: event.clientY })
    })
    for (const kind of ['pointerup', 'pointercancel'] as const) {
        board.addEventListener(kind, (event) => {
            held.delete(event.pointerId)
            board.classList.remove('held')
        })
    }
    board.addEventListener('click', (event) => {
        const slip = (event.target as Element).closest<SVGElement>('g[data-t]')
        if (moved <= 5 && slip !== null && (event.target as Element).closest('a') === null) {
            // The page stays where it is: whoever looks at the drawing goes on looking at it.
            tell(slip.dataset.t as string)
        }
    })
    board.addEventListener('wheel', (event) => {
        // The page scrolls, as pages do; with the key that zooms, or where nothing else would move, the board follows.
        if (event.ctrlKey || event.metaKey || isFramed) {
            event.preventDefault()
            zoom(Math.exp(-event.deltaY / 400), event.clientX, event.clientY)
        }
    }, { passive: false })
    board.addEventListener('keydown', (event) => {
        const ways: Record<string, () => void> = {
            ArrowLeft: () => pan(60, 0), ArrowRight: () => pan(-60, 0), ArrowUp: () => pan(0, 60), ArrowDown: () => pan(0, -60),
            '+': () => zoom(STEP), '=': () => zoom(STEP), '-': () => zoom(1 / STEP), 0: all, Escape: untell,
        }
        const act = ways[event.key]
        if (act !== undefined && !event.ctrlKey && !event.metaKey && !event.altKey) {
            event.preventDefault()
            act()
        }
    })
    outline.addEventListener('click', (event) => {
        const title = (event.target as Element).closest('p[id]')
        if (title !== null && (event.target as Element).closest('a') === null) {
            go(title.id, false)
        }
    })
    window.addEventListener('resize', () => show(around(view, ratio())))
}

async function begin(): Promise<void> {
    if (isFramed) {
        document.documentElement.classList.add('framed')
        document.documentElement.style.setProperty('--head', `${document.querySelector('header')?.offsetHeight ?? 59}px`)
    }
    const asked = fetch(board.dataset.from as string)
    // The drawing is seen first; only then is there time for all that is read.
    await new Promise<void>((go) => requestAnimationFrame(() => setTimeout(go)))
    const text = outline.querySelector('noscript')?.textContent
    if (text !== undefined && text !== null) {
        outline.innerHTML = text
    }
    document.querySelectorAll<HTMLAnchorElement>('a[rel]').forEach((link) => (link.target = '_blank'))
    const answer = await asked
    if (!answer.ok) {
        return
    }
    const whole = new DOMParser().parseFromString(await answer.text(), 'image/svg+xml').documentElement
    if (whole.tagName !== 'svg') {
        return
    }
    const isWhole = board.dataset.whole === '1'
    const first = isWhole ? allOfIt() : within(view, ratio())
    const drawn = document.importNode(whole, true) as unknown as SVGSVGElement
    svg.replaceWith(drawn)
    svg = drawn
    svg.querySelectorAll<SVGGElement>('g[data-t]').forEach((slip) => {
        const id = slip.dataset.t as string
        slips.set(id, slip)
        if (slip.dataset.p !== undefined) {
            above.set(id, slip.dataset.p)
            below.set(slip.dataset.p, [...(below.get(slip.dataset.p) ?? []), id])
        }
    })
    show(first)
    addSigns()
    drawFolds()
    addTools()
    listen()
    board.classList.add('live')
    board.tabIndex = 0
    board.setAttribute('role', 'application')
    board.setAttribute('aria-label', 'The map as a drawing; arrow keys move it, + and - zoom. All of it is read below.')
    if (location.hash !== '') {
        go(location.hash.slice(1), true)
    }
}

void begin()
