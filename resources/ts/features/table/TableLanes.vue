<script setup lang="ts">
import { computed, nextTick, onBeforeUnmount, onMounted, ref, watch } from 'vue'
import { newId, useMap } from '@/stores/map'
import { ancestorsOf } from '@/stores/tree'
import { plainTitle } from '@/text/titleMarkdown'
import { usePointerDrag } from '@/ui/usePointerDrag'
import { useTable, type Item } from './tableStore'

/** The rows as cards in lanes, one for each head; a card that goes to another lane gets what that stands for. */
const map = useMap()
const table = useTable()
const frame = ref<HTMLElement | null>(null)
const MOST = 200
const NONE = 'None'

interface Lane { readonly head: string; readonly topics: readonly string[] }
const lanes = computed<readonly Lane[]>(() => {
    const all: { head: string; topics: string[] }[] = []
    for (const item of table.items as Item[]) {
        if (item.topic === null) {
            all.push({ head: item.head, topics: [] })
        } else {
            all.at(-1)?.topics.push(item.topic)
        }
    }
    return all
})
watch(lanes, (now) => table.see(now.flatMap(({ topics }) => topics.slice(0, MOST))), { immediate: true })

const by = computed(() => table.field('by'))
const byColumn = computed(() => table.answer?.all.find(({ key }) => key === by.value))
/** Days, numbers and what follows from other things stand in lanes and stay there. */
const moves = computed(() => !['by', 'begins', 'effort', 'words'].includes(by.value))
const details = computed(() => table.columns.flatMap(({ key, words }, i) => (key === 'title' || key === by.value ? [] : [{ i, words }])))

const at = ref<{ topic: string; lane: number } | null>(null)
const over = ref<number | null>(null)
const held = ref<string | null>(null)

function put(topic: string, lane: number, from: number): void {
    const head = lanes.value[lane]?.head
    if (head === undefined || lane === from || !moves.value) {
        return
    }
    if (by.value === 'above' || by.value === 'branch') {
        hang(topic, lane)
        return
    }
    // Of one who stands in several lanes, the one taken is changed and the others stay.
    const others = lanes.value.flatMap((one, i) => (i !== from && i !== lane && one.head !== NONE && one.topics.includes(topic) ? [one.head] : []))
    void table.put([{ topic, column: by.value, text: [...others, ...(head === NONE ? [] : [head])].join(', ') }])
    at.value = { topic, lane }
}
/** In lanes by what stands above, a card that goes to another hangs on what the others there hang on. */
function hang(topic: string, lane: number): void {
    const other = lanes.value[lane]?.topics.find((one) => one !== topic)
    const above = other === undefined ? [] : ancestorsOf(map.tree, other)
    const parent = by.value === 'above' ? above[0] : above.length > 1 ? above[above.length - 2] : other
    if (parent !== undefined && parent !== topic && !ancestorsOf(map.tree, parent).includes(topic)) {
        map.edit({ name: 'topic.move', step: newId(), topics: [topic], parent })
        at.value = { topic, lane }
    }
}
let fromLane = 0
const { down } = usePointerDrag({
    begin: (id) => {
        held.value = moves.value ? id : null
        return moves.value
    },
    follow: (event) => {
        const lane = document.elementFromPoint(event.clientX, event.clientY)?.closest<HTMLElement>('[data-lane]')
        over.value = lane == null ? null : Number(lane.dataset.lane)
    },
    drop: () => held.value !== null && over.value !== null && put(held.value, over.value, fromLane),
    end: () => {
        held.value = null
        over.value = null
    },
})
function press(event: PointerEvent, topic: string, lane: number): void {
    at.value = { topic, lane }
    fromLane = lane
    map.choose(topic)
    frame.value?.focus({ preventScroll: true })
    down(event, topic)
}
function move(along: number, across: number): void {
    const now = at.value ?? { topic: '', lane: lanes.value.findIndex(({ topics }) => topics.length > 0) }
    const line = Math.max(0, lanes.value[now.lane]?.topics.indexOf(now.topic) ?? 0)
    // The first press comes to a card at all.
    const way = now.topic === '' ? 0 : Math.sign(across)
    let lane = now.lane + way
    while (way !== 0 && lanes.value[lane] !== undefined && lanes.value[lane]?.topics.length === 0) {
        lane += way
    }
    const topics = lanes.value[lane]?.topics ?? []
    const topic = topics[Math.min(topics.length - 1, Math.max(0, now.topic === '' ? 0 : line + along))]
    if (topic !== undefined) {
        at.value = { topic, lane }
        map.choose(topic)
        void nextTick(() => frame.value?.querySelector('.card.at')?.scrollIntoView({ block: 'nearest', inline: 'nearest' }))
    }
}
table.hand = { move, shift: (_lines, across) => at.value !== null && across !== 0 && put(at.value.topic, at.value.lane + across, at.value.lane) }
onBeforeUnmount(() => (table.hand = null))
onMounted(() => {
    const lane = lanes.value.findIndex(({ topics }) => map.current !== null && topics.includes(map.current))
    at.value = lane >= 0 && map.current !== null ? { topic: map.current, lane } : null
    frame.value?.focus({ preventScroll: true })
})
watch(() => table.wanted, () => void nextTick(() => frame.value?.focus({ preventScroll: true })))
</script>

