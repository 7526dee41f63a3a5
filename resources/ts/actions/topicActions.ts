import { ownWays } from '@/stores/titles'
import { branchOf, childrenOf, siblingOf, siblingsOf, topsOf } from '@/stores/tree'
import { isNotRoot, onTopics } from './conditions'
import type { Action, Context } from './registry'
import { isCell } from '@/features/arrange/arrangements'
import { isMirrored, sideSeen } from '@/stores/mirror'

const hasCurrent = ({ map }: Context): boolean => map.current !== null
const hasBelow = ({ map }: Context): boolean => map.current !== null && childrenOf(map.tree, map.current).length > 0

/** Runs with the topic chosen last. */
const withCurrent = (run: (id: string, context: Context) => void) => (context: Context): void => {
    if (context.map.current !== null) {
        run(context.map.current, context)
    }
}

const foldedIn = ({ map }: Context): ReadonlySet<string> => (map.region === 'board' ? map.folded : map.outlineFolded)

/** Making, typing and removing topics. */
export const topicActions: readonly Action[] = [
    {
        id: 'topic.subtopic', name: 'Add a subtopic', group: 'Topics', keys: ['Tab'], scopes: onTopics, available: hasCurrent,
        run: withCurrent((id, { titles }) => titles.addChild(id)),
    },
    {
        id: 'topic.next', name: 'Add a topic after this one', group: 'Topics', keys: ['Enter'], scopes: onTopics, available: hasCurrent,
        run: withCurrent((id, { titles }) => titles.addSibling(id)),
    },
    {
        id: 'topic.previous', name: 'Add a topic before this one', group: 'Topics', keys: ['Shift+Enter'], scopes: onTopics, available: hasCurrent,
        run: withCurrent((id, { titles }) => titles.addSibling(id, true)),
    },
    {
        id: 'topic.retitle', name: 'Change the title', group: 'Topics', keys: ['F2'], scopes: onTopics, available: hasCurrent,
        run: withCurrent((id, { titles }) => titles.begin(id)),
    },
    {
        id: 'topic.caption', name: 'Write a caption', group: 'Topics', keys: ['Alt+K'], scopes: onTopics, available: hasCurrent,
        run: ({ ui }) => ui.focusDesk('caption'),
    },
    {
        id: 'topic.note', name: 'Write a note', group: 'Topics', keys: ['Alt+N'], scopes: onTopics, available: hasCurrent,
        run: ({ ui }) => ui.focusDesk('note'),
    },
    {
        id: 'note.large', name: 'Open the note large', what: 'Shows the note over the map, for long writing; Escape closes it.', group: 'Topics', keys: ['Mod+Shift+E'], scopes: [...onTopics, 'field'], available: ({ map }) => map.current !== null && map.chosen.length === 1,
        run: ({ ui, preferences }) => {
            preferences.deskOpen = true
            preferences.deskFolded = preferences.deskFolded.filter((name) => name !== 'Text')
            ui.isNoteLarge = true
        },
    },
    {
        id: 'topic.remove', name: 'Remove', group: 'Topics', keys: ['Delete', 'Backspace'], scopes: onTopics, available: isNotRoot,
        run: ({ map, titles }) => titles.remove(topsOf(map.tree, map.chosen)),
    },
    {
        id: 'topic.fold', name: 'Fold or unfold', group: 'Seeing', keys: ['Alt+F'], scopes: onTopics, available: hasBelow,
        run: withCurrent((id, context) => context.map.setFolded(context.map.region, [id], !foldedIn(context).has(id))),
    },
    {
        id: 'topic.fold-below', name: 'Fold all below', group: 'Seeing', keys: ['Alt+Shift+F'], scopes: onTopics, available: hasBelow,
        run: withCurrent((id, { map }) => {
            map.setFolded(map.region, branchOf(map.tree, id).filter((below) => below !== id && childrenOf(map.tree, below).length > 0), true)
        }),
    },
    {
        id: 'topic.unfold-below', name: 'Unfold all below', group: 'Seeing', keys: ['Alt+U'], scopes: onTopics, available: hasBelow,
        run: withCurrent((id, { map }) => map.setFolded(map.region, branchOf(map.tree, id), false)),
    },
    {
        id: 'topic.side', name: 'Move to the other side', group: 'Moving', keys: ['Alt+S'], scopes: onTopics,
        available: ({ map }) => map.tree.arrangement === 'both-sides' && map.currentTopic?.parent === map.tree.root,
        run: withCurrent((id, { map, camera }) => {
            map.edit({ name: 'topic.side', topics: [id], side: sideSeen(map.tree, camera.slipOf(id)?.grows === 'left' ? 'right' : 'left') })
        }),
    },
]

/** Runs with the chosen topics that stand beside the one chosen last, in their order; the others stay. */
const withGroup = (run: (ids: readonly string[], context: Context) => void) => (context: Context): void => {
    const { map } = context
    const chosen = new Set(map.chosen)
    const group = map.current === null ? [] : siblingsOf(map.tree, map.current).filter((id) => chosen.has(id))
    if (group.length > 0) {
        run(group, context)
    }
}

