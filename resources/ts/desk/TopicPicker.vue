<script setup lang="ts">
import { useDebounceFn } from '@vueuse/core'
import { NInput, type InputInst } from 'naive-ui'
import { onMounted, ref, shallowRef, watch } from 'vue'
import { api, topicAddress } from '@/api/client'
import { latest } from '@/api/latest'
import { useMap } from '@/stores/map'

/** Finds a topic, here or in another map, by typing its name; what is taken is a link to it. */
const emit = defineEmits<{ take: [title: string, address: string]; leave: [] }>()
const map = useMap()
const typed = ref('')
const at = ref(0)
const hits = shallowRef<readonly { key: string; title: string; more: string; address: string }[]>([])
const field = ref<InputInst | null>(null)
const asking = latest()

const ask = useDebounceFn(async () => {
    const isWanted = asking.begin()
    const answer = typed.value.trim() === '' ? { topics: [] } : await api.quick(typed.value.trim(), map.id).catch(() => ({ topics: [] }))
    if (isWanted()) {
        hits.value = answer.topics.slice(0, 8).map((one) => ({ key: `${one.map} ${one.topic}`, title: one.title || 'Untitled', more: one.map === map.id ? one.trail.join(' › ') : one.mapTitle, address: new URL(topicAddress(one.map, one.topic), location.href).pathname }))
        at.value = 0
    }
}, 90)
watch(typed, () => void ask())

onMounted(() => field.value?.focus())
function take(hit: (typeof hits.value)[number] | undefined): void {
    if (hit !== undefined) {
        emit('take', hit.title, hit.address)
    }
}
function key(event: KeyboardEvent): void {
    const by = { ArrowDown: 1, ArrowUp: -1 }[event.key]
    if (event.key === 'Enter') {
        event.preventDefault()
        take(hits.value[at.value])
    } else if (event.key === 'Escape') {
        event.stopPropagation()
        emit('leave')
    } else if (by !== undefined && hits.value.length > 0) {
        event.preventDefault()
        at.value = (at.value + by + hits.value.length) % hits.value.length
    }
}
</script>

<template>
    <div class="picker">
        <NInput ref="field" v-model:value="typed" size="small" placeholder="Name of a topic" :input-props="{ 'aria-label': 'Name of the topic to link to', dir: 'auto' }" @keydown="key" />
        <ul><li v-for="(hit, i) in hits" :key="hit.key" :class="{ on: i === at }" @pointerdown.prevent @pointermove="at = i" @click="take(hit)"><span dir="auto">{{ hit.title }}</span><small>{{ hit.more }}</small></li></ul>
        <p v-if="typed.trim() !== '' && hits.length === 0">No topic is called so.</p>
    </div>
</template>

<style scoped>
.picker { margin-bottom: 6px; padding: 6px; border: 1px solid var(--edge); border-radius: 7px; }
ul { list-style: none; margin: 4px 0 0; padding: 0; }
li { display: flex; gap: 8px; align-items: baseline; padding: 4px 6px; border-radius: 5px; cursor: pointer; }
li.on { background: color-mix(in srgb, var(--tide) 18%, transparent); }
span { overflow: hidden; text-overflow: ellipsis; white-space: nowrap; }
small { margin-left: auto; flex: none; max-width: 45%; color: var(--soft); overflow: hidden; text-overflow: ellipsis; white-space: nowrap; }
p { margin: 4px 0 0; color: var(--soft); font-size: 13px; }
</style>
