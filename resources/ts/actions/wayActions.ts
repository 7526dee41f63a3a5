import { nextTick } from 'vue'
import { onTopics } from './conditions'
import type { Action, Context } from './registry'

/** Turns to a way of seeing, with what is chosen in view there. */
function turnTo(way: 'board' | 'outline', { map, camera, preferences, ui }: Context): void {
    preferences.way = way
    ui.phoneView = way
    map.region = way
    void nextTick(() => {
        ui.focusRegion(way)
        if (way === 'board' && map.current !== null) {
            map.uncover(map.current, 'board')
            camera.reveal(map.current)
        }
    })
}

/** The ways of seeing a map. */
export const wayActions: readonly Action[] = [
    { id: 'way.outline', name: 'Outline', what: 'Shows the map as an indented list alone, as wide as the window.', group: 'Seeing', keys: ['Alt+1'], scopes: [...onTopics, 'field'], run: (context) => turnTo('outline', context) },
    { id: 'way.board', name: 'Board', what: 'Shows the map as it is drawn, with the outline beside it if you want.', group: 'Seeing', keys: ['Alt+2'], scopes: [...onTopics, 'field'], run: (context) => turnTo('board', context) },
]