<template>
    <div ref="frame" class="lanes" tabindex="0" data-scope="table" data-focus="table" role="group" :aria-label="`Lanes by ${byColumn?.words ?? ''}`" @focus="map.region = 'outline'">
        <section v-for="(lane, l) in lanes" :key="lane.head" class="lane" :data-lane="l" :class="{ over: over === l && moves }" :aria-label="lane.head">
            <header><strong>{{ lane.head }}</strong><span>{{ lane.topics.length }}</span></header>
            <ul>
                <li
                    v-for="topic in lane.topics.slice(0, MOST)" :key="topic" class="card" :class="{ at: at?.topic === topic && at.lane === l, chosen: map.chosen.includes(topic), held: held === topic, still: !moves }"
                    :aria-current="at?.topic === topic && at.lane === l" @pointerdown="press($event, topic, l)">
                    <strong dir="auto">{{ plainTitle(map.tree.topics.get(topic)?.title ?? '') || 'Untitled' }}</strong>
                    <small v-for="one in details.filter(({ i }) => table.told(topic, i) !== '')" :key="one.i" dir="auto"><span>{{ one.words }}</span> {{ table.told(topic, one.i) }}</small>
                </li>
                <li v-if="lane.topics.length > MOST" class="more">and {{ lane.topics.length - MOST }} more; the rows show them all</li>
                <li v-if="lane.topics.length === 0" class="more">Nothing here.</li>
            </ul>
        </section>
    </div>
</template>

<style scoped>
.lanes { flex: 1; min-height: 0; display: flex; gap: 12px; padding: 12px; overflow-x: auto; outline: none; background: var(--paper); user-select: none; }
.lane { flex: 0 0 240px; display: flex; flex-direction: column; min-height: 0; border-radius: 10px; background: color-mix(in srgb, var(--edge) 26%, var(--slip)); border: 2px solid transparent; }
.lane.over { border: 2px dashed var(--tide); }
.lane header { display: flex; justify-content: space-between; padding: 9px 12px 6px; }
.lane header span { color: var(--soft); font-size: 13px; }
ul { list-style: none; margin: 0; padding: 2px 8px 10px; overflow-y: auto; display: flex; flex-direction: column; gap: 7px; }
.card { background: var(--slip); border: 1px solid var(--edge); border-radius: 7px; padding: 8px 10px; cursor: grab; display: flex; flex-direction: column; gap: 3px; }
.card.still { cursor: default; }
.card strong { font-weight: 600; overflow-wrap: anywhere; }
.card small { color: var(--soft); font-size: 12.5px; overflow-wrap: anywhere; }
.card.chosen { border-color: var(--tide); }
.lanes:focus-within .card.at { box-shadow: 0 0 0 2px var(--tide); }
.card.held { opacity: 0.45; }
.more { color: var(--soft); font-size: 13px; padding: 4px; }
</style>
