<script setup lang="ts">
import { NButton, NModal, NProgress } from 'naive-ui'
import { computed, ref, shallowRef, useTemplateRef } from 'vue'
import { api } from '@/api/client'
import type { Edit, TextAnswer } from '@/api/wire'
import { today } from '@/facts/facts'
import { newId, useMap } from '@/stores/map'
import { topicName } from '@/text/titleMarkdown'
import { useUi } from '@/ui/uiStore'
import { mining } from './mining'

/** Text files by hundreds: each is read, then all become topics below one, as one step; what could not be read is said. */
const map = useMap()
const ui = useUi()
/** Notes that one edit brings, and letters. */
const MOST = 60
const LETTERS = 1_500_000

const topic = computed(() => mining.value?.topic ?? map.tree.root)
const chooser = useTemplateRef<HTMLInputElement>('chooser')
const folder = useTemplateRef<HTMLInputElement>('folder')
const files = shallowRef<readonly File[]>([])
const read = ref(0)
const isReading = ref(false)
const isOver = ref(false)
const brought = ref(0)
const left = shallowRef<readonly { name: string; why: string }[]>([])
let isStopped = false
let step = ''

function close(): void {
    isStopped = true
    mining.value = null
    setTimeout(() => ui.focusRegion(map.region), 60)
}

async function take(list: FileList | readonly File[] | null | undefined): Promise<void> {
    const all = [...(list ?? [])].filter(({ name }) => !name.startsWith('.')).sort((a, b) => a.name.localeCompare(b.name, undefined, { numeric: true }))
    if (all.length === 0 || isReading.value) {
        return
    }
    files.value = all
    read.value = brought.value = 0
    left.value = []
    isReading.value = true
    isOver.value = isStopped = false
    step = newId()
    let waiting: TextAnswer[] = []
    for (const file of all) {
        if (isStopped) {
            break
        }
        const answer = await api.readText(map.id, file, today(new Date(file.lastModified))).catch((error: unknown) => (error as Error).message)
        read.value++
        if (typeof answer === 'string') {
            left.value = [...left.value, { name: file.name, why: answer }]
        } else {
            waiting.push(answer)
        }
        if (waiting.length === MOST || waiting.reduce((sum, { note }) => sum + note.length, 0) > LETTERS) {
            bring(waiting)
            waiting = []
        }
    }
    // Who stops has changed their mind about what is not there yet.
    bring(isStopped ? [] : waiting)
    isReading.value = false
    isOver.value = true
}

function bring(notes: readonly TextAnswer[]): void {
    if (notes.length > 0) {
        map.edit({ name: 'notes.bring', step, parent: topic.value, notes: notes.map(({ title, note, day }) => ({ id: newId(), title, note, ...(day === null ? {} : { day }) })) } as Edit)
        brought.value += notes.length
    }
}
const back = (): void => {
    map.edit({ name: 'undo', of: step })
    close()
}
const number = (n: number, one: string, several: string): string => `${n.toLocaleString('en')} ${n === 1 ? one : several}`
</script>

<template>
    <NModal :show="true" preset="card" title="Bring in texts as notes" :style="{ width: 'min(560px, calc(100vw - 24px))' }" role="dialog" aria-label="Bring in texts as notes" @update:show="close">
        <div class="bring" @dragover.prevent @drop.prevent="take($event.dataTransfer?.files)">
            <p v-if="!isReading && !isOver">Each text becomes a topic below “{{ topicName(map.tree.topics.get(topic)?.title) }}”, with what stands in it as its note. Its day is told by its name, or by when it was changed last. Choose them, choose a whole folder, or drop them here.</p>
            <template v-if="isReading">
                <NProgress type="line" :percentage="Math.round((100 * read) / files.length)" :show-indicator="false" aria-label="Texts that are read" />
                <p role="status">{{ read.toLocaleString('en') }} of {{ number(files.length, 'text', 'texts') }} read</p>
            </template>
            <template v-if="isOver">
                <p role="status" class="done">{{ number(brought, 'text is', 'texts are') }} in the map{{ left.length === 0 ? '.' : `; ${number(left.length, 'stayed', 'stayed')} behind:` }}</p>
                <ul v-if="left.length > 0" aria-label="What stayed behind"><li v-for="(one, i) in left" :key="i"><b>{{ one.name }}</b> {{ one.why }}</li></ul>
            </template>
            <input ref="chooser" type="file" multiple hidden accept=".txt,.md,.markdown,.text,.log,text/plain,text/markdown" aria-label="Text files" @change="take(chooser?.files)" />
            <input ref="folder" type="file" webkitdirectory hidden aria-label="Folder of text files" @change="take(folder?.files)" />
            <div class="tools">
                <NButton v-if="isReading" @click="isStopped = true">Stop</NButton>
                <template v-else-if="isOver"><NButton v-if="brought > 0" @click="back">Take them back</NButton><NButton type="primary" @click="close">Good</NButton></template>
                <template v-else><NButton @click="folder?.click()">A folder</NButton><NButton type="primary" autofocus @click="chooser?.click()">Choose texts</NButton></template>
            </div>
        </div>
    </NModal>
</template>

<style scoped>
.bring { display: flex; flex-direction: column; gap: 12px; }
p { margin: 0; line-height: 1.5; }
ul { margin: 0; padding: 0; list-style: none; max-height: 36vh; overflow: auto; font-size: 14px; color: var(--soft); }
li { padding: 2px 0; overflow-wrap: anywhere; }
li b { color: var(--ink); font-weight: 600; margin-right: 6px; }
.tools { display: flex; gap: 8px; justify-content: flex-end; }
</style>
