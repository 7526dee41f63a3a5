import { defineAsyncComponent } from 'vue'
import type { Feature } from '../feature'
import { braceActions } from './actions'
import BraceInLine from './BraceInLine.vue'
import BraceOnBoard from './BraceOnBoard.vue'
import { useBraces } from './braceStore'

const BraceSection = defineAsyncComponent(() => import('./BraceSection.vue'))

export const brace: Feature = { name: 'brace', actions: braceActions, desk: [{ in: 'Ties', component: BraceSection }], onBoard: BraceOnBoard, inLine: BraceInLine, tells: (topic) => useBraces().spoken(topic) }
