import { hasChoice, onTopics } from '@/actions/conditions'
import type { Action } from '@/actions/registry'
import { useMap } from '@/stores/map'
import { isMarked } from '@/stores/privacy'
import { tell } from '@/ui/tell'

/** Marks what is chosen as private; where all of it is, no more so. */
function turn(): void {
    const map = useMap()
    const isOn = map.chosen.every((topic) => isMarked(map.tree, topic))
    map.edit({ name: 'row.set', type: 'private', topics: [...map.chosen], fields: { held: !isOn } })
    tell.info(isOn ? 'No longer private: it goes along again in all that leaves this map.' : 'Private, with all below: it is left out of every file, picture, print, copy and walk.')
}

export const privacyActions: readonly Action[] = [
    {
        id: 'privacy.turn', name: 'Private: leave it out of all that leaves', group: 'Hand over', keys: ['Mod+Shift+H'], scopes: onTopics,
        available: hasChoice, run: turn,
    },
]
