import { defineAsyncComponent } from 'vue'
import type { Feature } from '../feature'
import { shareActions } from './actions'

const SharePanel = defineAsyncComponent(() => import('./SharePanel.vue'))

export const share: Feature = { name: 'share', actions: shareActions, sides: { share: SharePanel } }
