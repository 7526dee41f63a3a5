import { closeTo, fitted, glide, shifted, transform, type Camera, type Size } from './camera'
import type { Rect, ShownDeck, SlideDrawing, Source, Way } from './deck'
import { Layer, pictureOf } from './layer'

/** How fast one drawing takes the place of another where nothing glides, milliseconds. */
const CUT = 120

/** The parts of the way on which what is left goes away, and what is new comes: far from it, near it, and where nothing is on both. */
const FAR_LEAVES = [0.1, 0.4] as const
const FAR_COMES = [0.6, 0.9] as const
const NEAR_LEAVES = [0.5, 0.75] as const
const NEAR_COMES = [0.15, 0.5] as const
const APART_LEAVES = [0, 0.6] as const
const APART_COMES = [0, 0.75] as const

/** How far one is on a part of the way, from 0 to 1. */
const between = (at: number, [from, to]: readonly [number, number]): number => Math.min(1, Math.max(0, (at - from) / (to - from)))

/** Whether all that a camera sees is within what is drawn. */
const covers = ([x, y, w, h]: Rect, camera: Camera, size: Size): boolean => {
    const [wide, high] = [size.w / camera.scale / 2, size.h / camera.scale / 2]
    return camera.x - wide >= x && camera.x + wide <= x + w && camera.y - high >= y && camera.y + high <= y + h
}

/** What is not to be seen yet; what is not seen at all would not be painted beforehand. */
const UNSEEN = '0.01'

/** Slides that are kept read, ready to be painted. */
const KEPT = 7
/** So much closer than the whole slide, one finger moves it instead of going on. */
const CLOSE = 1.05

/**
 * Where slides are seen. The camera glides from slide to slide: what is there is moved and stretched by the compositor, what
 * comes is painted before anything moves, and what lies between is seen from afar, so nothing is ever blank.
 */
export class Stage {
    readonly element: HTMLElement
    private readonly heading: HTMLElement
    private readonly drawings = new Map<string, Promise<SlideDrawing>>()
    private readonly afars = new Map<string, Promise<HTMLCanvasElement | null>>()
    private readonly layers = new Map<SlideDrawing, Layer>()
    private readonly uncovered = new Set<string>()
    private layer: Layer | null = null
    /** The one that is being painted to come next. */
    private coming: { readonly layer: Layer; readonly turn: number } | null = null
    private camera: Camera = { x: 0, y: 0, scale: 1 }
    private moving: Animation[] = []
    private turn = 0
    private readonly owner: Document
    slide = -1
    /** The topic one has gone to within the slide. */
    topic: string | null = null
    /** What holds in place of what slides say, once whoever shows has changed it. */
    way: Way | null = null
    dim: number | null = null
    veil: string | null = null
    private closer = 1

    constructor(host: HTMLElement, private readonly deck: ShownDeck, private readonly source: Source, private readonly isStill: () => boolean = () => false) {
        this.owner = host.ownerDocument
        this.element = this.owner.createElement('div')
        this.element.className = 'slide-stage'
        this.heading = this.owner.createElement('h2')
        this.element.append(this.heading)
        host.append(this.element)
    }

    get size(): Size {
        return { w: Math.max(1, this.element.clientWidth), h: Math.max(1, this.element.clientHeight) }
    }

    drawing(slide: number): Promise<SlideDrawing> {
        const key = `${slide} ${this.way ?? ''}`
        const known = this.drawings.get(key)
        if (known !== undefined) {
            return known
        }
        const asked = this.source.drawing(slide, this.way)
        this.drawings.set(key, asked)
        // What could not be had is asked for again the next time.
        asked.catch(() => this.drawings.delete(key))
        return asked
    }

    /** Lets drawings that may be wanted soon be there. */
    prepare(...slides: number[]): void {
        slides.filter((slide) => slide >= 0 && slide < this.deck.slides.length).forEach((slide) => {
            void this.drawing(slide).then((drawing) => {
                const view = this.owner.defaultView ?? window
                view.requestIdleCallback?.(() => this.layerOf(drawing), { timeout: 1000 })
                return drawing.way === 'all' ? this.afar(slide, drawing) : null
            }).catch(() => undefined)
        })
    }

