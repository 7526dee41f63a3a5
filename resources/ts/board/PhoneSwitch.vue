<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import { useActions } from '@/actions/useActions'
import { features } from '@/features'
import { useMap } from '@/stores/map'
import { useTitles } from '@/stores/titles'
import { useTyping } from '@/text/typing'
import { useUi, type PhoneView } from '@/ui/uiStore'

/** At phone width: the tools a thumb needs, and which part of the map is seen. */
const ui = useUi()
const map = useMap()
const titles = useTitles()
const typing = useTyping()
const { run, nameOf } = useActions()

const allViews: { id: PhoneView; name: string }[] = [
    { id: 'outline', name: 'Outline' },
    { id: 'board', name: 'Board' },
    ...features.flatMap(({ way }) => (way?.middle === undefined ? [] : [{ id: way.id, name: way.name }])),
    { id: 'desk', name: 'Desk' },
]

const views = computed(() => (map.mayEdit ? allViews : allViews.filter(({ id }) => ['outline', 'board', 'desk'].includes(id))))

const tools = [
    { id: 'topic.next', text: 'Add' },
    { id: 'topic.subtopic', text: 'Below' },
    { id: 'move.out', text: 'Out' },
    { id: 'move.in', text: 'In' },
    { id: 'move.up', text: 'Up' },
    { id: 'move.down', text: 'Down' },
    { id: 'topic.fold', text: 'Fold' },
    { id: 'topic.note', text: 'Note' },
]

/** While a title is typed the tools work on it: it is finished first, and typing goes on after. */
function use(id: string): void {
    const wasTyping = map.editing !== null
    const typed = map.editing?.id
    if (wasTyping) {
        typing.finish()
    }
    run(id)
    if (wasTyping && typed !== undefined && id.startsWith('move.') && map.tree.topics.has(typed)) {
        titles.begin(typed)
    }
}

function see(view: PhoneView): void {
    ui.phoneView = view
    map.region = view === 'board' ? 'board' : 'outline'
}
</script>

<template>
    <footer class="switch">
        <div v-if="map.mayEdit && ['outline', 'board'].includes(ui.phoneView)" class="tools" role="toolbar" aria-label="Topics">
            <NButton v-for="tool in tools" :key="tool.id" size="small" quaternary :aria-label="nameOf(tool.id)" @pointerdown.prevent @click="use(tool.id)">{{ tool.text }}</NButton>
        </div>
        <nav aria-label="Parts of the map">
            <NButton v-for="view in views" :key="view.id" :type="ui.phoneView === view.id ? 'primary' : 'default'" :secondary="ui.phoneView !== view.id" :aria-pressed="ui.phoneView === view.id" @click="see(view.id)">{{ view.name }}</NButton>
        </nav>
    </footer>
</template>

<style scoped>
.switch { flex: none; border-top: 1px solid var(--edge); background: var(--slip); padding: 4px 6px max(6px, env(safe-area-inset-bottom)); }
.tools { display: grid; grid-template-columns: repeat(8, 1fr); padding-bottom: 4px; }
.tools :deep(.n-button) { min-height: 46px; padding: 0 2px; font-size: 14px; }
nav { display: flex; gap: 6px; }
nav :deep(.n-button) { flex: 1; min-height: 42px; }
</style>
