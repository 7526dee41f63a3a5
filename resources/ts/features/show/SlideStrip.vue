<script setup lang="ts">
import { NButton, NDropdown, NInput, NSelect } from 'naive-ui'
import { computed, nextTick, onBeforeUnmount, onMounted, ref } from 'vue'
import { useActions } from '@/actions/useActions'
import { clock } from '@/slides/deck'
import { useDrag, type Landing } from '@/stores/drag'
import ActionHint from '@/ui/ActionHint.vue'
import MenuAt from '@/ui/MenuAt.vue'
import { useMenu, type MenuLine } from '@/ui/useMenu'
import { useUi } from '@/ui/uiStore'
import SlideDesk from './SlideDesk.vue'
import SlideThumb from './SlideThumb.vue'
import { useSlides, type Makes } from './slidesStore'

/** The decks of the map, and the slides of one in their order, in small true pictures. */
const { withDesk = false } = defineProps<{ withDesk?: boolean }>()

const slides = useSlides()
const drag = useDrag()
const ui = useUi()
const { run, keyOf } = useActions()
const { options } = useMenu()
const strip = ref<HTMLElement | null>(null)
const naming = ref<string | null>(null)
const nameField = ref<InstanceType<typeof NInput> | null>(null)
/** The place before which a slide that is dragged would stand, and which it is. */
const moving = ref<{ id: string; to: number; from: number } | null>(null)

const times = computed(() => clock(slides.slides.filter(({ isHidden }) => !isHidden).reduce((sum, { seconds }) => sum + seconds, 0)))
const makes: { key: Makes | 'empty'; label: string }[] = [
    { key: 'children', label: 'Of this branch: a slide for each part' },
    { key: 'levels', label: 'Of this branch: a slide for each level' },
    { key: 'noted', label: 'Of this branch: each topic with a note' },
    { key: 'each', label: 'Of this branch: each topic' },
    { key: 'empty', label: 'Empty, to be filled by hand' },
]
const makeDeck = (key: string): void => void slides.makeDeck(key === 'empty' ? null : (key as Makes))

async function beginName(): Promise<void> {
    naming.value = slides.deck?.name ?? ''
    await nextTick()
    nameField.value?.select()
}
function endName(keeps: boolean): void {
    const name = naming.value?.trim() ?? ''
    naming.value = null
    if (keeps && name !== '' && name !== slides.deck?.name) {
        slides.setDeck({ name })
    }
}

/** Topics that are dropped on a slide are put on it; between two, they make a new one. */
function landing(_x: number, y: number, ids: readonly string[]): Landing | null {
    const lines = [...(strip.value?.querySelectorAll<HTMLElement>('[role=option]') ?? [])]
    const frame = strip.value?.getBoundingClientRect()
    if (frame === undefined || drag.hasGuest || y < frame.top || y > frame.bottom) {
        return null
    }
    for (const [i, line] of lines.entries()) {
        const box = line.getBoundingClientRect()
        const id = line.dataset.slide ?? ''
        if (y < box.top + box.height * 0.18) {
            return at(i, ids, frame.left, box.top - 3, frame.width)
        }
        if (y < box.bottom - box.height * 0.18) {
            return { region: 'frame', place: 'frame', over: null, words: `onto slide ${i + 1}`, mark: { x: 0, y: 0, w: 0, h: 0, into: true }, drop: () => slides.put(ids, 'branch', id) }
        }
    }
    return at(lines.length, ids, frame.left, 0, frame.width)
}
const at = (place: number, ids: readonly string[], x: number, y: number, w: number): Landing => ({
    region: 'frame', place: 'frame', over: null, words: `as slide ${place + 1}`, mark: { x, y, w, h: 3, into: false },
    drop: () => void slides.add(ids, slides.slides[place - 1]?.id ?? null),
})
let leave: (() => void) | null = null
onMounted(() => {
    leave = drag.offer({ element: () => strip.value, landingAt: landing, scrollBy: (_, dy) => strip.value?.scrollBy(0, dy) })
})
onBeforeUnmount(() => leave?.())

