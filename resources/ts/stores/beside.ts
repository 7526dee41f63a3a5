import { defineStore } from 'pinia'
import { computed } from 'vue'
import { afterPaint } from '@/ui/afterPaint'
import { useMap } from './map'

/**
 * The map as what stands beside the board shows it: the outline, the desk, what features put there. While a title is
 * typed on the board it is a frame behind, so that nothing holds up the caret. What acts asks the map itself.
 */
export const useBeside = defineStore('beside', () => {
    const map = useMap()
    const shown = afterPaint(() => ({ tree: map.tree, chosen: map.chosen, current: map.current, topic: map.currentTopic, isTyping: map.editing !== null }))

    return {
        tree: computed(() => shown.value.tree),
        chosen: computed(() => shown.value.chosen),
        current: computed(() => shown.value.current),
        topic: computed(() => shown.value.topic),
        isTyping: computed(() => shown.value.isTyping),
    }
})
