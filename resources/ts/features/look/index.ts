import type { Feature } from '../feature'
import WidthField from './WidthField.vue'

export const look: Feature = { name: 'look', actions: [], deskSection: WidthField }
