<script setup lang="ts">
import { NButton, NProgress } from 'naive-ui'
import { computed, ref, shallowRef, watch } from 'vue'
import { sourceAddress } from '@/api/client'
import { fileAddress, fileApi, forgetKept } from '@/api/files'
import type { FilesAnswer } from '@/api/wire'
import { leadTo } from '@/board/leadTo'
import SidePanel from '@/desk/SidePanel.vue'
import { useBeside } from '@/stores/beside'
import { useMap } from '@/stores/map'
import { topicName } from '@/text/titleMarkdown'
import { sizeWords } from '@/ui/sizes'
import { tell } from '@/ui/tell'
import { allFiles } from './files'
import { useFileState } from './fileState'

/** Every file and picture of the map: how large, where it is used, and what only the history still has. */
const map = useMap()
const beside = useBeside()
const state = useFileState()
const answer = shallowRef<FilesAnswer | null>(null)
const problem = ref('')

async function fetch(): Promise<void> {
    try {
        answer.value = await fileApi.list(map.id)
        problem.value = ''
    } catch (error) {
        problem.value = (error as Error).message
    }
}
watch(() => map.id, () => void fetch(), { immediate: true })
// What is new at topics is new in the list.
watch(() => allFiles(beside.tree).map(({ source }) => source).join(), () => void fetch())

interface Used { readonly name: string; readonly topics: readonly string[] }
/** By what is in it: what the map calls it, and the topics that have it or lead to it. */
const used = computed(() => {
    const found = new Map<string, { name: string; topics: string[] }>()
    const note = (source: unknown, topic: unknown, name = ''): void => {
        const one = found.get(String(source)) ?? { name: '', topics: [] }
        found.set(String(source), { name: one.name || name, topics: one.topics.includes(String(topic)) ? one.topics : [...one.topics, String(topic)] })
    }
    for (const { type, id, fields } of beside.tree.rows.values()) {
        if (type === 'file') {
            note(fields.source, fields.at, String(fields.name ?? ''))
        } else if (type === 'link' && String(fields.to).startsWith('file:')) {
            note(fields.to, fields.at)
        } else if (type === 'picture' && String(fields.source).startsWith('file:')) {
            note(`picture ${String(fields.source)}`, id)
        }
    }
    for (const topic of beside.tree.topics.values()) {
        for (const [, source] of (topic.note ?? '').matchAll(/\]\((file:[0-9a-f]{64})\)/g)) {
            note(`picture ${String(source)}`, topic.id)
        }
    }
    return found as ReadonlyMap<string, Used>
})
const files = computed(() => (answer.value?.files ?? []).map((file) => ({ ...file, ...(used.value.get(file.file) ?? { topics: [] }), name: used.value.get(file.file)?.name || file.name })))
const now = computed(() => files.value.filter(({ topics }) => topics.length > 0))
const before = computed(() => files.value.filter(({ topics }) => topics.length === 0))
const pictures = computed(() => (answer.value?.pictures ?? []).map((one) => ({ ...one, topics: used.value.get(`picture ${one.file}`)?.topics ?? [] })))
const picturesNow = computed(() => pictures.value.filter(({ topics }) => topics.length > 0))
const picturesBefore = computed(() => pictures.value.filter(({ topics }) => topics.length === 0))
const percent = computed(() => (answer.value === null ? 0 : Math.min(100, Math.round((100 * answer.value.used) / answer.value.most))))

function go(topic: string): void {
    leadTo(topic)
}
async function forget(file: string): Promise<void> {
    try {
        await fileApi.forget(map.id, file)
        forgetKept(map.id, file)
    } catch (error) {
        tell.error((error as Error).message)
    }
    await fetch()
}
</script>