/** What is done with a slide, at the pointer or by the menu key. */
const ofSlide: readonly MenuLine[] = ['slide.show', 'slide.rename', '-', 'slide.copy', 'slide.hide', 'slide.up', 'slide.down', 'slide.remove', '-', 'slide.put', 'slide.cover', 'slide.frame', 'slide.add', '-', 'help.palette']
const menu = ref<InstanceType<typeof MenuAt> | null>(null)
function openMenu(event: MouseEvent, id: string): void {
    slides.choose(id)
    ui.holdsKeys = true
    menu.value?.open(event)
}

/* A slide that is pressed and moved goes where it is let go. */
function press(event: PointerEvent, id: string, from: number): void {
    slides.choose(id)
    if (event.button !== 0 || event.pointerType === 'touch') {
        return
    }
    const begin = event.clientY
    const move = (now: PointerEvent): void => {
        if (moving.value === null && Math.abs(now.clientY - begin) < 6) {
            return
        }
        const lines = [...(strip.value?.querySelectorAll<HTMLElement>('[role=option]') ?? [])]
        const to = lines.findIndex((line) => now.clientY < line.getBoundingClientRect().top + line.getBoundingClientRect().height / 2)
        moving.value = { id, from, to: to === -1 ? lines.length : to }
    }
    const end = (): void => {
        window.removeEventListener('pointermove', move)
        window.removeEventListener('pointerup', end)
        window.removeEventListener('pointercancel', end)
        const was = moving.value
        moving.value = null
        if (was !== null && was.to !== was.from && was.to !== was.from + 1) {
            slides.moveAfter(was.id, slides.slides[was.to - 1]?.id ?? null)
        }
    }
    window.addEventListener('pointermove', move)
    window.addEventListener('pointerup', end)
    window.addEventListener('pointercancel', end)
}
</script>

<template>
    <section class="slides" :class="{ 'with-desk': withDesk }" aria-label="Slides" data-focus="outline">
        <header>
            <NInput v-if="naming !== null" ref="nameField" v-model:value="naming" size="small" :maxlength="100" :input-props="{ 'aria-label': 'Name of the deck' }" @blur="endName(true)" @keydown.enter.prevent="endName(true)" @keydown.escape.stop="endName(false)" />
            <NSelect v-else-if="slides.deck !== null" size="small" :value="slides.deck.id" :options="slides.decks.map(({ id, name }) => ({ value: id, label: name === '' ? 'Slides' : name }))" aria-label="Deck" @update:value="slides.chooseDeck" />
            <div class="row">
                <NDropdown trigger="click" :options="makes" @select="makeDeck"><NButton size="tiny" secondary>New deck</NButton></NDropdown>
                <NButton v-if="slides.deck !== null" size="tiny" quaternary @click="beginName">Rename</NButton>
                <NButton v-if="slides.deck !== null" size="tiny" quaternary @click="slides.removeDeck">Remove</NButton>
            </div>
        </header>
        <div v-if="slides.deck === null" class="none">
            <p>A deck shows the map slide by slide: full screen, with notes for you, or as a file.</p>
            <p>Choose a topic and make a slide for each part of its branch, or make slides one by one of what you choose.</p>
            <NButton size="small" type="primary" @click="slides.makeDeck('children')">Slides of this branch</NButton>
            <ActionHint id="slide.add"><NButton size="small" secondary @click="run('slide.add')">A slide of this</NButton></ActionHint>
        </div>
        <template v-else>
            <ol ref="strip" class="slide-strip" role="listbox" aria-label="Slides of the deck" data-scope="strip">
                <template v-for="(one, i) in slides.slides" :key="one.id">
                    <li v-if="moving?.to === i" class="gap" aria-hidden="true" />
                    <li
                        role="option" :data-slide="one.id" :aria-selected="one.id === slides.slide" :tabindex="one.id === slides.slide || (slides.slide === null && i === 0) ? 0 : -1"
                        :class="{ hidden: one.isHidden, moving: moving?.id === one.id }" :aria-label="`Slide ${i + 1}: ${one.title === '' ? 'Untitled' : one.title}${one.isHidden ? ', hidden' : ''}`" @pointerdown="press($event, one.id, i)" @focus="slides.choose(one.id)" @dblclick="run('show.begin')" @contextmenu="openMenu($event, one.id)">
                        <SlideThumb :deck="slides.deck.id" :slide="one.id" />
                        <div class="line"><b>{{ i + 1 }}</b><span>{{ one.title === '' ? 'Untitled' : one.title }}</span><i>{{ one.isHidden ? 'hidden' : clock(one.seconds) }}</i></div>
                    </li>
                </template>
                <li v-if="moving?.to === slides.slides.length" class="gap" aria-hidden="true" />
                <li v-if="slides.slides.length === 0 && slides.shown !== null" class="empty">No slides yet. Choose topics on the board and press {{ keyOf('slide.add') }}, or drag them here.</li>
            </ol>
            <MenuAt ref="menu" :options="options([...ofSlide])" @select="run" @close="ui.holdsKeys = false" />
            <SlideDesk v-if="withDesk" />
            <footer>
                <ActionHint id="show.begin"><NButton type="primary" size="small" :disabled="slides.slides.length === 0" @click="run('show.begin')">Show</NButton></ActionHint>
                <ActionHint id="slide.add"><NButton size="small" secondary @click="run('slide.add')">Add</NButton></ActionHint>
                <span class="time" title="How long all of it takes">{{ times }}</span>
                <ActionHint id="handover.slides"><NButton size="small" quaternary @click="run('handover.slides')">File</NButton></ActionHint>
            </footer>
        </template>
    </section>
