<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { NButton } from 'naive-ui'
import { computed, onBeforeUnmount, onMounted, ref } from 'vue'
import { useCamera } from '@/board/cameraStore'
import { useUi } from '@/ui/uiStore'
import { useHandOver } from './handOverStore'

/** Marks out an area of the board: drawn by the hand, or moved and sized by the arrow keys. */
const handOver = useHandOver()
const camera = useCamera()
const ui = useUi()

const STEP = 20
const LEAST = 40

const root = ref<HTMLElement | null>(null)
/** The board in the window, and what is marked in it, pixels of the window. */
const bounds = document.querySelector('.board[data-region=board]')?.getBoundingClientRect() ?? new DOMRect(0, 0, innerWidth, innerHeight)
const area = ref({ x: bounds.left + bounds.width * 0.2, y: bounds.top + bounds.height * 0.2, w: bounds.width * 0.6, h: bounds.height * 0.6 })
const style = computed(() => ({ left: `${area.value.x}px`, top: `${area.value.y}px`, width: `${area.value.w}px`, height: `${area.value.h}px` }))

let from: { x: number; y: number } | null = null
function down(event: PointerEvent): void {
    from = { x: event.clientX, y: event.clientY }
    ;(event.currentTarget as HTMLElement).setPointerCapture(event.pointerId)
}
function move({ clientX, clientY }: PointerEvent): void {
    if (from !== null && Math.hypot(clientX - from.x, clientY - from.y) > 4) {
        area.value = { x: Math.min(from.x, clientX), y: Math.min(from.y, clientY), w: Math.max(LEAST, Math.abs(clientX - from.x)), h: Math.max(LEAST, Math.abs(clientY - from.y)) }
    }
}
function key(event: KeyboardEvent): void {
    const way = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[event.key]
    if (way !== undefined) {
        const [x = 0, y = 0] = way
        const { x: left, y: top, w, h } = area.value
        area.value = event.shiftKey ? { x: left, y: top, w: Math.max(LEAST, w + x * STEP), h: Math.max(LEAST, h + y * STEP) } : { x: left + x * STEP, y: top + y * STEP, w, h }
    } else if (event.key === 'Enter' && !isAtButton(event.target)) {
        take()
    } else if (event.key === 'Escape') {
        handOver.isMarking = false
    } else {
        return
    }
    event.preventDefault()
    event.stopPropagation()
}
function take(): void {
    const { x, y, w, h } = area.value
    const [a, b] = [camera.handle?.toBoard(x, y), camera.handle?.toBoard(x + w, y + h)]
    if (a !== undefined && b !== undefined) {
        handOver.takeArea({ x: a.x, y: a.y, w: b.x - a.x, h: b.y - a.y }, camera.boxes)
    }
}
const isAtButton = (target: EventTarget | null): boolean => target instanceof HTMLButtonElement && root.value?.contains(target) === true
// The panel that steps aside gives the focus back to the board; the keys are this one's all the same.
useEventListener(window, 'keydown', key, { capture: true })
onMounted(() => {
    ui.holdsKeys = true
    root.value?.focus()
})
onBeforeUnmount(() => (ui.holdsKeys = false))
</script>

<template>
    <div ref="root" class="marking" tabindex="0" role="application" aria-label="Mark out an area of the board: arrow keys move it, with Shift they size it, Enter takes it" @pointerdown="down" @pointermove="move" @pointerup="from = null">
        <div class="area" :style="style" />
        <div class="words" @pointerdown.stop>
            <span>Draw over what is wanted. Arrow keys move it, with Shift they make it wider or narrower.</span>
            <NButton size="small" type="primary" @click="take">Take this area</NButton>
            <NButton size="small" @click="handOver.isMarking = false">Back</NButton>
        </div>
    </div>
</template>

<style scoped>
.marking { position: fixed; inset: 0; z-index: 5000; cursor: crosshair; touch-action: none; outline: none; overflow: hidden; }
.area { position: absolute; box-sizing: border-box; border: 2px dashed var(--tide); box-shadow: 0 0 0 200vmax rgb(20 30 34 / 42%); }
.words { position: absolute; left: 50%; bottom: 24px; transform: translateX(-50%); display: flex; flex-wrap: wrap; gap: 10px; align-items: center; width: max-content; max-width: calc(100vw - 40px); box-sizing: border-box; padding: 10px 14px; cursor: default; background: var(--slip); border: 1px solid var(--edge); border-radius: 12px; font-size: 14px; }
</style>
