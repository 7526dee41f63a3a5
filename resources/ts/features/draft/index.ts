import { defineAsyncComponent } from 'vue'
import type { Feature } from '../feature'
import { draftActions } from './actions'

const AtHand = defineAsyncComponent(() => import('./hand/AtHand.vue'))
const DraftView = defineAsyncComponent(() => import('./DraftView.vue'))

export const draft: Feature = { name: 'draft', actions: draftActions, sides: { hand: AtHand }, way: { id: 'draft', name: 'Draft', place: 2, hasNote: true, middle: DraftView } }