    /** A drawing, read; those that were wanted last stay so. */
    private layerOf(drawing: SlideDrawing): Layer {
        const layer = this.layers.get(drawing) ?? new Layer(drawing, this.owner)
        this.layers.delete(drawing)
        this.layers.set(drawing, layer)
        for (const [old, its] of this.layers) {
            if (this.layers.size > KEPT && its !== this.layer) {
                this.layers.delete(old)
            }
        }
        return layer
    }

    /** Shows a slide; true once it is seen, false where another one was wanted before. */
    async show(slide: number, glides = true): Promise<boolean> {
        const turn = ++this.turn
        const shown = this.deck.slides[slide]
        if (shown === undefined) {
            return false
        }
        const drawing = await this.drawing(slide)
        if (turn !== this.turn) {
            return false
        }
        const before = this.layer
        // The same once more needs one of its own, as both are seen for a moment.
        const next = before?.drawing === drawing ? new Layer(drawing, this.owner) : this.layerOf(drawing)
        this.dress(next, slide)
        const top = this.setHeading(shown.heading)
        this.slide = slide
        this.topic = null
        this.closer = 1
        const to = fitted(drawing.frame, this.size, top)
        next.paint(to, this.size)
        next.element.style.opacity = UNSEEN
        this.coming = { layer: next, turn }
        this.element.insertBefore(next.element, this.heading)
        const isSame = before?.drawing.key === drawing.key
        const flies = glides && before !== null && shown.moves === 'glide' && !this.isStill()
        const afar = flies && isSame ? await this.afar(slide, drawing) : null
        await this.painted()
        if (turn !== this.turn) {
            this.coming = this.coming?.turn === turn ? null : this.coming
            this.leave(next)
            return false
        }
        this.stop()
        this.layer = next
        this.coming = null
        await (flies && before !== null ? this.fly(before, next, to, isSame, afar) : this.cut(before, next, to, before !== null && !this.isStill()))
        if (turn === this.turn) {
            this.prepare(slide + 1, slide - 1, slide + 2)
        }
        return true
    }

    /** Goes to a topic of the slide, or back to all of it. */
    async goTo(topic: string | null): Promise<void> {
        const layer = this.layer
        const box = topic === null ? null : (layer?.boxOf(topic) ?? null)
        if (layer === null) {
            return
        }
        this.topic = box === null ? null : topic
        this.mark()
        await this.look(box === null ? this.whole(layer) : closeTo(box, this.size, this.whole(layer)))
    }

    async zoom(by: number): Promise<void> {
        this.closer = Math.min(6, Math.max(0.25, this.closer * by))
        await this.look({ ...this.camera, scale: this.camera.scale * by })
    }

    /** Moves by pixels of the screen, as a hand does. */
    drag(x: number, y: number): void {
        if (this.layer !== null) {
            this.stop()
            this.camera = shifted(this.camera, -x / this.camera.scale, -y / this.camera.scale)
            this.layer.element.style.transform = this.layer.at(this.camera, this.size)
        }
    }

    /** Whether it is seen closer than the slide as a whole is. */
    get isClose(): boolean {
        return this.closer > CLOSE
    }

    /** Comes closer or goes farther as two fingers do: what is under a point of the screen stays there, and goes along with it. */
    pinch(by: number, at: { readonly x: number; readonly y: number }, x: number, y: number): void {
        const layer = this.layer
        if (layer === null) {
            return
        }
        this.stop()
        const { w, h } = this.size
        const usual = this.whole(layer).scale / this.closer
        const scale = Math.min(6, Math.max(0.25, (this.camera.scale / usual) * by)) * usual
        const part = 1 / this.camera.scale - 1 / scale
        this.camera = { x: this.camera.x + (at.x - w / 2) * part - x / scale, y: this.camera.y + (at.y - h / 2) * part - y / scale, scale }
        this.closer = scale / usual
        layer.element.style.transform = layer.at(this.camera, this.size)
    }

    /** Sharp again where two fingers have left it. */
    settlePinch(): void {
        this.layer?.paint(this.camera, this.size)
    }

    /** Takes the cover from a topic, or from the next that has one. */
    uncover(topic: string | null = null): boolean {
        const cover = this.layer?.svg.querySelector(topic === null ? '[data-c]:not(.gone)' : `[data-t="${CSS.escape(topic)}"] > [data-c]:not(.gone)`)
        const its = cover?.closest('[data-t]')?.getAttribute('data-t')
        if (cover == null || its == null) {
            return false
        }
        cover.classList.add('gone')
        this.uncovered.add(`${this.slide} ${its}`)
        return true
    }

