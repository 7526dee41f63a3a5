<script setup lang="ts">
import { NButton, NInput } from 'naive-ui'
import { computed, nextTick, onBeforeUnmount, onMounted, ref } from 'vue'
import { newId, useMap } from '@/stores/map'
import { useDrag } from '@/stores/drag'
import { branchOf, childrenOf, LOT } from '@/stores/tree'
import { topicName } from '@/text/titleMarkdown'
import { useDragSource } from '@/ui/useDragSource'
import SidePanel from './SidePanel.vue'

/** Ideas for another time: out of the tree, of exports and of walks, until they are brought back. */
const map = useMap()
const drag = useDrag()
const { down } = useDragSource()
const frame = ref<HTMLElement | null>(null)
const input = ref<InstanceType<typeof NInput> | null>(null)
const idea = ref('')

const parked = computed(() => childrenOf(map.tree, LOT).map((id) => {
    const topic = map.tree.topics.get(id)
    const home = topic?.parked == null || topic.parked === id ? null : map.tree.topics.get(topic.parked)
    return { id, title: topicName(topic?.title), below: branchOf(map.tree, id).length - 1, home: home === null || home === undefined ? null : topicName(home.title) }
}))

const leave = drag.offer({
    element: () => frame.value,
    landingAt: () => ({ region: 'lot', place: 'lot', words: 'in the parking lot', mark: { x: 0, y: 0, w: 0, h: 0, into: true }, over: null }),
})
onBeforeUnmount(leave)
onMounted(() => void nextTick(() => input.value?.focus()))

function write(): void {
    const title = idea.value.trim()
    if (title !== '') {
        const id = newId()
        const step = newId()
        map.edit({ name: 'topic.add', step, parent: map.current ?? map.tree.root, topic: { id, title } }, { name: 'topic.park', step, topics: [id] })
        idea.value = ''
    }
}

function bringBack(id: string): void {
    map.edit({ name: 'topic.bring-back', topics: [id] })
    map.goOnAfterAnswer(() => map.choose(id))
}

/** Below the topic that is chosen now. */
function putHere(id: string): void {
    if (map.current !== null) {
        map.edit({ name: 'topic.move', topics: [id], parent: map.current })
    }
}
</script>

<template>
    <SidePanel :title="`Parking lot · ${parked.length}`">
        <div ref="frame" class="lot" :class="{ over: drag.landing?.region === 'lot' }">
            <NInput ref="input" v-model:value="idea" placeholder="An idea for another time, and Enter" :maxlength="2000" :input-props="{ 'aria-label': 'An idea for another time' }" @keydown.enter="write" />
            <p v-if="parked.length === 0" class="empty">Nothing is parked. Drag topics here, or press Alt+P on one: it waits here, out of exports and walks.</p>
            <ul v-else>
                <li v-for="one in parked" :key="one.id" @pointerdown="down($event, one.id)">
                    <strong>{{ one.title }}</strong>
                    <small>{{ one.below > 0 ? `${one.below} below · ` : '' }}{{ one.home === null ? 'was loose' : `from ${one.home}` }}</small>
                    <span class="acts">
                        <NButton size="tiny" secondary @pointerdown.stop @click="bringBack(one.id)">Bring back</NButton>
                        <NButton size="tiny" quaternary @pointerdown.stop @click="putHere(one.id)">Below the chosen topic</NButton>
                        <NButton size="tiny" quaternary @pointerdown.stop @click="map.edit({ name: 'topic.remove', topics: [one.id] })">Remove</NButton>
                    </span>
                </li>
            </ul>
        </div>
    </SidePanel>
</template>

<style scoped>
.lot { flex: 1; border-radius: 8px; }
.lot.over { outline: 2px dashed var(--tide); outline-offset: 6px; background: color-mix(in srgb, var(--tide) 8%, transparent); }
.empty { color: var(--soft); }
ul { list-style: none; margin: 12px 0 0; padding: 0; display: grid; gap: 8px; }
li { display: grid; gap: 2px; padding: 8px 10px 8px 14px; border: 1px solid var(--edge); border-left: 4px solid var(--driftwood); border-radius: 6px; cursor: grab; user-select: none; background: var(--slip); }
strong { overflow-wrap: anywhere; font-weight: 400; }
small { color: var(--soft); }
.acts { display: flex; flex-wrap: wrap; gap: 4px; margin-top: 4px; }
</style>
