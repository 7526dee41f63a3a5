import { defineAsyncComponent } from 'vue'
import type { Feature } from '../feature'
import { draftActions } from './actions'

const DraftView = defineAsyncComponent(() => import('./DraftView.vue'))

export const draft: Feature = { name: 'draft', actions: draftActions, way: { id: 'draft', name: 'Draft', place: 2, hasNote: true, middle: DraftView } }
