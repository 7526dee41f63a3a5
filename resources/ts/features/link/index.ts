import { defineAsyncComponent } from 'vue'
import { pastedBy } from '@/paste/clipboard'
import { usePaste } from '@/paste/pasteStore'
import type { Feature } from '../feature'
import { linkActions } from './actions'
import { useOuts } from './outStore'

const BackHint = defineAsyncComponent(() => import('./BackHint.vue'))
const LinksSection = defineAsyncComponent(() => import('./LinksSection.vue'))
const LinksRead = defineAsyncComponent(() => import('./LinksRead.vue'))
const OutOverlay = defineAsyncComponent(() => import('./OutOverlay.vue'))

export const link: Feature = {
    name: 'link', actions: linkActions, deskHint: BackHint, desk: [{ in: 'Ties', component: LinksSection }], overlay: OutOverlay, reading: LinksRead,
    tells: (topic) => useOuts().told(topic),
    paste: (data) => {
        const pasted = pastedBy(data)
        return pasted.own === null && useOuts().paste(pasted.text, () => void usePaste().take(pasted))
    },
}
