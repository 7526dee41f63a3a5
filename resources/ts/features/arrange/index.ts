import type { Feature } from '../feature'
import { arrangeActions } from './actions'
import { apartActions } from './apartActions'
import ApartHint from './ApartHint.vue'
import ArrangeSection from './ArrangeSection.vue'

export const arrange: Feature = { name: 'arrange', actions: [...apartActions, ...arrangeActions], deskHint: ApartHint, deskSection: ArrangeSection }
