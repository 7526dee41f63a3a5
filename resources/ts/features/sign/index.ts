import { defineAsyncComponent } from 'vue'
import type { Feature } from '../feature'
import { signActions } from './actions'
import LegendHandle from './LegendHandle.vue'
import SignOverlay from './SignOverlay.vue'
import { useSigns } from './signStore'

// What stands beside the board comes when the map is seen and keys are answered.
const SignSection = defineAsyncComponent(() => import('./SignSection.vue'))
const StampPage = defineAsyncComponent(() => import('./StampPage.vue'))
const TagPage = defineAsyncComponent(() => import('./TagPage.vue'))

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
