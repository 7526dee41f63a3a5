<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed, nextTick, onMounted, ref, useTemplateRef } from 'vue'
import { sourceAddress } from '@/api/client'
import { useMap } from '@/stores/map'
import { useUi } from '@/ui/uiStore'
import { usePictures } from './pictureStore'

/** A picture in full, as it was brought in: fitted to the window, or closer. */
const props = defineProps<{ topic: string }>()
const map = useMap()
const ui = useUi()
const pictures = usePictures()

const LEAST = 0.05
const MOST = 16

const row = computed(() => pictures.pictureOf(props.topic))
const address = computed(() => sourceAddress(map.id, String(row.value?.fields.source ?? ''), 'original'))
const isDrawing = computed(() => String(row.value?.fields.source).startsWith('drawing:'))
const frame = useTemplateRef<HTMLElement>('frame')
const size = ref({ w: 0, h: 0 })
/** Pixels of the screen for one of the picture, and where its middle is from that of the window. */
const view = ref({ scale: 1, x: 0, y: 0 })

function fitted(): number {
    const { clientWidth = 1, clientHeight = 1 } = frame.value ?? {}
    const fit = Math.min(clientWidth / Math.max(1, size.value.w), clientHeight / Math.max(1, size.value.h))
    return isDrawing.value ? fit * 0.8 : Math.min(1, fit)
}
function loaded(event: Event): void {
    const image = event.target as HTMLImageElement
    size.value = { w: image.naturalWidth, h: image.naturalHeight }
    fit()
}
const fit = (): void => void (view.value = { scale: fitted(), x: 0, y: 0 })
const whole = (): void => void (view.value = { scale: 1, x: 0, y: 0 })

/** Closer or farther, so that a point of the window stays where it is. */
function zoom(times: number, at = { x: 0, y: 0 }): void {
    const scale = Math.max(LEAST, Math.min(MOST, view.value.scale * times))
    const by = scale / view.value.scale
    view.value = { scale, x: at.x + (view.value.x - at.x) * by, y: at.y + (view.value.y - at.y) * by }
}
function wheel(event: WheelEvent): void {
    const box = frame.value?.getBoundingClientRect()
    if (box !== undefined) {
        zoom(Math.exp(-event.deltaY / 400), { x: event.clientX - box.left - box.width / 2, y: event.clientY - box.top - box.height / 2 })
    }
}
let from: { x: number; y: number } | null = null
function down(event: PointerEvent): void {
    from = { x: event.clientX - view.value.x, y: event.clientY - view.value.y }
    frame.value?.setPointerCapture(event.pointerId)
}
function move(event: PointerEvent): void {
    if (from !== null) {
        view.value = { ...view.value, x: event.clientX - from.x, y: event.clientY - from.y }
    }
}
const pan = (x: number, y: number): void => void (view.value = { ...view.value, x: view.value.x + x, y: view.value.y + y })

function key(event: KeyboardEvent): void {
    const keys: Readonly<Record<string, () => void>> = {
        Escape: close, '+': () => zoom(1.25), '=': () => zoom(1.25), '-': () => zoom(0.8), '0': fit, '1': whole,
        ArrowLeft: () => pan(60, 0), ArrowRight: () => pan(-60, 0), ArrowUp: () => pan(0, 60), ArrowDown: () => pan(0, -60),
    }
    if (event.key === 'Tab') {
        stay(event)
        return
    }
    const run = keys[event.key]
    if (run !== undefined) {
        event.preventDefault()
        event.stopPropagation()
        run()
    }
}
/** Tab goes around within the picture and its buttons. */
function stay(event: KeyboardEvent): void {
    const all = [...(frame.value?.parentElement?.querySelectorAll<HTMLElement>('button, [tabindex="0"]') ?? [])]
    const at = all.findIndex((one) => one === document.activeElement) + (event.shiftKey ? -1 : 1)
    event.preventDefault()
    event.stopPropagation()
    all[(at + all.length) % all.length]?.focus()
}
function close(): void {
    pictures.opened = null
    void nextTick(() => ui.focusRegion(map.region))
}
onMounted(() => frame.value?.focus())
</script>

<template>
    <div class="viewer" role="dialog" aria-modal="true" :aria-label="`Picture: ${pictures.describe(topic)}`" @keydown="key">
        <header>
            <b>{{ pictures.describe(topic) || 'Picture' }}</b>
            <span v-if="size.w > 0 && !isDrawing">{{ size.w }} × {{ size.h }}</span>
            <span class="space" />
            <NButton size="small" secondary @click="zoom(0.8)">Farther</NButton>
            <span class="scale">{{ Math.round(view.scale * 100) }} %</span>
            <NButton size="small" secondary @click="zoom(1.25)">Closer</NButton>
            <NButton size="small" secondary @click="fit">Whole picture</NButton>
            <NButton size="small" secondary @click="whole">Full size</NButton>
            <NButton size="small" type="primary" secondary @click="close">Close</NButton>
        </header>
        <div ref="frame" class="frame" tabindex="0" @wheel.prevent="wheel" @pointerdown="down" @pointermove="move" @pointerup="from = null" @dblclick="view.scale === 1 ? fit() : whole()">
            <img :src="address" :alt="pictures.describe(topic)" draggable="false" :style="{ transform: `translate(-50%, -50%) translate(${view.x}px, ${view.y}px) scale(${view.scale})` }" @load="loaded" />
        </div>
    </div>
</template>

<style scoped>
.viewer { position: fixed; inset: 0; z-index: 20; display: flex; flex-direction: column; background: var(--board); }
header { flex: none; display: flex; flex-wrap: wrap; align-items: center; gap: 8px; padding: 8px 12px; background: var(--slip); border-bottom: 1px solid var(--edge); }
header b { max-width: 40vw; overflow: hidden; text-overflow: ellipsis; white-space: nowrap; }
header span { color: var(--soft); font-size: 13.5px; }
.space { flex: 1; }
.scale { min-width: 46px; text-align: center; }
.frame { flex: 1; position: relative; overflow: hidden; cursor: grab; touch-action: none; outline: none; }
.frame:focus-visible { box-shadow: inset 0 0 0 2px var(--tide); }
img { position: absolute; left: 50%; top: 50%; transform-origin: 50% 50%; max-width: none; image-orientation: from-image; }
</style>
