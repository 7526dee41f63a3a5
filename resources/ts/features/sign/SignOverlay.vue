<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { NButton } from 'naive-ui'
import { defineAsyncComponent, shallowRef } from 'vue'
import { useNarrowing } from '@/stores/narrowing'
import { useSigns } from './signStore'

/** The legend when it is asked for, what a stamp means when one points at it, and the way back from a narrowed map. */
const LegendPanel = defineAsyncComponent(() => import('./LegendPanel.vue'))
const signs = useSigns()
const narrowing = useNarrowing()

const hint = shallowRef<{ words: string; x: number; y: number } | null>(null)
useEventListener(window, 'pointerover', (event) => {
    const stamp = event.target instanceof Element ? event.target.closest<SVGElement>('.slip [data-touch^="stamp:"]') : null
    const box = stamp?.getBoundingClientRect()
    if (box !== undefined) {
        signs.load()
    }
    hint.value = box === undefined ? null : { words: signs.wordsOf(stamp?.dataset.touch ?? ''), x: box.left + box.width / 2, y: box.bottom + 6 }
})
</script>

<template>
    <LegendPanel v-if="signs.isOpen" />
    <p v-if="hint !== null" class="stamp-hint" :style="{ left: `${hint.x}px`, top: `${hint.y}px` }">{{ hint.words }}</p>
    <p v-if="narrowing.to !== null && narrowing.to.isTold !== true && !signs.isOpen" class="narrowed" role="status">Only “{{ narrowing.to.words }}”, on {{ narrowing.to.ids.size === 1 ? '1 topic' : `${narrowing.to.ids.size} topics` }} <NButton size="tiny" secondary @click="signs.narrow(null); narrowing.to = null">Show everything again</NButton></p>
</template>

<style scoped>
.stamp-hint { position: fixed; z-index: 7; transform: translateX(-50%); margin: 0; max-width: 260px; padding: 4px 9px; border-radius: 6px; background: var(--plate); color: var(--plate-ink); font-size: 13.5px; pointer-events: none; }
.narrowed { position: fixed; z-index: 5; left: 50%; top: 60px; transform: translateX(-50%); margin: 0; padding: 6px 12px; border: 1px solid var(--edge); border-radius: 9px; background: var(--slip); font-size: 13.5px; display: flex; align-items: center; gap: 10px; box-shadow: 0 2px 10px rgb(0 0 0 / 12%); }
</style>
