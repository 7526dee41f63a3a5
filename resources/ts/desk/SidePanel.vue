<script setup lang="ts">
import { NButton } from 'naive-ui'
import { nextTick } from 'vue'
import { useMap } from '@/stores/map'
import { useUi } from '@/ui/uiStore'

/** A panel that stands where the desk does, for as long as it is needed. */
defineProps<{ title: string }>()

const ui = useUi()
const map = useMap()

function close(): void {
    ui.side = null
    void nextTick(() => ui.focusRegion(map.region))
}

defineExpose({ close })
</script>

<template>
    <section class="panel" data-focus="desk" :aria-label="title" @keydown.escape.stop="close">
        <header><h2>{{ title }}</h2><NButton size="tiny" secondary @click="close">Close</NButton></header>
        <slot />
    </section>
</template>

<style scoped>
.panel { height: 100%; box-sizing: border-box; padding: 12px 14px 14px; display: flex; flex-direction: column; gap: 10px; overflow: auto; }
header { display: flex; align-items: center; gap: 8px; }
h2 { font-size: 17px; margin: 0; flex: 1; }
</style>
