import { shallowRef, type Ref } from 'vue'
import { useMap } from '@/stores/map'
import { ancestorsOf, topsOf } from '@/stores/tree'
import { usePointerDrag } from '@/ui/usePointerDrag'

interface Landing {
    place: { parent: string } | { before: string } | { after: string }
    into: boolean
    top: number
    left: number
}

const EDGE = 24

/** Dragging topics in the outline: on a line to go below it, between two to go there. */
export function useOutlineDrag(frame: Ref<HTMLElement | null>, lines: Ref<readonly string[]>, lineHeight: number) {
    const map = useMap()
    const drag = shallowRef<{ ids: readonly string[]; landing: Landing | null } | null>(null)

    function begin(): boolean {
        const ids = topsOf(map.tree, map.chosen).filter((id) => id !== map.tree.root)
        drag.value = { ids, landing: null }
        return ids.length > 0
    }

    function follow(event: PointerEvent): void {
        const box = frame.value
        if (box === null || drag.value === null) {
            return
        }
        const bounds = box.getBoundingClientRect()
        box.scrollTop += event.clientY < bounds.top + EDGE ? -12 : event.clientY > bounds.bottom - EDGE ? 12 : 0
        drag.value = { ids: drag.value.ids, landing: landingAt(event.clientY - bounds.top + box.scrollTop - 6, drag.value.ids) }
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

    function drop(): void {
        if (drag.value?.landing != null) {
            map.edit({ name: 'topic.move', topics: [...drag.value.ids], ...drag.value.landing.place })
        }
    }

    function end(): void {
        drag.value = null
    }

    return { drag, ...usePointerDrag({ begin, follow, drop, end }) }
}
