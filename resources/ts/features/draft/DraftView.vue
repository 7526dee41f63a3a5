<script setup lang="ts">
import { useVirtualizer } from '@tanstack/vue-virtual'
import { useEventListener } from '@vueuse/core'
import { NButton } from 'naive-ui'
import { computed, defineAsyncComponent, nextTick, onBeforeUnmount, onMounted, useTemplateRef, watch, type ComponentPublicInstance } from 'vue'
import { useMap } from '@/stores/map'
import { textPlace } from '@/stores/textPlace'
import { useUi } from '@/ui/uiStore'
import DraftBar from './DraftBar.vue'
import DraftDays from './DraftDays.vue'
import DraftReturned from './DraftReturned.vue'
import DraftSection from './DraftSection.vue'
import DraftStop from './DraftStop.vue'
import DraftWordings from './DraftWordings.vue'
import { useDraft } from './draftStore'

const PlanView = defineAsyncComponent(() => import('./plan/PlanView.vue'))

/** A branch as one continuous text. Only what is near is in the page. */
const map = useMap()
const draft = useDraft()
const ui = useUi()
const frame = useTemplateRef<HTMLElement>('frame')
/** Lines are so high, for a type size of 1. */
const LINE = 1.6
const HEAD = 60
/** Where the line in which one writes is kept, of the height of the page. */
const MIDDLE = 0.42
/** What stays free above and below it otherwise, pixels. */
const ROOM = 70

const high = (topic: string): number => HEAD + Math.ceil((map.tree.topics.get(topic)?.note.length ?? 0) / draft.measure + 1) * draft.size * LINE
const rows = useVirtualizer(computed(() => ({
    count: draft.sections.length, getScrollElement: () => frame.value, estimateSize: (i: number) => high(draft.sections[i] ?? ''), overscan: 2,
    getItemKey: (i: number) => draft.sections[i] ?? i,
})))
const items = computed(() => rows.value.getVirtualItems())
function measure(element: Element | ComponentPublicInstance | null): void {
    rows.value.measureElement(element instanceof HTMLElement ? element : null)
}

/** Keeps the line in which one writes in view, or at one height. */
function follow(top: number, bottom: number): void {
    const box = frame.value?.getBoundingClientRect()
    if (frame.value === null || box === undefined) {
        return
    }
    const aim = box.top + box.height * MIDDLE
    if (draft.isTypewriter) {
        frame.value.scrollTop += (top + bottom) / 2 - aim
    } else if (top < box.top + ROOM) {
        frame.value.scrollTop -= box.top + ROOM - top
    } else if (bottom > box.bottom - ROOM) {
        frame.value.scrollTop += bottom - box.bottom + ROOM
    }
}

/** The section that is wanted comes into the page first. */
function bring(topic: string): void {
    const i = draft.sections.indexOf(topic)
    if (i >= 0 && !items.value.some(({ index }) => index === i)) {
        rows.value.scrollToIndex(i, { align: 'start' })
    }
}
watch(() => draft.wanted, (wanted) => wanted !== null && bring(wanted.topic), { flush: 'post' })

// What is chosen elsewhere is gone to, and written in as soon as one comes here.
watch(() => map.current, (topic) => {
    if (topic !== null && topic !== draft.at && draft.all.includes(topic)) {
        const isWriting = frame.value?.contains(document.activeElement) === true
        draft.at = topic
        if (!isWriting) {
            const i = draft.sections.indexOf(topic)
            rows.value.scrollToIndex(Math.max(0, i), { align: 'start' })
        }
    }
})
// A list led to a place in the text.
watch(textPlace, (place) => {
    if (place !== null && draft.all.includes(place.topic)) {
        draft.enter(place.topic, { letters: place.from, to: place.to })
        textPlace.value = null
    }
})
/** Where the top of a section is in the page; null while it is not there. */
function topOf(topic: string): number | null {
    const its = frame.value?.querySelector(`[data-section="${topic}"]`)?.closest<HTMLElement>('.at')
    return its == null || frame.value === null ? null : its.getBoundingClientRect().top - (its.parentElement?.getBoundingClientRect().top ?? 0)
}

