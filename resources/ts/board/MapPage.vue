<script setup lang="ts">
import { useBreakpoints, useEventListener } from '@vueuse/core'
import { NSpin } from 'naive-ui'
import { computed, defineAsyncComponent, onBeforeUnmount, ref, watch, type Component } from 'vue'
import { RefusedError } from '@/api/http'
import Desk from '@/desk/Desk.vue'
import OutlineTree from '@/outline/OutlineTree.vue'
import { pane } from '@/api/client'
import { pastedBy } from '@/paste/clipboard'
import { usePaste } from '@/paste/pasteStore'
import { useWalk } from '@/show/walkStore'
import { useDrag } from '@/stores/drag'
import { useMap } from '@/stores/map'
import { usePreferences } from '@/stores/preferences'
import { useTitles } from '@/stores/titles'
import { useTyping } from '@/text/typing'
import DragLabel from '@/ui/DragLabel.vue'
import { offer } from '@/ui/tell'
import { useUi, type Side } from '@/ui/uiStore'
import { useRouter } from 'vue-router'
import { useCamera } from './cameraStore'
import { endFirstPicture, keepFrame } from './firstPicture'
import BoardView from './BoardView.vue'
import PanelEdge from './PanelEdge.vue'
import FileDrop from './FileDrop.vue'
import FirstDoor from './FirstDoor.vue'
import ContextMenu from '@/ui/ContextMenu.vue'
import { features } from '@/features'
import { trayPages } from '@/tray/trayPages'
import TopBar from './TopBar.vue'

/** A map that is open: outline, board and desk beside each other, or one at a time where it is narrow. */
const ChangeDialog = defineAsyncComponent(() => import('@/ui/ChangeDialog.vue'))
const MoveBelow = defineAsyncComponent(() => import('@/ui/MoveBelow.vue'))
const ScopeTrail = defineAsyncComponent(() => import('./ScopeTrail.vue'))
const PhoneSwitch = defineAsyncComponent(() => import('./PhoneSwitch.vue'))
const FindPanel = defineAsyncComponent(() => import('@/find/FindPanel.vue'))
const ParkingLot = defineAsyncComponent(() => import('@/desk/ParkingLot.vue'))
const ReadingDesk = defineAsyncComponent(() => import('@/desk/ReadingDesk.vue'))
const MapClosed = defineAsyncComponent(() => import('./MapClosed.vue'))
const PasteDialog = defineAsyncComponent(() => import('@/paste/PasteDialog.vue'))
const Tray = defineAsyncComponent(() => import('@/tray/Tray.vue'))
const SecondView = defineAsyncComponent(() => import('./SecondView.vue'))
const RemovedPanel = defineAsyncComponent(() => import('@/desk/RemovedPanel.vue'))
const WalkControls = defineAsyncComponent(() => import('@/show/WalkControls.vue'))

const overlays = features.flatMap((feature) => feature.overlay ?? [])
const strips = features.flatMap(({ strip }) => strip ?? [])
const ways = features.flatMap((feature) => feature.way ?? [])
const sides: Readonly<Partial<Record<Side, Component>>> = Object.assign({}, ...features.map((feature) => feature.sides ?? {}))

const props = defineProps<{ id: string; topic?: string }>()

const map = useMap()
const ui = useUi()
const walk = useWalk()
const paste = usePaste()
const drag = useDrag()
const camera = useCamera()
const router = useRouter()
const titles = useTitles()
const typing = useTyping()
const preferences = usePreferences()
const problem = ref<string | null>(null)
/** Whether it may be there, and not this person's to open. */
const isAway = ref(false)
const ready = ref(false)
let gone = false
/** The second view shows the board alone. */
const inFrame = pane === 'second'
const narrow = inFrame ? ref(false) : useBreakpoints({ wide: 800 }).smaller('wide')

