import { defineAsyncComponent } from 'vue'
import type { Feature } from '../feature'
import { showActions } from './actions'
import ShowLoader from './ShowLoader.vue'

const SlideStrip = defineAsyncComponent(() => import('./SlideStrip.vue'))
const SlideDesk = defineAsyncComponent(() => import('./SlideDesk.vue'))
const SlideMarks = defineAsyncComponent(() => import('./SlideMarks.vue'))

export const show: Feature = { name: 'show', actions: showActions, overlay: ShowLoader, way: { id: 'slides', name: 'Slides', place: 3, left: SlideStrip, desk: SlideDesk, onBoard: SlideMarks } }
