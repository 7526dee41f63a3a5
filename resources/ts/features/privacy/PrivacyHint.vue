<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import { useActions } from '@/actions/useActions'
import { useBeside } from '@/stores/beside'
import { useMap } from '@/stores/map'
import { heldIn } from '@/stores/privacy'
import { topicName } from '@/text/titleMarkdown'

/** Says that the chosen topic is private, and why. */
const beside = useBeside()
const map = useMap()
const { run } = useActions()
const held = computed(() => heldIn(beside.tree).get(beside.current ?? ''))
</script>

<template>
    <p v-if="held !== undefined" class="hint">
        <template v-if="held.by === 'itself'">Private, with all below. <NButton text type="primary" size="tiny" @click="run('privacy.turn')">Let it leave again</NButton></template>
        <template v-else-if="held.by === 'tag'">Private by the tag “{{ held.tag }}”.</template>
        <template v-else>Private, because <NButton text type="primary" size="tiny" @click="map.choose(held.topic)">{{ topicName(beside.tree.topics.get(held.topic)?.title) }}</NButton> above is.</template>
    </p>
</template>
