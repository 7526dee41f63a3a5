<script setup lang="ts">
import { useElementSize, useEventListener } from '@vueuse/core'
import { NButton, NDropdown, NInput, NRadioButton, NRadioGroup, NSelect, NSpin, NTabPane, NTabs, NVirtualList } from 'naive-ui'
import { computed, defineAsyncComponent, nextTick, onBeforeUnmount, onMounted, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api } from '@/api/client'
import { keepFrame, knowsFrame } from '@/board/firstPicture'
import type { LibraryEntry } from '@/api/wire'
import { useActions } from '@/actions/useActions'
import { usePreferences } from '@/stores/preferences'
import { useLeftovers } from '@/stores/leftovers'
import { newId } from '@/stores/map'
import { useSession } from '@/stores/session'
import Mark from '@/ui/Mark.vue'
import ArrivalReport from './ArrivalReport.vue'
import FolderCard from './FolderCard.vue'
import InsideMaps from './InsideMaps.vue'
import { useLibrary } from './libraryStore'
import MapCard from './MapCard.vue'
import StarterDialog from './StarterDialog.vue'
import StarterShelf from './StarterShelf.vue'
import { takeDragged } from './useShelfDrag'

const SharedMaps = defineAsyncComponent(() => import('./SharedMaps.vue'))
const LibraryTold = defineAsyncComponent(() => import('@/features/comment/LibraryTold.vue'))
const LibraryReminders = defineAsyncComponent(() => import('@/features/task/LibraryReminders.vue'))

/** All maps of a person, in folders: to open, begin, bring in, search, put aside. */
const router = useRouter()
const session = useSession()
const preferences = usePreferences()
const library = useLibrary()
const { run } = useActions()
const words = ref('')
const dropping = ref(false)
const starting = ref(false)
const naming = ref<string | null>(null)
const newName = ref<InstanceType<typeof NInput> | null>(null)
const picker = ref<HTMLInputElement | null>(null)

const isSearching = computed(() => words.value.trim() !== '')
const named = computed(() => library.sorted((library.maps ?? []).filter((map) => map.title.toLowerCase().includes(words.value.trim().toLowerCase()))))
const listed = computed(() => (isSearching.value ? named.value : library.shown))
const isLine = computed(() => preferences.libraryAs === 'list')

/** What stands below each other in the library: the folders, the maps in rows, what was found inside maps. */
type Row = { key: string; kind: 'folders' | 'none' | 'inside' } | { key: string; kind: 'maps'; maps: readonly LibraryEntry[] }
const page = ref<HTMLElement | null>(null)
const { width } = useElementSize(page)
const columns = computed(() => (isLine.value ? 1 : Math.max(1, Math.floor((width.value + 20) / (width.value < 560 ? 172 : 270)))))
const rowsOf = (maps: readonly LibraryEntry[]): Row[] => {
    const all: Row[] = []
    for (let i = 0; i < maps.length; i += columns.value) {
        all.push({ key: `row ${i} of ${columns.value}`, kind: 'maps', maps: maps.slice(i, i + columns.value) })
    }
    return all
}
const rows = computed<Row[]>(() => [
    ...(!isSearching.value && library.here.length > 0 ? [{ key: 'folders', kind: 'folders' } as const] : []),
    ...(listed.value.length > 0 ? rowsOf(listed.value) : [{ key: 'none', kind: 'none' } as const]),
    ...(isSearching.value ? [{ key: 'inside', kind: 'inside' } as const] : []),
])

const leftovers = useLeftovers()
const newMap = (): Promise<void> => library.attempt(async () => router.push(`/maps/${(await api.newMap(newId(), library.folder)).id}`))

async function bringIn(files: readonly File[]): Promise<void> {
    await library.bringIn(files)
    const [only] = library.arrivals
    if (library.arrivals.length === 1 && only?.map != null) {
        library.arrivals = []
        await router.push(`/maps/${only.map}`)
    }
}

function drop(event: DragEvent): void {
    dropping.value = false
    const files = [...(event.dataTransfer?.files ?? [])]
    if (files.length > 0) {
        void bringIn(files)
    }
}