    /** Covers again all that was uncovered on the slide. */
    coverAgain(): void {
        [...this.uncovered].filter((one) => one.startsWith(`${this.slide} `)).forEach((one) => this.uncovered.delete(one))
        this.layer?.svg.querySelectorAll('[data-c]').forEach((cover) => cover.classList.remove('gone'))
    }

    get hasCover(): boolean {
        return this.layer?.svg.querySelector('[data-c]:not(.gone)') != null
    }

    /** The same as another stage shows, at once. */
    async follow(other: Stage): Promise<void> {
        this.way = other.way
        this.dim = other.dim
        this.veil = other.veil
        other.uncovered.forEach((one) => this.uncovered.add(one))
        await this.show(other.slide, false)
    }

    /** After how the rest is shown was changed. */
    redress(): void {
        if (this.layer !== null) {
            this.dress(this.layer, this.slide)
        }
    }

    /** After the window has another size. */
    resized(): void {
        if (this.layer !== null) {
            this.stop()
            this.setHeading(this.deck.slides[this.slide]?.heading ?? '')
            const box = this.topic === null ? null : this.layer.boxOf(this.topic)
            this.camera = box === null ? this.whole(this.layer) : closeTo(box, this.size, this.whole(this.layer))
            this.layer.paint(this.camera, this.size)
        }
    }

    boxOf(topic: string): Rect | null {
        return this.layer?.boxOf(topic) ?? null
    }

    private whole(layer: Layer): Camera {
        const camera = fitted(layer.drawing.frame, this.size, this.top)
        return { ...camera, scale: camera.scale * this.closer }
    }

    private top = 0

    private setHeading(text: string): number {
        this.heading.textContent = text
        this.heading.hidden = text === ''
        this.top = text === '' ? 0 : this.heading.offsetTop + this.heading.offsetHeight
        return this.top
    }

    private dress(layer: Layer, slide: number): void {
        const shown = this.deck.slides[slide]
        const dim = (this.dim ?? shown?.dim ?? 0) / 100
        const colour = { black: '#000000', white: '#ffffff' }[this.veil ?? this.deck.veil] ?? 'var(--board)'
        const veil = layer.svg.querySelector('.veil')
        veil?.setAttribute('fill', colour)
        veil?.setAttribute('fill-opacity', String(dim))
        this.element.style.setProperty('--veil', colour)
        this.element.style.setProperty('--dim', veil == null ? '0%' : `${dim * 100}%`)
        layer.svg.querySelectorAll('[data-c]').forEach((cover) => {
            cover.classList.toggle('gone', this.uncovered.has(`${slide} ${cover.closest('[data-t]')?.getAttribute('data-t') ?? ''}`))
        })
    }

    private mark(): void {
        this.element.classList.toggle('going', this.topic !== null)
        this.layer?.svg.querySelectorAll('.at').forEach((one) => one.classList.remove('at'))
        if (this.topic !== null) {
            this.layer?.svg.querySelectorAll(`.shown > [data-t="${CSS.escape(this.topic)}"]`).forEach((one) => one.classList.add('at'))
        }
    }

    /** Until what was put into the page is painted. */
    private painted(): Promise<void> {
        const view = this.owner.defaultView ?? window
        return new Promise((done) => {
            // A window that is not seen paints nothing, and waits for nothing.
            const late = setTimeout(done, 300)
            view.requestAnimationFrame(() => view.requestAnimationFrame(() => {
                clearTimeout(late)
                done()
            }))
        })
    }

    private afar(slide: number, drawing: SlideDrawing): Promise<HTMLCanvasElement | null> {
        const known = this.afars.get(drawing.key)
        if (known !== undefined) {
            return known
        }
        const asked = this.source.afar(slide, drawing).then((afar) => (afar === null ? null : pictureOf(afar, getComputedStyle(this.element), this.owner).then((canvas) => Object.assign(canvas, { region: afar.region })))).catch(() => null)
        this.afars.set(drawing.key, asked)
        return asked
    }

    private stop(): void {
        const view = this.owner.defaultView ?? window
        if (this.moving.length > 0 && this.layer !== null) {
            // Where it is now is where it goes on from.
            const at = new view.DOMMatrixReadOnly(view.getComputedStyle(this.layer.element).transform)
            const scale = this.layer.painted.scale * at.a
            const [x, y] = this.layer.drawing.region
            this.camera = { x: x + (this.size.w / 2 - at.e) / scale, y: y + (this.size.h / 2 - at.f) / scale, scale }
        }
        this.moving.forEach((one) => one.cancel())
        this.moving = []
        if (this.layer !== null) {
            this.layer.element.style.opacity = ''
            this.layer.element.style.transform = this.layer.at(this.camera, this.size)
        }
    }

