<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import { useActions } from '@/actions/useActions'
import { useBeside } from '@/stores/beside'
import { branchOf, childrenOf, depthOf, inOrder } from '@/stores/tree'
import { topicName } from '@/text/titleMarkdown'

/** What several chosen topics have in common, and what can be done with all of them. */
const LISTED = 8

const beside = useBeside()
const { run, isAvailable, actions } = useActions()

const topics = computed(() => inOrder(beside.tree, beside.chosen).map((id) => beside.tree.topics.get(id)).filter((topic) => topic !== undefined))
const facts = computed(() => {
    const all = topics.value
    const levels = [...new Set(all.map((topic) => depthOf(beside.tree, topic.id) + 1))].sort((a, b) => a - b)
    const below = new Set(all.flatMap((topic) => branchOf(beside.tree, topic.id))).size - all.length
    const parents = new Set(all.map((topic) => topic.parent)).size
    return [
        levels.length === 1 ? `all at level ${levels[0]}` : `at levels ${levels[0]} to ${levels[levels.length - 1]}`,
        parents === 1 ? 'beside each other' : `below ${parents} parents`,
        below > 0 ? `${below} more below them` : 'nothing more below them',
        `${all.filter((topic) => topic.note !== '').length} with a note`,
        `${all.filter((topic) => topic.caption !== '').length} with a caption`,
        `${all.filter((topic) => childrenOf(beside.tree, topic.id).length > 0).length} with subtopics`,
    ]
})
const tools = computed(() =>
    ['shape.wrap', 'change.join', 'change.sort', 'change.break', 'change.send', 'shape.dissolve', 'lot.park', 'topic.remove']
        .map((id) => actions.find((action) => action.id === id))
        .filter((action) => action !== undefined)
        .map((action) => ({ id: action.id, name: action.name.split(/[:,]/)[0], can: isAvailable(action) })),
)
</script>

<template>
    <header>
        <h2>{{ beside.chosen.length }} topics chosen</h2>
        <ul class="facts"><li v-for="fact in facts" :key="fact">{{ fact }}</li></ul>
    </header>
    <ol class="topics">
        <li v-for="topic in topics.slice(0, LISTED)" :key="topic.id">{{ topicName(topic.title) }}</li>
        <li v-if="topics.length > LISTED" class="more">and {{ topics.length - LISTED }} more</li>
    </ol>
    <div class="tools">
        <NButton v-for="tool in tools" :key="tool.id" size="small" secondary :disabled="!tool.can" @click="run(tool.id)">{{ tool.name }}</NButton>
        <NButton size="small" quaternary @click="run('choose.one')">Choose only the last one</NButton>
    </div>
</template>

<style scoped>
h2 { font-size: 17px; margin: 0; }
.facts { list-style: none; margin: 4px 0 0; padding: 0; color: var(--soft); font-size: 13.5px; }
.topics { margin: 0; padding: 0 0 0 22px; font-size: 14px; }
.topics li { overflow: hidden; text-overflow: ellipsis; white-space: nowrap; }
.more { list-style: none; color: var(--soft); }
.tools { display: grid; gap: 6px; }
</style>