/** Moving topics among others, by keys; dragging does the same. */
export const movingActions: readonly Action[] = [
    {
        id: 'move.up', name: 'Move up', group: 'Moving', keys: ['Alt+ArrowUp'], scopes: onTopics, available: isNotRoot,
        run: withGroup((ids, context) => moveAmongSiblings(ids, -1, context)),
    },
    {
        id: 'move.down', name: 'Move down', group: 'Moving', keys: ['Alt+ArrowDown'], scopes: onTopics, available: isNotRoot,
        run: withGroup((ids, context) => moveAmongSiblings(ids, 1, context)),
    },
    {
        id: 'move.in', name: 'Move in, below the topic before', group: 'Moving', keys: ['Alt+PageDown'], scopes: onTopics, available: isNotRoot,
        run: withGroup(moveIn),
    },
    {
        id: 'move.out', name: 'Move out, beside the parent', group: 'Moving', keys: ['Alt+PageUp'], scopes: onTopics, available: isNotRoot,
        run: withGroup(moveOut),
    },
    {
        id: 'move.left', name: 'Move left: out, or in where the branch grows left, or before the topic at its left', group: 'Moving', keys: ['Alt+ArrowLeft'], scopes: onTopics, available: isNotRoot,
        run: withGroup((ids, context) => ({ left: moveIn, right: moveOut, down: towardsLeft, up: towardsLeft })[growth(ids, context)](ids, context)),
    },
    {
        id: 'move.right', name: 'Move right: in, or out where the branch grows left, or after the topic at its right', group: 'Moving', keys: ['Alt+ArrowRight'], scopes: onTopics, available: isNotRoot,
        run: withGroup((ids, context) => ({ left: moveOut, right: moveIn, down: towardsRight, up: towardsRight })[growth(ids, context)](ids, context)),
    },
    {
        id: 'move.loose', name: 'Take out to stand loose on the board', group: 'Moving', keys: ['Alt+Shift+T'], scopes: onTopics,
        available: (context) => isNotRoot(context) && context.map.scope === null,
        run: ({ map, camera }) => map.edit({ name: 'topic.move', topics: topsOf(map.tree, map.chosen), parent: null, ...camera.freePoint() }),
    },
    {
        id: 'move.to-root', name: 'Hang a loose topic on the root', group: 'Moving', keys: ['Alt+Shift+R'], scopes: onTopics,
        available: ({ map }) => map.chosen.length > 0 && map.chosen.every((id) => id !== map.tree.root && map.tree.topics.get(id)?.parent === null),
        run: ({ map }) => map.edit({ name: 'topic.move', topics: [...map.chosen], parent: map.tree.root }),
    },
]

/** The direction in which topics stand from their parent, as one sees them. */
const growth = (ids: readonly string[], { map, camera }: Context): 'left' | 'right' | 'down' | 'up' => (map.region === 'board' && isCell(map.tree, ids[0] ?? '') ? 'down' : map.region === 'board' ? camera.slipOf(ids[0] ?? '')?.grows : undefined) ?? 'right'

const isTurned = ({ map }: Context): boolean => map.region === 'board' && isMirrored(map.tree)
const towardsLeft = (ids: readonly string[], context: Context): void => moveAmongSiblings(ids, isTurned(context) ? 1 : -1, context)
const towardsRight = (ids: readonly string[], context: Context): void => moveAmongSiblings(ids, isTurned(context) ? -1 : 1, context)

/** On the board the neighbours are those on the same side of the root. */
function neighbour(ids: readonly string[], by: -1 | 1, { map, camera }: Context): string | undefined {
    const edge = (by < 0 ? ids[0] : ids[ids.length - 1]) ?? ''
    let next = siblingOf(map.tree, edge, by)
    if (map.region === 'board' && map.tree.topics.get(edge)?.parent === map.tree.root) {
        for (let n = 2 * by; next !== undefined && camera.slipOf(next)?.grows !== camera.slipOf(edge)?.grows; n += by) {
            next = siblingOf(map.tree, edge, n)
        }
    }
    return next === map.tree.root ? undefined : next
}

/** Puts topics before or after their neighbour. */
function moveAmongSiblings(ids: readonly string[], by: -1 | 1, context: Context): void {
    const next = [...ownWays].some((way) => way.shift(ids, by)) ? undefined : neighbour(ids, by, context)
    if (next !== undefined) {
        const side = context.map.tree.topics.get(ids[0] ?? '')?.side
        context.map.edit({ name: 'topic.move', topics: [...ids], ...(by < 0 ? { before: next } : { after: next }), ...(side == null ? {} : { side }) })
    }
}

function moveIn(ids: readonly string[], context: Context): void {
    const before = neighbour(ids, -1, context)
    if (before !== undefined) {
        context.map.setFolded(context.map.region, [before], false)
        context.map.edit({ name: 'topic.move', topics: [...ids], parent: before })
    }
}

function moveOut(ids: readonly string[], { map, camera }: Context): void {
    const parent = map.tree.topics.get(ids[0] ?? '')?.parent
    if (parent != null && parent !== map.tree.root) {
        const grows = camera.slipOf(ids[0] ?? '')?.grows
        const toRoot = map.tree.topics.get(parent)?.parent === map.tree.root
        map.edit({ name: 'topic.move', topics: [...ids], after: parent, ...(toRoot && (grows === 'left' || grows === 'right') ? { side: sideSeen(map.tree, grows) } : {}) })
    }
}
