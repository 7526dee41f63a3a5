<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { NButton } from 'naive-ui'
import { defineAsyncComponent, shallowRef, watch } from 'vue'
import { useBeside } from '@/stores/beside'
import { useWalk } from '@/show/walkStore'
import { useMap } from '@/stores/map'
import type { Out } from './outs'
import { useOuts } from './outStore'

const OutList = defineAsyncComponent(() => import('./OutList.vue'))

/** The links of a topic when one points at its sign on the board, and the page that is open beside the map. */
const map = useMap()
const beside = useBeside()
const links = useOuts()
const walk = useWalk()

const shown = shallowRef<{ topic: string; outs: Out[]; x: number; y: number } | null>(null)
const WIDE = 320
let waiting: ReturnType<typeof setTimeout> | undefined

const signAt = (target: EventTarget | null): SVGElement | null => (target instanceof Element ? target.closest<SVGElement>('.slip [data-touch^="out:"]') : null)
const topicOf = (sign: SVGElement): string => (sign.dataset.touch ?? '').slice('out:'.length)

function show(sign: SVGElement): void {
    const box = sign.getBoundingClientRect()
    const topic = topicOf(sign)
    shown.value = { topic, outs: links.of(topic), x: Math.max(8, Math.min(window.innerWidth - WIDE - 8, box.left - 20)), y: Math.min(window.innerHeight - 190, box.bottom + 4) }
}
function leave(): void {
    clearTimeout(waiting)
    shown.value = null
}

useEventListener(window, 'pointerover', (event) => {
    const sign = event.pointerType === 'touch' ? null : signAt(event.target)
    const isOver = event.target instanceof Element && event.target.closest('.out-list') !== null
    if (isOver) {
        clearTimeout(waiting)
    } else if (sign !== null && shown.value?.topic !== topicOf(sign)) {
        clearTimeout(waiting)
        waiting = setTimeout(() => show(sign), 350)
    } else if (sign === null) {
        clearTimeout(waiting)
        waiting = setTimeout(leave, 400)
    }
})
// One click goes, where there is one way to go.
useEventListener(window, 'click', (event) => {
    const sign = signAt(event.target)
    if (sign !== null && walk.at === null && !event.ctrlKey && !event.metaKey && !event.shiftKey) {
        const outs = links.of(topicOf(sign))
        event.stopPropagation()
        if (outs.length === 1 && outs[0] !== undefined) {
            leave()
            links.go(outs[0], topicOf(sign))
        } else {
            clearTimeout(waiting)
            show(sign)
        }
    }
}, { capture: true })
useEventListener(window, 'pointerdown', (event) => shown.value !== null && !(event.target instanceof Element && event.target.closest('.out-list') !== null) && signAt(event.target) === null && leave(), { capture: true })
useEventListener(window, 'keydown', (event) => event.key === 'Escape' && leave(), { capture: true })
watch(() => beside.tree, () => shown.value !== null && (shown.value = { ...shown.value, outs: links.of(shown.value.topic) }))
watch(() => map.id, leave)
// Whether a map that is opened shows how far others are.
watch([() => map.id, () => map.tree.root], () => [...map.tree.rows.values()].some(({ type }) => type === 'how-far') && void import('./howFar').then(({ tellHowFar }) => tellHowFar()), { immediate: true })
</script>

<template>
    <aside v-if="shown !== null && shown.outs.length > 0" class="out-list" aria-label="Where it leads" :style="{ left: `${shown.x}px`, top: `${shown.y}px`, width: `${WIDE}px` }"><OutList :outs="shown.outs" :from="shown.topic" plain @gone="leave" /></aside>
    <aside v-if="links.page !== null" class="page" role="complementary" aria-label="Page beside the map">
        <header><b>{{ links.page.title }}</b><a :href="links.page.address" target="_blank" rel="noopener noreferrer">In a window of its own</a><NButton size="small" @click="links.page = null">Close</NButton></header>
        <iframe :src="links.page.address" :title="links.page.title" sandbox="allow-scripts allow-forms allow-popups" referrerpolicy="no-referrer" />
    </aside>
</template>

<style scoped>
.out-list { position: fixed; z-index: 8; max-height: 60vh; overflow: auto; padding: 6px; border: 1px solid var(--edge); border-radius: 9px; background: var(--slip); box-shadow: 0 4px 18px rgb(0 0 0 / 16%); }
.page { position: fixed; z-index: 9; top: 51px; right: 0; bottom: 0; width: min(560px, 100vw); box-sizing: border-box; display: flex; flex-direction: column; border-left: 1px solid var(--edge); background: var(--slip); box-shadow: -6px 0 24px rgb(0 0 0 / 14%); }
.page header { display: flex; gap: 12px; align-items: center; padding: 8px 12px; border-bottom: 1px solid var(--edge); }
.page b { overflow: hidden; text-overflow: ellipsis; white-space: nowrap; }
.page a { margin-left: auto; flex: none; color: var(--tide); font-size: 13.5px; }
iframe { flex: 1; border: 0; background: #fff; }
</style>
