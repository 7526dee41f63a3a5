import { defineAsyncComponent } from 'vue'
import type { Feature } from '../feature'
import { filterActions } from './actions'
import FilterDoor from './FilterDoor.vue'

const MeantPanel = defineAsyncComponent(() => import('./MeantPanel.vue'))
const FilterPage = defineAsyncComponent(() => import('./FilterPage.vue'))

export const filter: Feature = { name: 'filter', actions: filterActions, trayPages: [{ name: 'Filters', component: FilterPage }], strip: FilterDoor, sides: { meant: MeantPanel } }
