import { defineAsyncComponent } from 'vue'
import type { Feature } from '../feature'
import { tableActions } from './actions'

const TableView = defineAsyncComponent(() => import('./TableView.vue'))

export const table: Feature = { name: 'table', actions: tableActions, way: { id: 'table', name: 'Table', place: 1, middle: TableView } }
