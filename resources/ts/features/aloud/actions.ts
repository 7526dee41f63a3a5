import { hasChoice, onTopics } from '@/actions/conditions'
import type { Action } from '@/actions/registry'
import { notLoaded, tell } from '@/ui/tell'

const read = (id: string, name: string, key: string, withBelow: boolean): Action => ({
    id: `aloud.${id}`, name, group: 'Show', keys: [key], scopes: [...onTopics, 'field'], available: hasChoice,
    run: () => void import('@/aloud/aloudStore').then(({ useAloud }) => useAloud().turn(withBelow)).catch(notLoaded),
})

export const aloudActions: readonly Action[] = [
    read('topic', 'Read the topic aloud', 'Mod+F7', false),
    read('branch', 'Read the branch aloud', 'Mod+F10', true),
    { id: 'aloud.names', name: 'Say the names of tools, or no more', group: 'Show', keys: [], scopes: [...onTopics, 'library'], run: ({ preferences }) => {
        preferences.names = preferences.names === 'said' ? 'read' : 'said'
        tell.info(preferences.names === 'said' ? 'Tools say their names now.' : 'Tools no longer say their names.')
    } },
]
