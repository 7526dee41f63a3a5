<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import { useActions } from '@/actions/useActions'
import { useCamera } from '@/board/cameraStore'
import { useBeside } from '@/stores/beside'
import { topicName } from '@/text/titleMarkdown'
import { liesOver } from './freeActions'

/** Says that a topic that stands free lies over another, and offers to find it room. */
const beside = useBeside()
const camera = useCamera()
const { run } = useActions()
const titleOf = (id: string): string => topicName(beside.tree.topics.get(id)?.title)
const words = computed(() => {
    for (const id of beside.isTyping ? [] : beside.chosen) {
        const under = liesOver(camera, id)
        if (under !== null) {
            return beside.chosen.length === 1 ? `Lies over “${titleOf(under)}”.` : `“${titleOf(id)}” lies over “${titleOf(under)}”.`
        }
    }
    return null
})
</script>

<template>
    <p v-if="words !== null" class="hint">{{ words }} <NButton text type="primary" size="tiny" @click="run('free.room')">Find room</NButton></p>
</template>
