import { defineAsyncComponent } from 'vue'
import type { Feature } from '../feature'
import { lookActions } from './actions'
import { faceActions } from './faceActions'
import LookDialogs from './LookDialogs.vue'
import SizeHandles from './SizeHandles.vue'

const ChalkPage = defineAsyncComponent(() => import('./ChalkPage.vue'))
const LookSection = defineAsyncComponent(() => import('./LookSection.vue'))

export const look: Feature = { name: 'look', actions: [...lookActions, ...faceActions], desk: [{ in: 'Look', component: LookSection }], trayPages: [{ name: 'Chalks', component: ChalkPage }], overlay: LookDialogs, onBoard: SizeHandles }
