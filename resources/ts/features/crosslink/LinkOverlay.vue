<script setup lang="ts">
import { NButton, NInput } from 'naive-ui'
import { computed, defineAsyncComponent, nextTick, ref, useTemplateRef, watch } from 'vue'
import { useCamera } from '@/board/cameraStore'
import { nearestTowards, type Direction } from '@/board/geometry'
import { useMap } from '@/stores/map'
import { topicName } from '@/text/titleMarkdown'
import { useUi } from '@/ui/uiStore'
import { useLinks } from './linkStore'

/** While a cross-link looks for its other end: a name is typed, the arrows go from topic to topic, Enter ties, Escape leaves all as it was. */
const SentencesPanel = defineAsyncComponent(() => import('./SentencesPanel.vue'))
const MOST = 6

const map = useMap()
const camera = useCamera()
const links = useLinks()
const ui = useUi()
const field = useTemplateRef<{ focus: () => void }>('field')
const typed = ref('')
const at = ref(0)

const from = computed(() => {
    const { from: ids, moves } = links.tying ?? { from: [] }
    const name = ids.length === 1 ? links.titleOf(ids[0] ?? '') : `${ids.length} topics`
    return moves === undefined ? `Tie ${name} to` : moves.end === 'to' ? 'Let it end at' : 'Let it begin at'
})
const hits = computed(() => {
    const words = typed.value.trim().toLowerCase()
    if (words === '' || links.tying === null) {
        return []
    }
    const all = [...map.tree.topics.values()].filter((topic) => topicName(topic.title).toLowerCase().includes(words) && links.canEnd(topic.id))
    return all.sort((a, b) => Number(!topicName(a.title).toLowerCase().startsWith(words)) - Number(!topicName(b.title).toLowerCase().startsWith(words))).slice(0, MOST)
})
watch(() => links.tying, (now) => {
    typed.value = ''
    at.value = 0
    if (now !== null) {
        void nextTick(() => field.value?.focus())
    }
}, { immediate: true })
watch(hits, () => (at.value = 0))
watch([hits, at], () => {
    const hit = hits.value[at.value]
    if (hit !== undefined) {
        links.target = hit.id
        map.uncover(hit.id, 'board')
        camera.reveal(hit.id)
    } else if (typed.value !== '') {
        links.target = null
    }
})

function end(): void {
    ui.focusRegion(map.region)
}
function leave(): void {
    links.cancel()
    end()
}
function take(): void {
    if (links.target !== null && links.take(links.target) && links.phrasing === null) {
        end()
    }
}

function key(event: KeyboardEvent): void {
    const direction = ({ ArrowUp: 'up', ArrowDown: 'down', ArrowLeft: 'left', ArrowRight: 'right' } as Record<string, Direction | undefined>)[event.key]
    if (event.key === 'Escape' || event.key === 'Enter') {
        event.preventDefault()
        event.stopPropagation()
        ;(event.key === 'Enter' ? take : leave)()
    } else if (direction !== undefined && hits.value.length > 1 && (direction === 'up' || direction === 'down')) {
        event.preventDefault()
        at.value = (at.value + (direction === 'down' ? 1 : -1) + hits.value.length) % hits.value.length
    } else if (direction !== undefined && typed.value === '') {
        event.preventDefault()
        go(direction)
    }
}

/** To the next topic in a direction that can be an end. */
function go(direction: Direction): void {
    let next: string | null = links.target ?? links.tying?.from[links.tying.from.length - 1] ?? null
    for (let n = 0; n < 8 && next !== null; n++) {
        next = nearestTowards(camera.boxes, camera.drawn, map.tree, next, direction)
        if (next !== null && links.canEnd(next)) {
            links.target = next
            camera.reveal(next)
            return
        }
    }
}
</script>

<template>
    <SentencesPanel v-if="links.isReading" />
    <aside v-if="links.tying !== null" class="tying" role="dialog" aria-label="Draw a cross-link" @keydown="key">
        <label><span>{{ from }}</span><NInput ref="field" v-model:value="typed" size="small" placeholder="its name" :input-props="{ 'aria-label': 'Name of the topic to tie to', dir: 'auto' }" /></label>
        <ul v-if="hits.length > 0"><li v-for="(hit, i) in hits" :key="hit.id" :class="{ on: i === at }" @pointerdown.prevent @click="links.take(hit.id)">{{ topicName(hit.title) }}</li></ul>
        <p v-else-if="typed.trim() !== ''">No topic is called so.</p>
        <p v-else-if="links.target !== null">{{ links.titleOf(links.target) }}</p>
        <p v-else>Type a name, go there with the arrows, or click a topic.</p>
        <div><NButton size="tiny" type="primary" :disabled="links.target === null" @click="take">Tie</NButton><NButton size="tiny" secondary @click="leave">Leave it</NButton></div>
        <span class="unseen" role="status">{{ links.target === null ? '' : links.titleOf(links.target) }}</span>
    </aside>
</template>

<style scoped>
.tying { position: fixed; left: 50%; top: 64px; transform: translateX(-50%); z-index: 30; width: min(420px, calc(100vw - 32px)); box-sizing: border-box; display: grid; gap: 6px; padding: 10px 14px; background: var(--slip); border: 1px solid var(--edge); border-left: 5px solid var(--tide); border-radius: 10px; box-shadow: 0 6px 24px rgb(0 0 0 / 16%); font-size: 14.5px; }
label { display: grid; grid-template-columns: auto minmax(120px, 1fr); gap: 10px; align-items: center; }
label > span { overflow: hidden; text-overflow: ellipsis; white-space: nowrap; max-width: 230px; }
p { margin: 0; color: var(--soft); font-size: 13.5px; }
ul { list-style: none; margin: 0; padding: 0; }
li { padding: 3px 8px; border-radius: 5px; cursor: pointer; overflow: hidden; text-overflow: ellipsis; white-space: nowrap; }
li.on, li:hover { background: color-mix(in srgb, var(--tide) 20%, transparent); }
div { display: flex; gap: 6px; justify-content: flex-end; }
</style>
