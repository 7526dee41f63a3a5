import { defineAsyncComponent } from 'vue'
import type { Feature } from '../feature'
import { walkMarkActions } from './actions'

const StopsPanel = defineAsyncComponent(() => import('./StopsPanel.vue'))

export const walk: Feature = { name: 'walk', actions: walkMarkActions, sides: { walk: StopsPanel } }