function dropOn(event: DragEvent, folder: string | null): void {
    const dragged = takeDragged(event)
    if (dragged !== null) {
        void library.put(dragged.what, dragged.id, folder)
    }
}

function pick(event: Event): void {
    const input = event.target as HTMLInputElement
    void bringIn([...(input.files ?? [])])
    input.value = ''
}

async function beginFolder(): Promise<void> {
    naming.value = ''
    await nextTick()
    newName.value?.focus()
}

async function endFolder(keep: boolean): Promise<void> {
    const name = naming.value?.trim() ?? ''
    naming.value = null
    if (keep && name !== '') {
        await library.change(() => api.newFolder(name.slice(0, 200), library.folder))
    }
}

async function account(key: string): Promise<void> {
    if (key === 'sign-out') {
        await session.leave()
    } else if (key === 'account') {
        await router.push('/account')
    } else {
        run(key)
    }
}

useEventListener(document, 'dragover', (event) => {
    event.preventDefault()
    dropping.value = event.dataTransfer?.types.includes('Files') ?? false
})
useEventListener(document, 'dragleave', (event) => (dropping.value = event.relatedTarget !== null && dropping.value))
useEventListener(document, 'drop', (event) => event.preventDefault())
/** Nothing here yet, not even in the trash. */
const isFirstRun = computed(() => library.maps?.length === 0 && library.trash.length === 0 && library.folders.length === 0 && library.shared.length === 0)

onMounted(async () => {
    // The first map that is opened will most likely have its board here.
    if (!knowsFrame() && window.innerWidth >= 800) {
        const [left, right] = [preferences.outlineOpen ? preferences.outlineWidth + 1 : 0, preferences.deskOpen ? 255 : 0]
        keepFrame(preferences.board, { x: left, y: 51, w: window.innerWidth - left - right, h: window.innerHeight - 51 })
    }
    void library.fetch()
    if (await leftovers.send()) {
        await library.fetch()
    }
})
onBeforeUnmount(leftovers.stop)
</script>

