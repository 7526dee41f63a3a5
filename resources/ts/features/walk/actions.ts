import { hasChoice, onTopics } from '@/actions/conditions'
import type { Action } from '@/actions/registry'
import { useMap } from '@/stores/map'
import { rowOf } from '@/stores/tree'

/** Marks what is chosen as stops of the walk; where all of it is, no more so. */
export function turnStops(): void {
    const { chosen, tree, edit } = useMap()
    const news = chosen.filter((topic) => rowOf(tree, 'stop', topic) === undefined)
    edit(news.length === 0 ? { name: 'stop.remove', topics: [...chosen] } : { name: 'stop.put', topics: news })
}

export const walkMarkActions: readonly Action[] = [
    { id: 'walk.mark', name: 'Mark for the walk, or no longer', group: 'Walk', keys: ['Mod+F9'], scopes: onTopics, available: hasChoice, run: ({ ui }) => {
        turnStops()
        ui.showSide('walk')
    } },
    { id: 'walk.stops', name: 'Stops of the walk', group: 'Walk', keys: ['Mod+F8'], scopes: [...onTopics, 'field'], run: ({ ui }) => ui.toggleSide('walk') },
]
