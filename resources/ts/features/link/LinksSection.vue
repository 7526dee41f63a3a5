<script setup lang="ts">
import { useDebounceFn } from '@vueuse/core'
import { NInput, type InputInst } from 'naive-ui'
import { computed, defineAsyncComponent, nextTick, ref, shallowRef, watch } from 'vue'
import { api } from '@/api/client'
import { latest } from '@/api/latest'
import type { PointingAnswer } from '@/api/wire'
import { useActions } from '@/actions/useActions'
import { useBeside } from '@/stores/beside'
import { useMap } from '@/stores/map'
import { usedIn } from '@/text/usedIn'
import { useUi } from '@/ui/uiStore'
import { addressIn, leadingTo, type Out } from './outs'
import { useOuts } from './outStore'

const OutList = defineAsyncComponent(() => import('./OutList.vue'))

/** Where what is chosen leads, a field for more, and what leads here. */
const map = useMap()
const beside = useBeside()
const links = useOuts()
const { keyOf } = useActions()
const ui = useUi()

const from = computed(() => beside.current ?? '')
const outs = computed<Out[]>(() => (from.value === '' ? [] : links.of(from.value)))

const field = ref<InputInst | null>(null)
const typed = ref('')
const at = ref(0)
interface Hit { readonly key: string; readonly name: string; readonly more: string; readonly take: () => void }
const hits = shallowRef<readonly Hit[]>([])
const asking = latest()
const ask = useDebounceFn(async () => {
    const [isWanted, words] = [asking.begin(), typed.value.trim()]
    const answer = words === '' || addressIn(words) !== null ? { maps: [], topics: [] } : await api.quick(words, map.id).catch(() => ({ maps: [], topics: [] }))
    if (!isWanted()) {
        return
    }
    const topics = answer.topics.filter(({ topic }) => !beside.chosen.includes(topic)).map((one): Hit => ({
        key: one.topic, name: one.title || 'Untitled', more: one.map === map.id ? 'see also' : one.mapTitle,
        take: () => (one.map === map.id ? links.tie(map.chosen, one.topic) : void links.add(map.chosen, `${location.origin}/maps/${one.map}/topics/${one.topic}`, one.title.slice(0, 300))),
    }))
    const maps = answer.maps.filter(({ id }) => id !== map.id).map((one): Hit => ({ key: one.id, name: one.title, more: 'map', take: () => void links.add(map.chosen, `${location.origin}/maps/${one.id}`, one.title.slice(0, 300)) }))
    hits.value = [...filesCalled(words), ...topics, ...maps].slice(0, 8)
    at.value = 0
}, 90)
/** The files of the map that are called so. */
function filesCalled(words: string): Hit[] {
    const called = words.toLocaleLowerCase().split(/\s+/)
    const found = new Map([...map.tree.rows.values()].filter(({ type }) => type === 'file').map(({ fields }) => [String(fields.source), String(fields.name)]))
    return words === '' ? [] : [...found].filter(([, name]) => called.every((word) => name.toLocaleLowerCase().includes(word))).slice(0, 4)
        .map(([source, name]) => ({ key: source, name, more: 'file', take: () => void links.add(map.chosen, source) }))
}
watch(typed, () => void ask())
const isNone = computed(() => typed.value.trim() !== '' && hits.value.length === 0 && addressIn(typed.value) === null)

function take(hit: Hit | undefined): void {
    if (hit !== undefined) {
        hit.take()
    } else if (!links.add(map.chosen, typed.value)) {
        return
    }
    typed.value = ''
    hits.value = []
}
function key(event: KeyboardEvent): void {
    const by = { ArrowDown: 1, ArrowUp: -1 }[event.key]
    if (event.key === 'Enter') {
        event.preventDefault()
        take(hits.value[at.value])
    } else if (event.key === 'Escape') {
        typed.value = ''
        ui.focusRegion(map.region)
    } else if (by !== undefined && hits.value.length > 0) {
        event.preventDefault()
        at.value = (at.value + by + hits.value.length) % hits.value.length
    }
}
watch(() => links.wantsField, (wants) => wants > 0 && void nextTick(() => field.value?.focus()), { immediate: true })

