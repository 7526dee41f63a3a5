import { h, type FunctionalComponent, type VNode } from 'vue'
import { sourceAddress } from '@/api/client'
import type { DrawnLine, DrawnPath, DrawnPicture, Primitive, Span } from '@/api/wire'
import { useMap } from '@/stores/map'

/** The typefaces by their names in the core; see main.css. */
export const families: Readonly<Record<string, string>> = {
    clear: 'Atkinson Hyperlegible', reading: 'Literata', hand: 'Kalam', mono: 'JetBrains Mono', spacious: 'Lexend', weighted: 'OpenDyslexic',
}

/** What the browser draws of a topic that the server has not drawn yet; see guess.ts. */
export interface GuessedPaper {
    readonly part: 'paper'
    readonly rect: { readonly w: number; readonly h: number; readonly corner: number }
    readonly fill?: string
}

/** A primitive, moved aside while it is guessed. */
export type DrawnPart = (Primitive | GuessedPaper) & { readonly aside?: number }

/** The names of mixed chalks are ids. */
const MIXED = 26

/** A paint by its role, as a colour of the page. */
export function paint(role: string | undefined): string {
    const [sort = '', chalk] = (role ?? '').split(':')
    const of = sort === 'tint' || sort === 'text' ? `-${sort}` : ''
    // A chalk that was mixed for the map may be gone.
    return sort === '' ? 'none' : chalk === undefined ? `var(--${sort})` : chalk.length === MIXED ? `var(--${chalk}${of}, var(--mussel${of}))` : `var(--${chalk}${of})`
}

function styleOf(span: Span): Record<string, string> {
    const lines = [span.marks & 4 || span.href !== undefined ? 'underline' : '', span.marks & 8 ? 'line-through' : ''].join(' ').trim()
    return {
        ...(span.marks & 1 ? { fontWeight: '700' } : {}),
        ...(span.marks & 2 ? { fontStyle: 'italic' } : {}),
        ...(lines === '' ? {} : { textDecoration: lines }),
        ...(span.fill === undefined ? {} : { fill: paint(span.fill) }),
    }
}

/** Holds text in a font we did not measure to the width it was given, where it would be wider. */
function hold(vnode: VNode, width: number): void {
    const element = vnode.el as SVGTSpanElement
    element.removeAttribute('textLength')
    if (element.getComputedTextLength() > width) {
        element.setAttribute('textLength', String(width))
        element.setAttribute('lengthAdjust', 'spacingAndGlyphs')
    }
}

/** What is read from right to left begins at its right end. */
function span(one: Span, key: number, isRtl: boolean, at: Record<string, number>): VNode {
    const held = one.guess === true ? { onVnodeMounted: (vnode: VNode) => hold(vnode, one.w), onVnodeUpdated: (vnode: VNode) => hold(vnode, one.w) } : {}
    return h('tspan', { key, x: isRtl ? one.x + one.w : one.x, ...at, class: one.href === undefined ? undefined : 'link', style: styleOf(one), ...held }, one.text)
}

/** What is set lower or higher, smaller; it would take the rest of its line along, so there each says where it stands. */
const [SUB, SUPER] = [32, 64]
function standing(part: DrawnLine, one: Span): Record<string, number> {
    if (!part.spans.some(({ marks }) => (marks & (SUB | SUPER)) !== 0)) {
        return {}
    }
    const off = (one.marks & SUB) !== 0 ? 0.16 : (one.marks & SUPER) !== 0 ? -0.36 : 0
    return { y: Math.round((part.y + off * part.size) * 100) / 100, ...(off === 0 ? {} : { 'font-size': Math.round(part.size * 70) / 100 }) }
}

function line(part: DrawnLine, key: number): VNode {
    return h('text', { key, class: part.part, y: part.y, direction: part.rtl === true ? 'rtl' : undefined, 'font-size': part.size, style: { fill: paint(part.fill), ...(part.face === undefined ? {} : { fontFamily: `'${families[part.face] ?? ''}', sans-serif` }) } }, part.spans.map((one, i) => span(one, i, part.rtl === true, standing(part, one))))
}

/** A line that is only there to be touched, with a wide hand. */
const hand = (strokeWidth: number): Record<string, string | number> => ({ fill: 'none', stroke: 'var(--hand, transparent)', strokeWidth, strokeLinecap: 'round', pointerEvents: 'stroke' })

function path(part: DrawnPath, key: number, aside: number): VNode {
    return h('path', {
        key, class: part.part, 'data-touch': part.touch, d: part.d, transform: aside === 0 ? undefined : `translate(${aside} 0)`,
        style: part.stroke === undefined ? (part.fill === undefined && part.thick !== undefined ? hand(part.thick) : { fill: paint(part.fill) }) : { fill: paint(part.fill), stroke: paint(part.stroke), strokeWidth: part.thick, strokeLinecap: 'round', strokeDasharray: part.dash ?? 'none', ...(part.fill === undefined && part.touch !== undefined ? { pointerEvents: 'stroke' } : {}) },
    })
}

/** A picture of this width on the board is drawn of the small copy; as in the server's PictureSize. */
const SMALL = 200

function picture(part: DrawnPicture, key: number): VNode {
    const [x = 0, y = 0, width = 0, height = 0] = part.box
    return h('image', { key, class: part.part, x, y, width, height, href: sourceAddress(useMap().id, part.picture, width <= SMALL ? 'small' : 'large') }, part.about === undefined ? [] : [h('title', part.about)])
}

function guessed(part: GuessedPaper, key: number): VNode {
    const { w, h: height, corner } = part.rect
    return h('rect', { key, class: part.part, width: w, height, rx: corner, style: { fill: paint(part.fill) } })
}

/** Draws primitives, whatever they are of. */
export const Parts: FunctionalComponent<{ parts: readonly DrawnPart[] }> = ({ parts }) =>
    parts.map((part, key) => ('spans' in part ? line(part, key) : 'picture' in part ? picture(part, key) : 'rect' in part ? guessed(part, key) : path(part, key, part.aside ?? 0)))
Parts.props = ['parts']
