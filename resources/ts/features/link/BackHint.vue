<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import { useActions } from '@/actions/useActions'
import { useMap } from '@/stores/map'
import { topicName } from '@/text/titleMarkdown'
import ActionHint from '@/ui/ActionHint.vue'
import { useOuts } from './outStore'

/** Where a link or a list has led to the chosen topic: the way back. */
const map = useMap()
const outs = useOuts()
const { run } = useActions()
const from = computed(() => (outs.cameFrom === null ? '' : outs.cameFrom.map === map.id ? `“${topicName(map.tree.topics.get(outs.cameFrom.topic)?.title)}”` : 'the other map'))
</script>

<template>
    <ActionHint v-if="outs.cameFrom !== null" id="link.back"><NButton class="way-back" size="tiny" secondary @click="run('link.back')"><span>Back to {{ from }}</span></NButton></ActionHint>
</template>

<style scoped>
.way-back { display: flex; max-width: 100%; margin: 6px 0; }
.way-back :deep(.n-button__content) { min-width: 0; }
.way-back span { overflow: hidden; text-overflow: ellipsis; white-space: nowrap; }
</style>
