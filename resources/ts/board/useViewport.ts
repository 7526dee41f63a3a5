import { useElementSize, usePreferredReducedMotion } from '@vueuse/core'
import { select } from 'd3-selection'
import { zoom, zoomIdentity, zoomTransform, ZoomTransform } from 'd3-zoom'
import { onBeforeUnmount, onMounted, ref, shallowRef, watch, type Ref } from 'vue'
import type { Place } from '@/api/wire'
import type { Box } from './geometry'
import { usePreferences } from '@/stores/preferences'

/** The part of the board that is painted: a rectangle of it, and the scale at which it is sharp. */
export interface Painted extends Box {
    readonly scale: number
}

const LEAST = 0.01
const MOST = 4
/** How far beyond the window is painted, as a part of its size, so that panning rarely has to wait. */
const BEYOND = 0.5
/** After so many milliseconds without movement the board is painted anew, sharp and in the middle. */
const REST = 140
const GLIDE = 180
/** What the controls take of the board's foot, which nothing shown as a whole should lie under. */
const FOOT = 48

/**
 * Pan and zoom. While the view moves, what is painted is only shifted and stretched, which the browser does without
 * drawing; it is painted anew when the movement rests or comes near the edge of what is painted.
 */
export function useViewport(frame: Ref<HTMLElement | null>, layer: Ref<HTMLElement | null>, moved: (scale: number) => void) {
    const { width, height } = useElementSize(frame)
    const painted = shallowRef<Painted>({ x: -400, y: -300, w: 800, h: 600, scale: 1 })
    const reduced = usePreferredReducedMotion()
    const preferences = usePreferences()
    const moving = ref(false)
    let view = zoomIdentity
    let rest: ReturnType<typeof setTimeout> | undefined
    let glide = 0
    /** Where a glide that is under way will end. */
    let goal: ZoomTransform | null = null

    const behaviour = zoom<HTMLElement, unknown>()
        .scaleExtent([LEAST, MOST])
        .filter((event: Event) => {
            const target = event.target as Element
            if (target.closest('.title-editor-frame, button') !== null) {
                return false
            }
            if (event.type === 'wheel' || event.type.startsWith('touch')) {
                return true
            }
            return (event as MouseEvent).button === 0 && !(event as MouseEvent).shiftKey && target.closest('[data-topic]') === null
        })
        .on('start', (event: { sourceEvent: Event | null }) => event.sourceEvent !== null && endGlide())
        .on('zoom', (event: { transform: ZoomTransform }) => {
            view = event.transform
            moving.value = true
            shift()
            clearTimeout(rest)
            rest = setTimeout(settle, REST)
            if (!covers()) {
                paint()
            }
        })

    /** The part of the board that the window shows. */
    function window(): Box {
        return { x: -view.x / view.k, y: -view.y / view.k, w: width.value / view.k, h: height.value / view.k }
    }

    function covers(): boolean {
        const seen = window()
        const has = painted.value
        return seen.x >= has.x && seen.y >= has.y && seen.x + seen.w <= has.x + has.w && seen.y + seen.h <= has.y + has.h
    }

    function settle(): void {
        moving.value = false
        paint()
    }

    function paint(): void {
        const seen = window()
        painted.value = {
            x: seen.x - seen.w * BEYOND,
            y: seen.y - seen.h * BEYOND,
            w: seen.w * (1 + 2 * BEYOND),
            h: seen.h * (1 + 2 * BEYOND),
            scale: view.k,
        }
        shift()
        moved(view.k)
    }

    function shift(): void {
        if (layer.value !== null) {
            const { x, y, scale } = painted.value
            layer.value.style.transform = `translate(${x * view.k + view.x}px, ${y * view.k + view.y}px) scale(${view.k / scale})`
        }
    }

    function endGlide(): void {
        cancelAnimationFrame(glide)
        goal = null
    }

    function setView(to: ZoomTransform): void {
        endGlide()
        moveTo(to)
    }

    function moveTo(to: ZoomTransform): void {
        if (frame.value !== null) {
            select(frame.value).call(behaviour.transform, to)
        }
    }

    function glideTo(to: ZoomTransform): void {
        endGlide()
        if (reduced.value === 'reduce' || preferences.motion === 'less' || width.value === 0) {
            setView(to)
            return
        }
        goal = to
        const from = view
        const begin = performance.now()
        const step = (now: number): void => {
            const part = Math.min(1, Math.max(0, (now - begin) / GLIDE))
            const eased = 1 - (1 - part) ** 3
            const mix = (a: number, b: number): number => a + (b - a) * eased
            moveTo(new ZoomTransform(mix(from.k, to.k), mix(from.x, to.x), mix(from.y, to.y)))
            if (part < 1) {
                glide = requestAnimationFrame(step)
            } else {
                goal = null
            }
        }
        glide = requestAnimationFrame(step)
    }

    function around(box: Box, scale: number): ZoomTransform {
        const k = Math.min(MOST, Math.max(LEAST, scale))
        return new ZoomTransform(k, width.value / 2 - k * (box.x + box.w / 2), height.value / 2 - k * (box.y + box.h / 2))
    }

    /** Puts a box in the middle. */
    function centre(box: Box, scale = (goal ?? view).k): void {
        glideTo(around(box, scale))
    }

    /** Shows all of a box, at its own size if there is room. */
    function fit(box: Box, glides = true): void {
        const fitting = around(box, scaleFor(box))
        const to = new ZoomTransform(fitting.k, fitting.x, fitting.y - FOOT / 2)
        if (glides) {
            glideTo(to)
        } else {
            setView(to)
        }
    }

    /** Goes back to where one was. */
    function goTo({ x, y, scale }: Place): void {
        setView(around({ x, y, w: 0, h: 0 }, scale))
    }

    /** How large a box is where all of it is shown. */
    function scaleFor(box: Box): number {
        return Math.min(1, (width.value - 48) / box.w, (height.value - 48 - FOOT) / box.h)
    }

    /** Moves no more than is needed to see a box. */
    function reveal(box: Box): void {
        const margin = 28
        const at = goal ?? view
        const left = box.x * at.k + at.x
        const top = box.y * at.k + at.y
        const right = left + box.w * at.k
        const bottom = top + box.h * at.k
        const aside = right > width.value - margin ? Math.min(right - width.value + margin, left - margin) : left < margin ? left - margin : 0
        const along = bottom > height.value - margin ? Math.min(bottom - height.value + margin, top - margin) : top < margin ? top - margin : 0
        if (aside !== 0 || along !== 0) {
            glideTo(new ZoomTransform(at.k, at.x - aside, at.y - along))
        }
    }

    function zoomBy(factor: number): void {
        const at = goal ?? view
        const k = Math.min(MOST, Math.max(LEAST, at.k * factor))
        const [cx, cy] = [width.value / 2, height.value / 2]
        glideTo(new ZoomTransform(k, cx - ((cx - at.x) / at.k) * k, cy - ((cy - at.y) / at.k) * k))
    }

    function panBy(dx: number, dy: number): void {
        setView(new ZoomTransform(view.k, view.x + dx, view.y + dy))
    }

    /** The place on the board under a point of the window. */
    function toBoard(clientX: number, clientY: number): { x: number; y: number } {
        const bounds = frame.value?.getBoundingClientRect()
        return { x: (clientX - (bounds?.left ?? 0) - view.x) / view.k, y: (clientY - (bounds?.top ?? 0) - view.y) / view.k }
    }

    /** The point of the board in the middle of the window. */
    function middle(): { x: number; y: number } {
        return { x: (width.value / 2 - view.x) / view.k, y: (height.value / 2 - view.y) / view.k }
    }

    onMounted(() => {
        if (frame.value !== null) {
            select(frame.value).call(behaviour).on('dblclick.zoom', null)
            view = zoomTransform(frame.value)
        }
    })

    watch([width, height], ([w, h], [beforeW, beforeH]) => {
        // What was in the middle stays in the middle.
        if (beforeW > 0 && beforeH > 0) {
            const to = goal
            const aside = ({ k, x, y }: ZoomTransform): ZoomTransform => new ZoomTransform(k, x + (w - beforeW) / 2, y + (h - beforeH) / 2)
            setView(aside(view))
            if (to !== null) {
                glideTo(aside(to))
            }
        }
        settle()
    })

    onBeforeUnmount(() => {
        endGlide()
        clearTimeout(rest)
    })

    return { painted, moving, width, height, centre, fit, goTo, scaleFor, reveal, zoomBy, panBy, toBoard, middle }
}
