import type { Feature } from '../feature'
import { aloudActions } from './actions'
import AloudLoader from './AloudLoader.vue'

export const aloud: Feature = { name: 'aloud', actions: aloudActions, overlay: AloudLoader }
