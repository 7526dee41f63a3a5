<script setup lang="ts">
import { NInput, NModal } from 'naive-ui'
import { computed, nextTick, ref } from 'vue'
import { moveBelow } from '@/actions/shapeActions'
import { useMap } from '@/stores/map'
import { ancestorsOf, childrenOf } from '@/stores/tree'
import { plainTitle } from '@/text/titleMarkdown'
import { usePickList } from './usePickList'
import { useUi } from './uiStore'

/** Moves what is chosen below a topic found by its name: the quick way to sort a long list by keys. */
const MOST = 40

const ui = useUi()
const map = useMap()
const words = ref('')

const places = computed(() => {
    const chosen = new Set(map.chosen)
    return [...map.tree.topics.values()]
        .filter((topic) => topic.parked === null && !chosen.has(topic.id) && !ancestorsOf(map.tree, topic.id).some((above) => chosen.has(above)))
        .map((topic) => ({ id: topic.id, name: plainTitle(topic.title).replace(/\s+/g, ' '), depth: ancestorsOf(map.tree, topic.id).length, below: childrenOf(map.tree, topic.id).length }))
        .filter((place) => place.name !== '')
})

/** Names that begin with what is typed come first, then those higher up; with nothing typed, the one used last. */
const found = computed(() => {
    const wanted = words.value.trim().toLowerCase()
    const rank = (name: string): number => (name.toLowerCase().startsWith(wanted) ? 0 : name.toLowerCase().includes(` ${wanted}`) ? 1 : 2)
    return places.value
        .filter((place) => place.name.toLowerCase().includes(wanted))
        .sort((a, b) => Number(b.id === ui.movedTo && wanted === '') - Number(a.id === ui.movedTo && wanted === '') || rank(a.name) - rank(b.name) || a.depth - b.depth)
        .slice(0, MOST)
        .map((place) => ({ ...place, trail: ancestorsOf(map.tree, place.id).reverse().map((id) => plainTitle(map.tree.topics.get(id)?.title ?? '')).join(' › ') }))
})

const { at, current, move } = usePickList(words, found)

function pick(id: string | undefined): void {
    close()
    if (id !== undefined) {
        ui.movedTo = id
        moveBelow(map, id)
    }
}

function close(): void {
    ui.panel = null
    void nextTick(() => ui.focusRegion(map.region))
}
</script>

<template>
    <NModal :show="true" :auto-focus="true" aria-label="Move below" @update:show="close">
        <div class="move" role="dialog" aria-label="Move below" @keydown.down.prevent="move(1)" @keydown.up.prevent="move(-1)" @keydown.enter.prevent="pick(current?.id)" @keydown.escape.prevent.stop="close">
            <NInput v-model:value="words" size="large" :placeholder="map.chosen.length === 1 ? 'Move it below …' : `Move ${map.chosen.length} topics below …`" :input-props="{ 'aria-label': 'Move below' }" />
            <ul ref="list" role="listbox">
                <li v-for="(place, i) in found" :key="place.id" role="option" :class="{ current: i === at }" :aria-selected="i === at" @pointermove="at = i" @click="pick(place.id)">
                    <span>{{ place.name }}</span><small>{{ place.trail }}</small>
                </li>
                <li v-if="found.length === 0" class="none">No topic of this map is called so.</li>
            </ul>
        </div>
    </NModal>
</template>

<style scoped>
.move { width: min(520px, calc(100vw / var(--size, 1) - 24px)); background: var(--slip); border: 1px solid var(--edge); border-radius: 12px; padding: 10px; box-shadow: 0 16px 50px rgb(0 0 0 / 30%); }
ul { list-style: none; margin: 8px 0 0; padding: 0; max-height: min(380px, calc(56vh / var(--size, 1))); overflow: auto; }
li { display: flex; gap: 10px; align-items: baseline; padding: 6px 10px; border-radius: 6px; cursor: pointer; }
li.current { background: color-mix(in srgb, var(--tide) 20%, transparent); box-shadow: inset 3px 0 0 var(--tide); }
li.none { color: var(--soft); cursor: default; }
span { overflow: hidden; text-overflow: ellipsis; white-space: nowrap; }
small { color: var(--soft); margin-left: auto; overflow: hidden; text-overflow: ellipsis; white-space: nowrap; max-width: 50%; flex: none; }
</style>
