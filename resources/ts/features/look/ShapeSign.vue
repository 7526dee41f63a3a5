<script setup lang="ts">
/** A small picture of a shape. */
defineProps<{ shape: string }>()

const outlines: Readonly<Record<string, string>> = {
    slip: 'M4 1H21A3 3 0 0 1 24 4V12A3 3 0 0 1 21 15H4Z', plate: 'M5 1H21A4 4 0 0 1 25 5V11A4 4 0 0 1 21 15H5A4 4 0 0 1 1 11V5A4 4 0 0 1 5 1Z',
    plain: '', rectangle: 'M1 1H25V15H1Z', capsule: 'M8 1H18A7 7 0 0 1 18 15H8A7 7 0 0 1 8 1Z', oval: 'M1 8A12 7 0 0 1 25 8A12 7 0 0 1 1 8Z',
    circle: 'M6 8A7 7 0 0 1 20 8A7 7 0 0 1 6 8Z', hexagon: 'M6 1H20L25 8L20 15H6L1 8Z', rhombus: 'M13 0L25 8L13 16L1 8Z', slanted: 'M7 1H25L19 15H1Z',
    chalked: 'M0 2Q13 0 26 2M24 0Q23 8 24 16M26 14Q13 16 0 14M2 16Q1 8 2 0', swept: 'M1 3C9 1 18 2 25 1L24 5L25 13C17 15 9 14 1 15L2 10Z', underscored: 'M1 14C8 16 17 13 25 14',
}
const isStroke = (shape: string): boolean => shape === 'chalked' || shape === 'underscored'
</script>

<template>
    <svg width="26" height="16" viewBox="0 0 26 16" aria-hidden="true">
        <path :d="outlines[shape] ?? ''" :fill="isStroke(shape) ? 'none' : shape === 'plate' ? 'var(--plate)' : 'var(--tide-tint)'" :stroke="shape === 'plate' || shape === 'swept' ? 'none' : 'var(--tide)'" stroke-width="1.3" stroke-linecap="round" />
        <path v-if="shape === 'slip'" d="M1.5 1H4V15H1.5Z" fill="var(--tide)" />
        <path d="M8 8h10" :stroke="shape === 'plate' ? 'var(--plate-ink)' : 'var(--ink)'" stroke-width="1.6" stroke-linecap="round" />
    </svg>
</template>
