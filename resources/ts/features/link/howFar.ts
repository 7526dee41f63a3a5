import { api } from '@/api/client'
import type { Edit } from '@/api/wire'
import { useMap } from '@/stores/map'
import { rowOf } from '@/stores/tree'
import { inMap, outsOf } from './outs'

/** Notes anew how far the maps are to which topics lead that show it; nothing is noted that is known. */
export async function tellHowFar(): Promise<void> {
    const map = useMap()
    const here = map.id
    for (const { type, id, fields } of [...map.tree.rows.values()]) {
        const there = type === 'how-far' && fields.shown === true ? outsOf(map.tree, id).map(({ to }) => inMap(to)).find((one) => one?.topic === null) : undefined
        const card = there == null ? null : await api.card(there.map, null).catch(() => null)
        if (map.id !== here) {
            return
        }
        const told = rowOf(map.tree, 'told-how-far', id)?.fields
        if (card !== null && map.tree.topics.has(id) && (told?.of !== card.below || told.done !== card.done)) {
            map.edit({ name: 'link.tell', topic: id, of: card.below, done: card.done } as Edit)
        }
    }
}

export const showsHowFar = (topic: string): boolean => rowOf(useMap().tree, 'how-far', topic)?.fields.shown === true

/** Lets a topic show how far the map is to which it leads, or no more. */
export function setHowFar(topic: string, shown: boolean): void {
    useMap().edit({ name: 'row.set', type: 'how-far', topics: [topic], fields: { shown } } as Edit)
    void tellHowFar()
}
