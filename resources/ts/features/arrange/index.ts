import type { Feature } from '../feature'
import { arrangeActions } from './actions'
import { apartActions } from './apartActions'
import { freeActions } from './freeActions'
import { gridActions } from './gridActions'
import ArrangeHints from './ArrangeHints.vue'
import ArrangeSection from './ArrangeSection.vue'
import ColumnGrips from './ColumnGrips.vue'

export const arrange: Feature = { name: 'arrange', actions: [...apartActions, ...arrangeActions, ...freeActions, ...gridActions], deskHint: ArrangeHints, desk: [{ in: 'Look', component: ArrangeSection }], onBoard: ColumnGrips }
