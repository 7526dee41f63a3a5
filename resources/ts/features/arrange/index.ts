import type { Feature } from '../feature'
import { arrangeActions } from './actions'
import ArrangeSection from './ArrangeSection.vue'

export const arrange: Feature = { name: 'arrange', actions: arrangeActions, deskSection: ArrangeSection }
