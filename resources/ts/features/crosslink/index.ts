import { defineAsyncComponent } from 'vue'
import type { Landing } from '@/stores/drag'
import { newId, useMap } from '@/stores/map'
import { useCamera } from '@/board/cameraStore'
import { freeLanding } from '@/board/freeLanding'
import type { Edit } from '@/api/wire'
import type { Dragged, Feature } from '../feature'
import { linkActions } from './actions'
import LinkDoor from './LinkDoor.vue'
import { useLinks } from './linkStore'
import { pressLink } from './pressLink'

// What stands beside the board comes when the map is seen and keys are answered.
const LinkBoard = defineAsyncComponent(() => import('./LinkBoard.vue'))
const TiesSection = defineAsyncComponent(() => import('./TiesSection.vue'))
const LinkSection = defineAsyncComponent(() => import('./LinkSection.vue'))

const touched = (touch: string): string[] | null => (touch.startsWith('crosslink:') ? touch.slice('crosslink:'.length).split(' ') : null)

/** With Shift a topic is tied to the one it is dropped on; without, dropped on a cross-link it comes in between. */
function landing({ ids, x, y, clientX, clientY, ties }: Dragged): Landing | null {
    const [map, camera, links] = [useMap(), useCamera(), useLinks()]
    const isDragged = (id: string): boolean => ids.includes(id)
    const under = [...camera.boxes].find(([id, box]) => !isDragged(id) && x > box.x && x < box.x + box.w && y > box.y && y < box.y + box.h)
    if (ties && under !== undefined) {
        const [id, box] = under
        return { region: 'board', place: { parent: id }, words: `tied to ${links.titleOf(id)}`, over: null, mark: { x: box.x - 4, y: box.y - 4, w: box.w + 8, h: box.h + 8, into: true }, drop: () => links.tieOrUntie(ids, id) }
    }
    const [only, ...others] = ids
    const on = under === undefined && only !== undefined && others.length === 0 ? touched(document.elementsFromPoint(clientX, clientY).find((one) => one.closest('[data-touch^="crosslink:"]') !== null)?.closest<SVGElement>('[data-touch]')?.dataset.touch ?? '') : null
    const link = on?.length === 1 ? links.find(on[0] ?? '') : undefined
    if (link === undefined || only === undefined || link.from === only || link.to === only) {
        return null
    }
    const free = freeLanding({ tree: map.tree, boxes: camera.boxes, slips: camera.drawn, isDragged }, [only], x, y)
    const step = newId()
    const stand = free !== null && typeof free.place === 'object' && 'stand' in free.place ? free.place.stand : null
    const edits: Edit[] = stand !== null
        ? stand.map((one) => ({ name: 'row.set', step, type: 'place', topics: [one.id], fields: { x: one.x, y: one.y } }) as Edit)
        : map.scope === null ? [{ name: 'topic.move', step, topics: [only], parent: null, x: Math.round(x - 40), y: Math.round(y) }] : []
    return {
        region: 'board', place: { parent: null }, over: null, words: `in between ${links.titleOf(link.from)} and ${links.titleOf(link.to)}`, mark: { x: x - 60, y: y - 14, w: 120, h: 28, into: true },
        drop: () => map.edit(...edits, links.splice(link.id, only, step)),
    }
}

export const crosslink: Feature = {
    name: 'cross-link', actions: linkActions, desk: [{ in: 'Ties', component: TiesSection }], deskOfMarks: { type: 'crosslink', component: LinkSection },
    onBoard: LinkBoard, overlay: LinkDoor, landing,
    tells: (topic) => useLinks().told(topic),
    touch: (touch, event) => {
        const [ids, links] = [touched(touch), useLinks()]
        if (ids !== null) {
            const more = event.ctrlKey || event.metaKey || event.shiftKey
            const rest = links.chosen.filter((id) => !ids.includes(id))
            links.choose(!more ? ids : rest.length < links.chosen.length ? rest : [...rest, ...ids])
        }
    },
    press: (touch, event) => pressLink(touched(touch), event),
    twice: (touch, event) => {
        const ids = touched(touch)
        if (ids?.length === 1 && (event.target as Element).closest('.phrase, .ground') !== null) {
            useLinks().beginPhrase(ids[0])
        } else if (ids?.length === 1) {
            const at = useCamera().handle?.toBoard(event.clientX, event.clientY)
            useLinks().plantOn(ids[0] ?? '', at?.x ?? 0, at?.y ?? 0)
        }
        return ids !== null
    },
    menu: (touch) => {
        const [ids, links] = [touched(touch), useLinks()]
        if (ids === null) {
            return undefined
        }
        if (!ids.every((id) => links.chosen.includes(id))) {
            links.choose(ids)
        }
        return ['crosslink.phrase', 'crosslink.turn', '-', 'crosslink.move-begin', 'crosslink.move-end', '-', { name: 'Heads', lines: ['crosslink.head-none', 'crosslink.head-end', 'crosslink.head-both'] }, { name: 'Way', lines: ['crosslink.form-curve', 'crosslink.form-straight', 'crosslink.form-corner', '-', 'crosslink.unbend'] }, '-', 'crosslink.begin', 'crosslink.end', '-', 'crosslink.remove', '-', 'help.palette']
    },
    picks: (topic) => useLinks().tying !== null && (useLinks().take(topic) || true),
    lines: () => useLinks().lines,
    spoken: () => {
        const links = useLinks()
        const link = links.find(links.chosen[links.chosen.length - 1] ?? '')
        return link === undefined ? '' : `Cross-link: ${links.describe(link)}${links.chosen.length > 1 ? `, ${links.chosen.length} chosen` : ''}`
    },
}