<template>
    <div ref="page" class="library" :class="{ dropping }" @drop.prevent="drop">
        <header>
            <Mark :size="34" />
            <h1>Library</h1>
            <NInput v-model:value="words" class="search" placeholder="Search names and inside maps" clearable :input-props="{ 'aria-label': 'Search names and inside maps' }" />
            <div class="space" />
            <NButton type="primary" :loading="library.busy" @click="newMap">New map</NButton>
            <NButton secondary type="primary" @click="starting = true">From a starter</NButton>
            <NButton @click="picker?.click()">Bring in files</NButton>
            <input ref="picker" type="file" multiple hidden accept=".json,.zip,.opml,.xml,.md,.markdown,.txt,.text,.csv,.ics,.docx,.odt,.epub,.html,.htm,.rtf" @change="pick" />
            <NDropdown trigger="click" :options="[{ key: 'help.palette', label: 'Find anything' }, { key: 'see.board', label: 'Light board or Slate board' }, { key: 'see.calm', label: 'Calm for the eyes' }, { key: 'help.keys', label: 'All keys' }, { key: 'account', label: 'Your account' }, { key: 'sign-out', label: 'Sign out' }]" @select="account">
                <NButton quaternary>{{ session.person?.name }}</NButton>
            </NDropdown>
        </header>
        <p v-if="library.isKept" class="left" role="status">There is no network. What was opened on this device in the last month opens all the same, and can be changed. <NButton text type="primary" @click="library.fetch()">Try again</NButton></p>
        <p v-if="leftovers.count > 0" class="left" role="status">{{ leftovers.count === 1 ? '1 edit waits' : `${leftovers.count} edits wait` }} here to be sent.{{ leftovers.problem === null ? '' : ` ${leftovers.problem}` }} <NButton v-if="!library.isKept" text type="primary" @click="leftovers.tryAgain">Try again</NButton></p>
        <div v-if="library.maps === null && library.problem !== null" class="empty"><p role="alert">{{ library.problem }}</p><NButton type="primary" @click="library.fetch">Try again</NButton></div>
        <NSpin v-else-if="library.maps === null" class="wait" />
        <LibraryTold v-if="library.maps !== null" />
        <LibraryReminders v-if="library.maps !== null && !isFirstRun" />
        <NTabs v-if="library.maps !== null" type="line" class="tabs" :default-value="library.maps.length === 0 && library.shared.length > 0 ? 'shared' : 'maps'">
            <template #suffix><RouterLink to="/classes" class="to-classes">Classes</RouterLink></template>
            <NTabPane name="maps" :tab="`Maps · ${library.maps.length}`">
                <section v-if="isFirstRun" class="first">
                    <h2>Your first map</h2>
                    <p>Begin with an empty board, take one of these as a start, or bring in what you have: a document (DOCX, OpenDocument, EPUB, web page, RTF), Markdown, OPML, a table, plain text or a Chalk Tree map. Files can be dropped anywhere on this page.</p>
                    <p class="ways"><NButton type="primary" size="large" @click="newMap">An empty map</NButton><NButton size="large" @click="picker?.click()">Bring in files</NButton></p>
                    <StarterShelf :takes-focus="false" @begun="starting = false" />
                </section>
                <template v-else>
                    <div class="bar">
                        <nav aria-label="Folders on the way here">
                            <button :class="{ here: library.folder === null }" @click="library.folder = null" @dragover.prevent @drop.stop.prevent="dropOn($event, null)">Library</button>
                            <template v-for="one in library.trail" :key="one.id"><span aria-hidden="true">›</span><button :class="{ here: one.id === library.folder }" @click="library.folder = one.id" @dragover.prevent @drop.stop.prevent="dropOn($event, one.id)">{{ one.name }}</button></template>
                        </nav>
                        <NInput v-if="naming !== null" ref="newName" v-model:value="naming" size="small" class="new-folder" placeholder="Name of the folder" :maxlength="200" :input-props="{ 'aria-label': 'Name of the folder' }" @blur="endFolder(true)" @keydown.enter="endFolder(true)" @keydown.escape.stop="endFolder(false)" />
                        <NButton v-else size="small" secondary @click="beginFolder">New folder</NButton>
                        <div class="space" />
                        <NSelect v-model:value="preferences.librarySort" size="small" class="sort" :options="[{ value: 'changed', label: 'Changed last' }, { value: 'name', label: 'By name' }, { value: 'topics', label: 'Largest first' }]" :input-props="{ 'aria-label': 'Order' }" />
                        <NRadioGroup v-model:value="preferences.libraryAs" size="small" aria-label="Show as"><NRadioButton value="pictures">Pictures</NRadioButton><NRadioButton value="list">List</NRadioButton></NRadioGroup>
                    </div>
                    <!-- The list keeps how far each row is from the size it reckons with, which means nothing by another size. -->
                    <NVirtualList :key="preferences.libraryAs" class="shelf" :items="rows" :item-size="isLine ? 74 : 250" item-resizable key-field="key" :padding-bottom="40">
                        <template #default="{ item: row }: { item: Row }">
                            <ul v-if="row.kind === 'folders'" :key="row.key" class="folders"><FolderCard v-for="one in library.here" :key="one.id" :folder="one" /></ul>
                            <ul v-else-if="row.kind === 'maps'" :key="row.key" class="cards" :style="{ gridTemplateColumns: `repeat(${columns}, minmax(0, 1fr))` }"><MapCard v-for="entry in row.maps" :key="entry.id" :entry="entry" :line="isLine" /></ul>
                            <div v-else-if="row.kind === 'none'" :key="row.key" class="empty">
                                <p v-if="isSearching">No map has “{{ words }}” in its name.</p>
                                <p v-else>This folder holds no maps. Drag some onto it, or begin one here.</p>
                                <NButton v-if="!isSearching" type="primary" @click="newMap">New map</NButton>
                            </div>
                            <InsideMaps v-else :key="row.key" :words="words" />
                        </template>
                    </NVirtualList>
                </template>
            </NTabPane>
            <NTabPane name="shared" :tab="`Shared with you · ${library.shared.length}`"><SharedMaps /></NTabPane>
            <NTabPane name="trash" :tab="`Trash · ${library.trash.length}`">
                <template v-if="library.trash.length > 0">
                    <div class="bar"><p class="note">Maps stay here for thirty days. Emptying the trash cannot be undone.</p><div class="space" /><NButton size="small" @click="library.change(api.emptyTrash)">Empty the trash for good</NButton></div>
                    <NVirtualList :key="preferences.libraryAs" class="shelf" :items="rowsOf(library.trash)" :item-size="isLine ? 74 : 250" item-resizable key-field="key" :padding-bottom="40">
                        <template #default="{ item: row }: { item: Extract<Row, { kind: 'maps' }> }">
                            <ul :key="row.key" class="cards" :style="{ gridTemplateColumns: `repeat(${columns}, minmax(0, 1fr))` }"><MapCard v-for="entry in row.maps" :key="entry.id" :entry="entry" :line="isLine" /></ul>
                        </template>
                    </NVirtualList>
                </template>
                <p v-else class="empty">The trash is empty. Maps that you put here can be restored for thirty days.</p>
            </NTabPane>
        </NTabs>
        <p v-if="dropping" class="dropword">Drop to make a map of each file</p>
        <StarterDialog v-if="starting" @close="starting = false" />
        <ArrivalReport v-if="library.arrivals.length > 0" />
    </div>