/** Whether the outline fills the width. */
const isListed = computed(() => !narrow.value && !inFrame && preferences.way === 'outline')
/** The way of seeing that a feature has, where it is turned to; what stands at the left then. */
const ownWay = computed(() => (inFrame ? undefined : ways.find(({ id }) => id === (narrow.value ? ui.phoneView : preferences.way))))
const hasBoard = computed(() => (narrow.value ? ui.phoneView === 'board' : !isListed.value && ownWay.value?.middle === undefined))
watch(hasBoard, (there) => {
    if (!there) {
        keepFrame(preferences.board, null)
        endFirstPicture()
    }
}, { immediate: true })

watch(
    () => props.id,
    async (id) => {
        if (inFrame) {
            preferences.setSecond(id)
        }
        ready.value = false
        problem.value = null
        isAway.value = false
        try {
            if (!(await map.open(id))) {
                return
            }
            ready.value = true
            if (narrow.value && ui.phoneView === 'outline') {
                map.region = 'outline'
            }
            visit()
            if (router.currentRoute.value.query.side === 'share') {
                ui.showSide('share')
            }
            if (map.mayEdit && map.tree.topics.size === 1 && map.tree.topics.get(map.tree.root)?.title === '') {
                map.region = narrow.value ? 'outline' : 'board'
                titles.begin(map.tree.root)
            }
        } catch (error) {
            if (id !== props.id || gone) {
                return
            }
            endFirstPicture()
            isAway.value = error instanceof RefusedError && error.status === 404
            problem.value = error instanceof RefusedError ? error.message : 'The map could not be fetched. Check the network and try again.'
        }
    },
    { immediate: true },
)

/** Goes to the topic that the address names, or says that it has gone. */
function visit(): void {
    const topic = props.topic
    if (topic === undefined || topic === '') {
        return
    }
    if (map.tree.topics.get(topic)?.parked != null) {
        ui.showSide('lot')
    } else if (map.tree.topics.has(topic)) {
        map.uncover(topic, 'board')
        map.choose(topic)
        map.afterAnswer(() => setTimeout(() => camera.centre(topic), 60))
    } else {
        offer('The topic of this address is no longer in the map.', 'Look in the history', () => void router.push(`/maps/${props.id}/history`))
    }
}

watch(() => props.topic, () => ready.value && visit())

/** The map is not to be had any more: it went to the trash, or is no longer shared. What waits to be sent is kept in this browser. */
watch(() => map.ended, (why) => {
    if (why !== null) {
        ready.value = false
        isAway.value = true
        problem.value = why
        map.close()
    }
})

/** Who only looks has the outline and the board. */
watch([ready, () => map.mayEdit], ([isThere, mayEdit]) => {
    if (isThere && !mayEdit) {
        preferences.way = preferences.way === 'outline' ? 'outline' : 'board'
        ui.phoneView = ['outline', 'board', 'desk'].includes(ui.phoneView) ? ui.phoneView : 'outline'
    }
}, { immediate: true })

useEventListener(window, 'paste', (event: ClipboardEvent) => {
    const isText = event.target instanceof Element && event.target.closest('input, textarea, [contenteditable=true], [role=dialog]') !== null
    if (!isText && ready.value && map.mayEdit && walk.at === null && event.clipboardData !== null) {
        event.preventDefault()
        const data = event.clipboardData
        if (!features.some((feature) => feature.paste?.(data) === true)) {
            void paste.take(pastedBy(data))
        }
    }
})

window.chalkTreeDrag = {
    welcome: drag.welcome,
    drop: () => {
        drag.drop()
        drag.end()
    },
    dropFrom: (guest) => {
        drag.dropGuest(guest)
        drag.end()
    },
    end: drag.end,
}

useEventListener(window, 'focus', () => map.askForNews())
// What is being typed when the map or the page is left is kept.
map.beforeLeaving(typing.finish)
map.beforeHiding(typing.keepSoFar)

onBeforeUnmount(() => {
    gone = true
    endFirstPicture()
    ui.side = null
    walk.end()
    map.close()
})
</script>

