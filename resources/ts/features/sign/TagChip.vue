<script setup lang="ts">
import type { Tag } from './signStore'

/** A tag as it looks on topics, to be clicked. */
defineProps<{ tag: Tag; on?: boolean }>()
</script>

<template>
    <button class="chip" :class="{ on }" :style="{ '--line': `var(--${tag.chalk}, var(--mussel))`, '--tint': `var(--${tag.chalk}-tint, var(--mussel-tint))`, '--text': `var(--${tag.chalk}-text, var(--mussel-text))` }">{{ tag.name }}<slot /></button>
</template>

<style scoped>
.chip { display: inline-flex; align-items: center; gap: 6px; border: 1px solid var(--line); background: var(--tint); color: var(--text); font: 13.5px 'Atkinson Hyperlegible'; padding: 2px 12px 2px 8px; cursor: pointer; touch-action: none; clip-path: polygon(0 0, calc(100% - 6px) 0, 100% 50%, calc(100% - 6px) 100%, 0 100%); }
.chip.on { font-weight: 700; box-shadow: inset 0 -3px 0 var(--line); }
.chip:focus-visible { outline: 2px solid var(--tide); outline-offset: -2px; text-decoration: underline; }
</style>
