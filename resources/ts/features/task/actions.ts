import { hasChoice, onTopics } from '@/actions/conditions'
import type { Action } from '@/actions/registry'
import { isTodo, today } from '@/facts/facts'
import { newId } from '@/stores/map'
import { rowOf } from '@/stores/tree'
import { reported } from './asked'

/** To-dos: how far they are, and what is to be seen to. */
export const taskActions: readonly Action[] = [
    { id: 'task.report', name: 'Report progress', group: 'Tracking', keys: ['Mod+Shift+M'], scopes: onTopics, available: hasChoice, run: ({ map }) => void (reported.value = [...map.chosen]) },
    {
        id: 'task.done', name: 'Done, or not done any more', group: 'Tracking', keys: ['Mod+Shift+D'], scopes: onTopics, available: hasChoice,
        run: ({ map }) => {
            const isDone = map.chosen.every((id) => rowOf(map.tree, 'task', id)?.fields.progress === 100)
            map.edit({ name: 'task.set', step: newId(), topics: [...map.chosen], progress: isDone ? null : 100, today: today() })
        },
    },
    { id: 'task.remind', name: 'Remind before it is due …', group: 'Tracking', keys: [], scopes: onTopics, available: ({ map }) => map.chosen.some((id) => isTodo(map.tree, id)), run: ({ ui }) => ui.showChange('remind') },
    { id: 'task.again', name: 'Begin the branch again …', group: 'Tracking', keys: [], scopes: onTopics, available: hasChoice, run: ({ ui }) => ui.showChange('again') },
    { id: 'task.list', name: 'To-dos of the map', group: 'Tracking', keys: ['Mod+F3'], scopes: [...onTopics, 'field'], run: ({ ui }) => ui.toggleSide('todos') },
]