<template>
    <MapClosed v-if="problem !== null" :id="id" :why="problem" :can-ask="isAway" />
    <div v-else-if="!ready" class="wait"><NSpin description="Fetching the map" /></div>
    <div v-else class="page" :class="{ walking: walk.at !== null, narrow }">
        <TopBar v-if="walk.at === null" :narrow="narrow || inFrame" />
        <ContextMenu />
        <template v-if="walk.at === null"><component :is="strip" v-for="(strip, i) in strips" :key="i" /></template>
        <main>
            <aside v-if="walk.at === null && narrow && ownWay?.left !== undefined" class="left"><component :is="ownWay.left" with-desk /></aside>
            <template v-else-if="walk.at === null && (narrow ? ui.phoneView === 'outline' : (preferences.outlineOpen || isListed || ownWay?.left !== undefined) && !inFrame)">
                <aside v-if="ownWay?.left !== undefined" class="left" :style="{ width: `${preferences.outlineWidth}px` }"><component :is="ownWay.left" /></aside>
                <aside v-else class="left" :class="{ alone: isListed }" :style="narrow || isListed ? {} : { width: `${preferences.outlineWidth}px` }"><ScopeTrail v-if="map.outlineScope !== null" where="outline" /><OutlineTree /><FirstDoor v-if="isListed || narrow" /></aside>
                <PanelEdge v-if="!narrow && !isListed" />
            </template>
            <div v-if="walk.at !== null || hasBoard" class="middle"><ScopeTrail v-if="walk.at === null && map.scope !== null" where="board" /><BoardView /><Tray v-if="walk.at === null && !inFrame && map.mayEdit && trayPages.length > 0" /></div>
            <div v-else-if="ownWay?.middle !== undefined" class="middle"><component :is="ownWay.middle" /></div>
            <SecondView v-if="walk.at === null && !narrow && pane === 'first' && preferences.second !== null" />
            <aside v-if="walk.at === null && ui.side !== null" class="right wide">
                <FindPanel v-if="ui.side === 'find'" /><ParkingLot v-else-if="ui.side === 'lot'" /><component :is="sides[ui.side]" v-else-if="sides[ui.side] !== undefined" /><RemovedPanel v-else />
            </aside>
            <aside v-else-if="walk.at === null && (narrow ? ui.phoneView === 'desk' : preferences.deskOpen && !inFrame && preferences.second === null)" class="right"><Desk v-if="map.mayEdit" /><ReadingDesk v-else /></aside>
        </main>
        <PhoneSwitch v-if="narrow && walk.at === null" />
        <WalkControls v-if="walk.at !== null" />
        <ChangeDialog v-if="ui.panel === 'change'" />
        <MoveBelow v-if="ui.panel === 'move'" />
        <component :is="overlay" v-for="(overlay, i) in overlays" :key="i" />
        <PasteDialog v-if="paste.isOpen" />
        <FileDrop v-if="map.mayEdit" />
        <DragLabel />
    </div>
</template>

<style scoped>
.page { height: 100dvh; display: flex; flex-direction: column; overflow: hidden; }
main { flex: 1; min-height: 0; display: flex; }
.left { flex: none; min-width: 0; position: relative; background: var(--slip); display: flex; flex-direction: column; }
.left.alone { flex: 1; }
.left.alone :deep(.lines) { max-width: 980px; margin: 0 auto; }
.middle, .left, .page :deep(.second) { user-select: none; }
.middle :deep(.title-editor), .left :deep(.title-editor) { user-select: text; }
.middle { flex: 1; min-width: 0; position: relative; display: flex; flex-direction: column; }
.middle :deep(.board), .left :deep(.outline) { flex: 1; min-height: 0; height: auto; }
.right { flex: none; width: calc(254px * var(--size, 1)); background: var(--slip); border-left: 1px solid var(--edge); }
.right.wide { width: calc(330px * var(--size, 1)); }
.narrow .right.wide { position: absolute; inset: 50px 0 0; z-index: 5; }
.narrow .left, .narrow .right { flex: 1; width: auto; border: 0; }
.wait { height: 100dvh; display: grid; place-content: center; }
</style>
