import { defineAsyncComponent } from 'vue'
import type { Feature } from '../feature'
import { shareActions } from './actions'
import PresentInLine from './PresentInLine.vue'
import PresentDoor from './PresentDoor.vue'

const SharePanel = defineAsyncComponent(() => import('./SharePanel.vue'))

export const share: Feature = { name: 'share', actions: shareActions, sides: { share: SharePanel }, onBoard: PresentDoor, forAll: true, inLine: PresentInLine }