</template>

<style scoped>
.library { max-width: 1240px; height: 100dvh; margin: 0 auto; padding: 18px 24px 0; box-sizing: border-box; display: flex; flex-direction: column; }
.tabs { flex: 1; min-height: 0; }
.tabs :deep(.n-tabs-pane-wrapper), .tabs :deep(.n-tab-pane) { flex: 1; min-height: 0; height: 100%; box-sizing: border-box; }
.tabs :deep(.n-tab-pane) { display: flex; flex-direction: column; }
.shelf { flex: 1; min-height: 0; margin: 6px -4px 0; }
.shelf ul { padding: 6px 4px 14px; }
header { display: flex; align-items: center; gap: 10px; flex-wrap: wrap; margin-bottom: 10px; }
h1 { font-size: 24px; margin: 0 12px 0 2px; }
.search { width: 270px; max-width: 100%; }
.space { flex: 1; }
.bar { display: flex; align-items: center; gap: 10px; flex-wrap: wrap; margin-top: 4px; }
nav { display: flex; align-items: center; gap: 5px; color: var(--soft); }
nav button { border: 0; background: none; font: inherit; color: var(--link); cursor: pointer; padding: 3px 5px; border-radius: 5px; }
nav button.here { color: var(--ink); font-weight: 700; }
nav button:focus-visible { outline: 2px solid var(--tide); }
.new-folder { width: 190px; }
.sort { width: 150px; }
.note { margin: 0; color: var(--soft); }
.folders, .cards { list-style: none; margin: 0; display: grid; gap: 20px; }
.folders { grid-template-columns: repeat(auto-fill, minmax(250px, 1fr)); gap: 12px 20px; }
.first { overflow: auto; padding: 4px 4px 40px; }
.first h2 { font-size: 22px; margin: 14px 0 4px; }
.first > p { max-width: 640px; color: var(--soft); margin: 0 0 14px; line-height: 1.5; }
.first .ways { display: flex; gap: 10px; margin-bottom: 22px; }
.empty { color: var(--soft); padding: 40px 0; text-align: center; }
.left { margin: 0 0 10px; padding: 8px 12px; border-left: 3px solid var(--ember); background: var(--slip); border-radius: 4px; }
a.to-classes { color: var(--link); text-decoration: none; padding: 4px 8px; border-radius: 6px; }
.wait { display: block; padding: 80px; }
.dropword { position: fixed; inset: 14px; display: grid; place-content: center; margin: 0; font-size: 24px; background: color-mix(in srgb, var(--board) 85%, transparent); border: 3px dashed var(--tide); border-radius: 16px; pointer-events: none; z-index: 10; }
@media (max-width: 600px) { .library { padding: 12px 12px 0; } .search { order: 9; width: 100%; } .cards, .folders { gap: 12px; } .folders { grid-template-columns: repeat(auto-fill, minmax(160px, 1fr)); } }
</style>
