import { defineAsyncComponent } from 'vue'
import type { Landing } from '@/stores/drag'
import { useMap } from '@/stores/map'
import type { Dragged, Feature } from '../feature'
import { ringActions } from './actions'
import { useRings } from './ringStore'

// What stands beside the board comes when the map is seen and keys are answered.
const RingBoard = defineAsyncComponent(() => import('./RingBoard.vue'))
const RingSection = defineAsyncComponent(() => import('./RingSection.vue'))
const RingsSection = defineAsyncComponent(() => import('./RingsSection.vue'))

const touched = (touch: string | undefined): string | null => (touch?.startsWith('ring:') === true ? touch.slice('ring:'.length) : null)

/** Topics that are dropped on the line of a ring, or on its name, are in it. */
function landing({ ids, x, y, clientX, clientY, ties }: Dragged): Landing | null {
    const under = document.elementsFromPoint(clientX, clientY)
    const id = ties || under.some((one) => one.closest('.slip .paper') !== null && !ids.includes(one.closest<SVGElement>('.slip')?.dataset.topic ?? '')) ? null
        : touched(under.find((one) => one.closest('[data-touch^="ring:"]') !== null)?.closest<SVGElement>('[data-touch]')?.dataset.touch)
    const rings = useRings()
    const ring = id === null ? undefined : rings.find(id)
    return ring === undefined ? null : {
        region: 'board', place: { parent: null }, over: null, words: `into the ${rings.nameOf(ring)}`, mark: { x: x - 60, y: y - 14, w: 120, h: 28, into: true }, drop: () => rings.put(ring.id, ids, false),
    }
}

export const ring: Feature = {
    name: 'ring', actions: ringActions, desk: [{ in: 'Ties', component: RingsSection }], deskOfMarks: { type: 'ring', component: RingSection }, onBoard: RingBoard, landing,
    tells: (topic) => useRings().told(topic),
    touch: (touch, event) => {
        const [id, rings] = [touched(touch), useRings()]
        if (id !== null) {
            const isMore = event.ctrlKey || event.metaKey || event.shiftKey
            rings.choose(!isMore ? [id] : rings.chosen.includes(id) ? rings.chosen.filter((one) => one !== id) : [...rings.chosen, id])
        }
    },
    press: (touch) => {
        if (touched(touch) !== null) {
            useMap().region = 'board'
            document.querySelector<HTMLElement>('[data-focus=board]')?.focus({ preventScroll: true })
        }
    },
    twice: (touch) => {
        const id = touched(touch)
        if (id !== null) {
            useRings().beginName(id)
        }
        return id !== null
    },
    menu: (touch) => {
        const [id, rings] = [touched(touch), useRings()]
        if (id === null) {
            return undefined
        }
        if (!rings.chosen.includes(id)) {
            rings.choose([id])
        }
        return ['ring.name', 'ring.topics', '-', { name: 'Line', lines: ['ring.solid', 'ring.dashed', 'ring.dotted', 'ring.bare'] }, { name: 'Fill', lines: ['ring.fill', 'ring.empty'] }, '-', 'ring.remove', '-', 'help.palette']
    },
    lines: () => useRings().lines,
    spoken: () => {
        const rings = useRings()
        const its = rings.find(rings.chosen[rings.chosen.length - 1] ?? '')
        return its === undefined ? '' : `${rings.nameOf(its)}, around ${rings.titlesOf(its)}`
    },
}
