<script setup lang="ts">
import { NButton, NInput } from 'naive-ui'
import { computed, defineAsyncComponent, nextTick, ref, watch } from 'vue'
import { useActions } from '@/actions/useActions'
import { arrangements } from '@/features/arrange/arrangements'
import { features } from '@/features'
import { useCommentCounts } from '@/features/comment/commentCounts'
import { shapes } from '@/features/look/vocabulary'
import { useMap } from '@/stores/map'
import { childrenOf, LOT } from '@/stores/tree'
import { plainTitle } from '@/text/titleMarkdown'
import { usePreferences } from '@/stores/preferences'
import ActionHint from '@/ui/ActionHint.vue'
import ActionMenu from '@/ui/ActionMenu.vue'
import Mark from '@/ui/Mark.vue'
import type { MenuLine } from '@/ui/useMenu'
import { VIEW } from './viewMenu'
import SavedSign from './SavedSign.vue'
import UndoButtons from './UndoButtons.vue'

const PresentPeople = defineAsyncComponent(() => import('@/features/share/PresentPeople.vue'))

/** The map's name, and what can be done with the map as a whole. */
defineProps<{ narrow: boolean }>()

const RENAME = 'rename'
const allWays = [{ id: 'outline', text: 'Outline' }, { id: 'board', text: 'Board' }, ...features.flatMap(({ way }) => way ?? []).sort((a, b) => a.place - b.place).map(({ id, name }) => ({ id, text: name }))]

const map = useMap()
const comments = useCommentCounts()
const preferences = usePreferences()
const { run } = useActions()
const naming = ref<string | null>(null)
const name = ref<InstanceType<typeof NInput> | null>(null)

const title = computed(() => {
    const own = map.tree.title ?? plainTitle(map.tree.topics.get(map.tree.root)?.title ?? '').replace(/\s+/g, ' ')
    return own === '' ? 'Untitled map' : own
})
watch(title, (now) => (document.title = `${now} – Chalk Tree`), { immediate: true })

async function beginNaming(): Promise<void> {
    naming.value = title.value
    await nextTick()
    name.value?.select()
}

function endNaming(keep: boolean): void {
    const wanted = naming.value?.trim() ?? ''
    if (keep && wanted !== '' && wanted !== title.value) {
        map.edit({ name: 'map.rename', title: wanted.slice(0, 200) })
    }
    naming.value = null
}

const ways = computed(() => (map.mayEdit ? allWays : allWays.slice(0, 2)))

