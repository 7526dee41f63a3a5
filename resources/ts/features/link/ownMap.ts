import { api } from '@/api/client'
import type { Edit } from '@/api/wire'
import { router } from '@/router'
import { newId, useMap } from '@/stores/map'
import { childrenOf } from '@/stores/tree'
import { topicName } from '@/text/titleMarkdown'
import { offer, tell } from '@/ui/tell'
import { inMap, type Out } from './outs'

/** Makes a map of a branch, to which the topic leads from now on; that map leads back. */
export function becomeMap(topic: string): void {
    useMap().afterAnswer(() => void part(topic))
}

async function part(topic: string): Promise<void> {
    const map = useMap()
    const [id, step, here] = [newId(), newId(), map.id]
    const made = await api.ownMap(here, topic, id).catch((error: unknown) => tell.error(`No map was made: ${(error as Error).message}`))
    if (made !== undefined && map.id === here) {
        const below = childrenOf(map.tree, topic)
        const title = topicName(map.tree.topics.get(topic)?.title).slice(0, 300)
        map.edit(
            { name: 'row.set', step, type: 'link', row: newId(), fields: { at: topic, to: `map:${id}`, title } } as Edit,
            ...(below.length === 0 ? [] : [{ name: 'topic.remove', step, topics: [...below] } as Edit]),
        )
        map.choose(topic)
        offer('The branch is a map of its own now, and the topic leads there.', 'Open it', () => router.push(`/maps/${id}`))
    }
}

/** Brings the branch of a map back below the topic that leads to it; the map goes to the trash. */
export async function bringBack(out: Out, topic: string): Promise<void> {
    const map = useMap()
    const there = inMap(out.to)
    const here = map.id
    const card = there === null ? null : await api.card(there.map, null).catch(() => null)
    const copied = card === null ? null : await api.copy(card.map, [card.topic]).catch(() => null)
    const [top] = copied?.topics ?? []
    if (there === null || top === undefined || map.id !== here) {
        tell.error('The map could not be fetched; nothing was changed.')
        return
    }
    const [id, step] = [newId(), newId()]
    map.edit(
        { name: 'topic.add-many', step, parent: topic, topics: [{ ...top, id }] } as Edit,
        { name: 'topic.dissolve', step, topics: [id] },
        { name: 'row.remove', step, type: out.type, rows: [out.id] } as Edit,
    )
    map.setFolded(map.region, [topic], false)
    map.afterAnswer(() => void api.trash(there.map).then(() => offer('It is part of this map again; the map is in the trash.', 'Keep the map too', () => api.restore(there.map))))
}
