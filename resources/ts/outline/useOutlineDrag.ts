import { onBeforeUnmount, shallowRef, type Ref } from 'vue'
import { useMap } from '@/stores/map'
import { ancestorsOf, topsOf } from '@/stores/tree'

interface Landing {
    place: { parent: string } | { before: string } | { after: string }
    into: boolean
    top: number
    left: number
}

const SLACK = 5
const EDGE = 24

/** Dragging topics in the outline: on a line to go below it, between two to go there. */
export function useOutlineDrag(frame: Ref<HTMLElement | null>, lines: Ref<readonly string[]>, lineHeight: number) {
    const map = useMap()
    const drag = shallowRef<{ ids: readonly string[]; landing: Landing | null } | null>(null)
    let begin: { id: string; x: number; y: number } | null = null

    function down(event: PointerEvent, id: string): void {
        if (event.button !== 0 || event.pointerType === 'touch' || id === map.tree.root) {
            return
        }
        begin = { id, x: event.clientX, y: event.clientY }
        window.addEventListener('pointermove', move)
        window.addEventListener('pointerup', up)
        window.addEventListener('keydown', key, { capture: true })
    }

    function move(event: PointerEvent): void {
        if (begin === null || (drag.value === null && Math.hypot(event.clientX - begin.x, event.clientY - begin.y) < SLACK)) {
            return
        }
        const box = frame.value
        const ids = drag.value?.ids ?? topsOf(map.tree, map.chosen).filter((id) => id !== map.tree.root)
        if (box === null || ids.length === 0) {
            return
        }
        const bounds = box.getBoundingClientRect()
        box.scrollTop += event.clientY < bounds.top + EDGE ? -12 : event.clientY > bounds.bottom - EDGE ? 12 : 0
        drag.value = { ids, landing: landingAt(event.clientY - bounds.top + box.scrollTop - 6, ids) }
    }

    function landingAt(y: number, ids: readonly string[]): Landing | null {
        const index = Math.min(lines.value.length - 1, Math.max(0, Math.floor(y / lineHeight)))
        const id = lines.value[index]
        if (id === undefined || [id, ...ancestorsOf(map.tree, id)].some((at) => ids.includes(at))) {
            return null
        }
        const depth = ancestorsOf(map.tree, id).length
        const within = y / lineHeight - index
        const left = 10 + depth * 16
        const top = index * lineHeight
        if (id === map.tree.root || (within > 0.3 && within < 0.7)) {
            return { place: { parent: id }, into: true, top: top + 2, left }
        }
        return within <= 0.3 ? { place: { before: id }, into: false, top: top - 1, left } : { place: { after: id }, into: false, top: top + lineHeight - 2, left }
    }

    function key(event: KeyboardEvent): void {
        if (event.key === 'Escape' && drag.value !== null) {
            event.preventDefault()
            event.stopPropagation()
            stop()
        }
    }

    function up(): void {
        const landed = drag.value
        stop()
        if (landed?.landing != null) {
            map.edit({ name: 'topic.move', topics: [...landed.ids], ...landed.landing.place })
        }
    }

    function stop(): void {
        begin = null
        drag.value = null
        window.removeEventListener('pointermove', move)
        window.removeEventListener('pointerup', up)
        window.removeEventListener('keydown', key, { capture: true })
    }

    onBeforeUnmount(stop)

    return { drag, down }
}
