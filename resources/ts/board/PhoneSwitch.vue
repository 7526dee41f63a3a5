<script setup lang="ts">
import { NButton } from 'naive-ui'
import { useActions } from '@/actions/useActions'
import { useMap } from '@/stores/map'
import { useUi, type PhoneView } from '@/ui/uiStore'

/** At phone width: the tools a thumb needs, and which part of the map is seen. */
const ui = useUi()
const map = useMap()
const { run, nameOf } = useActions()

const views: { id: PhoneView; name: string }[] = [
    { id: 'outline', name: 'Outline' },
    { id: 'board', name: 'Board' },
    { id: 'desk', name: 'Desk' },
]

const tools = [
    { id: 'topic.next', text: 'Add' },
    { id: 'topic.subtopic', text: 'Below' },
    { id: 'move.out', text: 'Out' },
    { id: 'move.in', text: 'In' },
    { id: 'move.up', text: 'Up' },
    { id: 'move.down', text: 'Down' },
]

function see(view: PhoneView): void {
    ui.phoneView = view
    map.region = view === 'board' ? 'board' : 'outline'
}
</script>

<template>
    <footer class="switch">
        <div v-if="ui.phoneView !== 'desk'" class="tools" role="toolbar" aria-label="Topics">
            <NButton v-for="tool in tools" :key="tool.id" size="small" quaternary :aria-label="nameOf(tool.id)" @pointerdown.prevent @click="run(tool.id)">{{ tool.text }}</NButton>
        </div>
        <nav aria-label="Parts of the map">
            <NButton v-for="view in views" :key="view.id" :type="ui.phoneView === view.id ? 'primary' : 'default'" :secondary="ui.phoneView !== view.id" :aria-pressed="ui.phoneView === view.id" @click="see(view.id)">{{ view.name }}</NButton>
        </nav>
    </footer>
</template>

<style scoped>
.switch { flex: none; border-top: 1px solid var(--edge); background: var(--slip); padding: 4px 6px max(6px, env(safe-area-inset-bottom)); }
.tools { display: flex; justify-content: space-between; padding-bottom: 4px; }
.tools :deep(.n-button) { min-height: 40px; flex: 1; padding: 0 4px; }
nav { display: flex; gap: 6px; }
nav :deep(.n-button) { flex: 1; min-height: 42px; }
</style>
