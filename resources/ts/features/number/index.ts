import type { Feature } from '../feature'
import NumberHint from './NumberHint.vue'

export const number: Feature = { name: 'number', actions: [], deskHint: NumberHint }
