import { interviewed } from '@/facts/interview'
import { hasChoice, onTopics } from '@/actions/conditions'
import type { Action, Context } from '@/actions/registry'
import { holdKeys } from '@/ui/heldKeys'
import { asked, lastKind, type Asked } from './asked'

const whileTyping = [...onTopics, 'typing'] as const

/** Opens the box for what is chosen. A title that is being typed is kept, and gone back to. */
function ask(what: Asked['for'], { map }: Context): void {
    const typing = map.editing
    if (typing !== null) {
        // It stays even if nothing is typed in it yet.
        map.editing = { ...typing, fresh: false }
    }
    holdKeys()
    asked.value = { for: what, topics: typing === null ? [...map.chosen] : [typing.id], typing: typing?.id ?? null }
}

/** Kinds of topics, and entries made from them. */
export const kindActions: readonly Action[] = [
    { id: 'kind.entry', name: 'New entry here', group: 'Tracking', keys: ['Mod+K'], scopes: whileTyping, available: hasChoice, run: (context) => ask('entry', context) },
    { id: 'kind.again', name: 'Another entry of the same kind', group: 'Tracking', keys: ['Mod+Shift+K'], scopes: onTopics, available: (context) => hasChoice(context) && lastKind.value !== null, run: ({ map }) => void import('./kindStore').then(({ useKinds }) => useKinds().again(map.current ?? map.tree.root)) },
    { id: 'kind.give', name: 'Make it a kind, and fill it in', group: 'Tracking', keys: ['Mod+G'], scopes: whileTyping, available: hasChoice, run: (context) => ask('kind', context) },
    { id: 'kind.todo', name: 'Make it a to-do: who, and by when', group: 'Tracking', keys: ['Mod+Shift+G'], scopes: whileTyping, available: hasChoice, run: (context) => ask('todo', context) },
    {
        id: 'kind.interview', name: 'Fill in the sheet as an interview', what: 'Asks for what the kind of the chosen topic has fields for, one question at a time.', group: 'Tracking', keys: ['Mod+Alt+I'], opens: '.interview', scopes: [...onTopics, 'field'], available: hasChoice,
        run: ({ map, ui }) => {
            const topic = map.current
            if (topic !== null) {
                interviewed.value = { topic, back: () => ui.focusRegion(map.region) }
            }
        },
    },
    { id: 'kind.panel', name: 'Kinds and fields of the map', group: 'Tracking', keys: ['Mod+F2'], scopes: [...onTopics, 'field'], run: ({ ui }) => ui.toggleSide('kinds') },
    { id: 'kind.tray', name: 'Turn to the kinds', group: 'Tracking', keys: [], scopes: [...onTopics, 'field'], run: ({ ui }) => ui.turnToTray('Kinds') },
]
