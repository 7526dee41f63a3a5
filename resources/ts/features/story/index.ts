import { defineAsyncComponent } from 'vue'
import type { Feature } from '../feature'
import { storyActions } from './actions'

const StoryOverlay = defineAsyncComponent(() => import('./StoryOverlay.vue'))

export const story: Feature = { name: 'story', actions: storyActions, overlay: StoryOverlay }
