<script setup lang="ts">
import { computed } from 'vue'
import type { Part, Slip } from '@/api/wire'
import { lookOf } from './looks'
import { noteSignPath, ringPath, spinePath, tallyPath } from './shapes'

/** One topic on the board, drawn from its slip and deciding nothing. */
const props = defineProps<{ slip: Slip; x: number; y: number; chosen: boolean; dimmed: boolean; typing: boolean; foldable: boolean }>()
defineEmits<{ fold: [] }>()

const look = computed(() => lookOf(props.slip.level))
/** Where the handle that folds stands, and the marks of what is folded. */
const handle = computed(() => {
    const { w, h, opens } = props.slip
    return { right: { x: w + 11, y: h / 2 }, left: { x: -11, y: h / 2 }, down: { x: w / 2, y: h + 11 } }[opens]
})
const tally = computed(() => {
    const { w, h, opens } = props.slip
    return {
        right: { hit: { x: w, y: 0, width: 40, height: h }, x: w + 9, y: h / 2 + 5, anchor: 'start' },
        left: { hit: { x: -40, y: 0, width: 40, height: h }, x: -9, y: h / 2 + 5, anchor: 'end' },
        down: { hit: { x: w / 2 - 30, y: h, width: 60, height: 26 }, x: w / 2, y: h + 20, anchor: 'middle' },
    }[opens]
})

function styleOf(part: Part): Record<string, string> {
    const lines = [part.marks & 4 || part.href !== undefined ? 'underline' : '', part.marks & 8 ? 'line-through' : ''].join(' ').trim()
    return {
        ...(part.marks & 1 ? { fontWeight: '700' } : {}),
        ...(part.marks & 2 ? { fontStyle: 'italic' } : {}),
        ...(lines === '' ? {} : { textDecoration: lines }),
    }
}

/** Holds text in a font we did not measure to the width it was given, where it would be wider. */
const vHold = {
    mounted: hold,
    updated: hold,
}

function hold(element: SVGTSpanElement, { value }: { value: Part }): void {
    element.removeAttribute('textLength')
    if (value.guess === true && element.getComputedTextLength() > value.w) {
        element.setAttribute('textLength', String(value.w))
        element.setAttribute('lengthAdjust', 'spacingAndGlyphs')
    }
}
</script>

<template>
    <g
        class="slip" :class="[`level-${slip.level}`, { dimmed, chosen }]" :data-topic="slip.id"
        :style="{ transform: `translate(${x}px, ${y}px)`, '--line': `var(--${slip.chalk})`, '--tint': `var(--${slip.chalk}-tint)` }">
        <rect class="paper" :width="slip.w" :height="slip.h" :rx="look.corner" />
        <path v-if="look.spine > 0" class="spine" :d="spinePath(slip)" />
        <g v-if="!typing">
            <template v-for="(line, i) in slip.lines" :key="i">
                <rect
                    v-for="(part, n) in line.parts.filter((one) => one.marks & 16)" :key="`c${n}`" class="code"
                    :x="part.x - 2" :y="line.y - look.size" :width="part.w + 4" :height="look.size * 1.3" rx="3" />
                <text :y="line.y" :font-size="look.size"><tspan
                    v-for="(part, n) in line.parts" :key="n" v-hold="part" :x="part.x" :style="styleOf(part)"
                    :class="{ link: part.href !== undefined }">{{ part.text }}</tspan></text>
            </template>
            <text v-for="(line, i) in slip.caption" :key="`s${i}`" class="caption" :y="line.y" font-size="12"><tspan
                v-for="(part, n) in line.parts" :key="n" v-hold="part" :x="part.x">{{ part.text }}</tspan></text>
        </g>
        <path v-if="slip.note" class="note-sign" :d="noteSignPath(slip)" />
        <g v-if="slip.hidden > 0" class="tally" @pointerdown.stop @click.stop="$emit('fold')">
            <title>Unfold {{ slip.hidden }}</title>
            <rect v-bind="tally.hit" fill="transparent" />
            <path v-if="slip.hidden <= 5" :d="tallyPath(slip)" />
            <text v-else :x="tally.x" :y="tally.y" :text-anchor="tally.anchor" font-size="14" font-weight="700">{{ slip.hidden }}</text>
        </g>
        <g v-else-if="foldable" class="fold-handle" @pointerdown.stop @click.stop="$emit('fold')">
            <title>Fold</title>
            <circle :cx="handle.x" :cy="handle.y" r="8" />
            <path :d="`M${handle.x - 3} ${handle.y - 4}v8m3 -8v8m3 -8v8`" />
        </g>
        <path v-if="chosen" class="ring" :d="ringPath(slip)" />
    </g>
</template>

<style>
.slip { transition: transform 180ms ease-out, opacity 180ms; cursor: default; }
.moving .slip { transition: none; }
.slip text { fill: var(--ink); font-family: 'Atkinson Hyperlegible', sans-serif; font-kerning: none; font-variant-ligatures: none; white-space: pre; user-select: none; }
.slip .paper { fill: transparent; }
.slip.level-0 .paper { fill: var(--plate); }
.slip.level-0 text { fill: var(--plate-ink); }
.slip.level-1 .paper { fill: var(--tint); }
.slip.level-2 .paper { fill: var(--slip); stroke: var(--edge); }
.slip .spine { fill: var(--line); }
.slip text.caption { fill: var(--soft); }
.slip.level-0 text.caption { fill: var(--plate-ink); }
.slip:not(.level-0) .link { fill: var(--link); }
.slip:not(.level-0) .code { fill: var(--code); }
.slip.level-0 .code { fill: none; }
.note-sign, .tally path { fill: none; stroke-linecap: round; }
.note-sign { stroke: var(--soft); stroke-width: 1.6; }
.level-0 .note-sign { stroke: var(--plate-ink); }
.tally, .fold-handle { cursor: pointer; }
.tally path { stroke: var(--line); stroke-width: 2; }
.fold-handle { opacity: 0; }
.slip:hover .fold-handle, .slip.chosen .fold-handle { opacity: 1; }
.fold-handle circle { fill: var(--board); stroke: var(--line); stroke-width: 1.5; }
.fold-handle path { stroke: var(--line); stroke-width: 1.5; stroke-linecap: round; }
.ring { fill: none; stroke: var(--line); stroke-width: 2.5; stroke-linecap: round; pointer-events: none; }
.level-0 .ring { stroke: var(--plate); }
.slip.dimmed { opacity: var(--rest, 0.25); }
@media (prefers-reduced-motion: reduce) { .slip, .connector { transition: none; } }
</style>
