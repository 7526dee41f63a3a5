<script setup lang="ts">
import { useEventListener, useTimeoutFn, useVirtualList } from '@vueuse/core'
import { NButton, NSlider } from 'naive-ui'
import { computed, nextTick, ref, watch } from 'vue'
import { useActions } from '@/actions/useActions'
import { useMap } from '@/stores/map'
import { usePreferences } from '@/stores/preferences'
import { ancestorsOf } from '@/stores/tree'
import { topicName, plainTitle } from '@/text/titleMarkdown'
import ActionHint from '@/ui/ActionHint.vue'
import { useWalk } from './walkStore'

/** The tools of a walk. They come when the pointer moves or a key asks, and go again by themselves. */
const STAY = 2600

const walk = useWalk()
const map = useMap()
const preferences = usePreferences()
const { run } = useActions()
const here = ref(true)
const { start } = useTimeoutFn(() => (here.value = walk.listOpen), STAY)

useEventListener(window, ['pointermove', 'focusin'], () => {
    here.value = true
    start()
})

const place = computed(() => `${walk.stops.indexOf(walk.at ?? '') + 1} of ${walk.stops.length}`)
const JUMP = 31
const jumps = computed(() => walk.stops.map((id) => ({ id, title: topicName(map.tree.topics.get(id)?.title), depth: ancestorsOf(walk.tree, id).length })))
const { list, containerProps, wrapperProps, scrollTo } = useVirtualList(jumps, { itemHeight: JUMP })
watch(() => walk.listOpen, (open) => open && void nextTick(() => scrollTo(Math.max(0, walk.stops.indexOf(walk.at ?? '') - 6))))
const ways = computed(() => [
    { id: 'walk.back', text: 'Back', can: walk.trail.length > 0 },
    { id: 'walk.on', text: 'On', can: walk.next !== null },
    { id: 'walk.deeper', text: 'Deeper', can: walk.deeper !== null },
    { id: 'walk.skip', text: 'Skip', can: walk.skip !== null },
])

function jump(id: string): void {
    walk.go(id)
    walk.listOpen = false
}
</script>

<template>
    <p class="unseen" aria-live="assertive">{{ plainTitle(map.tree.topics.get(walk.at ?? '')?.title ?? '') }}</p>
    <div class="walk" :class="{ here: here || walk.listOpen }" role="toolbar" aria-label="Walk">
        <ActionHint v-for="way in ways" :id="way.id" :key="way.id">
            <NButton :disabled="!way.can" :type="way.id === 'walk.on' ? 'primary' : 'default'" @click="run(way.id)">{{ way.text }}</NButton>
        </ActionHint>
        <span class="place">{{ place }}</span>
        <NButton :aria-expanded="walk.listOpen" @click="run('walk.list')">Jump</NButton>
        <label class="dim">Dim<NSlider v-model:value="preferences.walkDim" :min="0" :max="0.95" :step="0.05" :tooltip="false" aria-label="How much the rest is dimmed" /></label>
        <NButton aria-label="Farther" @click="run('walk.farther')">−</NButton>
        <NButton aria-label="Closer" @click="run('walk.closer')">+</NButton>
        <NButton @click="run('walk.end')">End</NButton>
    </div>
    <div v-if="walk.listOpen" v-bind="containerProps" class="jumps">
        <ol v-bind="wrapperProps" aria-label="Jump to a topic">
            <li v-for="{ data: one } in list" :key="one.id"><button :class="{ at: one.id === walk.at }" :style="{ paddingLeft: `${10 + one.depth * 14}px` }" @click="jump(one.id)">{{ one.title }}</button></li>
        </ol>
    </div>
</template>

<style scoped>
.walk { position: fixed; left: 50%; bottom: 22px; transform: translateX(-50%); display: flex; align-items: center; gap: 6px; padding: 8px 10px; background: var(--slip); border: 1px solid var(--edge); border-radius: 12px; box-shadow: 0 8px 30px rgb(0 0 0 / 22%); opacity: 0; transition: opacity 180ms; pointer-events: none; max-width: calc(100vw - 16px); width: max-content; justify-content: center; box-sizing: border-box; }
.walk.here, .walk:focus-within { opacity: 1; pointer-events: auto; }
@media (max-width: 760px) { .walk { flex-wrap: wrap; } }
.place { color: var(--soft); font-size: 14px; padding: 0 6px; font-variant-numeric: tabular-nums; white-space: nowrap; }
.dim { display: flex; align-items: center; gap: 8px; width: 130px; font-size: 14px; color: var(--soft); }
.jumps { position: fixed; right: 22px; top: 22px; bottom: 90px; width: min(340px, calc(100vw - 44px)); padding: 8px; box-sizing: border-box; overflow: auto; background: var(--slip); border: 1px solid var(--edge); border-radius: 12px; box-shadow: 0 8px 30px rgb(0 0 0 / 22%); }
.jumps ol { list-style: none; margin: 0; padding: 0; }
.jumps button { display: block; width: 100%; height: 31px; text-align: left; border: 0; background: none; color: inherit; font: inherit; padding: 4px 10px; border-radius: 6px; cursor: pointer; overflow: hidden; text-overflow: ellipsis; white-space: nowrap; }
.jumps button:hover, .jumps button:focus-visible { background: color-mix(in srgb, var(--tide) 20%, transparent); outline: none; }
.jumps button.at { font-weight: 700; box-shadow: inset 3px 0 0 var(--tide); }
</style>
