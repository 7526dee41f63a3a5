<script setup lang="ts">
import { NButton, NDropdown, NInput } from 'naive-ui'
import { computed, defineAsyncComponent, nextTick, ref } from 'vue'
import { api } from '@/api/client'
import type { Folder } from '@/api/wire'
import MenuAt from '@/ui/MenuAt.vue'
import { useLibrary } from './libraryStore'
import { takeDragged, useShelfDrag } from './useShelfDrag'

const FolderSharing = defineAsyncComponent(() => import('./FolderSharing.vue'))

/** A folder: opened by a click, filled by dropping maps and folders on it. */
const props = defineProps<{ folder: Folder }>()

const library = useLibrary()
const { start } = useShelfDrag()
const menu = ref<InstanceType<typeof MenuAt> | null>(null)
const over = ref(false)
const isSharing = ref(false)
const naming = ref<string | null>(null)
const name = ref<InstanceType<typeof NInput> | null>(null)

const count = computed(() => library.countIn(props.folder.id))
/** Those it can be put into: neither itself nor one inside it. */
const others = computed(() => library.folders.filter((one) => one.id !== props.folder.parent && !library.isWithin(one.id, props.folder.id)))
const places = computed(() => [
    ...(props.folder.parent === null ? [] : [{ key: 'out', label: 'Move out of this folder' }]),
    { key: 'share', label: 'Share' },
    { key: 'rename', label: 'Rename' },
    { key: 'put', label: 'Put into', disabled: others.value.length === 0, children: others.value.map((one) => ({ key: `put ${one.id}`, label: one.name })) },
    { key: 'remove', label: 'Dissolve: what is in it stays' },
])

async function act(key: string): Promise<void> {
    if (key === 'open') {
        library.folder = props.folder.id
    } else if (key === 'share') {
        isSharing.value = true
    } else if (key === 'rename') {
        naming.value = props.folder.name
        await nextTick()
        name.value?.select()
    } else if (key.startsWith('put ')) {
        await library.put('folder', props.folder.id, key.slice(4))
    } else if (key === 'out') {
        await library.put('folder', props.folder.id, library.folders.find((one) => one.id === props.folder.parent)?.parent ?? null)
    } else {
        await library.change(() => api.removeFolder(props.folder.id))
    }
}

async function endNaming(keep: boolean): Promise<void> {
    const wanted = naming.value?.trim() ?? ''
    naming.value = null
    if (keep && wanted !== '' && wanted !== props.folder.name) {
        await library.change(() => api.changeFolder(props.folder.id, { name: wanted.slice(0, 200) }))
    }
}

function drop(event: DragEvent): void {
    over.value = false
    const dragged = takeDragged(event)
    if (dragged !== null) {
        void library.put(dragged.what, dragged.id, props.folder.id)
    }
}
</script>

<template>
    <li class="folder" :class="{ over }" draggable="true" @dragstart="start($event, 'folder', folder.id)" @dragover.prevent="over = true" @dragleave="over = false" @drop.stop.prevent="drop" @contextmenu="menu?.open($event)">
        <NInput v-if="naming !== null" ref="name" v-model:value="naming" size="small" :maxlength="200" :input-props="{ 'aria-label': 'Name of the folder' }" @blur="endNaming(true)" @keydown.enter="endNaming(true)" @keydown.escape.stop="endNaming(false)" />
        <button v-else class="open" :aria-label="`Open the folder ${folder.name}`" @click="library.folder = folder.id">
            <svg width="26" height="22" viewBox="0 0 26 22" aria-hidden="true"><path d="M2 4.5C2 3 3 2 4.5 2H10l2.5 3H22c1.5 0 2.5 1 2.5 2.5V17c0 1.5-1 2.5-2.5 2.5H4.5C3 19.5 2 18.5 2 17z" /><path d="M2.5 9.5h21.5" /></svg>
            <span><strong>{{ folder.name }}</strong><small>{{ count === 0 ? 'empty' : count === 1 ? '1 thing' : `${count} things` }}</small></span>
        </button>
        <MenuAt ref="menu" :options="[{ key: 'open', label: 'Open' }, ...places]" @select="act" />
        <FolderSharing v-if="isSharing" :folder="folder" @close="isSharing = false" />
        <NDropdown trigger="click" :options="places" @select="act"><NButton size="small" quaternary :aria-label="`More about the folder ${folder.name}`">More</NButton></NDropdown>
    </li>
</template>

<style scoped>
.folder { display: flex; align-items: center; gap: 4px; background: var(--slip); border: 1px solid var(--edge); border-radius: 10px; padding: 6px; }
.folder.over { outline: 3px dashed var(--tide); }
.open { flex: 1; min-width: 0; display: flex; gap: 10px; align-items: center; border: 0; background: none; color: inherit; font: inherit; text-align: left; cursor: pointer; padding: 4px 6px; border-radius: 7px; }
.open:focus-visible { outline: 2px solid var(--tide); }
svg { flex: none; fill: var(--marigold-tint); stroke: var(--marigold); stroke-width: 1.8; stroke-linejoin: round; }
span { min-width: 0; }
strong, small { display: block; overflow: hidden; text-overflow: ellipsis; white-space: nowrap; }
small { color: var(--soft); }
</style>
