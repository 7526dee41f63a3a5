<script setup lang="ts">
import { computed } from 'vue'
import { useDrag } from '@/stores/drag'
import { useMap } from '@/stores/map'
import { topicName } from '@/text/titleMarkdown'

/** What is being dragged, beside the pointer, and what will become of it. */
const drag = useDrag()
const map = useMap()

const what = computed(() => {
    const topic = drag.ids.length === 1 ? map.tree.topics.get(drag.ids[0] ?? '') : undefined
    const title = topic === undefined ? `${drag.ids.length} topics` : topicName(topic.title).slice(0, 50)
    return drag.copies ? `${title} · copy` : title
})
</script>

<template>
    <div v-if="drag.at !== null && drag.at.x >= 0" class="drag-label" :style="{ transform: `translate(${drag.at.x + 14}px, ${drag.at.y + 12}px)` }">
        <strong>{{ what }}</strong><span>{{ drag.landing?.words ?? 'nowhere to land here' }}</span>
    </div>
    <p class="unseen" aria-live="polite">{{ drag.landing?.words ?? '' }}</p>
</template>

<style scoped>
.drag-label { position: fixed; left: 0; top: 0; z-index: 50; pointer-events: none; display: grid; max-width: 300px; padding: 5px 10px; border-radius: 8px; background: var(--slip); border: 1.5px solid var(--tide); box-shadow: 0 4px 16px rgb(0 0 0 / 18%); font-size: 14px; }
.drag-label strong { overflow: hidden; text-overflow: ellipsis; white-space: nowrap; }
.drag-label span { color: var(--soft); font-size: 12.5px; overflow: hidden; text-overflow: ellipsis; white-space: nowrap; }
</style>
