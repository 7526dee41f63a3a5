<script setup lang="ts">
import { NButton } from 'naive-ui'
import { useActions } from '@/actions/useActions'
import ActionHint from '@/ui/ActionHint.vue'
import ActionMenu from '@/ui/ActionMenu.vue'
import { useCamera } from './cameraStore'
import { VIEW } from './viewMenu'

/** Zoom and the two ways back, in the corner of the board. */
const emit = defineEmits<{ act: [id: string] }>()

const camera = useCamera()
const { nameOf } = useActions()

const buttons = [
    { id: 'see.farther', text: '−' },
    { id: 'see.closer', text: '+' },
    { id: 'see.all', text: 'Show all' },
    { id: 'see.chosen', text: 'To the chosen' },
]
</script>

<template>
    <div class="controls" role="toolbar" aria-label="View of the board">
        <span class="scale" aria-label="Scale">{{ Math.round(camera.scale * 100) }} %</span>
        <ActionMenu :lines="VIEW" placement="top-end" @select="(id: string) => emit('act', id)"><NButton size="small" quaternary>View</NButton></ActionMenu>
        <ActionHint v-for="button in buttons" :id="button.id" :key="button.id">
            <NButton size="small" quaternary :aria-label="nameOf(button.id)" @click="emit('act', button.id)">{{ button.text }}</NButton>
        </ActionHint>
    </div>
</template>

<style scoped>
.controls { position: absolute; right: 12px; bottom: 12px; display: flex; align-items: center; gap: 2px; padding: 2px 4px; background: var(--slip); border: 1px solid var(--edge); border-radius: 9px; }
.scale { min-width: 3.4em; text-align: right; padding-right: 4px; color: var(--soft); font-size: 13px; font-variant-numeric: tabular-nums; }
</style>
