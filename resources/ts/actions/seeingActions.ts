import { useNarrowing } from '@/stores/narrowing'
import { ancestorsOf, branchOf, childrenOf } from '@/stores/tree'
import { nearestTowards, type Direction } from '@/board/geometry'
import { onTopics } from './conditions'
import type { Action, Context } from './registry'

const everywhere = ['board', 'outline', 'field'] as const

function arrow(direction: Direction, key: string, name: string): Action {
    return {
        id: `go.${direction}`, name, group: 'Seeing', keys: [key], scopes: onTopics,
        run: (context) => (context.map.region === 'board' ? goOnBoard : goInOutline)(direction, context),
    }
}

function goOnBoard(direction: Direction, { map, camera }: Context): void {
    if (map.current === null) {
        map.choose(map.tree.root)
        return
    }
    const next = nearestTowards(camera.boxes, camera.drawn, map.tree, map.current, direction)
    if (next !== null) {
        map.choose(next)
        camera.reveal(next)
    }
}

/** The way of a tree in any list: up and down by line, right unfolds and goes in, left folds and goes out. */
function goInOutline(direction: Direction, { map }: Context): void {
    const at = map.current ?? map.tree.root
    const lines = outlineLines(map.tree, map.outlineFolded, map.outlineScope)
    const below = childrenOf(map.tree, at)
    const folded = map.outlineFolded.has(at)
    const next = {
        up: () => lines[lines.indexOf(at) - 1],
        down: () => lines[lines.indexOf(at) + 1],
        left: () => {
            if (below.length > 0 && !folded) {
                map.setFolded('outline', [at], true)
                return undefined
            }
            return ancestorsOf(map.tree, at)[0]
        },
        right: () => {
            if (below.length > 0 && folded) {
                map.setFolded('outline', [at], false)
                return undefined
            }
            return below[0]
        },
    }[direction]()
    if (next !== undefined) {
        map.choose(next)
    }
}

/** The topics that the outline shows, from top to bottom. */
export function outlineLines(tree: Context['map']['tree'], folded: ReadonlySet<string>, scope: string | null): string[] {
    const narrowing = useNarrowing()
    if (narrowing.hides()) {
        // Folds hide nothing that is left.
        return (scope === null ? childrenOf(tree, '').flatMap((top) => branchOf(tree, top)) : branchOf(tree, scope)).filter(narrowing.left)
    }
    if (scope !== null) {
        return [scope, ...childrenOf(tree, scope).flatMap((top) => branchOf(tree, top, folded))]
    }
    return childrenOf(tree, '').flatMap((top) => branchOf(tree, top, folded))
}

/** The scale below which the type of the deepest levels is no longer drawn. */
const READABLE = 0.65

/** Going about and looking around. */
export const seeingActions: readonly Action[] = [
    arrow('up', 'ArrowUp', 'Go up'),
    arrow('down', 'ArrowDown', 'Go down'),
    arrow('left', 'ArrowLeft', 'Go left'),
    arrow('right', 'ArrowRight', 'Go right'),
    {
        id: 'go.parent', name: 'Go to the parent', group: 'Seeing', keys: ['Shift+Tab'], scopes: onTopics,
        run: ({ map, camera }) => {
            const parent = map.current === null ? null : (map.tree.topics.get(map.current)?.parent ?? null)
            if (parent !== null && map.current !== (map.region === 'board' ? map.scope : map.outlineScope)) {
                map.choose(parent)
                camera.reveal(parent)
            }
        },
    },
    {
        id: 'go.root', name: 'Go to the root', group: 'Seeing', keys: ['Home'], scopes: onTopics,
        run: ({ map, camera }) => {
            map.choose(map.tree.root)
            camera.reveal(map.tree.root)
        },
    },
    {
        id: 'see.all', name: 'Show all', group: 'Seeing', keys: ['Alt+A'], scopes: onTopics,
        run: ({ camera }) => camera.showAll(),
    },
    {
        id: 'see.chosen', name: 'Back to the chosen topic', group: 'Seeing', keys: ['Alt+C'], scopes: onTopics,
        run: ({ map, camera }) => {
            if (map.current !== null) {
                map.uncover(map.current, 'board')
                // From afar, large enough to read.
                camera.centre(map.current, camera.scale < READABLE ? 1 : undefined)
            }
        },
    },
    { id: 'see.closer', name: 'Closer', group: 'Seeing', keys: ['Alt+='], scopes: onTopics, run: ({ camera }) => camera.zoomBy(1.25) },
    { id: 'see.farther', name: 'Farther', group: 'Seeing', keys: ['Alt+-'], scopes: onTopics, run: ({ camera }) => camera.zoomBy(0.8) },
    {
        id: 'see.outline', name: 'Open or close the outline', group: 'Seeing', keys: ['F7'], scopes: everywhere,
        run: ({ preferences }) => (preferences.outlineOpen = !preferences.outlineOpen),
    },
    {
        id: 'see.desk', name: 'Open or close the desk', group: 'Seeing', keys: ['F8'], scopes: everywhere,
        run: ({ preferences }) => (preferences.deskOpen = !preferences.deskOpen),
    },
    {
        id: 'see.region', name: 'Go on to the next part of the window', group: 'Seeing', keys: ['F6'], scopes: everywhere,
        run: ({ ui }) => ui.focusNextRegion(),
    },
    {
        id: 'see.board', name: 'Light board or Slate board', group: 'Seeing', keys: ['Alt+B'], scopes: ['board', 'outline', 'library'],
        run: ({ preferences }) => preferences.turnBoard(),
    },
    { id: 'see.calm', name: 'Calm for the eyes: boards, sizes, motion', group: 'Seeing', keys: ['Alt+Shift+9'], scopes: ['board', 'outline', 'library', 'field'], run: ({ ui }) => ui.show('calm') },
]
