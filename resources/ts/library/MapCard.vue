<script setup lang="ts">
import { NButton, NDropdown, NInput } from 'naive-ui'
import { computed, nextTick, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, pictureAddress } from '@/api/client'
import type { LibraryEntry } from '@/api/wire'
import { newId } from '@/stores/map'
import { hide } from '@/ui/hide'
import { usePreferences } from '@/stores/preferences'
import MenuAt from '@/ui/MenuAt.vue'
import { tell } from '@/ui/tell'
import { useLibrary } from './libraryStore'
import { useShelfDrag } from './useShelfDrag'

/** One map in the library, as a card with its picture or as a line of a list. */
const props = defineProps<{ entry: LibraryEntry; line: boolean }>()

const library = useLibrary()
const router = useRouter()
const { start } = useShelfDrag()

const preferences = usePreferences()
const menu = ref<InstanceType<typeof MenuAt> | null>(null)
const naming = ref<string | null>(null)
const name = ref<InstanceType<typeof NInput> | null>(null)

const when = computed(() => new Intl.DateTimeFormat(undefined, { dateStyle: 'medium' }).format(new Date(props.entry.updated)))
const places = computed(() => [
    ...(props.entry.folder === null ? [] : [{ key: 'put ', label: 'The library itself' }]),
    ...library.folders.filter((one) => one.id !== props.entry.folder).map((one) => ({ key: `put ${one.id}`, label: one.name })),
    ...(library.folders.length === 0 ? [{ key: 'none', label: 'There are no folders yet', disabled: true }] : []),
])
const options = computed(() =>
    props.entry.trashed
        ? [{ key: 'restore', label: 'Restore' }]
        : [
            { key: 'favourite', label: props.entry.favourite ? 'No favourite any more' : 'Make it a favourite' },
            { key: 'rename', label: 'Rename' },
            { key: 'put', label: 'Put into', children: places.value },
            { key: 'duplicate', label: 'Duplicate' },
            { key: 'starter', label: props.entry.starter ? 'No starter any more' : 'Use as a starter' },
            { key: 'history', label: 'History' },
            { key: 'trash', label: 'Move to trash' },
        ],
)

async function select(key: string): Promise<void> {
    const { id, favourite, starter } = props.entry
    if (key.startsWith('put ')) {
        await library.put('map', id, key === 'put ' ? null : key.slice(4))
        return
    }
    switch (key) {
        case 'open':
            await router.push(`/maps/${id}`)
            break
        case 'rename':
            naming.value = props.entry.title
            await nextTick()
            name.value?.select()
            break
        case 'duplicate':
            await library.change(() => api.duplicate(newId(), id))
            break
        case 'favourite':
            await library.change(() => api.changeMap(id, { favourite: !favourite }))
            break
        case 'starter':
            await library.change(() => api.changeMap(id, { starter: !starter }))
            break
        case 'history':
            await router.push(`/maps/${id}/history`)
            break
        case 'trash':
            await library.change(() => api.trash(id))
            tell.info('The map is in the trash for thirty days, from where it can be restored.')
            break
        case 'restore':
            await library.change(() => api.restore(id))
            break
    }
}

function endNaming(keep: boolean): void {
    const wanted = naming.value?.trim() ?? ''
    naming.value = null
    if (keep && wanted !== '' && wanted !== props.entry.title) {
        void library.rename(props.entry, wanted.slice(0, 200))
    }
}
</script>

<template>
    <li class="card" :class="{ line }" :draggable="!entry.trashed && naming === null" @dragstart="start($event, 'map', entry.id)" @contextmenu="menu?.open($event)">
        <component :is="entry.trashed ? 'div' : 'RouterLink'" :to="`/maps/${entry.id}`" class="picture" draggable="false" :aria-label="`Open ${entry.title}`">
            <img draggable="false" :src="pictureAddress(entry.id, entry.seq, preferences.board)" alt="" loading="lazy" @error="hide" />
        </component>
        <div class="foot">
            <NInput v-if="naming !== null" ref="name" v-model:value="naming" size="small" :maxlength="200" :input-props="{ 'aria-label': 'Name of the map' }" @blur="endNaming(true)" @keydown.enter="endNaming(true)" @keydown.escape.stop="endNaming(false)" />
            <div v-else class="words">
                <strong :title="entry.title"><component :is="entry.trashed ? 'span' : 'RouterLink'" :to="`/maps/${entry.id}`" draggable="false" class="name"><svg v-if="entry.favourite" class="star" width="14" height="14" viewBox="0 0 20 20" role="img" aria-label="Favourite"><path d="M3 11.5C6 9 8 5.5 9 2c1.5 4 4.5 6.5 8.5 7.5C13 11 10.5 13.5 10 18c-1-3.5-3.5-5.5-7-6.5z" /></svg>{{ entry.title }}</component></strong>
                <small>{{ entry.topics === 1 ? '1 topic' : `${entry.topics} topics` }} · {{ when }}{{ entry.starter ? ' · starter' : '' }}</small>
            </div>
            <MenuAt ref="menu" :options="[...(entry.trashed ? [] : [{ key: 'open', label: 'Open' }]), ...options]" @select="select" />
            <NDropdown trigger="click" :options="options" @select="select"><NButton size="small" quaternary :aria-label="`More about ${entry.title}`">More</NButton></NDropdown>
        </div>
    </li>
</template>

<style scoped>
.card { background: var(--slip); border: 1px solid var(--edge); border-left: 5px solid var(--tide); border-radius: 10px; overflow: hidden; display: flex; flex-direction: column; }
.card:nth-child(5n + 2) { border-left-color: var(--ember); }
.card:nth-child(5n + 3) { border-left-color: var(--heather); }
.card:nth-child(5n + 4) { border-left-color: var(--marigold); }
.card:nth-child(5n + 5) { border-left-color: var(--kelp); }
.picture { display: block; aspect-ratio: 1.6; background: var(--board); }
.picture:focus-visible { outline: 3px solid var(--tide); outline-offset: -3px; }
.picture img { width: 100%; height: 100%; display: block; }
.foot { display: flex; align-items: center; gap: 4px; padding: 8px 6px 8px 12px; border-top: 1px solid var(--edge); }
.words { flex: 1; min-width: 0; }
strong, small { display: block; overflow: hidden; text-overflow: ellipsis; white-space: nowrap; }
small { color: var(--soft); }
.name { color: inherit; text-decoration: none; }
a.name:hover { text-decoration: underline; }
a.name:focus-visible { outline: 2px solid var(--tide); border-radius: 3px; }
.star { fill: var(--marigold); margin-right: 5px; vertical-align: -1px; }
.card.line { flex-direction: row; }
.card.line .picture { width: 84px; flex: none; }
.card.line .foot { flex: 1; border-top: 0; border-left: 1px solid var(--edge); min-width: 0; }
</style>
