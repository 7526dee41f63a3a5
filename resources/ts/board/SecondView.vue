<script setup lang="ts">
import { NButton } from 'naive-ui'
import { onBeforeUnmount, ref } from 'vue'
import { useDrag } from '@/stores/drag'
import { useMap } from '@/stores/map'
import { usePreferences } from '@/stores/preferences'

/**
 * A second view, of the same map or of another: the same page in a frame, with its own scroll, zoom, folds and scope.
 * Dragged topics are handed over from one document to the other.
 */
const preferences = usePreferences()
const map = useMap()
const drag = useDrag()
const frame = ref<HTMLIFrameElement | null>(null)
// What is opened inside goes on there; only where it begins is said from here.
const address = `/maps/${preferences.second}?pane=second`

const there = () => frame.value?.contentWindow?.chalkTreeDrag

const leave = drag.offer({
    element: () => frame.value,
    landingAt: (x, y, ids) => {
        const box = frame.value?.getBoundingClientRect()
        const welcome = there()?.welcome({ map: map.id, ids, copies: drag.copies, landed: () => undefined }, x - (box?.left ?? 0), y - (box?.top ?? 0)) ?? false
        return welcome ? { region: 'frame', place: 'frame', words: 'in the other view', mark: { x: 0, y: 0, w: 0, h: 0, into: true }, over: null } : null
    },
    left: () => there()?.end(),
    take: (guest) => there()?.dropFrom(guest),
})
onBeforeUnmount(leave)
</script>

<template>
    <aside class="second" :class="{ dragging: drag.isDragging && !drag.hasGuest }">
        <iframe ref="frame" data-focus="second" tabindex="0" :src="address" title="Second view" />
        <NButton class="close" size="tiny" secondary @click="preferences.setSecond(null)">Close this view</NButton>
    </aside>
</template>

<style scoped>
.second { flex: 1; min-width: 0; position: relative; border-left: 3px solid var(--edge); display: flex; }
iframe { flex: 1; border: 0; width: 100%; background: var(--board); }
.dragging iframe { pointer-events: none; }
.close { position: absolute; left: 10px; bottom: 12px; }
</style>
