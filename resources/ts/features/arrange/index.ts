import { defineAsyncComponent } from 'vue'
import type { Feature } from '../feature'
import { arrangeActions } from './actions'
import { apartActions } from './apartActions'
import { freeActions } from './freeActions'
import { gridActions } from './gridActions'
import ArrangeBoard from './ArrangeBoard.vue'
import ArrangeHints from './ArrangeHints.vue'
import { phraseActions } from './phraseActions'
import PhraseInLine from './PhraseInLine.vue'
import { phrasesBelow, usePhrases } from './phraseStore'
import { useBeside } from '@/stores/beside'

const ArrangeSection = defineAsyncComponent(() => import('./ArrangeSection.vue'))
const PhraseSection = defineAsyncComponent(() => import('./PhraseSection.vue'))

export const arrange: Feature = {
    name: 'arrange', actions: [...apartActions, ...arrangeActions, ...freeActions, ...gridActions, ...phraseActions],
    deskHint: ArrangeHints, desk: [{ in: 'Look', component: ArrangeSection }, { in: 'Ties', component: PhraseSection }], onBoard: ArrangeBoard, inLine: PhraseInLine,
    twice: (touch) => {
        if (!touch.startsWith('phrase:')) {
            return false
        }
        usePhrases().begin(touch.slice('phrase:'.length))
        return true
    },
    tells: (topic) => {
        const phrase = usePhrases().phraseOf(topic)
        const parent = useBeside().tree.topics.get(topic)?.parent ?? null
        return phrase === '' || parent === null || phrasesBelow(useBeside().tree, parent) === 'hidden' ? '' : `phrase: ${phrase}`
    },
}
