<script setup lang="ts">
import { useBreakpoints, useEventListener } from '@vueuse/core'
import { NButton, NResult, NSpin } from 'naive-ui'
import { defineAsyncComponent, onBeforeUnmount, ref, watch } from 'vue'
import { RefusedError } from '@/api/http'
import Desk from '@/desk/Desk.vue'
import OutlineTree from '@/outline/OutlineTree.vue'
import { useWalk } from '@/show/walkStore'
import { useMap } from '@/stores/map'
import { usePreferences } from '@/stores/preferences'
import { useTitles } from '@/stores/titles'
import { useUi } from '@/ui/uiStore'
import BoardView from './BoardView.vue'
import PanelEdge from './PanelEdge.vue'
import PhoneSwitch from './PhoneSwitch.vue'
import TopBar from './TopBar.vue'

/** A map that is open: outline, board and desk beside each other, or one at a time where it is narrow. */
const HistoryPanel = defineAsyncComponent(() => import('@/desk/HistoryPanel.vue'))
const RemovedPanel = defineAsyncComponent(() => import('@/desk/RemovedPanel.vue'))
const WalkControls = defineAsyncComponent(() => import('@/show/WalkControls.vue'))

const props = defineProps<{ id: string }>()

const map = useMap()
const ui = useUi()
const walk = useWalk()
const titles = useTitles()
const preferences = usePreferences()
const problem = ref<string | null>(null)
const ready = ref(false)
const narrow = useBreakpoints({ wide: 800 }).smaller('wide')

watch(
    () => props.id,
    async (id) => {
        ready.value = false
        problem.value = null
        try {
            await map.open(id)
            ready.value = true
            if (map.tree.topics.size === 1 && map.tree.topics.get(map.tree.root)?.title === '') {
                map.region = narrow.value ? 'outline' : 'board'
                titles.begin(map.tree.root)
            }
        } catch (error) {
            problem.value = error instanceof RefusedError ? error.message : 'The map could not be fetched. Check the network and try again.'
        }
    },
    { immediate: true },
)

useEventListener(window, 'focus', () => map.askForNews())
// Someone who leaves with edits unsent is told, though they are kept and sent next time.
useEventListener(window, 'beforeunload', (event) => {
    if (map.editing !== null) {
        event.preventDefault()
    }
})
onBeforeUnmount(() => {
    walk.end()
    map.close()
})
</script>

<template>
    <NResult v-if="problem !== null" class="problem" status="info" title="This map does not open" :description="problem">
        <template #footer><NButton type="primary" @click="$router.push('/')">Back to the library</NButton></template>
    </NResult>
    <div v-else-if="!ready" class="wait"><NSpin description="Fetching the map" /></div>
    <div v-else class="page" :class="{ walking: walk.at !== null, narrow }">
        <TopBar v-if="walk.at === null" :narrow="narrow" />
        <main>
            <template v-if="walk.at === null && (narrow ? ui.phoneView === 'outline' : preferences.outlineOpen)">
                <aside class="left" :style="narrow ? {} : { width: `${preferences.outlineWidth}px` }"><OutlineTree /></aside>
                <PanelEdge v-if="!narrow" />
            </template>
            <div v-if="walk.at !== null || !narrow || ui.phoneView === 'board'" class="middle"><BoardView /></div>
            <aside v-if="walk.at === null && (narrow ? ui.phoneView === 'desk' : preferences.deskOpen)" class="right"><Desk /></aside>
        </main>
        <PhoneSwitch v-if="narrow && walk.at === null" />
        <WalkControls v-if="walk.at !== null" />
        <HistoryPanel v-if="ui.panel === 'history'" />
        <RemovedPanel v-if="ui.panel === 'removed'" />
    </div>
</template>

<style scoped>
.page { height: 100dvh; display: flex; flex-direction: column; overflow: hidden; }
main { flex: 1; min-height: 0; display: flex; }
.left { flex: none; min-width: 0; background: var(--slip); }
.middle { flex: 1; min-width: 0; position: relative; }
.right { flex: none; width: 254px; background: var(--slip); border-left: 1px solid var(--edge); }
.narrow .left, .narrow .right { flex: 1; width: auto; border: 0; }
.wait, .problem { height: 100dvh; display: grid; place-content: center; }
</style>
