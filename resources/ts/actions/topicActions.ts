import { branchOf, childrenOf, siblingOf, topsOf } from '@/stores/tree'
import type { Action, Context } from './registry'

const onTopics = ['board', 'outline'] as const

const hasCurrent = ({ map }: Context): boolean => map.current !== null
const hasBelow = ({ map }: Context): boolean => map.current !== null && childrenOf(map.tree, map.current).length > 0
const isNotRoot = ({ map }: Context): boolean => map.chosen.length > 0 && !map.chosen.includes(map.tree.root)

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
        run: withCurrent((id, { map }) => {
            map.edit({ name: 'topic.side', topics: [id], side: map.slips.get(id)?.grows === 'left' ? 'right' : 'left' })
        }),
    },
]

/** Moving topics among others, by keys; dragging does the same. */
export const movingActions: readonly Action[] = [
    {
        id: 'move.up', name: 'Move up', group: 'Moving', keys: ['Alt+ArrowUp'], scopes: onTopics, available: isNotRoot,
        run: withCurrent((id, context) => moveAmongSiblings(id, -1, context)),
    },
    {
        id: 'move.down', name: 'Move down', group: 'Moving', keys: ['Alt+ArrowDown'], scopes: onTopics, available: isNotRoot,
        run: withCurrent((id, context) => moveAmongSiblings(id, 1, context)),
    },
    {
        id: 'move.in', name: 'Move in, below the topic before', group: 'Moving', keys: ['Alt+PageDown'], scopes: onTopics, available: isNotRoot,
        run: withCurrent(moveIn),
    },
    {
        id: 'move.out', name: 'Move out, beside the parent', group: 'Moving', keys: ['Alt+PageUp'], scopes: onTopics, available: isNotRoot,
        run: withCurrent(moveOut),
    },
    {
        id: 'move.left', name: 'Move left: out, or in where the branch grows left', group: 'Moving', keys: ['Alt+ArrowLeft'], scopes: onTopics, available: isNotRoot,
        run: withCurrent((id, context) => (growsLeft(id, context) ? moveIn : moveOut)(id, context)),
    },
    {
        id: 'move.right', name: 'Move right: in, or out where the branch grows left', group: 'Moving', keys: ['Alt+ArrowRight'], scopes: onTopics, available: isNotRoot,
        run: withCurrent((id, context) => (growsLeft(id, context) ? moveOut : moveIn)(id, context)),
    },
]

const growsLeft = (id: string, { map }: Context): boolean => map.region === 'board' && map.slips.get(id)?.grows === 'left'

/** On the board the neighbours are those on the same side of the root. */
function neighbour(id: string, by: -1 | 1, { map }: Context): string | undefined {
    let next = siblingOf(map.tree, id, by)
    if (map.region === 'board' && map.tree.topics.get(id)?.parent === map.tree.root) {
        for (let n = 2 * by; next !== undefined && map.slips.get(next)?.grows !== map.slips.get(id)?.grows; n += by) {
            next = siblingOf(map.tree, id, n)
        }
    }
    return next
}

function moveAmongSiblings(id: string, by: -1 | 1, context: Context): void {
    const next = neighbour(id, by, context)
    if (next !== undefined) {
        const side = context.map.tree.topics.get(id)?.side
        context.map.edit({ name: 'topic.move', topics: [id], ...(by < 0 ? { before: next } : { after: next }), ...(side == null ? {} : { side }) })
    }
}

function moveIn(id: string, context: Context): void {
    const before = neighbour(id, -1, context)
    if (before !== undefined) {
        context.map.setFolded(context.map.region, [before], false)
        context.map.edit({ name: 'topic.move', topics: [id], parent: before })
    }
}

function moveOut(id: string, { map }: Context): void {
    const parent = map.tree.topics.get(id)?.parent
    if (parent != null && parent !== map.tree.root) {
        const grows = map.slips.get(id)?.grows
        const toRoot = map.tree.topics.get(parent)?.parent === map.tree.root
        map.edit({ name: 'topic.move', topics: [id], after: parent, ...(toRoot && grows !== undefined ? { side: grows } : {}) })
    }
}
