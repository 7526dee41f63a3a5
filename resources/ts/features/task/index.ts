import { defineAsyncComponent } from 'vue'
import { useBeside } from '@/stores/beside'
import { rowOf } from '@/stores/tree'
import type { Feature } from '../feature'
import { taskActions } from './actions'
import TaskOverlay from './TaskOverlay.vue'

const TaskSection = defineAsyncComponent(() => import('./TaskSection.vue'))
const TodosPanel = defineAsyncComponent(() => import('./TodosPanel.vue'))

export const task: Feature = {
    name: 'task', actions: taskActions, desk: [{ in: 'Facts', component: TaskSection }], sides: { todos: TodosPanel }, overlay: TaskOverlay,
    tells: (topic) => {
        const fields = rowOf(useBeside().tree, 'task', topic)?.fields
        return fields === undefined ? '' : `to-do, ${Number(fields.progress ?? 0)} percent`
    },
}