// The section in which one writes stays where the eye is, whatever is moved, made or taken away around it, and keeps the
// caret. The page is turned before it is drawn anew, so that what stays is not drawn twice, and the editor not made anew.
watch(() => draft.sections.join(), () => {
    const hand = draft.hand
    if (hand === null || frame.value?.contains(document.activeElement) !== true) {
        return
    }
    const [caret, was] = [hand.at(), topOf(hand.topic)]
    // Asked for all, it has gone through all of them.
    rows.value.getTotalSize()
    const is = rows.value.measurementsCache[draft.sections.indexOf(hand.topic)]?.start
    if (was !== null && is !== undefined) {
        frame.value.scrollTop += is - was
        frame.value.dispatchEvent(new Event('scroll'))
    }
    void nextTick(() => draft.wanted === null && draft.at === hand.topic && document.activeElement?.closest(`[data-section="${hand.topic}"]`) == null && draft.enter(hand.topic, caret))
})

// Who is at work for a while finds it there at once.
onMounted(() => setTimeout(() => void import('./hand/AtHand.vue'), 4000))
onMounted(() => {
    draft.isSeen = true
    draft.frame = frame.value
    const left = draft.places[map.id]
    const place = left !== undefined && draft.all.includes(left.topic) && (map.current === null || map.current === left.topic || map.current === map.tree.root) ? left : null
    const topic = place?.topic ?? (map.current !== null && draft.all.includes(map.current) ? map.current : draft.all[0])
    if (topic !== undefined) {
        void nextTick(() => draft.enter(topic, place?.at ?? 'start'))
    }
})
onBeforeUnmount(() => {
    draft.leaveMark()
    ui.side = ui.side === 'hand' ? null : ui.side
    draft.form = 'text'
    draft.isSeen = draft.isBare = draft.isStopping = draft.isSettingGoals = draft.isListing = draft.isSeeingDays = draft.isReturning = false
    draft.at = draft.wanted = draft.frame = draft.wordingsOf = null
})
useEventListener(window, 'pagehide', () => draft.leaveMark())
</script>

<template>
    <section class="draft" :class="{ bare: draft.isBare }" aria-label="Draft">
        <DraftBar v-if="!draft.isBare" />
        <NButton v-else class="again" size="small" quaternary @mousedown.prevent @click="draft.isBare = false">Everything again</NButton>
        <DraftStop v-if="draft.form === 'text' && (!draft.isBare || draft.isStopping)" />
        <PlanView v-if="draft.form !== 'text'" />
        <div v-show="draft.form === 'text'" ref="frame" class="frame" tabindex="-1" data-scope="draft" data-focus="draft" :style="{ '--face': `'${draft.face}'`, '--size': `${draft.size}px`, '--measure': `${draft.measure}ch` }" @keydown.self="draft.typeAhead">
            <div class="page" :style="{ height: `${rows.getTotalSize()}px` }">
                <div v-for="item in items" :key="String(item.key)" :ref="measure" :data-index="item.index" class="at" :style="{ transform: `translateY(${item.start}px)` }">
                    <DraftSection :topic="draft.sections[item.index] ?? ''" @moved="follow" />
                </div>
            </div>
        </div>
        <DraftWordings />
        <DraftDays />
        <DraftReturned />
    </section>
</template>

<style scoped>
.draft { flex: 1; min-height: 0; min-width: 0; display: flex; flex-direction: column; background: var(--slip); container: draft / inline-size; }
.draft.bare { position: fixed; inset: 0; z-index: 40; }
.again { position: absolute; top: 10px; right: 22px; z-index: 1; opacity: .55; }
.again:hover, .again:focus-visible { opacity: 1; }
.frame { flex: 1; outline: none; min-height: 0; overflow: auto; padding: 28px 20px 45vh; }
.page { position: relative; max-width: min(var(--measure), 100%); margin: 0 auto; font-family: var(--face), sans-serif; font-size: var(--size); line-height: 1.6; }
.at { position: absolute; top: 0; left: 0; right: 0; }
.page :deep(.ProseMirror:focus-visible) { outline: none; }
.page :deep(.note-text) { font-size: inherit; line-height: inherit; }
.page :deep(.note-text p) { margin: 0 0 .75em; }
.page :deep(.note-text p:last-child) { margin-bottom: 0; }
</style>
