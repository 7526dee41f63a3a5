<script setup lang="ts">
import { NDropdown, type DropdownOption } from 'naive-ui'
import { computed, nextTick, shallowRef } from 'vue'
import { isByMenuKey } from './menuKey'

/** A menu that opens at the pointer, or at what has the focus if it was a key, and stays within the window. */
const props = defineProps<{ options: DropdownOption[] }>()
const emit = defineEmits<{ select: [key: string, at: { x: number; y: number }]; close: [] }>()

const LINE = 34
const DIVIDER = 9
const EDGE = 8

const at = shallowRef<{ x: number; y: number } | null>(null)
/** The lines as they were on opening: what is done meanwhile does not change them under the pointer. */
const lines = shallowRef<DropdownOption[]>([])

const top = computed(() => {
    const height = lines.value.reduce((sum, line) => sum + (line.type === 'divider' ? DIVIDER : LINE), 2 * EDGE)
    return Math.max(EDGE, Math.min(at.value?.y ?? 0, window.innerHeight - height - EDGE))
})

function open(event: MouseEvent): void {
    event.preventDefault()
    const isByKey = isByMenuKey(event) && event.target instanceof Element
    const box = isByKey ? (event.target as Element).getBoundingClientRect() : null
    openAt(...(box === null ? [event.clientX, event.clientY] as const : [box.left + 16, box.bottom] as const))
}

function openAt(x: number, y: number): void {
    // What is chosen by opening it decides what it offers.
    void nextTick(() => {
        lines.value = props.options
        at.value = { x, y }
    })
}

function close(): void {
    at.value = null
    emit('close')
}

function select(key: string): void {
    const place = at.value ?? { x: 0, y: 0 }
    close()
    emit('select', key, place)
}

defineExpose({ open, openAt })
</script>

<template>
    <NDropdown
        trigger="manual" placement="bottom-start" :show="at !== null" :x="at?.x ?? 0" :y="top" :options="lines" :menu-props="() => ({ class: 'context-menu', role: 'menu' })"
        @select="select" @clickoutside="close" @update:show="(show: boolean) => !show && close()" />
</template>

<style>
.context-menu { max-height: calc(100vh / var(--size, 1) - 16px); overflow-y: auto; }
.menu-line { display: inline-flex; align-items: baseline; justify-content: space-between; gap: 28px; width: 100%; }
.menu-line kbd { font: 12.5px 'Atkinson Hyperlegible'; color: var(--soft); }
</style>
