import type { Feature } from '../feature'
import { lookActions } from './actions'
import ChalkPage from './ChalkPage.vue'
import LookDialogs from './LookDialogs.vue'
import LookSection from './LookSection.vue'

export const look: Feature = { name: 'look', actions: lookActions, deskSection: LookSection, trayPage: { name: 'Chalks', component: ChalkPage }, overlay: LookDialogs }
