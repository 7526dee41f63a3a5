<script setup lang="ts">
import { computed } from 'vue'
import { standsBeside, type DrawnSlip } from './guess'
import { lookOf } from './looks'
import { Parts } from './Parts'
import { ringCorner, ringPath } from './shapes'

/** One topic on the board, drawn from its slip and deciding nothing. */
const props = defineProps<{ slip: DrawnSlip; x: number; y: number; chosen: boolean; dimmed: boolean; typing: boolean; foldable: boolean; stem: number }>()
defineEmits<{ fold: [] }>()

/** While one types, the text stands in the field instead. */
const still = computed(() => props.slip.parts.filter((part) => !('touch' in part && part.touch === 'fold') && !(props.typing && !standsBeside(part) && ('spans' in part || part.part === 'code'))))
const tally = computed(() => props.slip.parts.filter((part) => 'touch' in part && part.touch === 'fold'))
/** Where the handle that folds stands, and how far around the tally one can hit it. */
const handle = computed(() => {
    const { w, h, opens } = props.slip
    return { right: { x: w + 11, y: h / 2 }, left: { x: -11, y: h / 2 }, down: { x: props.stem, y: h + 9 }, up: { x: w / 2, y: -9 } }[opens]
})
const hit = computed(() => {
    const { w, h, opens } = props.slip
    return { right: { x: w, y: 0, width: 40, height: h }, left: { x: -40, y: 0, width: 40, height: h }, down: { x: w / 2 - 30, y: h, width: 60, height: 26 }, up: { x: w / 2 - 30, y: -26, width: 60, height: 26 } }[opens]
})
const corner = computed(() => ringCorner(lookOf(props.slip).box, props.slip))
</script>

<template>
    <g
        class="slip" :class="[`level-${slip.level}`, { dimmed, chosen }]" :data-topic="slip.id"
        :style="{ transform: `translate(${x}px, ${y}px)`, '--line': `var(--${slip.chalk})` }">
        <Parts :parts="still" />
        <g v-if="slip.hidden > 0" class="tally" @pointerdown.stop @click.stop="$emit('fold')">
            <title>Unfold {{ slip.hidden }}</title>
            <rect v-bind="hit" fill="transparent" />
            <Parts :parts="tally" />
        </g>
        <g v-else-if="foldable" class="fold-handle" @pointerdown.stop @click.stop="$emit('fold')">
            <title>Fold</title>
            <circle :cx="handle.x" :cy="handle.y" r="8" />
            <path :d="`M${handle.x - 3} ${handle.y - 4}v8m3 -8v8m3 -8v8`" />
        </g>
        <path v-if="chosen" class="ring" :d="ringPath(slip, corner)" />
    </g>
</template>

<style>
.slip { transition: transform 180ms ease-out, opacity 180ms; cursor: default; }
.moving .slip { transition: none; }
.slip text { font-family: 'Atkinson Hyperlegible', sans-serif; font-kerning: none; font-variant-ligatures: none; white-space: pre; user-select: none; }
.slip .paper, .slip .stamp-room, .slip .link-room, .slip .file-room, .slip .phrase-room, .slip .gathered-room { pointer-events: all; }
.board.small .ruler-words, .board.small .ruler-break { display: none; }
.slip .phrase, .slip .leader, .slip .link-sign, .slip .file-sign { pointer-events: none; }
.slip .link-room, .slip .file-room, .slip .gathered-room { cursor: pointer; }
.tally, .fold-handle { cursor: pointer; }
.fold-handle { opacity: 0; }
.slip:hover .fold-handle, .slip.chosen .fold-handle { opacity: 1; }
.fold-handle circle { fill: var(--board); stroke: var(--line); stroke-width: 1.5; }
.fold-handle path { stroke: var(--line); stroke-width: 1.5; stroke-linecap: round; }
.ring { fill: none; stroke: var(--line); stroke-width: 2.5; stroke-linecap: round; pointer-events: none; }
.level-0 .ring { stroke: var(--plate); }
.slip.dimmed { opacity: var(--rest, 0.25); }
/* In a walk the rest is drawn in ink alone, whatever it looks like, so that its contrast can be told. */
.walking .slip.dimmed :is(text, tspan) { fill: var(--ink) !important; }
.walking .slip.dimmed .paper { fill: none !important; }
@media (prefers-reduced-motion: reduce) { .slip, .connector { transition: none; } }
</style>
