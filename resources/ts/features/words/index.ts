import { defineAsyncComponent } from 'vue'
import { onTopics } from '@/actions/conditions'
import type { Feature } from '../feature'
import { areShown, showWords } from './words'

const WordsLine = defineAsyncComponent(() => import('./WordsLine.vue'))

/** How many words notes have. */
export const words: Feature = {
    name: 'words', desk: [{ in: 'Facts', component: WordsLine }],
    actions: [{ id: 'words.show', name: 'Words on topics', what: 'Topics say how many words their notes have, and those of all below them; or no more.', group: 'Tracking', keys: [], scopes: onTopics, available: () => true, run: () => showWords(!areShown()) }],
}
