import { newId } from '@/stores/map'
import { ancestorsOf, childrenOf, inOrder, siblingOf, topsOf } from '@/stores/tree'
import type { ChangeId } from './changes'
import { hasChoice, hasSeveral, isNotRoot, onTopics } from './conditions'
import type { Action, Context } from './registry'

const hasBelow = ({ map }: Context): boolean => map.chosen.some((id) => childrenOf(map.tree, id).length > 0)

/** Opens the dialog that shows what a change would do before it does it. */
function change(id: ChangeId, name: string, keys: readonly string[], available: Action['available'] = hasChoice): Action {
    return { id: `change.${id}`, name, group: 'Shape', keys, scopes: onTopics, available, run: ({ ui }) => ui.showChange(id) }
}

function wrap(each: boolean, { map, titles }: Context): void {
    const topics = topsOf(map.tree, inOrder(map.tree, map.chosen))
    const as = each ? topics.map(newId) : [newId()]
    const step = newId()
    map.edit({ name: 'topic.wrap', step, topics, as, each })
    map.goOnAfterAnswer(() => {
        map.choose(...as)
        if (!each) {
            titles.begin(as[0] ?? '', null, step)
        }
    })
}

/** The sibling after the last of some topics, which is where one goes on when they have gone. */
function nextAfter(map: Context['map'], topics: readonly string[]): string | undefined {
    return siblingOf(map.tree, topics[topics.length - 1] ?? '', 1) ?? siblingOf(map.tree, topics[0] ?? '', -1)
}

/** Moves what is chosen below a topic, and goes on to the next sibling, so that a long list is soon sorted. */
export function moveBelow(map: Context['map'], target: string): void {
    const topics = topsOf(map.tree, inOrder(map.tree, map.chosen)).filter((id) => id !== map.tree.root && id !== target && !ancestorsOf(map.tree, target).includes(id))
    const next = nextAfter(map, topics)
    if (topics.length > 0) {
        map.edit({ name: 'topic.move', topics, parent: target })
        map.choose(next !== undefined && next !== target ? next : (topics[0] ?? target))
    }
}

/** Changing the shape of a map. */
export const shapeActions: readonly Action[] = [
    { id: 'shape.wrap', name: 'Wrap in a new parent', group: 'Shape', keys: ['Alt+W'], scopes: onTopics, available: isNotRoot, run: (context) => wrap(false, context) },
    { id: 'shape.wrap-each', name: 'Put a new parent above each', group: 'Shape', keys: ['Alt+Shift+W'], scopes: onTopics, available: isNotRoot, run: (context) => wrap(true, context) },
    {
        id: 'shape.dissolve', name: 'Dissolve: take it away, keep what is below', group: 'Shape', keys: ['Alt+X'], scopes: onTopics, available: isNotRoot,
        run: ({ map }) => {
            const [first = ''] = map.chosen
            const next = childrenOf(map.tree, first)[0] ?? map.tree.topics.get(first)?.parent ?? map.tree.root
            map.edit({ name: 'topic.dissolve', topics: [...map.chosen] })
            map.goOnAfterAnswer(() => map.choose(next))
        },
    },
    {
        id: 'shape.lift', name: 'Lift what is below beside it', group: 'Shape', keys: ['Alt+Shift+X'], scopes: onTopics,
        available: (context) => isNotRoot(context) && hasBelow(context),
        run: ({ map }) => map.edit({ name: 'topic.lift', topics: [...map.chosen] }),
    },
    change('sort', 'Sort', ['Alt+O']),
    change('tidy', 'Tidy the text', ['Alt+Y']),
    change('empties', 'Remove empty topics', []),
    change('duplicates', 'Merge duplicates', []),
    change('levels', 'Remove levels with a single topic', []),
    change('break', 'Break into several', ['Alt+T']),
    change('join', 'Join into one', ['Alt+J'], hasSeveral),
    change('send', 'Send text to another place', ['Alt+M']),
    change('number', 'Number what is below', ['Alt+Q']),
    {
        id: 'shape.append', name: 'Add the text of the others to the note of the one chosen last', group: 'Shape', keys: ['Alt+Shift+M'], scopes: onTopics, available: hasSeveral,
        run: ({ map }) => map.current !== null && map.edit({ name: 'text.append', topics: inOrder(map.tree, map.chosen.filter((id) => id !== map.current)), to: map.current }),
    },
    {
        id: 'shape.into-note', name: 'Put its text into the note of the topic above', group: 'Shape', keys: ['Alt+Shift+Y'], scopes: onTopics,
        available: ({ map }) => map.chosen.every((id) => map.tree.topics.get(id)?.parent != null),
        run: ({ map }) => {
            const step = newId()
            const topics = inOrder(map.tree, map.chosen)
            const parent = map.tree.topics.get(topics[0] ?? '')?.parent ?? map.tree.root
            const next = nextAfter(map, topics)
            for (const id of topics) {
                map.edit({ name: 'text.append', step, topics: [id], to: map.tree.topics.get(id)?.parent ?? map.tree.root, source: false })
            }
            map.edit({ name: 'topic.dissolve', step, topics })
            map.goOnAfterAnswer(() => map.choose(next ?? parent))
        },
    },
    { id: 'move.below', name: 'Move below another topic, by name', group: 'Moving', keys: ['Alt+G'], opens: '[role=dialog]', scopes: onTopics, available: isNotRoot, run: ({ ui }) => ui.show('move') },
    {
        id: 'move.again', name: 'Move below the same topic again', group: 'Moving', keys: ['Alt+Shift+G'], scopes: onTopics,
        available: (context) => isNotRoot(context) && context.map.tree.topics.has(context.ui.movedTo),
        run: ({ map, ui }) => moveBelow(map, ui.movedTo),
    },
    {
        id: 'shape.duplicate', name: 'Copy it right beside itself', group: 'Shape', keys: ['Mod+D'], scopes: onTopics, available: isNotRoot,
        run: ({ map }) => {
            const topics = topsOf(map.tree, inOrder(map.tree, map.chosen))
            const as = topics.map(newId)
            map.edit({ name: 'topic.copy', topics, as, after: topics[topics.length - 1] ?? '' })
            map.goOnAfterAnswer(() => map.choose(...as))
        },
    },
]
