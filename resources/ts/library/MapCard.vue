<script setup lang="ts">
import { NButton, NDropdown, NInput } from 'naive-ui'
import { computed, nextTick, ref } from 'vue'
import { pictureAddress } from '@/api/client'
import type { LibraryEntry } from '@/api/wire'
import { usePreferences } from '@/stores/preferences'

/** One map in the library, with its picture. */
const props = defineProps<{ entry: LibraryEntry }>()
const emit = defineEmits<{ act: [what: string]; rename: [title: string] }>()

const preferences = usePreferences()
const naming = ref<string | null>(null)
const name = ref<InstanceType<typeof NInput> | null>(null)

const when = computed(() => new Intl.DateTimeFormat(undefined, { dateStyle: 'medium' }).format(new Date(props.entry.updated)))
const options = computed(() =>
    props.entry.trashed
        ? [{ key: 'restore', label: 'Restore' }]
        : [{ key: 'rename', label: 'Rename' }, { key: 'duplicate', label: 'Duplicate' }, { key: 'trash', label: 'Move to trash' }],
)

async function select(key: string): Promise<void> {
    if (key !== 'rename') {
        emit('act', key)
        return
    }
    naming.value = props.entry.title
    await nextTick()
    name.value?.select()
}

function endNaming(keep: boolean): void {
    const wanted = naming.value?.trim() ?? ''
    naming.value = null
    if (keep && wanted !== '' && wanted !== props.entry.title) {
        emit('rename', wanted.slice(0, 200))
    }
}
</script>

<template>
    <li class="card">
        <component :is="entry.trashed ? 'div' : 'RouterLink'" :to="`/maps/${entry.id}`" class="picture" :aria-label="`Open ${entry.title}`">
            <img :src="pictureAddress(entry.id, entry.seq, preferences.board)" alt="" loading="lazy" />
        </component>
        <div class="foot">
            <NInput v-if="naming !== null" ref="name" v-model:value="naming" size="small" :maxlength="200" :input-props="{ 'aria-label': 'Name of the map' }" @blur="endNaming(true)" @keydown.enter="endNaming(true)" @keydown.escape.stop="endNaming(false)" />
            <div v-else class="words">
                <strong :title="entry.title">{{ entry.title }}</strong>
                <small>{{ entry.topics === 1 ? '1 topic' : `${entry.topics} topics` }} · {{ when }}</small>
            </div>
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
</style>
