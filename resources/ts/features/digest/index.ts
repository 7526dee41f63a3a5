import { defineAsyncComponent } from 'vue'
import { useBeside } from '@/stores/beside'
import { useMap } from '@/stores/map'
import { rowOf } from '@/stores/tree'
import type { Feature } from '../feature'
import { digestActions } from './actions'
import { goTo } from './digests'

const DigestOffer = defineAsyncComponent(() => import('./DigestOffer.vue'))
const DigestSection = defineAsyncComponent(() => import('./DigestSection.vue'))

export const digest: Feature = {
    name: 'digest', actions: digestActions, deskHint: DigestSection, desk: [{ in: 'Facts', component: DigestOffer }],
    /** A line on the board leads to its place. */
    twice: (touch) => {
        const [sort, other = '', topic = ''] = touch.split(':')
        const digest = useMap().current
        if (sort === 'gathered' && digest !== null) {
            goTo(digest, { map: other, topic })
        }
        return sort === 'gathered'
    },
    tells: (topic) => (rowOf(useBeside().tree, 'digest', topic) === undefined ? '' : 'digest'),
}