const parked = computed(() => childrenOf(map.tree, LOT).length)
const aboutMap = computed<readonly MenuLine[]>(() => [
    ...(map.mayEdit ? [{ key: RENAME, name: 'Rename the map' }] : []),
    { name: 'Arrangement', lines: [...arrangements.map(({ name: one }) => `arrange.${one}`), '-', 'arrange.balance', 'arrange.mirror'] },
    'look.whole', 'sign.legend', 'see.board', 'see.calm', '-', 'map.share', 'class.give', 'class.ideas', 'comment.open', 'comment.next', 'map.history', 'map.version', 'map.beside', 'file.all', 'map.trash', 'lot.open', 'map.starter', '-', 'help.keys', 'map.library',
])
/** How what is chosen looks. */
const looks: readonly MenuLine[] = [
    'look.larger', 'look.smaller', 'look.wider', 'look.narrower', '-', 'look.copy', 'look.give', 'look.choose-alike', '-',
    { name: 'Take this look for', lines: ['look.for-siblings', 'look.for-level', 'look.for-branch', 'look.for-alike', 'look.for-map'] },
    { name: 'Shape', lines: shapes.map(({ value }) => `look.shape-${value}`) }, '-', 'look.reset', 'look.why',
]
const reshape: readonly MenuLine[] = [
    'shape.wrap', 'shape.wrap-each', 'shape.dissolve', 'shape.lift', '-',
    'change.break', 'change.join', 'change.send', 'shape.append', 'shape.into-note', '-',
    'change.sort', 'change.number', 'change.tidy', 'change.empties', 'change.duplicates', 'change.levels', '-',
    { name: 'Grid', lines: ['grid.row', 'grid.column', 'grid.row-up', 'grid.row-down', 'grid.left', 'grid.right', 'grid.remove', 'grid.headings'] },
    { name: 'Fishbone and timeline', lines: ['fishbone.head', '-', 'timeline.both', 'timeline.above', 'timeline.below'] },
    { name: 'Align what stands free', lines: ['free.left', 'free.middle', 'free.right', '-', 'free.top', 'free.centre', 'free.bottom', '-', 'free.across', 'free.down', '-', 'free.room'] },
    'shape.duplicate', 'move.below', 'move.loose', 'apart.back', 'apart.back-branch', 'apart.back-all',
]
const handOver: readonly MenuLine[] = ['handover.open', 'handover.again', '-', 'handover.docx', 'handover.pdf', 'handover.print', 'handover.slides', 'handover.publish', '-', 'export.md', 'export.txt', 'export.opml', 'export.json', 'export.zip', 'export.svg', 'export.png', '-', 'handover.picture', 'clip.copy', 'clip.copy-alone', 'clip.address']
const show: readonly MenuLine[] = ['show.begin', 'way.slides', 'slide.add', '-', 'deck.children', 'deck.levels', 'deck.noted', 'deck.each', '-', 'walk.begin', 'walk.mark', 'walk.stops', '-', 'aloud.topic', 'aloud.branch', 'aloud.names']
/** On a phone everything else is one list. */
const more: readonly MenuLine[] = [
    'help.palette', 'map.undo', 'map.redo', '-', 'filter.open', 'find.here', 'find.everywhere', 'lot.open', 'lot.park', '-',
    { name: 'Shape', lines: ['shape.wrap', 'shape.dissolve', 'change.sort', 'change.break', 'change.join', 'change.number', 'change.tidy'] },
    { name: 'Look', lines: ['look.larger', 'look.smaller', 'look.copy', 'look.give', 'look.for-level', 'look.reset', 'look.whole'] },
    { name: 'Hand over', lines: ['handover.open', 'handover.again', 'handover.docx', 'handover.pdf', 'handover.print', 'handover.slides', 'handover.publish', 'privacy.turn', 'export.md', 'export.txt', 'export.opml', 'export.json', 'export.zip', 'export.svg', 'export.png', 'handover.picture', 'clip.copy', 'clip.address'] },
    'map.share', 'comment.open', { name: 'View', lines: VIEW }, 'see.calm', 'way.table', 'way.slides', 'show.begin', 'walk.begin', 'walk.stops', 'aloud.branch', 'aloud.names', 'clip.preview', 'clip.document',
]
function choose(key: string): void {
    if (key === RENAME) {
        void beginNaming()
    } else {
        run(key)
    }
}
</script>