<template>
    <SidePanel title="Files of this map">
        <p v-if="problem !== ''" role="alert">{{ problem }}</p>
        <template v-if="answer !== null">
            <div><NProgress type="line" :height="6" color="var(--tide)" rail-color="var(--edge)" :percentage="percent" :show-indicator="false" aria-hidden="true" /><p class="soft">Your maps hold {{ sizeWords(answer.used) }} of files and pictures; {{ sizeWords(answer.most) }} is the most.</p></div>
            <p v-if="files.length + pictures.length === 0">No files yet. Drop one on a topic, or choose “Add files” in the desk: it stays with the map, goes with its copies, and opens here.</p>
            <ul v-if="now.length > 0" aria-label="Files at topics">
                <li v-for="file in now" :key="file.file">
                    <button class="open" @click="state.opened = { source: file.file, name: file.name, topic: null }"><span dir="auto">{{ file.name }}</span><small>{{ sizeWords(file.bytes) }}</small></button>
                    <div class="at"><button v-for="topic in file.topics" :key="topic" @click="go(topic)">{{ topicName(beside.tree.topics.get(topic)?.title) }}</button><a :href="fileAddress(map.id, file.file, file.name)" download>Save</a></div>
                </li>
            </ul>
            <template v-if="picturesNow.length > 0">
                <h3>Pictures</h3>
                <ul class="pictures">
                    <li v-for="one in picturesNow" :key="one.file"><button class="open" @click="go(one.topics[0] ?? '')"><img :src="sourceAddress(map.id, one.file, 'small')" alt="" /><span>{{ topicName(beside.tree.topics.get(one.topics[0] ?? '')?.title) }}</span><small>{{ sizeWords(one.bytes) }}</small></button></li>
                </ul>
            </template>
            <template v-if="before.length + picturesBefore.length > 0">
                <h3>Only in the history</h3>
                <p class="soft">No topic has these now: they were replaced or removed. Undo and the history bring them back until they are thrown away.</p>
                <ul>
                    <li v-for="file in before" :key="file.file">
                        <button class="open" @click="state.opened = { source: file.file, name: file.name, topic: null }"><span dir="auto">{{ file.name }}</span><small>{{ sizeWords(file.bytes) }}</small></button>
                        <div class="at"><a :href="fileAddress(map.id, file.file, file.name)" download>Save</a><NButton v-if="map.isOwner" size="tiny" quaternary :aria-label="`Throw ${file.name} away for good`" @click="forget(file.file)">Throw away for good</NButton></div>
                    </li>
                    <li v-for="one in picturesBefore" :key="one.file" class="at"><img :src="sourceAddress(map.id, one.file, 'small')" alt="A picture" /><small>{{ sizeWords(one.bytes) }}</small><NButton v-if="map.isOwner" size="tiny" quaternary aria-label="Throw this picture away for good" @click="forget(one.file)">Throw away for good</NButton></li>
                </ul>
            </template>
        </template>
    </SidePanel>
</template>

<style scoped>
p { margin: 4px 0; }
.soft { color: var(--soft); font-size: 13.5px; }
h3 { font-size: 14.5px; margin: 8px 0 2px; }
ul { list-style: none; margin: 0; padding: 0; }
li { padding: 3px 0; }
button { font: inherit; }
.open { width: 100%; display: flex; align-items: center; gap: 8px; border: 0; background: none; color: var(--ink); text-align: start; padding: 4px 6px; border-radius: 5px; cursor: pointer; }
.open span { overflow-wrap: anywhere; }
.open small { margin-left: auto; flex: none; color: var(--soft); }
.open:hover, .open:focus-visible { background: color-mix(in srgb, var(--tide) 16%, transparent); }
.open img, .at img { width: 34px; height: 26px; object-fit: cover; border-radius: 3px; }
.at { display: flex; flex-wrap: wrap; align-items: center; gap: 4px 10px; padding: 0 6px; font-size: 13.5px; }
.at button { border: 0; background: none; padding: 0; color: var(--link); cursor: pointer; text-decoration: underline; text-underline-offset: 3px; }
.at a { color: var(--link); margin-left: auto; }
</style>
