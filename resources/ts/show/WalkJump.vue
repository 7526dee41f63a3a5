<script setup lang="ts">
import { useVirtualList } from '@vueuse/core'
import { NInput } from 'naive-ui'
import { computed, nextTick, onMounted, ref, watch } from 'vue'
import { depthOf } from '@/stores/tree'
import { useWalkWay } from './walkWay'

/** The topics of the walk, narrowed by what is typed: some letters of each word, or the number of a stop. */
const way = useWalkWay()
const LINE = 31

const words = ref('')
const field = ref<InstanceType<typeof NInput> | null>(null)
const all = computed(() => {
    const tops = way.stops.map((id) => depthOf(way.tree, id))
    const least = Math.min(...tops)
    return way.stops.map((id, i) => ({ id, n: i + 1, title: way.nameOf(id), depth: (tops[i] ?? 0) - least }))
})
const found = computed(() => {
    const wanted = words.value.toLocaleLowerCase().split(/\s+/).filter((word) => word !== '')
    const number = /^\d+$/.test(words.value.trim()) ? Number(words.value) : null
    const hits = all.value.filter(({ title }) => wanted.every((word) => title.toLocaleLowerCase().includes(word)))
    const numbered = all.value.filter(({ n, id }) => n === number && !hits.some((one) => one.id === id))
    return [...numbered, ...hits]
})
const at = ref(0)
const { list, containerProps, wrapperProps, scrollTo } = useVirtualList(found, { itemHeight: LINE })
const near = (): void => void nextTick(() => scrollTo(Math.max(0, at.value - 6)))
watch(words, () => {
    at.value = 0
    near()
})
onMounted(() => {
    at.value = Math.max(0, way.place)
    near()
    void nextTick(() => field.value?.focus())
})

function go(id: string | undefined): void {
    if (id !== undefined) {
        way.panel = null
        way.go(id)
    }
}
function key(event: KeyboardEvent): void {
    const by = { ArrowDown: 1, ArrowUp: -1, PageDown: 10, PageUp: -10 }[event.key]
    if (by !== undefined) {
        event.preventDefault()
        at.value = Math.min(found.value.length - 1, Math.max(0, at.value + by))
        near()
    } else if (event.key === 'Enter') {
        event.preventDefault()
        go(found.value[at.value]?.id)
    } else if (event.key === 'Escape') {
        event.preventDefault()
        event.stopPropagation()
        way.panel = null
    }
}
</script>

<template>
    <section class="jump" role="dialog" aria-label="Jump to a topic" @keydown="key">
        <NInput ref="field" v-model:value="words" placeholder="A few letters, or a number" clearable :input-props="{ 'aria-label': 'Where to', role: 'combobox', 'aria-controls': 'jump-list', 'aria-activedescendant': `jump-${found[at]?.id ?? ''}` }" />
        <p v-if="found.length === 0" class="none">No topic of the walk says that.</p>
        <div v-bind="containerProps" class="jumps">
            <ol id="jump-list" v-bind="wrapperProps" role="listbox" aria-label="Topics of the walk">
                <li v-for="{ data: one, index } in list" :id="`jump-${one.id}`" :key="one.id" role="option" :aria-selected="index === at" :class="{ at: index === at, here: index + 1 === way.place + 1 && words === '' }" @click="go(one.id)">
                    <i>{{ one.n }}</i><span :style="{ paddingLeft: words === '' ? `${one.depth * 14}px` : '0' }">{{ one.title }}</span>
                </li>
            </ol>
        </div>
    </section>
</template>

<style scoped>
.jump { display: flex; flex-direction: column; gap: 8px; }
.jumps { flex: 1; min-height: 0; overflow: auto; }
ol { list-style: none; margin: 0; padding: 0; }
li { display: flex; gap: 10px; align-items: baseline; height: 31px; box-sizing: border-box; padding: 4px 10px; border-radius: 6px; cursor: pointer; white-space: nowrap; overflow: hidden; }
li span { overflow: hidden; text-overflow: ellipsis; }
i { flex: none; min-width: 24px; text-align: right; font-style: normal; font-size: 12.5px; color: var(--soft); font-variant-numeric: tabular-nums; }
li:hover { background: color-mix(in srgb, var(--tide) 12%, transparent); }
li.at { background: color-mix(in srgb, var(--tide) 22%, transparent); }
li.here { font-weight: 700; }
.none { margin: 0; color: var(--soft); font-size: 14px; }
</style>
