<script setup lang="ts">
import { useVirtualList } from '@vueuse/core'
import { computed, nextTick, onBeforeUnmount, watch } from 'vue'
import { outlineLines } from '@/actions/seeingActions'
import { useBeside } from '@/stores/beside'
import { useMap } from '@/stores/map'
import { useNarrowing } from '@/stores/narrowing'
import { ancestorsOf, branchOf, childrenOf, siblingsOf } from '@/stores/tree'
import { useTitles } from '@/stores/titles'
import { useChoosing } from '@/stores/choosing'
import { useDrag } from '@/stores/drag'
import { features } from '@/features'
import type { TiedLine } from '@/features/feature'
import { useTyping } from '@/text/typing'
import { useDragSource } from '@/ui/useDragSource'
import OutlineLine from './OutlineLine.vue'
import { outlineLanding } from './outlineTarget'

/** The map as an indented list: a tree for assistive technology, the same topics and keys as the board, folds of its own. */
/** A finger needs a taller line than a mouse. */
const LINE = window.matchMedia('(pointer: coarse)').matches ? 40 : 28
const BEYOND = 12

const map = useMap()
const titles = useTitles()
const typing = useTyping()
const beside = useBeside()
const narrowing = useNarrowing()
/** A line of a topic, or of what a feature has below one. */
interface Line { readonly id: string; readonly tied?: TiedLine }
const lines = computed<Line[]>(() => {
    const topics = outlineLines(beside.tree, map.outlineFolded, map.outlineScope)
    const tied = features.map((feature) => feature.lines?.() ?? new Map<string, readonly TiedLine[]>()).filter(({ size }) => size > 0)
    return topics.flatMap((id): Line[] => [{ id }, ...tied.flatMap((its) => (its.get(id) ?? []).map((one) => ({ id, tied: one })))])
})
/** Stepped in, the first line is not indented. */
const base = computed(() => (map.outlineScope === null ? 0 : ancestorsOf(beside.tree, map.outlineScope).length))
const { list, containerProps } = useVirtualList(lines, { itemHeight: LINE, overscan: BEYOND })
const frame = containerProps.ref
const shown = computed(() =>
    list.value.map(({ data: { id, tied }, index }) => ({
        id,
        tied,
        index,
        topic: beside.tree.topics.get(id),
        depth: Math.max(0, narrowing.depthOf(beside.tree, id) - base.value),
        isBack: narrowing.hides() && narrowing.isBack(id),
        below: map.outlineFolded.has(id) ? branchOf(beside.tree, id).length - 1 : childrenOf(beside.tree, id).length,
        siblings: siblingsOf(beside.tree, id),
    })),
)

/** What is typed on the board is none of its concern. */
const editing = computed(() => (map.editing?.where === 'outline' ? map.editing : null))

const drag = useDrag()
const choosing = useChoosing()
const { down } = useDragSource()
const leaveDrag = drag.offer({
    element: () => frame.value,
    landingAt: (_x, clientY) => {
        const box = frame.value
        const y = clientY - (box?.getBoundingClientRect().top ?? 0) + (box?.scrollTop ?? 0) - 6
        return outlineLanding({ tree: map.tree, lines: lines.value.map(({ id }) => id), lineHeight: LINE, folded: map.outlineFolded, base: base.value, isDragged: drag.isDragged }, y)
    },
    scrollBy: (_dx, dy) => {
        if (frame.value !== null) {
            frame.value.scrollTop -= dy
        }
    },
})
onBeforeUnmount(leaveDrag)

/** The topic whose line is to be brought into view. */
let wanted: string | null = null
/** Keeps the chosen topic's line in view, and unfolds the way to it. */
watch(
    () => map.current,
    (id) => {
        if (id === null) {
            return
        }
        map.uncover(id, 'outline')
        wanted = id
        void nextTick(follow)
    },
    { immediate: true },
)
// While one types on the board a new topic's line comes a frame later.
watch(lines, () => wanted !== null && void nextTick(follow))

function follow(): void {
    const at = wanted === null ? -1 : lines.value.findIndex(({ id }) => id === wanted)
    const box = frame.value
    if (at < 0 || box === null) {
        return
    }
    wanted = null
    const top = at * LINE
    if (top < box.scrollTop || top + LINE > box.scrollTop + box.clientHeight) {
        box.scrollTop = Math.max(0, top - box.clientHeight / 2)
    }
}

