<script setup lang="ts">
import { computed, nextTick, onBeforeUnmount, onMounted, ref, watch } from 'vue'
import { pane } from '@/api/client'
import { useActions } from '@/actions/useActions'
import { useWalk } from '@/show/walkStore'
import { useMap } from '@/stores/map'
import { usePreferences } from '@/stores/preferences'
import { childrenOf, siblingsOf } from '@/stores/tree'
import { useChoosing } from '@/stores/choosing'
import { useNarrowing } from '@/stores/narrowing'
import { useDrag, type Landing } from '@/stores/drag'
import { useTitles } from '@/stores/titles'
import { useUi } from '@/ui/uiStore'
import { useDragSource } from '@/ui/useDragSource'
import { prepareEditor } from '@/text/titleEditors'
import { topicName } from '@/text/titleMarkdown'
import { afterPaint } from '@/ui/afterPaint'
import BoardControls from './BoardControls.vue'
import BoardScene from './BoardScene.vue'
import { useCamera } from './cameraStore'
import { boardLanding } from './boardTarget'
import DropSlot from './DropSlot.vue'
import { endFirstPicture, keepFrame } from './firstPicture'
import { isReadable, LEAST_TYPE } from './farLabels'
import { deepestLevel, lookOfLevel } from './looks'
import { features, toldOf } from '@/features'
import FirstDoor from './FirstDoor.vue'
import { freeLanding } from './freeLanding'
import { frameAround } from './geometry'
import TypingSlip from './TypingSlip.vue'
import { useApartDrag } from './useApartDrag'
import { useLasso } from './useLasso'
import { usePlace } from './usePlace'
import { useViewport } from './useViewport'

/** The drawn map. Only what is painted is in the document; what would be too small to read is drawn as bars. */
const map = useMap()
const titles = useTitles()
const camera = useCamera()
const walk = useWalk()
const preferences = usePreferences()
const { run } = useActions()
const ui = useUi()

const onBoard = computed(() => features.filter((feature) => feature.forAll ?? map.mayEdit).flatMap((feature) => feature.onBoard ?? []))
/** What the way of seeing that is turned to draws besides. */
const ofWay = computed(() => features.find(({ way }) => way?.id === preferences.way)?.way?.onBoard)

const frame = ref<HTMLElement | null>(null)
const layer = ref<HTMLElement | null>(null)
const { painted, moving, width, height, centre, fit, goTo, scaleFor, reveal, zoomBy, panBy, toBoard, middle } = useViewport(frame, layer, (scale) => (camera.scale = scale))

/** The type of what stands on lines of days, which is smaller than any title. */
const RULED = 12.5
const isLegible = (slip: { readonly look: string }): boolean => isReadable(slip, painted.value.scale)

const drag = useDrag()
const narrowing = useNarrowing()
const choosing = useChoosing()
const { down } = useDragSource()
const { lasso, down: beginLasso } = useLasso({ boxes: () => camera.boxes, toBoard })
const { shift, down: beginApart } = useApartDrag(() => camera.scale)
const leave = drag.offer({
    element: () => frame.value,
    landingAt: (clientX, clientY, ids) => {
        const { x, y } = toBoard(clientX, clientY)
        const own = drag.hasGuest ? null : features.reduce<Landing | null>((found, feature) => found ?? feature.landing?.({ ids, x, y, clientX, clientY, ties: drag.ties }) ?? null, null)
        if (own !== null) {
            return own
        }
        const free = drag.copies || drag.hasGuest ? null : freeLanding({ tree: map.tree, boxes: camera.boxes, slips: camera.drawn, isDragged: drag.isDragged }, ids, x, y)
        return free ?? boardLanding({ tree: map.tree, boxes: camera.boxes, slips: camera.drawn, isDragged: drag.isDragged, isWhole: map.scope === null }, x, y)
    },
    scrollBy: panBy,
})

const typingId = computed(() => (map.editing?.where === 'board' ? map.editing.id : null))
const svgFrame = computed(() => ({
    viewBox: `${painted.value.x} ${painted.value.y} ${painted.value.w} ${painted.value.h}`,
    width: painted.value.w * painted.value.scale,
    height: painted.value.h * painted.value.scale,
}))

function topicOf(event: Event): string | null {
    return (event.target as Element).closest<SVGElement>('[data-topic]')?.dataset.topic ?? null
}

