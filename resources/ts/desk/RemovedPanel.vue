<script setup lang="ts">
import { NButton, NEmpty, NSpin } from 'naive-ui'
import { onMounted, ref } from 'vue'
import { api } from '@/api/client'
import type { RemovedBranch } from '@/api/wire'
import { useMap } from '@/stores/map'
import { topicName } from '@/text/titleMarkdown'
import { tell } from '@/ui/tell'
import { useUi } from '@/ui/uiStore'
import SidePanel from './SidePanel.vue'

/** The branches removed from this map, and the way to get them back. */
const map = useMap()
const ui = useUi()
const branches = ref<RemovedBranch[] | null>(null)

onMounted(async () => {
    const asked = map.id
    try {
        const answer = await api.removed(asked)
        branches.value = asked === map.id ? answer.branches : branches.value
    } catch (error) {
        tell.error((error as Error).message)
        ui.side = null
    }
})

async function empty(): Promise<void> {
    await api.emptyMapTrash(map.id).then(() => (branches.value = []), (error: unknown) => tell.error((error as Error).message))
}

function restore(branch: RemovedBranch): void {
    map.edit({ name: 'topic.restore', topics: [branch.id] })
    branches.value = branches.value?.filter((one) => one.id !== branch.id) ?? null
}
</script>

<template>
    <SidePanel title="Removed branches">
        <NSpin v-if="branches === null" />
        <NEmpty v-else-if="branches.length === 0" description="Nothing has been removed from this map. What you remove is kept here." />
        <ul v-else>
            <li class="all"><span>They stay for thirty days.</span><NButton v-if="map.isOwner" size="tiny" @click="empty">Empty for good</NButton></li>
            <li v-for="branch in branches" :key="branch.id">
                <span>{{ topicName(branch.title) }}</span>
                <small>{{ branch.topics === 1 ? '1 topic' : `${branch.topics} topics` }}</small>
                <NButton size="tiny" secondary @click="restore(branch)">Restore</NButton>
            </li>
        </ul>
    </SidePanel>
</template>

<style scoped>
ul { list-style: none; margin: 0; padding: 0; }
li { display: flex; align-items: center; gap: 8px; padding: 6px 0; border-bottom: 1px solid var(--edge); }
span { flex: 1; overflow-wrap: anywhere; }
small { color: var(--soft); }
</style>