/** One topic of several chosen, clicked without a key, is chosen alone. */
function click(event: MouseEvent, id: string): void {
    if (map.chosen.length > 1 && !event.ctrlKey && !event.metaKey && !event.shiftKey) {
        map.choose(id)
    }
}

function choose(event: PointerEvent, id: string): void {
    if (map.editing?.id === id && map.editing.where === 'outline') {
        return
    }
    if (features.some((feature) => feature.picks?.(id) === true)) {
        event.preventDefault()
        return
    }
    map.region = 'outline'
    frame.value?.focus({ preventScroll: true })
    if (event.ctrlKey || event.metaKey) {
        choosing.toggle(id)
    } else if (event.shiftKey) {
        choosing.rangeTo(id)
    } else if (!map.chosen.includes(id)) {
        map.choose(id)
    }
    down(event, id)
}

function leave(id: string): void {
    if (map.editing?.id === id && map.editing.where === 'outline') {
        typing.finish()
    }
}

function edit(id: string): void {
    map.region = 'outline'
    titles.begin(id)
}

/** After typing the keys belong to the list again. */
watch(() => map.editing, (now, before) => now === null && before?.where === 'outline' && frame.value?.focus({ preventScroll: true }))
</script>

<template>
    <div
        v-bind="containerProps" class="outline" role="tree" aria-label="Outline" tabindex="0" data-region="outline" data-focus="outline" aria-multiselectable="true"
        :aria-activedescendant="beside.current === null ? undefined : `line-${beside.current}`" @focus="map.region = 'outline'">
        <div class="lines" :style="{ height: `${lines.length * LINE}px` }">
            <template v-for="line in shown" :key="line.tied?.id ?? line.id">
                <button
                    v-if="line.tied !== undefined" class="tied" :class="{ on: line.tied.isOn }" tabindex="-1" :style="{ top: `${line.index * LINE}px`, height: `${LINE}px`, paddingLeft: `${32 + line.depth * 16}px` }"
                    @pointerdown.stop.prevent @click="line.tied.act()">{{ line.tied.text }}</button>
                <OutlineLine
                    v-else :class="{ back: line.isBack }" :topic="line.topic" :depth="line.depth" :below="line.below" :folded="map.outlineFolded.has(line.id)"
                    :chosen="beside.chosen.includes(line.id)" :place="line.siblings.indexOf(line.id) + 1" :of="line.siblings.length"
                    :editing="editing?.id === line.id ? editing : null"
                    :chalk="map.slips.get(line.id)?.chalk ?? null" :number="map.numbers[line.id] ?? ''" :style="{ top: `${line.index * LINE}px`, height: `${LINE}px` }"
                    @pointerdown="choose($event, line.id)" @click="click($event, line.id)" @dblclick="edit(line.id)" @leave="leave(line.id)"
                    @fold="map.setFolded('outline', [line.id], !map.outlineFolded.has(line.id))" />
            </template>
            <div v-if="drag.landing?.region === 'outline'" class="landing" :class="{ into: drag.landing.mark.into }" :style="{ top: `${drag.landing.mark.y}px`, left: `${drag.landing.mark.x}px` }" />
        </div>
    </div>
</template>

<style scoped>
.outline { position: relative; height: 100%; overflow: auto; outline: none; padding: 6px 0; box-sizing: border-box; }
.lines { position: relative; }
.tied { position: absolute; left: 0; right: 0; border: 0; background: none; font: inherit; font-size: 13px; color: var(--soft); text-align: start; overflow: hidden; text-overflow: ellipsis; white-space: nowrap; cursor: pointer; }
.tied:hover, .tied.on { background: color-mix(in srgb, var(--marigold) 22%, transparent); color: var(--ink); }
.back { opacity: 0.66; }
.landing { position: absolute; right: 8px; height: 0; border-top: 3px solid var(--tide); border-radius: 2px; pointer-events: none; }
.landing.into { height: 26px; border: 2px dashed var(--tide); border-radius: 6px; background: color-mix(in srgb, var(--tide) 15%, transparent); }
</style>
