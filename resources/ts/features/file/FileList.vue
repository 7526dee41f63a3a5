<script setup lang="ts">
import { NButton, NInput } from 'naive-ui'
import { ref } from 'vue'
import { fileAddress } from '@/api/files'
import { useMap } from '@/stores/map'
import FileLook from '@/ui/FileLook.vue'
import { sizeWords } from '@/ui/sizes'
import { useNaming } from '@/ui/useNaming'
import type { Attached } from './files'
import { useFileState } from './fileState'
import { useFiles } from './fileStore'

/** Files of a topic: opened by a click, and what can be changed about them. */
defineProps<{ files: readonly Attached[]; plain?: boolean }>()
const emit = defineEmits<{ gone: [] }>()
const map = useMap()
const store = useFiles()
const state = useFileState()
const looked = ref<string | null>(null)

function open(file: Attached): void {
    state.open(file)
    emit('gone')
}
const { naming, typed, begin: beginName, end: endName } = useNaming<Attached>(({ name }) => name, store.rename)
</script>

<template>
    <ul class="files">
        <li v-for="file in files" :key="file.id">
            <NInput v-if="naming === file.id" v-model:value="typed" size="small" autofocus :maxlength="200" :input-props="{ 'aria-label': 'Name of the file', dir: 'auto' }" @keydown.enter.stop.prevent="endName(file)" @keydown.escape.stop="naming = null" @blur="endName(file)" />
            <button v-else class="open" :aria-label="`Open ${file.name}`" @click="open(file)"><span class="name" dir="auto">{{ file.name }}</span><small>{{ sizeWords(file.bytes) }}</small></button>
            <div class="tools">
                <NButton size="tiny" quaternary :aria-expanded="looked === file.id" :aria-label="`Look at ${file.name} first`" @click="looked = looked === file.id ? null : file.id">{{ looked === file.id ? 'Close' : 'Look first' }}</NButton>
                <NButton size="tiny" quaternary tag="a" :href="fileAddress(map.id, file.source, file.name)" download :aria-label="`Save ${file.name}`">Save</NButton>
                <template v-if="plain !== true">
                    <NButton size="tiny" quaternary :aria-label="`Replace ${file.name} by a newer one`" @click="store.choose({ replaces: file })">Replace</NButton>
                    <NButton size="tiny" quaternary @click="beginName(file)">Rename</NButton>
                    <NButton size="tiny" quaternary :aria-label="`Remove ${file.name}`" @click="store.remove(file)">Remove</NButton>
                </template>
            </div>
            <FileLook v-if="looked === file.id" class="look" :map="map.id" :source="file.source" :name="file.name" />
        </li>
    </ul>
</template>

<style scoped>
.files { list-style: none; margin: 0 0 6px; padding: 0; }
.open { width: 100%; display: flex; align-items: baseline; gap: 8px; border: 0; background: none; color: var(--ink); font: inherit; text-align: start; padding: 4px 6px; border-radius: 5px; cursor: pointer; }
.open:hover, .open:focus-visible { background: color-mix(in srgb, var(--tide) 16%, transparent); }
.name { overflow-wrap: anywhere; }
small { flex: none; margin-left: auto; color: var(--soft); font-size: 12.5px; }
.tools { display: flex; flex-wrap: wrap; gap: 2px; }
.look { padding: 8px 10px; border-left: 3px solid var(--tide); background: color-mix(in srgb, var(--tide) 7%, transparent); border-radius: 0 6px 6px 0; }
</style>
