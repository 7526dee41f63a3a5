<script setup lang="ts">
import { NButton, NDrawer, NDrawerContent, NEmpty, NSpin } from 'naive-ui'
import { onMounted, ref } from 'vue'
import { api } from '@/api/client'
import type { HistoryEntry } from '@/api/wire'
import { useMap } from '@/stores/map'
import { tell } from '@/ui/tell'
import { useUi } from '@/ui/uiStore'

/** Everything that was done to this map, the latest first, with a way back to each moment. */
const map = useMap()
const ui = useUi()
const edits = ref<HistoryEntry[] | null>(null)
const more = ref(false)

async function fetchMore(): Promise<void> {
    try {
        const { edits: next } = await api.history(map.id, edits.value?.at(-1)?.seq)
        edits.value = [...(edits.value ?? []), ...next]
        more.value = next.length === 100
    } catch (error) {
        tell.error((error as Error).message)
        ui.panel = null
    }
}

onMounted(fetchMore)

function returnTo(seq: number): void {
    map.edit({ name: 'history.return', seq })
    ui.panel = null
    tell.info('The map is as it was then. Undo brings the later edits back.')
}

const time = new Intl.DateTimeFormat(undefined, { dateStyle: 'medium', timeStyle: 'short' })
</script>

<template>
    <NDrawer :show="true" :width="380" @update:show="ui.panel = null">
        <NDrawerContent title="History" closable>
            <NSpin v-if="edits === null" />
            <NEmpty v-else-if="edits.length === 0" description="Nothing has been changed in this map yet." />
            <ol v-else class="edits">
                <li v-for="(entry, i) in edits" :key="entry.seq">
                    <span class="what">{{ entry.summary }}</span>
                    <span class="who">{{ entry.person }}, {{ time.format(new Date(entry.made)) }}</span>
                    <NButton v-if="i > 0" size="tiny" secondary @click="returnTo(entry.seq)">Return to this</NButton>
                    <span v-else class="now">The map as it is now</span>
                </li>
            </ol>
            <NButton v-if="edits !== null && edits.length > 0" size="small" class="start" @click="more ? fetchMore() : returnTo(0)">{{ more ? 'Earlier edits' : 'Return to the beginning' }}</NButton>
        </NDrawerContent>
    </NDrawer>
</template>

<style scoped>
.edits { list-style: none; margin: 0; padding: 0; }
.edits li { border-left: 3px solid var(--tide); padding: 2px 0 10px 12px; display: grid; justify-items: start; gap: 2px; }
.what { overflow-wrap: anywhere; }
.who, .now { color: var(--soft); font-size: 13px; }
.start { margin-top: 8px; }
</style>
