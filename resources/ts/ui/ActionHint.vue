<script setup lang="ts">
import { NTooltip } from 'naive-ui'
import { onBeforeUnmount, ref } from 'vue'
import { useActions } from '@/actions/useActions'

/** Says what a control does, and its key, when it is hovered or has the focus for a moment. */
defineProps<{ id: string; now?: string | null }>()

const MOMENT = 450

const { nameOf, whatOf, keyOf } = useActions()
const isShown = ref(false)
let timer: ReturnType<typeof setTimeout> | undefined

function come(event: Event): void {
    clearTimeout(timer)
    const isByKey = event.type !== 'focusin' || (event.target instanceof Element && event.target.matches(':focus-visible'))
    timer = setTimeout(() => (isShown.value = isByKey), MOMENT)
}

function go(): void {
    clearTimeout(timer)
    isShown.value = false
}

onBeforeUnmount(go)
</script>

<template>
    <NTooltip :show="isShown" trigger="manual" :style="{ maxWidth: '320px' }">
        <template #trigger><span class="hinted" @mouseenter="come" @mouseleave="go" @focusin="come" @focusout="go" @pointerdown="go" @keydown="go"><slot /></span></template>
        <strong>{{ now ?? nameOf(id) }}</strong><span v-if="keyOf(id) !== ''" class="key"> · {{ keyOf(id) }}</span>
        <br />{{ whatOf(id) }}
    </NTooltip>
</template>

<style scoped>
.hinted { display: inline-flex; }
.key { opacity: 0.8; }
</style>
