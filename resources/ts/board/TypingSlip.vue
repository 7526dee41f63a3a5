<script setup lang="ts">
import { useResizeObserver } from '@vueuse/core'
import { computed, onBeforeUnmount, ref } from 'vue'
import { useMap } from '@/stores/map'
import TitleEditor from '@/text/TitleEditor.vue'
import { useTyping } from '@/text/typing'
import { useCamera } from './cameraStore'
import type { Box } from './geometry'
import { lookOf } from './looks'
import { families, paint } from './Parts'
import type { Painted } from './useViewport'

/** The title being typed, over its slip on the board, set as it will be drawn. */
const props = defineProps<{ painted: Painted }>()
/** The place on the board that it takes while one types. */
const emit = defineEmits<{ grown: [box: Box]; left: [field: HTMLElement] }>()
const frame = ref<HTMLElement | null>(null)

const map = useMap()
const camera = useCamera()
const typing = useTyping()

const own = map.editing?.id ?? ''
const slip = computed(() => camera.slipOf(own))
const box = computed(() => camera.boxOf(own))
const topic = computed(() => map.tree.topics.get(own))

const style = computed(() => {
    if (slip.value === undefined || box.value === undefined) {
        return { display: 'none' }
    }
    const look = lookOf(slip.value)
    const { x, y, scale } = props.painted
    const type = {
        padding: `${look.box.padY}px ${look.box.padX}px`,
        font: `${look.type.slanted ? 'italic ' : ''}${look.type.bold ? '700' : '400'} ${look.type.size}px/${look.type.line}px '${families[look.type.face] ?? ''}', sans-serif`,
        borderRadius: `${look.box.corner}px`,
        background: look.type.ink === 'plate-ink' ? 'var(--plate)' : 'var(--slip)',
        color: paint(look.type.ink.replace(/^(chalk|text)$/, `$1:${slip.value.chalk}`)),
    }
    const spine = `${look.box.spine}px`
    const left = slip.value.spine === 'right' && slip.value.level > 0
    const top = (slip.value.spine === 'top' || slip.value.spine === 'bottom') && slip.value.level > 0
    const its = slip.value.title
    if (its !== undefined) {
        // Over the text alone, so that what else stands in the box is seen on.
        const [left = 0, above = 0, wide = 0, high = 0] = its
        const least = Math.max(wide, 72)
        return {
            ...type,
            transform: `translate(${(box.value.x + left - (least - wide) / 2 - look.box.padX - x) * scale}px, ${(box.value.y + above - look.box.padY - (high === 0 ? look.type.line : 0) - y) * scale}px) scale(${scale})`,
            minWidth: `${least + 2 * look.box.padX}px`, minHeight: `${Math.max(high, look.type.line) + 2 * look.box.padY}px`,
            maxWidth: `${Math.max(wide, look.box.widest) + 2 * look.box.padX + 1}px`, textAlign: 'center' as const,
        }
    }
    return {
        ...type,
        transform: `translate(${(box.value.x - x) * scale}px, ${(box.value.y - y) * scale}px) scale(${scale})${left ? ` translateX(${box.value.w}px) translateX(-100%)` : ''}`,
        minWidth: `${box.value.w}px`,
        minHeight: `${box.value.h}px`,
        maxWidth: `${Math.max(box.value.w, look.box.widest + 2 * look.box.padX + look.box.spine + 1)}px`,
        borderBottom: slip.value.spine === 'bottom' && look.box.spine > 0 ? `${spine} solid var(--${slip.value.chalk})` : '0',
        borderTop: top && slip.value.spine === 'top' ? `${spine} solid var(--${slip.value.chalk})` : '0',
        borderLeft: left || top || look.box.spine === 0 ? '0' : `${spine} solid var(--${slip.value.chalk})`,
        borderRight: left ? `${spine} solid var(--${slip.value.chalk})` : '0',
        textAlign: ({ start: 'start', left: 'left', centre: 'center', right: 'right' } as const)[look.type.align],
    }
})

useResizeObserver(frame, () => {
    const at = box.value
    if (at !== undefined && frame.value !== null) {
        const { offsetWidth: w, offsetHeight: h } = frame.value
        emit('grown', { x: slip.value?.spine === 'right' && slip.value.level > 0 ? at.x + at.w - w : at.x, y: at.y, w, h })
    }
})

/** Whoever goes straight on to the next title sees this one stand until the board is drawn with it. */
onBeforeUnmount(() => {
    const typed = frame.value?.querySelector('.title-editor')
    if (map.editing?.where === 'board' && typed?.textContent !== '' && frame.value !== null) {
        const still = frame.value.cloneNode(true) as HTMLElement
        still.className = 'typing-slip still'
        still.ariaHidden = 'true'
        const text = still.querySelector('.title-editor')
        if (text !== null) {
            text.className = 'title-typed'
            text.removeAttribute('contenteditable')
            text.removeAttribute('role')
        }
        emit('left', still)
    }
})

/** Going on to the next title takes the focus away too, but then another one is being typed. */
function leave(): void {
    if (map.editing?.id === own) {
        typing.finish()
    }
}
</script>

<template>
    <div ref="frame" class="typing-slip" :style="style">
        <TitleEditor v-if="topic !== undefined" :title="topic.title" :instead="map.editing?.instead ?? null" @leave="leave" />
    </div>
</template>

<style scoped>
.typing-slip { position: absolute; left: 0; top: 0; transform-origin: 0 0; box-sizing: border-box; width: max-content; box-shadow: 0 0 0 2px var(--board), 0 0 0 4px var(--tide), 0 6px 18px rgb(0 0 0 / 18%); cursor: text; }
.typing-slip.still { box-shadow: none; }
</style>
