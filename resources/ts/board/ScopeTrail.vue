<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import { useActions } from '@/actions/useActions'
import { useMap, type Region } from '@/stores/map'
import { ancestorsOf } from '@/stores/tree'
import { topicName } from '@/text/titleMarkdown'

/** The way from the root to where one has stepped in, with a way back to each place on it. */
const props = defineProps<{ where: Region }>()

const map = useMap()
const { nameOf, keyOf, run } = useActions()

const at = computed(() => (props.where === 'board' ? map.scope : map.outlineScope))
const trail = computed(() => (at.value === null ? [] : [...ancestorsOf(map.tree, at.value).reverse(), at.value].map((id) => ({ id, title: topicName(map.tree.topics.get(id)?.title) }))))

function out(): void {
    map.region = props.where
    run('scope.out')
}
</script>

<template>
    <nav v-if="at !== null" class="trail" :aria-label="where === 'board' ? 'Trail of the board' : 'Trail of the outline'">
        <template v-for="(one, i) in trail" :key="one.id">
            <span v-if="i > 0" aria-hidden="true">›</span>
            <button :class="{ here: i === trail.length - 1 }" :aria-current="i === trail.length - 1 ? 'true' : undefined" @click="map.stepInto(where, one.id)">{{ one.title }}</button>
        </template>
        <NButton size="tiny" secondary :title="`${nameOf('scope.out')} · ${keyOf('scope.out')}`" @click="out">Step out</NButton>
    </nav>
</template>

<style scoped>
.trail { display: flex; align-items: center; gap: 5px; padding: 4px 10px; font-size: 13.5px; background: var(--slip); border-bottom: 1px solid var(--edge); color: var(--soft); min-width: 0; overflow: hidden; }
button:not(.n-button) { border: 0; background: none; font: inherit; color: var(--link); cursor: pointer; padding: 2px 3px; min-width: 24px; overflow: hidden; text-overflow: ellipsis; white-space: nowrap; border-radius: 4px; }
button.here { color: var(--ink); font-weight: 700; }
.trail :deep(.n-button) { margin-left: auto; flex: none; }
</style>
