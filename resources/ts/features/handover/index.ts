import { defineAsyncComponent, h, ref, type VNode } from 'vue'
import type { Feature } from '../feature'
import { handOverActions } from './actions'

const Overlay = defineAsyncComponent(() => import('./HandOverOverlay.vue'))
/** Nothing of it is fetched before somebody hands something over. */
const isWanted = ref(false)

export const handover: Feature = {
    name: 'hand-over',
    actions: handOverActions.map((action) => ({ ...action, run: (context) => {
        isWanted.value = true
        action.run(context)
    } })),
    overlay: (): VNode | null => (isWanted.value ? h(Overlay) : null),
}
