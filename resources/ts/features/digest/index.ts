import { defineAsyncComponent } from 'vue'
import { useBeside } from '@/stores/beside'
import { rowOf } from '@/stores/tree'
import type { Feature } from '../feature'
import { digestActions } from './actions'

const DigestOffer = defineAsyncComponent(() => import('./DigestOffer.vue'))
const DigestSection = defineAsyncComponent(() => import('./DigestSection.vue'))

export const digest: Feature = {
    name: 'digest', actions: digestActions, deskHint: DigestSection, desk: [{ in: 'Facts', component: DigestOffer }],
    tells: (topic) => (rowOf(useBeside().tree, 'digest', topic) === undefined ? '' : 'digest'),
}
