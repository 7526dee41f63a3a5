<script setup lang="ts">
import { NButton } from 'naive-ui'
import { useActions } from '@/actions/useActions'
import { useMap } from '@/stores/map'
import ActionHint from '@/ui/ActionHint.vue'
import { afterPaint } from '@/ui/afterPaint'

/** What can be undone and redone, with what that is in the hint. */
const map = useMap()
const { run } = useActions()
const undo = afterPaint(() => map.undoLabel)
const redo = afterPaint(() => map.redoLabel)
const isWaiting = afterPaint(() => map.waiting.length > 0)
</script>

<template>
    <ActionHint id="map.undo" :now="undo"><NButton quaternary size="small" :disabled="undo === null && !isWaiting" @click="run('map.undo')">Undo</NButton></ActionHint>
    <ActionHint id="map.redo" :now="redo"><NButton quaternary size="small" :disabled="redo === null" @click="run('map.redo')">Redo</NButton></ActionHint>
</template>