function pointerDown(event: PointerEvent): void {
    map.region = 'board'
    frame.value?.focus({ preventScroll: true })
    const id = topicOf(event)
    if (event.button !== 0 || walk.at !== null || (event.target as Element).closest('.controls') !== null) {
        return
    }
    if (id === null) {
        if (event.shiftKey) {
            beginLasso(event)
        }
        return
    }
    if (features.some((feature) => feature.picks?.(id) === true)) {
        event.preventDefault()
        return
    }
    pressedWith = { extra: event.ctrlKey || event.metaKey || event.shiftKey, x: event.clientX, y: event.clientY }
    if (event.shiftKey && event.pointerType !== 'touch') {
        beginApart(event, id)
        return
    }
    if (!pressedWith.extra && !map.chosen.includes(id)) {
        map.choose(id)
    }
    down(event, id)
}

let pressedWith = { extra: false, x: 0, y: 0 }

/** A press with a key held changes the choice when it ends where it began; else it was a drag. */
function chooseMore(event: MouseEvent, id: string): void {
    if (Math.hypot(event.clientX - pressedWith.x, event.clientY - pressedWith.y) < 5) {
        if (event.shiftKey) {
            choosing.rangeTo(id)
        } else {
            choosing.toggle(id)
        }
    }
}

function click(event: MouseEvent): void {
    const id = topicOf(event)
    const link = (event.target as Element).closest('.link')
    if (id !== null && link !== null && (event.ctrlKey || event.metaKey || walk.at !== null)) {
        openLink(id, link.textContent)
    } else if (id !== null && walk.at !== null) {
        walk.go(id)
    } else if (id !== null && (event.ctrlKey || event.metaKey || event.shiftKey)) {
        chooseMore(event, id)
    } else if (id !== null && map.chosen.length > 1) {
        map.choose(id)
    }
}

function openLink(id: string, text: string): void {
    const part = camera.drawn.get(id)?.parts.flatMap((one) => ('spans' in one ? one.spans : [])).find((one) => one.href !== undefined && one.text === text)
    if (part?.href !== undefined) {
        window.open(part.href, '_blank', 'noopener,noreferrer')
    }
}

function doubleClick(event: MouseEvent): void {
    const id = topicOf(event)
    if (walk.at !== null || !map.mayEdit || (event.target as Element).closest('.controls, .title-editor-frame') !== null) {
        return
    }
    const touch = (event.target as Element).closest<SVGElement>('.slip [data-touch]')?.dataset.touch
    if (touch !== undefined && features.some((feature) => feature.twice?.(touch, event) === true)) {
        return
    }
    if (id !== null) {
        titles.begin(id)
    } else if (map.scope === null) {
        const at = toBoard(event.clientX, event.clientY)
        titles.addLoose(Math.round(at.x), Math.round(at.y))
    }
}

function showAll(glides = true): void {
    const all = frameAround([...camera.boxes.values(), ...[...map.marks.values()].flatMap(({ box }) => (box === undefined ? [] : [{ x: box[0] ?? 0, y: box[1] ?? 0, w: box[2] ?? 0, h: box[3] ?? 0 }]))])
    if (all !== null) {
        fit(all, glides)
    }
}

/** A map opens where this person left it; the first time so that as many levels as can be read are in view. */
function begin(): void {
    if (width.value === 0 || camera.boxes.size === 0) {
        return
    }
    if (map.place !== null) {
        goTo(map.place)
        return
    }
    for (let level = deepestLevel; level > 0; level--) {
        const all = frameAround([...camera.boxes].filter(([id]) => (camera.drawn.get(id)?.level ?? 0) <= level).map(([, box]) => box))
        if (all !== null && isReadable({ look: lookOfLevel(level).name }, scaleFor(all))) {
            fit(all, false)
            return
        }
    }
    // Then the titles that stand over their branches are what can be read.
    showAll(false)
}

/** The page of a map carries a picture of what the board will show; panels at the side are not there again then. */
watch([width, height, () => preferences.board], () => {
    const at = frame.value?.getBoundingClientRect()
    if (at !== undefined && width.value > 0 && walk.at === null && ui.side === null && pane === 'first') {
        keepFrame(preferences.board, { x: at.x, y: at.y, w: at.width, h: at.height })
    }
})

const { keep } = usePlace()
watch(painted, ({ scale }) => width.value > 0 && keep({ ...middle(), scale }))

