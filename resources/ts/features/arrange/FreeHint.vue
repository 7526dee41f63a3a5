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
const under = computed(() => (beside.current === null || beside.isTyping ? null : liesOver(camera, beside.current)))
const name = computed(() => topicName(beside.tree.topics.get(under.value ?? '')?.title ?? ''))
</script>

<template>
    <p v-if="under !== null" class="hint">Lies over “{{ name }}”. <NButton text type="primary" size="tiny" @click="run('free.room')">Find it room</NButton></p>
</template>
