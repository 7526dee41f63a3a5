<script setup lang="ts">
import { NDropdown, type DropdownOption } from 'naive-ui'
import { onBeforeUnmount, shallowRef } from 'vue'
import { useUi } from './uiStore'
import { useMenu, type MenuLine } from './useMenu'

/** A menu of actions behind a button. What it offers is asked when it opens, so that nothing is asked at every key. */
const props = withDefaults(defineProps<{ lines: readonly MenuLine[]; placement?: 'bottom' | 'top-end'; tall?: boolean }>(), { placement: 'bottom' })
const emit = defineEmits<{ select: [id: string] }>()

const ui = useUi()
const { options: menu } = useMenu()
const options = shallowRef<DropdownOption[]>([])
const isOpen = shallowRef(false)

function show(wanted: boolean): void {
    if (wanted) {
        options.value = menu(props.lines)
    }
    isOpen.value = wanted
    ui.holdsKeys = wanted
}

function select(id: string): void {
    show(false)
    emit('select', id)
}
onBeforeUnmount(() => isOpen.value && show(false))
</script>

<template>
    <NDropdown
        trigger="click" :placement="placement" :show="isOpen" :options="options" :scrollable="tall" :menu-props="tall ? () => ({ style: 'max-height: min(620px, calc(84vh / var(--size, 1)))' }) : undefined"
        @update:show="show" @select="select">
        <slot />
    </NDropdown>
</template>