    private async fly(before: Layer, next: Layer, to: Camera, isSame: boolean, afar: HTMLCanvasElement | null): Promise<void> {
        const size = this.size
        // What is on both slides stays where it is while the view moves.
        const shared = isSame ? null : next.drawing.topics.find(([id]) => before.boxOf(id) !== null)
        const was = shared === undefined || shared === null ? null : before.boxOf(shared[0])
        const [x, y] = was === null || shared == null ? [0, 0] : [shared[1] - was[0], shared[2] - was[1]]
        const from = isSame || was !== null ? shifted(this.camera, x, y) : { ...to, scale: to.scale * 0.94 }
        const { cameras, milliseconds } = glide(from, to, size)
        const how = { duration: milliseconds, easing: 'linear', fill: 'forwards' } as const
        const isTied = isSame || was !== null
        // Far from each other, the old one goes before the new one comes, and the map is seen from afar between them; no more than two lie upon each other.
        const isFar = afar !== null && !cameras.every((camera) => covers(before.drawing.region, camera, size) || covers(next.drawing.region, camera, size))
        const [leave, come] = isFar ? [FAR_LEAVES, FAR_COMES] : isTied ? [NEAR_LEAVES, NEAR_COMES] : [APART_LEAVES, APART_COMES]
        const at = (i: number): number => i / (cameras.length - 1)
        const leaves = before.element.animate(cameras.map((camera, i) => ({ ...(isTied ? { transform: before.at(shifted(camera, -x, -y), size) } : {}), opacity: 1 - between(at(i), leave) })), how)
        const comes = next.element.animate(cameras.map((camera, i) => ({ transform: next.at(camera, size), opacity: between(at(i), come) })), how)
        this.moving = [leaves, comes]
        if (isFar && afar !== null) {
            const region = (afar as HTMLCanvasElement & { region: Rect }).region
            const scale = afar.width / region[2]
            afar.style.opacity = String(1 - (this.dim ?? this.deck.slides[this.slide]?.dim ?? 0) / 100)
            this.element.prepend(afar)
            this.moving.push(afar.animate(cameras.map((camera) => ({ transform: transform(region, { x: 0, y: 0, scale }, camera, size) })), how))
        }
        this.camera = to
        await Promise.all(this.moving.map((one) => one.finished)).catch(() => undefined)
        this.settle(next, before, isFar ? afar : null)
    }

    private async cut(before: Layer | null, next: Layer, to: Camera, fades: boolean): Promise<void> {
        this.camera = to
        if (fades) {
            this.moving = [next.element.animate([{ opacity: UNSEEN }, { opacity: 1 }], { duration: CUT, fill: 'forwards' })]
            await this.moving[0]?.finished.catch(() => undefined)
        }
        this.settle(next, before, null)
    }

    private settle(next: Layer, before: Layer | null, afar: HTMLCanvasElement | null): void {
        afar?.remove()
        if (before !== null) {
            this.leave(before)
        }
        if (this.layer === next) {
            next.element.style.opacity = ''
            this.moving.forEach((one) => one.cancel())
            this.moving = []
        }
    }

    /** Takes away what is neither seen nor about to be, which it may be again by now. */
    private leave(layer: Layer): void {
        if (layer !== this.layer && layer !== this.coming?.layer) {
            layer.element.remove()
        }
    }

    /** Looks elsewhere on the same slide; when it is there, it is painted sharp. */
    private async look(to: Camera): Promise<void> {
        const layer = this.layer
        if (layer === null) {
            return
        }
        const turn = ++this.turn
        this.stop()
        const { cameras, milliseconds } = glide(this.camera, to, this.size)
        this.camera = to
        if (!this.isStill()) {
            this.moving = [layer.element.animate(cameras.map((camera) => ({ transform: layer.at(camera, this.size) })), { duration: milliseconds * 0.8, easing: 'linear', fill: 'forwards' })]
            await this.moving[0]?.finished.catch(() => undefined)
        }
        if (turn === this.turn) {
            this.moving.forEach((one) => one.cancel())
            this.moving = []
            layer.paint(to, this.size)
        }
    }
}
