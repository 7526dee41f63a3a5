import { transform, type Camera, type Size } from './camera'
import type { Afar, Rect, SlideDrawing } from './deck'

const SVG = 'http://www.w3.org/2000/svg'
/** Pixels of the longer side of what is seen from afar. */
const AFAR = 1200

/** SVG of ours as a part of the page; it is read as XML, so nothing in it runs. */
function read(body: string, css: string, [x, y, w, h]: Rect): SVGSVGElement {
    const parsed = new DOMParser().parseFromString(`<svg xmlns="${SVG}" xmlns:xlink="http://www.w3.org/1999/xlink" viewBox="${x} ${y} ${w} ${h}" preserveAspectRatio="none"><style>${css.replace(/[<&]/g, '')}</style>${body}</svg>`, 'image/svg+xml')
    const svg = document.importNode(parsed.documentElement, true) as unknown as SVGSVGElement
    svg.setAttribute('aria-hidden', 'true')
    return svg
}

/** One drawing in the window of a show, painted for one camera and moved by the compositor. */
export class Layer {
    readonly element: HTMLElement
    readonly svg: SVGSVGElement
    painted: Camera = { x: 0, y: 0, scale: 1 }

    constructor(readonly drawing: SlideDrawing, owner: Document) {
        this.element = owner.createElement('div')
        this.element.className = 'layer'
        this.svg = owner.adoptNode(read(drawing.svg, drawing.css, drawing.region))
        this.element.append(this.svg)
    }

    /** Paints it sharp for a camera, and puts it there. */
    paint(camera: Camera, size: Size): void {
        const [, , w, h] = this.drawing.region
        this.painted = camera
        this.svg.setAttribute('width', String(w * camera.scale))
        this.svg.setAttribute('height', String(h * camera.scale))
        this.element.style.transform = this.at(camera, size)
    }

    at(camera: Camera, size: Size): string {
        return transform(this.drawing.region, this.painted, camera, size)
    }

    boxOf(topic: string): Rect | null {
        const found = this.drawing.topics.find(([id]) => id === topic)
        return found === undefined ? null : [found[1], found[2], found[3], found[4]]
    }
}

/** The whole of a board from afar as a fixed picture, which costs nothing to move. */
export async function pictureOf(afar: Afar, colours: CSSStyleDeclaration, owner: Document): Promise<HTMLCanvasElement> {
    const [x, y, w, h] = afar.region
    const scale = Math.min(1, AFAR / Math.max(w, h))
    const canvas = owner.createElement('canvas')
    canvas.width = Math.max(1, Math.round(w * scale))
    canvas.height = Math.max(1, Math.round(h * scale))
    canvas.className = 'afar'
    // A picture by itself knows nothing of the page's colours.
    const body = afar.svg.replace(/var\((--[\w-]+)\)/g, (_, name: string) => colours.getPropertyValue(name).trim() || '#888888')
        .replace(/^<svg[^>]*>/, `<svg xmlns="${SVG}" width="${canvas.width}" height="${canvas.height}" viewBox="${x} ${y} ${w} ${h}">`)
    const picture = new Image()
    picture.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(body)}`
    await picture.decode()
    canvas.getContext('2d')?.drawImage(picture, 0, 0, canvas.width, canvas.height)
    return canvas
}
