import type { Action } from './registry'

const inWalk = ['walk'] as const

/** While walking through a map. */
export const walkActions: readonly Action[] = [
    { id: 'walk.on', name: 'Go on', group: 'Walk', keys: [' ', 'ArrowDown', 'PageDown', 'Enter'], scopes: inWalk, available: ({ walk }) => walk.next !== null, run: ({ walk }) => walk.go(walk.next) },
    { id: 'walk.deeper', name: 'Go deeper', group: 'Walk', keys: ['ArrowRight'], scopes: inWalk, available: ({ walk }) => walk.deeper !== null, run: ({ walk }) => walk.go(walk.deeper) },
    { id: 'walk.skip', name: 'Skip this branch', group: 'Walk', keys: ['S', 'End'], scopes: inWalk, available: ({ walk }) => walk.skip !== null, run: ({ walk }) => walk.go(walk.skip) },
    { id: 'walk.back', name: 'Go back', group: 'Walk', keys: ['ArrowUp', 'ArrowLeft', 'PageUp', 'Backspace'], scopes: inWalk, available: ({ walk }) => walk.trail.length > 0, run: ({ walk }) => walk.back() },
    { id: 'walk.list', name: 'Jump to a topic', group: 'Walk', keys: ['J'], scopes: inWalk, run: ({ walk }) => (walk.listOpen = !walk.listOpen) },
    { id: 'walk.closer', name: 'Closer', group: 'Walk', keys: ['+', 'Shift++', '='], scopes: inWalk, run: ({ walk, camera }) => walk.setZoom(camera.scale * 1.2) },
    { id: 'walk.farther', name: 'Farther', group: 'Walk', keys: ['-'], scopes: inWalk, run: ({ walk, camera }) => walk.setZoom(camera.scale / 1.2) },
    { id: 'walk.dim', name: 'Dim the rest more', group: 'Walk', keys: ['D'], scopes: inWalk, run: ({ preferences }) => (preferences.walkDim = Math.min(0.95, preferences.walkDim + 0.1)) },
    { id: 'walk.light', name: 'Dim the rest less', group: 'Walk', keys: ['L'], scopes: inWalk, run: ({ preferences }) => (preferences.walkDim = Math.max(0, preferences.walkDim - 0.1)) },
    { id: 'walk.end', name: 'End the walk', group: 'Walk', keys: ['Escape', 'F9'], scopes: inWalk, run: ({ walk }) => walk.end() },
]
