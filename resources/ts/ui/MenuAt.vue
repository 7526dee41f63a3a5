<script setup lang="ts">
import { NDropdown, type DropdownOption } from 'naive-ui'
import { shallowRef } from 'vue'

/** A menu that opens at the pointer, or at what has the focus if it was a key. */
defineProps<{ options: DropdownOption[] }>()
const emit = defineEmits<{ select: [key: string] }>()

const at = shallowRef<{ x: number; y: number } | null>(null)

function open(event: MouseEvent): void {
    event.preventDefault()
    const isByKey = (event as PointerEvent).pointerType === '' && event.target instanceof Element
    const box = isByKey ? (event.target as Element).getBoundingClientRect() : null
    at.value = box === null ? { x: event.clientX, y: event.clientY } : { x: box.left + 16, y: box.bottom }
}

function select(key: string): void {
    at.value = null
    emit('select', key)
}

defineExpose({ open })
</script>

<template>
    <NDropdown trigger="manual" placement="bottom-start" :show="at !== null" :x="at?.x ?? 0" :y="at?.y ?? 0" :options="options" @select="select" @clickoutside="at = null" @update:show="(show: boolean) => !show && (at = null)" />
</template>