const handle = { showAll, centre, reveal, zoomBy, middle, toBoard }
onMounted(() => {
    camera.handle = handle
    void nextTick(begin).then(() => nextTick(endFirstPicture))
    setTimeout(prepareEditor, 300)
    if (map.editing === null) {
        frame.value?.focus({ preventScroll: true })
    }
})
onBeforeUnmount(() => {
    leave()
    camera.handle = null
})
/** After typing the keys belong to the board again. */
watch(() => map.editing, (now, before) => {
    if (now === null && before?.where === 'board') {
        frame.value?.focus({ preventScroll: true })
        followAfterAnswer(before.id)
    }
})
/** Where the server draws it elsewhere than it was typed, it is brought into view there. */
function followAfterAnswer(id: string): void {
    const was = camera.boxOf(id)
    map.goOnAfterAnswer(() => {
        const box = camera.boxOf(id)
        if (was !== undefined && box !== undefined && (Math.abs(box.x - was.x) > 1 || Math.abs(box.y - was.y) > 1)) {
            reveal(box)
        }
    })
}
/** A topic that is typed is brought into view whole, and stays so while it grows. */
const typed = computed(() => (typingId.value === null ? undefined : camera.boxOf(typingId.value)))
watch([typingId, () => typed.value?.x, () => typed.value?.y, () => typed.value?.w, () => typed.value?.h], ([now], [before]) => void nextTick(() => bringNear(now !== before)))

/** Titles that were typed a moment ago stand where they are until the board is drawn with them. */
const standing = new Set<HTMLElement>()
function leaveStanding(field: HTMLElement): void {
    standing.add(field)
    layer.value?.append(field)
}
function clearLeft(): void {
    standing.forEach((field) => field.remove())
    standing.clear()
}

/** Nobody types what they cannot read. */
function bringNear(isNew: boolean): void {
    const slip = camera.slipOf(typingId.value ?? '')
    if (typed.value !== undefined && isNew && slip !== undefined && !isLegible(slip)) {
        centre(typed.value, 1)
    } else if (typed.value !== undefined) {
        reveal(typed.value)
    }
}

/** Where one is, for who does not see it: what the topic says, where it stands, and how much is below it. */
const spoken = afterPaint(() => {
    const topic = map.region === 'board' && walk.at === null ? map.currentTopic : null
    if (topic === null) {
        return features.map((feature) => feature.spoken?.() ?? '').join('')
    }
    const below = childrenOf(map.tree, topic.id).length
    const siblings = siblingsOf(map.tree, topic.id)
    const parts = [
        topicName(topic.title),
        topic.parent === null ? (topic.id === map.tree.root ? 'root' : 'loose') : `${siblings.indexOf(topic.id) + 1} of ${siblings.length} below ${topicName(map.tree.topics.get(topic.parent)?.title)}`,
        below === 0 ? '' : `${below === 1 ? '1 subtopic' : `${below} subtopics`}${map.folded.has(topic.id) ? ', folded' : ''}`,
        toldOf(topic.id),
        map.chosen.length > 1 ? `${map.chosen.length} chosen` : '',
    ]
    return parts.filter((part) => part !== '').join(', ')
})

watch(() => width.value > 0, (there, before) => there && !before && begin())
</script>

<template>
    <div
        ref="frame" class="board" :class="{ moving, walking: walk.at !== null, dragging: drag.isDragging, small: painted.scale * RULED < LEAST_TYPE }" data-region="board" data-focus="board"
        tabindex="0" role="application" aria-label="Board. The outline holds the same topics as a list." :style="{ '--rest': walk.at !== null ? walk.rest : narrowing.to === null ? 0.4 : narrowing.to.left === undefined ? 0.2 : 0.7 }"
        @pointerdown="pointerDown" @click="click" @dblclick="doubleClick" @focus="map.region = 'board'">
        <div ref="layer" class="layer">
            <svg v-bind="svgFrame" aria-hidden="true">
                <BoardScene :painted="painted" :shift="shift" @drawn="clearLeft" />
                <component :is="part" v-for="(part, i) in onBoard" :key="i" />
                <component :is="ofWay" v-if="ofWay !== undefined" />
                <DropSlot />
                <rect v-if="lasso !== null" class="lasso" :x="lasso.x" :y="lasso.y" :width="lasso.w" :height="lasso.h" />
            </svg>
            <TypingSlip v-if="typingId !== null" :key="typingId" :painted="painted" @grown="reveal" @left="leaveStanding" />
        </div>
        <p class="unseen" role="status">{{ spoken }}</p>
        <FirstDoor v-if="walk.at === null" />
        <BoardControls v-if="walk.at === null" @act="run" />
    </div>
</template>

<style scoped>
.board { position: relative; overflow: clip; background: var(--board); outline: none; touch-action: none; height: 100%; }
.board:not(.walking):focus-visible::after { content: ''; position: absolute; inset: 0; border: 2px solid var(--tide); pointer-events: none; border-radius: 2px; }
.layer { position: absolute; left: 0; top: 0; transform-origin: 0 0; will-change: transform; }
.layer > svg { display: block; overflow: visible; }
.dragging { cursor: grabbing; }
.lasso { fill: color-mix(in srgb, var(--marigold) 18%, transparent); stroke: var(--marigold); stroke-width: 1.5; stroke-dasharray: 3 4; pointer-events: none; }
</style>
