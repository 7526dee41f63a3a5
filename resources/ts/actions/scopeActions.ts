import { ancestorsOf, branchOf, childrenOf } from '@/stores/tree'
import { hasChoice, onTopics } from './conditions'
import type { Action, Context } from './registry'

function foldedOf({ map }: Context): ReadonlySet<string> {
    return map.region === 'board' ? map.folded : map.outlineFolded
}

/** Folds so that the topics down to a level below here can be seen, and none deeper. */
function showToLevel(level: number, { map }: Context): void {
    const top = (map.region === 'board' ? map.scope : map.outlineScope) ?? map.tree.root
    const base = ancestorsOf(map.tree, top).length
    const branch = branchOf(map.tree, top).filter((id) => childrenOf(map.tree, id).length > 0)
    const depth = new Map(branch.map((id) => [id, ancestorsOf(map.tree, id).length - base]))
    map.refold(map.region, branch.filter((id) => (depth.get(id) ?? 0) >= level), branch.filter((id) => (depth.get(id) ?? 0) < level))
}

/** Seeing less, or one branch alone. */
export const scopeActions: readonly Action[] = [
    ...[1, 2, 3, 4, 5].map((level): Action => ({
        id: `see.level-${level}`, name: `Show to level ${level}`, group: 'Seeing', keys: [`Alt+Shift+${level}`], scopes: onTopics, run: (context) => showToLevel(level, context),
    })),
    {
        id: 'see.fold-others', name: 'Fold all others', group: 'Seeing', keys: ['Alt+Shift+O'], scopes: onTopics, available: hasChoice,
        run: ({ map }) => {
            const way = new Set(map.chosen.flatMap((id) => [id, ...ancestorsOf(map.tree, id), ...branchOf(map.tree, id)]))
            const beside = [...way].flatMap((id) => childrenOf(map.tree, map.tree.topics.get(id)?.parent ?? '')).filter((id) => !way.has(id) && childrenOf(map.tree, id).length > 0)
            map.refold(map.region, beside, [...way])
        },
    },
    {
        id: 'see.level-more', name: 'Unfold one level more below', group: 'Seeing', keys: ['Alt+Shift+U'], scopes: onTopics, available: hasChoice,
        run: (context) => {
            const { map } = context
            const folded = foldedOf(context)
            map.setFolded(map.region, map.chosen.flatMap((id) => branchOf(map.tree, id, folded)).filter((id) => folded.has(id)), false)
        },
    },
    {
        id: 'scope.in', name: 'Step in', group: 'Seeing', keys: ['Alt+I'], scopes: onTopics,
        available: ({ map }) => map.current !== null && map.current !== map.tree.root,
        run: ({ map, camera }) => {
            map.stepInto(map.region, map.current)
            map.afterAnswer(() => camera.showAll())
        },
    },
    {
        id: 'scope.out', name: 'Step out', group: 'Seeing', keys: ['Alt+Shift+I'], scopes: onTopics,
        available: ({ map }) => (map.region === 'board' ? map.scope : map.outlineScope) !== null,
        run: ({ map, camera }) => {
            const at = map.region === 'board' ? map.scope : map.outlineScope
            map.stepInto(map.region, at === null ? null : (map.tree.topics.get(at)?.parent ?? null))
            map.afterAnswer(() => at !== null && camera.reveal(at))
        },
    },
    { id: 'see.second', name: 'Second view beside this one', group: 'Seeing', keys: ['Alt+Shift+V'], scopes: ['board', 'outline', 'field'], run: ({ preferences, map }) => preferences.setSecond(preferences.second === null ? map.id : null) },
]
