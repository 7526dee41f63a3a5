import { defineAsyncComponent, h, type VNode } from 'vue'
import { useCamera } from '@/board/cameraStore'
import type { Landing } from '@/stores/drag'
import { useBeside } from '@/stores/beside'
import { newId, useMap } from '@/stores/map'
import { isFlow } from '@/stores/tree'
import { ownWays } from '@/stores/titles'
import { topicName } from '@/text/titleMarkdown'
import type { Dragged, Feature } from '../feature'
import { processActions } from './actions'
import { useProcess } from './processStore'
import { headOf, sortOf } from './steps'

// Most maps have no steps, and load nothing for them.
const StepSection = defineAsyncComponent(() => import('./StepSection.vue'))
const StepPart = (): VNode | null => {
    const { chosen, tree } = useBeside()
    return chosen.some((topic) => headOf(tree, topic) !== null || isFlow(tree, topic)) ? h(StepSection) : null
}

ownWays.add({
    next: (topic, before) => useProcess().next(topic, before), below: (parent) => useProcess().below(parent), between: (link) => useProcess().between(link),
    shift: (topics, by) => useProcess().shift(topics, by), leaving: (topics, step) => useProcess().leaving(topics, step),
})

/** A topic that is dropped on the way between two steps comes in between. */
function landing({ ids, x, y, clientX, clientY, ties }: Dragged): Landing | null {
    const map = useMap()
    const touch = document.elementsFromPoint(clientX, clientY).find((one) => one.closest('[data-touch^="crosslink:"]') !== null)?.closest<SVGElement>('[data-touch]')?.dataset.touch ?? ''
    const link = touch.slice('crosslink:'.length)
    const [row, topic] = [map.tree.rows.get(`crosslink ${link}`), ids[0]]
    const [from, to] = [String(row?.fields.from ?? ''), String(row?.fields.to ?? '')]
    const isOnTopic = [...useCamera().boxes].some(([id, box]) => !ids.includes(id) && x > box.x && x < box.x + box.w && y > box.y && y < box.y + box.h)
    if (ties || isOnTopic || row === undefined || topic === undefined || ids.length > 1 || topic === from || topic === to || headOf(map.tree, from) === null || headOf(map.tree, from) !== headOf(map.tree, to)) {
        return null
    }
    const name = (id: string): string => topicName(map.tree.topics.get(id)?.title ?? '')
    return {
        region: 'board', place: { parent: null }, over: null, words: `in between ${name(from)} and ${name(to)}`, mark: { x: x - 60, y: y - 14, w: 120, h: 28, into: true },
        drop: () => map.edit({ name: 'flow.put', topic, link, as: newId() }),
    }
}

export const process: Feature = {
    name: 'process', actions: processActions, desk: [{ in: 'Facts', component: StepPart }], landing,
    tells: (topic) => {
        const { tree } = useMap()
        return headOf(tree, topic) === null ? '' : { step: '', decision: 'decision', input: 'input or output', end: 'start or end' }[sortOf(tree, topic)]
    },
}
