import { useMap } from '@/stores/map'
import { heldIn } from '@/stores/privacy'
import type { Feature } from '../feature'
import { privacyActions } from './actions'
import PrivacyHint from './PrivacyHint.vue'
import PrivateInLine from './PrivateInLine.vue'

export const privacy: Feature = {
    name: 'privacy', actions: privacyActions, deskHint: PrivacyHint, inLine: PrivateInLine,
    tells: (topic) => (heldIn(useMap().tree).has(topic) ? 'private' : ''),
}
