import { bounds } from '@/api/bounds'
import { shallowRef } from 'vue'
import { apartOf } from '@/features/arrange/apart'
import { useMap } from '@/stores/map'
import { usePointerDrag } from '@/ui/usePointerDrag'

/** Pulling a branch away from its neighbours with Shift held. It moves with the pointer, and all below follows. */
export function useApartDrag(scale: () => number) {
    const map = useMap()
    const shift = shallowRef<{ id: string; x: number; y: number } | null>(null)
    let from = { x: 0, y: 0 }
    let pulled = ''

    function begin(id: string, pressed: { x: number; y: number }): boolean {
        from = { x: pressed.x, y: pressed.y }
        pulled = id
        return map.tree.topics.get(id)?.parent != null && map.slips.get(id)?.level !== 0
    }

    function follow(event: PointerEvent): void {
        shift.value = { id: pulled, x: (event.clientX - from.x) / scale(), y: (event.clientY - from.y) / scale() }
    }

    function drop(): void {
        const topic = map.tree.topics.get(pulled)
        if (shift.value !== null && topic !== undefined) {
            const { x, y } = shift.value
            const grows = map.slips.get(pulled)?.grows
            // Outwards from the parent, and away from the sibling before it.
            const [outward, aside] = grows === 'down' ? [y, x] : [grows === 'left' ? -x : x, y]
            const at = apartOf(map.tree, pulled)
            pullApart(pulled, at.x + outward, at.y + aside)
        }
    }

    function pullApart(id: string, x: number, y: number): void {
        const near = (value: number): number => (Math.abs(value) < 6 ? 0 : Math.round(value))
        map.edit({ name: 'topic.apart', topics: [id], x: Math.min(bounds.apart, Math.max(0, near(x))), y: Math.min(bounds.apart, Math.max(-bounds.apart, near(y))) })
    }

    return { shift, ...usePointerDrag({ begin, follow, drop, end: () => (shift.value = null) }) }
}
