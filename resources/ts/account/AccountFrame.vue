<script setup lang="ts">
import Mark from '@/ui/Mark.vue'

/** What the pages of signing in have in common. */
defineProps<{ title: string }>()
</script>

<template>
    <main class="account">
        <div class="sheet">
            <div class="brand"><Mark :size="40" /><span>Chalk Tree</span></div>
            <h1>{{ title }}</h1>
            <slot />
        </div>
    </main>
</template>

<style scoped>
.account { min-height: 100dvh; display: grid; place-content: center; padding: 16px; box-sizing: border-box; }
.sheet { width: min(380px, calc(100vw - 32px)); background: var(--slip); border: 1px solid var(--edge); border-left: 6px solid var(--tide); border-radius: 12px; padding: 28px 30px 26px; box-sizing: border-box; }
.brand { display: flex; align-items: center; gap: 12px; font-weight: 700; font-size: 20px; margin-bottom: 18px; }
h1 { font-size: 22px; margin: 0 0 14px; }
.sheet :deep(form) { display: grid; gap: 12px; }
.sheet :deep(label) { display: grid; gap: 4px; font-size: 14px; color: var(--soft); }
.sheet :deep(.more) { margin: 16px 0 0; display: flex; flex-wrap: wrap; gap: 6px 16px; font-size: 14.5px; }
</style>
