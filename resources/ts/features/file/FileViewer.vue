<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed, defineAsyncComponent, nextTick, onMounted, ref, shallowRef, useTemplateRef } from 'vue'
import { fileAddress, keptFile } from '@/api/files'
import type { KeptFile } from '@/api/wire'
import { useWalk } from '@/show/walkStore'
import { useBeside } from '@/stores/beside'
import { useMap } from '@/stores/map'
import { sizeWords } from '@/ui/sizes'
import { useUi } from '@/ui/uiStore'
import { filesOf } from './files'
import { useFileState, type Opened } from './fileState'

/** A file in place: pages, film, sound or picture, beside the map or over it; what does not open here can be saved. */
const PdfPages = defineAsyncComponent(() => import('./PdfPages.vue'))
const props = defineProps<{ opened: Opened }>()
const map = useMap()
const beside = useBeside()
const ui = useUi()
const state = useFileState()

const kept = shallowRef<KeptFile | null>(null)
const problem = ref('')
/** In a walk it fills the window, and plays. */
const isWalked = useWalk().at !== null
const isLarge = ref(isWalked)
const frame = useTemplateRef<HTMLElement>('frame')
const address = computed(() => fileAddress(map.id, props.opened.source))
const kind = computed(() => (kept.value === null ? '' : kept.value.media === 'application/pdf' ? 'pages' : /^(video|audio|image)\//.exec(kept.value.media)?.[1] ?? 'bytes'))
/** The others of the same topic. */
const files = computed(() => (props.opened.topic === null ? [] : filesOf(beside.tree, props.opened.topic)))
const at = computed(() => files.value.findIndex(({ source }) => source === props.opened.source))

onMounted(async () => {
    frame.value?.focus()
    try {
        kept.value = await keptFile(map.id, props.opened.source)
        problem.value = kept.value === null ? 'This file is not here: it was thrown away for good, or did not come along with the map.' : ''
    } catch (error) {
        problem.value = (error as Error).message
    }
})

function step(by: number): void {
    const next = files.value[(at.value + by + files.value.length) % files.value.length]
    if (next !== undefined) {
        state.open(next)
    }
}
function close(): void {
    state.opened = null
    void nextTick(() => ui.focusRegion(map.region))
}
</script>

<template>
    <aside ref="frame" class="file-viewer" :class="{ large: isLarge }" role="dialog" :aria-label="`File: ${opened.name}`" tabindex="-1" @keydown.escape.stop="close">
        <header>
            <b dir="auto">{{ opened.name || kept?.name }}</b>
            <template v-if="files.length > 1"><NButton size="small" quaternary @click="step(-1)">Before</NButton><span>{{ at + 1 }} of {{ files.length }}</span><NButton size="small" quaternary @click="step(1)">Next</NButton></template>
            <NButton size="small" quaternary :aria-pressed="isLarge" @click="isLarge = !isLarge">{{ isLarge ? 'Beside the map' : 'Large' }}</NButton>
            <NButton v-if="kept !== null" size="small" quaternary tag="a" :href="fileAddress(map.id, opened.source, opened.name || kept.name)" download>Save</NButton>
            <NButton size="small" secondary type="primary" @click="close">Close</NButton>
        </header>
        <PdfPages v-if="kind === 'pages'" :address="address" :name="opened.name" />
        <div v-else-if="kind === 'video'" class="room dark"><video :src="address" controls :autoplay="isWalked" playsinline preload="metadata" :aria-label="opened.name" @error="problem = 'This browser cannot play this film. Save it to see it.'" /></div>
        <div v-else-if="kind === 'audio'" class="room"><audio :src="address" controls :autoplay="isWalked" preload="metadata" :aria-label="opened.name" @error="problem = 'This browser cannot play this sound. Save it to hear it.'" /></div>
        <div v-else-if="kind === 'image'" class="room"><img :src="address" :alt="opened.name" @error="problem = 'This browser cannot show this picture. Save it to see it.'" /></div>
        <div v-else-if="kept !== null" class="room words"><p>This sort of file does not open here. It has {{ sizeWords(kept.bytes) }}.</p><NButton tag="a" type="primary" :href="fileAddress(map.id, opened.source, opened.name || kept.name)" download>Save it</NButton></div>
        <p v-if="problem !== ''" class="problem" role="alert">{{ problem }}</p>
    </aside>
</template>

<style scoped>
.file-viewer { position: fixed; z-index: 9; top: 51px; right: 0; bottom: 0; width: min(600px, 100vw); box-sizing: border-box; display: flex; flex-direction: column; border-left: 1px solid var(--edge); background: var(--slip); box-shadow: -6px 0 24px rgb(0 0 0 / 14%); outline: none; }
.file-viewer.large { inset: 0; width: auto; z-index: 20; }
header { flex: none; display: flex; flex-wrap: wrap; gap: 6px; align-items: center; padding: 8px 12px; border-bottom: 1px solid var(--edge); }
b { flex: 1; min-width: 120px; overflow: hidden; text-overflow: ellipsis; white-space: nowrap; }
span { color: var(--soft); font-size: 13.5px; }
.room { flex: 1; min-height: 0; display: flex; align-items: center; justify-content: center; padding: 12px; background: var(--board); }
.room.dark { background: #14181c; padding: 0; }
.words { flex-direction: column; }
video, img { max-width: 100%; max-height: 100%; }
video { width: 100%; }
audio { width: min(460px, 100%); }
.problem { margin: 10px 14px; border-left: 3px solid var(--ember); padding-left: 8px; }
</style>
