import type { Feature } from '../feature'
import { signActions } from './actions'
import LegendHandle from './LegendHandle.vue'
import SignOverlay from './SignOverlay.vue'
import SignSection from './SignSection.vue'
import { useSigns } from './signStore'
import StampPage from './StampPage.vue'
import TagPage from './TagPage.vue'

export const sign: Feature = {
    name: 'sign', actions: signActions, desk: [{ in: 'Facts', component: SignSection }], trayPages: [{ name: 'Stamps', component: StampPage }, { name: 'Tags', component: TagPage }],
    onBoard: LegendHandle, overlay: SignOverlay,
    tells: (topic) => useSigns().told(topic),
    touch: (touch) => {
        if (/^(stamp|chalk|shape):/.test(touch)) {
            useSigns().narrow(touch)
        }
    },
}