<template>
    <header class="bar" data-focus="top">
        <ActionHint id="map.library"><RouterLink to="/" class="home" aria-label="Back to the library"><Mark /></RouterLink></ActionHint>
        <NInput
            v-if="naming !== null" ref="name" v-model:value="naming" size="small" class="naming" :maxlength="200" :input-props="{ 'aria-label': 'Name of the map' }"
            @blur="endNaming(true)" @keydown.enter="endNaming(true)" @keydown.escape.stop="endNaming(false)" />
        <ActionMenu v-else :lines="aboutMap" tall @select="choose">
            <button class="name" :aria-label="`About the map ${title}`"><span>{{ title }}</span><i aria-hidden="true" /></button>
        </ActionMenu>
        <SavedSign :narrow="narrow" />
        <div class="space" />
        <template v-if="!narrow">
            <nav class="ways" aria-label="Ways of seeing">
                <ActionHint v-for="way in ways" :id="`way.${way.id}`" :key="way.id">
                    <button :aria-pressed="preferences.way === way.id" :class="{ here: preferences.way === way.id }" @click="run(`way.${way.id}`)">{{ way.text }}</button>
                </ActionHint>
            </nav>
            <div class="space" />
            <template v-if="map.mayEdit">
                <UndoButtons />
                <ActionMenu :lines="reshape" tall @select="run"><NButton size="small" secondary>Shape</NButton></ActionMenu>
                <ActionMenu :lines="looks" tall @select="run"><NButton size="small" secondary>Look</NButton></ActionMenu>
            </template>
            <ActionHint id="filter.open"><NButton size="small" secondary @click="run('filter.open')">Find</NButton></ActionHint>
            <ActionHint v-if="parked > 0 && map.mayEdit" id="lot.open"><NButton size="small" secondary :aria-label="`Parking lot, ${parked} parked`" @click="run('lot.open')">Parked<span class="count">{{ parked }}</span></NButton></ActionHint>
            <PresentPeople v-if="map.others.length > 0" />
            <ActionHint v-if="map.mayComment && (map.isShared || comments.open > 0)" id="comment.open"><NButton size="small" secondary :aria-label="`Comments, ${comments.open} open`" @click="run('comment.open')">Comments<span v-if="comments.open > 0" class="count">{{ comments.open }}</span></NButton></ActionHint>
            <ActionHint id="map.share"><NButton size="small" secondary @click="run('map.share')">{{ map.isShared ? 'Shared' : 'Share' }}</NButton></ActionHint>
            <ActionMenu :lines="handOver" @select="run"><NButton size="small" secondary>Hand over</NButton></ActionMenu>
            <ActionMenu :lines="show" @select="run"><NButton secondary type="primary" size="small">Show</NButton></ActionMenu>
            <ActionHint id="help.palette"><NButton size="small" secondary @click="run('help.palette')">Actions</NButton></ActionHint>
        </template>
        <ActionMenu v-else :lines="more" tall @select="run"><NButton size="small" secondary>More</NButton></ActionMenu>
    </header>
</template>

<style scoped>
.bar { flex: none; height: 50px; display: flex; align-items: center; gap: 8px; padding: 0 12px; background: var(--slip); border-bottom: 1px solid var(--edge); }
.home { display: grid; border-radius: 9px; }
.name { border: 1px solid transparent; background: none; color: inherit; font: 700 17px 'Atkinson Hyperlegible'; padding: 3px 8px; border-radius: 6px; cursor: pointer; display: flex; align-items: center; gap: 7px; min-width: 3em; max-width: 30vw; }
.name span { overflow: hidden; text-overflow: ellipsis; white-space: nowrap; }
.name i { flex: none; width: 7px; height: 7px; margin-top: -4px; border: solid var(--soft); border-width: 0 2px 2px 0; transform: rotate(45deg); }
.name:hover, .name:focus-visible { border-color: var(--edge); outline: none; }
.ways { display: flex; gap: 4px; }
.ways button { border: 0; border-bottom: 3px solid transparent; background: none; color: var(--soft); font: 15px 'Atkinson Hyperlegible'; padding: 12px 10px 10px; cursor: pointer; }
.ways button:hover { color: var(--ink); }
.ways button:focus-visible { outline: 2px solid var(--tide); outline-offset: -4px; border-radius: 6px; }
.ways button.here { color: var(--ink); font-weight: 700; border-bottom-color: var(--tide); }
.naming { max-width: 320px; }
.space { flex: 1; }
@media (max-width: 1420px) { .bar { gap: 6px; } .ways { gap: 1px; } .ways button { padding: 12px 7px 10px; } }
.count { margin-left: 6px; padding: 0 6px; border-radius: 8px; background: var(--driftwood-tint); font-size: 12.5px; font-weight: 700; }
</style>