</template>

<style scoped>
.slides { flex: 1; min-height: 0; display: flex; flex-direction: column; }
header { flex: none; display: flex; flex-direction: column; gap: 6px; padding: 10px 12px 8px; border-bottom: 1px solid var(--edge); }
.row { display: flex; flex-wrap: wrap; gap: 4px; align-items: center; }
.none { padding: 14px 16px; display: flex; flex-direction: column; gap: 10px; align-items: flex-start; color: var(--soft); font-size: 14.5px; } .none p { margin: 0; }
.slide-strip { flex: 1; min-height: 0; overflow: auto; list-style: none; margin: 0; padding: 10px 12px; display: flex; flex-direction: column; gap: 12px; outline: none; }
.slide-strip li[role=option] { flex: none; cursor: pointer; border-radius: 7px; outline: none; touch-action: pan-y; user-select: none; }
.slide-strip .thumb { border: 1px solid var(--edge); box-sizing: border-box; }
[aria-selected=true] .thumb { outline: 3px solid var(--tide); outline-offset: 1px; }
li:focus-visible .line b { text-decoration: underline; text-decoration-thickness: 3px; text-underline-offset: 3px; }
.line { display: flex; gap: 7px; align-items: baseline; padding: 5px 2px 0; font-size: 13.5px; }
.line span { flex: 1; min-width: 0; overflow: hidden; text-overflow: ellipsis; white-space: nowrap; }
.line i { font-style: normal; color: var(--soft); font-size: 12.5px; font-variant-numeric: tabular-nums; }
.hidden .thumb, .moving { opacity: 0.42; }
.gap { flex: none; height: 4px; border-radius: 2px; background: var(--marigold); }
.empty { color: var(--soft); font-size: 14px; }
.with-desk { display: block; overflow: auto; }
.with-desk .slide-strip { flex-direction: row; overflow: auto hidden; }
.with-desk .slide-strip li[role=option] { width: 190px; }
.with-desk .slide-desk { padding: 4px 14px 14px; }
.with-desk footer { position: sticky; bottom: 0; background: var(--slip); }
.with-desk .gap { width: 4px; height: auto; }
footer { flex: none; display: flex; gap: 6px; align-items: center; padding: 9px 12px; border-top: 1px solid var(--edge); }
.time { margin: 0 auto; color: var(--soft); font-size: 13.5px; font-variant-numeric: tabular-nums; }
</style>
