<script setup lang="ts">
import { computed, onMounted, ref, useTemplateRef } from 'vue'
import { Parts } from '@/board/Parts'
import { usePlan } from './planStore'

/** Words and tension along the scenes, as the server draws them; a column leads to its scene. */
const plan = usePlan()
const frame = useTemplateRef<HTMLElement>('frame')
const at = ref(0)
const scenes = computed(() => plan.shape?.scenes ?? [])
const words = (n: number): string => `${n.toLocaleString('en')} ${n === 1 ? 'word' : 'words'}`
const its = computed(() => scenes.value[at.value])
const spoken = computed(() => (its.value === undefined ? '' : `${its.value.title}: ${words(its.value.words)}${its.value.tension === null ? '' : `, tension ${its.value.tension}`}`))

function key(event: KeyboardEvent): void {
    const by = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }[event.key]
    if (event.ctrlKey || event.metaKey || event.altKey || (by === undefined && event.key !== 'Enter')) {
        return
    }
    event.preventDefault()
    event.stopPropagation()
    at.value = Math.max(0, Math.min(scenes.value.length - 1, at.value + (by ?? 0)))
    if (event.key === 'Enter' && its.value !== undefined) {
        plan.go(its.value.topic)
    }
}
function touched(event: MouseEvent): string | null {
    const touch = event.target instanceof Element ? event.target.closest('[data-touch]')?.getAttribute('data-touch') : null
    return touch?.startsWith('scene:') === true ? touch.slice('scene:'.length) : null
}
function click(event: MouseEvent): void {
    const topic = touched(event)
    if (topic !== null) {
        plan.go(topic)
    }
}
function over(event: MouseEvent): void {
    const i = scenes.value.findIndex(({ topic }) => topic === touched(event))
    at.value = i >= 0 ? i : at.value
}
onMounted(() => frame.value?.focus({ preventScroll: true }))
</script>

<template>
    <div ref="frame" class="shape" tabindex="0" data-scope="draft" data-focus="draft" role="group" aria-label="Shape of the story" @keydown="key" @click="click" @pointermove="over">
        <p class="told" role="status">{{ spoken }}</p>
        <svg v-if="plan.shape !== null && scenes.length > 0" :width="plan.shape.w" :height="plan.shape.h" :viewBox="`0 0 ${plan.shape.w} ${plan.shape.h}`" role="img" aria-label="Words and tension along the scenes"><Parts :parts="plan.shape.parts" /></svg>
    </div>
</template>

<style scoped>
.shape { flex: 1; min-height: 0; overflow: auto; padding: 10px 14px; outline: none; }
.told { margin: 0 0 4px; min-height: 1.4em; font-size: 14.5px; }
svg { display: block; max-width: none; }
svg :deep([data-touch]) { cursor: pointer; }
.shape:focus-visible .told { text-decoration: underline; text-decoration-color: var(--tide); text-underline-offset: 3px; }
</style>