/** What leads here: from this map at once, from others when that is asked for by looking at the topic for a moment. */
const here = computed(() => (from.value === '' ? [] : leadingTo(beside.tree, from.value)))
const elsewhere = shallowRef<PointingAnswer['pointing']>([])
const used = computed(() => (from.value === '' ? [] : usedIn(beside.tree, map.id, from.value)))
const usedElsewhere = computed(() => elsewhere.value.filter(({ isInNote }) => isInNote))
const wanting = latest()
const askElsewhere = useDebounceFn(async () => {
    const isWanted = wanting.begin()
    const answer = from.value === '' ? { pointing: [] } : await api.pointing(map.id, from.value).catch(() => ({ pointing: [] }))
    if (isWanted()) {
        elsewhere.value = answer.pointing
    }
}, 350)
watch([from, () => map.id], () => {
    elsewhere.value = []
    void askElsewhere()
}, { immediate: true })
</script>

<template>
    <OutList v-if="outs.length > 0" :outs="outs" :from="from" />
    <div class="new">
        <NInput ref="field" v-model:value="typed" size="small" placeholder="Link: an address, or a name" :title="keyOf('link.add')" :input-props="{ 'aria-label': 'Add a link', dir: 'auto', role: 'combobox', 'aria-expanded': hits.length > 0 }" @keydown="key" />
        <ul v-if="hits.length > 0" class="hits"><li v-for="(hit, i) in hits" :key="hit.key" :class="{ on: i === at }" @pointerdown.prevent @pointermove="at = i" @click="take(hit)"><span dir="auto">{{ hit.name }}</span><small>{{ hit.more }}</small></li></ul>
        <p v-else-if="isNone">No topic and no map is called so, and it is no address.</p>
    </div>
    <div v-if="here.length + elsewhere.length - usedElsewhere.length > 0" class="pointing">
        <span class="words">What leads here</span>
        <ul>
            <li v-for="topic in here" :key="topic"><button @click="links.open(map.id, topic)">{{ links.titleOf(topic) }}</button></li>
            <li v-for="one in elsewhere.filter(({ isInNote }) => !isInNote)" :key="`${one.map} ${one.topic}`"><button @click="links.open(one.map, one.topic)">{{ one.title || 'Untitled' }} <small>{{ one.mapTitle }}</small></button></li>
        </ul>
    </div>
    <div v-if="used.length + usedElsewhere.length > 0" class="pointing">
        <span class="words">Used in, or named by the note of</span>
        <ul>
            <li v-for="topic in used" :key="topic"><button @click="links.open(map.id, topic)">{{ links.titleOf(topic) }}</button></li>
            <li v-for="one in usedElsewhere" :key="`${one.map} ${one.topic}`"><button @click="links.open(one.map, one.topic)">{{ one.title || 'Untitled' }} <small>{{ one.mapTitle }}</small></button></li>
        </ul>
    </div>
</template>

<style scoped>
.new { position: relative; margin-bottom: 10px; }
.new p { margin: 4px 0 0; font-size: 13px; color: var(--soft); }
ul { list-style: none; margin: 0; padding: 0; }
.hits { border: 1px solid var(--edge); border-radius: 8px; background: var(--slip); margin-top: 4px; overflow: hidden; }
.hits li { display: flex; gap: 8px; align-items: baseline; padding: 4px 8px; cursor: pointer; }
.hits li.on { background: color-mix(in srgb, var(--tide) 18%, transparent); }
.hits span { overflow: hidden; text-overflow: ellipsis; white-space: nowrap; }
small { color: var(--soft); margin-left: auto; flex: none; max-width: 50%; overflow: hidden; text-overflow: ellipsis; white-space: nowrap; }
.pointing { margin-bottom: 10px; }
.words { font-size: 13px; color: var(--soft); }
.pointing button { width: 100%; display: flex; gap: 8px; border: 0; background: none; color: var(--ink); font: inherit; text-align: start; padding: 3px 6px; border-radius: 5px; cursor: pointer; }
.pointing button:hover, .pointing button:focus-visible { background: color-mix(in srgb, var(--tide) 16%, transparent); }
</style>
