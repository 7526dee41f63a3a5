import type { Feature } from '../feature'
import { lookActions } from './actions'
import { faceActions } from './faceActions'
import ChalkPage from './ChalkPage.vue'
import LookDialogs from './LookDialogs.vue'
import LookSection from './LookSection.vue'
import SizeHandles from './SizeHandles.vue'

export const look: Feature = { name: 'look', actions: [...lookActions, ...faceActions], desk: [{ in: 'Look', component: LookSection }], trayPages: [{ name: 'Chalks', component: ChalkPage }], overlay: LookDialogs, onBoard: SizeHandles }
