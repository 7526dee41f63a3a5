import { useDrag, type Guest } from '@/stores/drag'
import { useMap } from '@/stores/map'
import { usePointerDrag } from './usePointerDrag'

interface View {
    welcome: (from: Guest, x: number, y: number) => boolean
    /** Lets go what is over the view. */
    drop: () => void
    /** The same for topics of another view, which takes them out there itself. */
    dropFrom: (guest: Guest) => void
    end: () => void
}

declare global {
    interface Window {
        /** How views of maps, each in a document of its own, hand dragged topics to each other. */
        chalkTreeDrag?: View
    }
}

/** The view in which this one is a frame, and where the frame is in it. */
export function outerView(): { view: View; left: number; top: number } | null {
    if (window.parent === window || window.frameElement === null) {
        return null
    }
    const { left, top } = window.frameElement.getBoundingClientRect()
    const view = window.parent.chalkTreeDrag
    return view === undefined ? null : { view, left, top }
}

/** Dragging chosen topics, wherever they are pressed. Ctrl, ⌘ or Alt copies, Shift ties; Escape leaves everything as it was. */
export function useDragSource() {
    const drag = useDrag()
    const map = useMap()
    let outside: View | null = null

    function follow(event: PointerEvent): void {
        const copies = event.ctrlKey || event.metaKey || event.altKey
        const { clientX: x, clientY: y } = event
        const outer = outerView()
        const isOut = outer !== null && (x < 0 || y < 0 || x > window.innerWidth || y > window.innerHeight)
        if (isOut) {
            outside = outer.view
            const own = [...drag.ids]
            drag.follow(-1, -1, copies)
            outer.view.welcome({ map: map.id, ids: own, copies, landed: () => map.edit({ name: 'topic.remove', topics: own }) }, x + outer.left, y + outer.top)
            return
        }
        outside?.end()
        outside = null
        drag.follow(x, y, copies, event.shiftKey)
    }

    function drop(): void {
        if (outside === null) {
            drag.drop()
        } else {
            outside.drop()
        }
    }

    function end(): void {
        outside?.end()
        outside = null
        drag.end()
    }

    return usePointerDrag({ begin: (id) => drag.begin(id), follow, drop, end })
}
