<script setup lang="ts">
/** The mark of Chalk Tree: a spine, and three strokes of chalk growing out of it. */
defineProps<{ size?: number }>()
</script>

<template>
    <svg class="mark" :width="size ?? 28" :height="size ?? 28" viewBox="0 0 32 32" aria-hidden="true">
        <rect width="32" height="32" rx="8" fill="#274349" />
        <path d="M7 8c0-1.6 2.6-1.6 2.6 0v16c0 1.6-2.6 1.6-2.6 0z" fill="#f7f3ea" />
        <g fill="none" stroke-linecap="round">
            <path d="M10 16C17 16 14 8 22 8" stroke="#f0c766" stroke-width="2.6" />
            <path d="M10 16H24" stroke="#e98a6c" stroke-width="3" />
            <path d="M10 16c7 0 4 8 12 8" stroke="#7cc4c4" stroke-width="2.6" />
        </g>
    </svg>
</template>
