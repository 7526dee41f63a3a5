<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { NButton, NDropdown, NInput, NSpin, NTabPane, NTabs } from 'naive-ui'
import { computed, onMounted, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api } from '@/api/client'
import type { LibraryEntry } from '@/api/wire'
import { useActions } from '@/actions/useActions'
import { useSession } from '@/stores/session'
import Mark from '@/ui/Mark.vue'
import { tell } from '@/ui/tell'
import MapCard from './MapCard.vue'

/** All maps of a person: to open, begin, bring in, put aside. */
const router = useRouter()
const session = useSession()
const { run } = useActions()
const maps = ref<LibraryEntry[] | null>(null)
const trash = ref<LibraryEntry[]>([])
const words = ref('')
const dropping = ref(false)
const picker = ref<HTMLInputElement | null>(null)
const busy = ref(false)

const matching = (entries: LibraryEntry[]): LibraryEntry[] => entries.filter((entry) => entry.title.toLowerCase().includes(words.value.trim().toLowerCase()))
const found = computed(() => matching(maps.value ?? []))
const foundInTrash = computed(() => matching(trash.value))

async function fetch(): Promise<void> {
    await attempt(async () => {
        const answer = await api.library()
        maps.value = answer.maps
        trash.value = answer.trash
    })
}

/** Runs something that may fail, and says so. */
async function attempt(work: () => Promise<void>): Promise<void> {
    busy.value = true
    try {
        await work()
    } catch (error) {
        tell.error((error as Error).message)
    } finally {
        busy.value = false
    }
}

const newMap = (): Promise<void> => attempt(async () => void (await router.push(`/maps/${(await api.newMap()).id}`)))

async function bringIn(files: readonly File[]): Promise<void> {
    const made: string[] = []
    for (const file of files) {
        await attempt(async () => {
            if (file.size > 16 * 1024 * 1024) {
                throw new Error(`${file.name} is larger than 16 MB, more than a map can take in.`)
            }
            try {
                made.push((await api.importFile(file)).id)
            } catch (error) {
                throw new Error(`${file.name}: ${(error as Error).message}`, { cause: error })
            }
        })
    }
    if (made.length === 1 && files.length === 1) {
        await router.push(`/maps/${made[0]}`)
    } else {
        await fetch()
    }
}

function drop(event: DragEvent): void {
    dropping.value = false
    void bringIn([...(event.dataTransfer?.files ?? [])])
}

function pick(event: Event): void {
    const input = event.target as HTMLInputElement
    void bringIn([...(input.files ?? [])])
    input.value = ''
}

function act(id: string, what: string): void {
    void attempt(async () => {
        if (what === 'duplicate') {
            await api.duplicate(id)
        } else if (what === 'trash') {
            await api.trash(id)
            tell.info('The map is in the trash, from where it can be restored.')
        } else {
            await api.restore(id)
        }
        await fetch()
    })
}

async function rename(entry: LibraryEntry, title: string): Promise<void> {
    await attempt(async () => {
        await api.edit(entry.id, entry.seq, [{ name: 'map.rename', title }])
        await fetch()
    })
}

async function account(key: string): Promise<void> {
    if (key === 'sign-out') {
        await session.leave()
        await router.push('/sign-in')
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
onMounted(fetch)
</script>

<template>
    <div class="library" :class="{ dropping }" @drop.prevent="drop">
        <header>
            <Mark :size="34" />
            <h1>Library</h1>
            <NInput v-model:value="words" class="search" placeholder="Search by name" clearable :input-props="{ 'aria-label': 'Search maps by name' }" />
            <div class="space" />
            <NButton type="primary" :loading="busy" @click="newMap">New map</NButton>
            <NButton @click="picker?.click()">Bring in files</NButton>
            <input ref="picker" type="file" multiple hidden accept=".json,.opml,.xml,.md,.markdown,.txt,.text" @change="pick" />
            <NDropdown trigger="click" :options="[{ key: 'see.board', label: 'Day board or Slate board' }, { key: 'help.keys', label: 'All keys' }, { key: 'sign-out', label: 'Sign out' }]" @select="account">
                <NButton quaternary>{{ session.person?.name }}</NButton>
            </NDropdown>
        </header>
        <NSpin v-if="maps === null" class="wait" />
        <NTabs v-else type="line" animated>
            <NTabPane name="maps" :tab="`Maps · ${maps.length}`">
                <ul v-if="found.length > 0" class="cards">
                    <MapCard v-for="entry in found" :key="entry.id" :entry="entry" @act="act(entry.id, $event)" @rename="rename(entry, $event)" />
                </ul>
                <div v-else class="empty">
                    <p v-if="maps.length === 0">No maps yet. Begin a new one, or drop a file here: Markdown, OPML, text or a Chalk Tree map.</p>
                    <p v-else>No map has “{{ words }}” in its name.</p>
                    <NButton v-if="maps.length === 0" type="primary" @click="newMap">New map</NButton>
                </div>
            </NTabPane>
            <NTabPane name="trash" :tab="`Trash · ${trash.length}`">
                <ul v-if="foundInTrash.length > 0" class="cards">
                    <MapCard v-for="entry in foundInTrash" :key="entry.id" :entry="entry" @act="act(entry.id, $event)" />
                </ul>
                <p v-else class="empty">The trash is empty. Maps that you put here can be restored.</p>
            </NTabPane>
        </NTabs>
        <p v-if="dropping" class="dropword">Drop to make a map of each file</p>
    </div>
</template>

<style scoped>
.library { max-width: 1240px; min-height: 100%; margin: 0 auto; padding: 18px 24px 60px; box-sizing: border-box; }
header { display: flex; align-items: center; gap: 10px; flex-wrap: wrap; margin-bottom: 10px; }
h1 { font-size: 24px; margin: 0 12px 0 2px; }
.search { width: 260px; max-width: 100%; }
.space { flex: 1; }
.cards { list-style: none; margin: 12px 0 0; padding: 0; display: grid; grid-template-columns: repeat(auto-fill, minmax(250px, 1fr)); gap: 20px; }
.empty { color: var(--soft); padding: 40px 0; text-align: center; }
.wait { display: block; padding: 80px; }
.dropword { position: fixed; inset: 14px; display: grid; place-content: center; margin: 0; font-size: 24px; background: color-mix(in srgb, var(--board) 85%, transparent); border: 3px dashed var(--tide); border-radius: 16px; pointer-events: none; z-index: 10; }
@media (max-width: 600px) { .library { padding: 12px 12px 40px; } .search { order: 9; width: 100%; } .cards { grid-template-columns: repeat(auto-fill, minmax(160px, 1fr)); gap: 12px; } }
</style>
