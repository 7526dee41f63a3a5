import { defineAsyncComponent } from 'vue'
import { kindAt } from '@/facts/facts'
import { useBeside } from '@/stores/beside'
import type { Feature } from '../feature'
import { kindActions } from './actions'
import KindOverlay from './KindOverlay.vue'

const KindPage = defineAsyncComponent(() => import('./KindPage.vue'))
const KindPanel = defineAsyncComponent(() => import('./KindPanel.vue'))
const FactsSection = defineAsyncComponent(() => import('./FactsSection.vue'))

export const kind: Feature = {
    name: 'kind', actions: kindActions, desk: [{ in: 'Facts', component: FactsSection }], trayPages: [{ name: 'Kinds', component: KindPage }], sides: { kinds: KindPanel }, overlay: KindOverlay,
    tells: (topic) => kindAt(useBeside().tree, topic)?.name ?? '',
}
