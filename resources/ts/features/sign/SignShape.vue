<script setup lang="ts">
import type { Primitive } from '@/api/wire'
import { Parts } from '@/board/Parts'

/** A sign as the core draws it, beside words. */
defineProps<{ parts: readonly Primitive[] }>()
</script>

<template>
    <svg class="sign" width="22" height="18" viewBox="0 0 22 18" aria-hidden="true"><Parts :parts="parts" /></svg>
</template>

<style scoped>
.sign { flex: none; overflow: visible; }
.sign :deep(text) { font-family: 'Atkinson Hyperlegible', sans-serif; }
</style>
