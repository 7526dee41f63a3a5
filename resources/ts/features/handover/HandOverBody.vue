<script setup lang="ts">
import { NButton, NCheckbox, NInput, NInputNumber, NProgress, NSelect } from 'naive-ui'
import { computed, nextTick, onMounted, ref } from 'vue'
import { useMap } from '@/stores/map'
import { topicName } from '@/text/titleMarkdown'
import DeckChoices from './DeckChoices.vue'
import DrawnChoices from './DrawnChoices.vue'
import ChoiceLines from './ChoiceLines.vue'
import { formats, forms, isDrawn, isText, PAGE, sorts, withs } from './formats'
import HandOverPreview from './HandOverPreview.vue'
import { useHandOver, type What } from './handOverStore'
import PlanLine from './PlanLine.vue'
import PublishedPages from './PublishedPages.vue'

/** All ways out of a map: what goes along, how it is set, and what it will be like. */
const handOver = useHandOver()
const map = useMap()

const naming = ref<string | null>(null)
const nameField = ref<InstanceType<typeof NInput> | null>(null)
const usedName = ref<string | null>(null)

const isCopy = computed(() => handOver.format.sort === 'copy')
const whats = computed<{ value: What; label: string }[]>(() => [
    { value: 'map', label: map.scope === null ? 'The whole map' : `The branch “${short(map.scope)}”` },
    { value: 'branch', label: `This branch: “${short(handOver.branch)}”` },
    ...(handOver.to === PAGE ? [] : [{ value: 'chosen' as const, label: map.chosen.length === 1 ? 'What is chosen (1 topic)' : `What is chosen (${map.chosen.length} topics)` },
    { value: 'shown' as const, label: 'What the board shows, as it is folded' }]),
    ...(isDrawn(handOver.to) && handOver.choices.at !== undefined ? [{ value: 'area' as const, label: `An area, ${Number(handOver.choices.wide)} × ${Number(handOver.choices.high)}` }] : []),
])
const hasHeadings = computed(() => handOver.format.sort === 'document' || handOver.to === 'md')
/** As what of a story a document is wanted; of the map as it is where nothing is said. */
const form = computed(() => (hasHeadings.value ? String(handOver.choices.form ?? '') : ''))
const isRead = computed(() => form.value === 'manuscript' || form.value === 'book')
const offered = computed(() => withs.filter(({ sorts: its }) => its.includes(handOver.format.sort)).filter(({ flag, ofStory }) => (form.value === '' ? ofStory !== true : flag === 'cut' || (isRead.value && (ofStory === true || (flag === 'contents' && handOver.to !== 'md'))))).filter(({ flag }) => !(handOver.to === 'txt' && ['noNotes', 'noCaptions', 'noTables', 'noLinks'].includes(flag))))
const isSaving = computed(() => handOver.making !== null && handOver.making.title.startsWith('Making'))

function short(topic: string): string {
    const name = topicName(map.tree.topics.get(topic)?.title)
    return name.length > 26 ? `${name.slice(0, 25)}…` : name
}
function has(flag: string, isLeftOut = false): boolean {
    return (handOver.choices[flag] === true) !== isLeftOut
}
async function beginNaming(): Promise<void> {
    naming.value = handOver.kept.find(({ id }) => id === usedName.value)?.name ?? ''
    await nextTick()
    nameField.value?.focus()
}
function endNaming(keeps: boolean): void {
    const name = (naming.value ?? '').trim()
    if (naming.value !== null) {
        naming.value = null
        // The field goes, and the keys stay in the panel.
        void nextTick(() => document.querySelector<HTMLElement>('.hand-over .keep')?.focus())
    }
    if (keeps && name !== '') {
        handOver.keep(name)
    }
}
function take(id: string | null): void {
    usedName.value = id
    if (id !== null) {
        handOver.take(id)
    }
}
function forget(): void {
    if (usedName.value !== null) {
        handOver.forget(usedName.value)
        usedName.value = null
    }
}
/** Who only looks gets no complete copies; pages for everyone are made by whoever keeps the map. */
const within = formats.filter(({ sort }) => (map.mayEdit || sort !== 'copy') && (map.isOwner || sort !== 'page'))
const withinSorts = sorts.filter(({ sort }) => within.some((one) => one.sort === sort))
if (!within.some(({ to }) => to === handOver.to)) {
    handOver.set('to', within[0]?.to ?? 'docx')
}
/** By keys one begins with the format, unless what is handed over has a field of its own to begin with; Escape closes. */
onMounted(() => void nextTick(() => {
    if (document.activeElement?.closest('.hand-over') == null && handOver.to !== PAGE) {
        document.querySelector<HTMLElement>('.hand-over [role=radio][aria-checked=true]')?.focus({ preventScroll: true })
    }
}))
/** Arrow keys go from format to format, as in any group of which one holds. */
function step(event: KeyboardEvent, by: number): void {
    const at = within.findIndex(({ to }) => to === handOver.to)
    const next = within[(at + by + within.length) % within.length]
    if (next !== undefined) {
        event.preventDefault()
        handOver.set('to', next.to)
        void nextTick(() => document.querySelector<HTMLElement>('.hand-over [role=radio][aria-checked=true]')?.focus())
    }
}
</script>

<template>
    <div class="hand-over" role="dialog" aria-label="Hand over" @keydown.escape.stop="handOver.close">
        <header><h2>Hand over</h2><p>{{ handOver.format.what }}</p><NButton size="small" quaternary aria-label="Close" @click="handOver.close">Close</NButton></header>
        <div class="choices">
            <div class="kept">
                <NSelect v-if="handOver.kept.length > 0" size="small" :value="usedName" clearable :options="handOver.kept.map(({ id, name }) => ({ value: id, label: name }))" placeholder="Kept settings" aria-label="Settings kept with the map" @update:value="take" />
                <NInput v-if="naming !== null" ref="nameField" v-model:value="naming" size="small" :maxlength="60" placeholder="Name of the settings" :input-props="{ 'aria-label': 'Name of the settings' }" @blur="endNaming(true)" @keydown.enter.prevent="endNaming(true)" @keydown.escape.stop="endNaming(false)" />
                <NButton v-else-if="handOver.to !== PAGE && map.mayEdit" class="keep" size="small" secondary @click="beginNaming">Keep these settings</NButton>
                <NButton v-if="usedName !== null && map.mayEdit" size="small" quaternary @click="forget">Forget</NButton>
            </div>
            <div role="radiogroup" aria-label="Format" class="formats" @keydown.right="step($event, 1)" @keydown.down="step($event, 1)" @keydown.left="step($event, -1)" @keydown.up="step($event, -1)">
                <template v-for="{ sort, name } in withinSorts" :key="sort">
                    <span class="sort">{{ name }}</span>
                    <div class="row">
                        <button v-for="one in within.filter((its) => its.sort === sort)" :key="one.to" role="radio" :aria-checked="one.to === handOver.to" :tabindex="one.to === handOver.to ? 0 : -1" :title="one.what" @click="handOver.set('to', one.to)">{{ one.name }}</button>
                    </div>
                </template>
            </div>
            <DeckChoices v-if="handOver.format.sort === 'slides'" />
            <template v-else-if="!isCopy">
                <label class="line"><span>Topics</span><NSelect size="small" :value="handOver.what" :options="whats" aria-label="Topics" @update:value="(value: What) => handOver.set('what', value)" /></label>
                <label class="line"><span>Down to level</span><NInputNumber size="small" clearable :value="(handOver.choices.depth as number | undefined) ?? null" :min="0" :max="1000" :precision="0" placeholder="all" :input-props="{ 'aria-label': 'Down to level' }" @update:value="(value: number | null) => handOver.set('depth', value)" /></label>
                <label v-if="hasHeadings" class="line"><span>Written as</span><NSelect size="small" :value="form" :options="forms" aria-label="Written as" @update:value="(value: string) => handOver.set('form', value === '' ? null : value)" /></label>
                <label v-if="isRead" class="line"><span>Author</span><NInput size="small" :default-value="String(handOver.choices.byline ?? '')" :maxlength="120" placeholder="on the title page" :input-props="{ 'aria-label': 'Author' }" @change="(value: string) => handOver.set('byline', value.trim() === '' ? null : value.trim())" /></label>
                <label v-if="hasHeadings && form === ''" class="line"><span>Headings to level</span><NInputNumber size="small" :value="(handOver.choices.headings as number | undefined) ?? (handOver.to === 'md' ? 2 : 3)" :min="0" :max="6" :precision="0" :input-props="{ 'aria-label': 'Headings to level' }" @update:value="(value: number | null) => handOver.set('headings', value)" /></label>
                <label v-if="!isDrawn(handOver.to)" class="line"><span>Order</span><NSelect size="small" :value="(handOver.choices.order as string | undefined) ?? 'map'" :options="[{ value: 'map', label: 'As in the map' }, { value: 'title', label: 'By title' }, { value: 'reversed', label: 'Last first' }]" aria-label="Order" @update:value="(value: string) => handOver.set('order', value === 'map' ? null : value)" /></label>
                <div v-if="handOver.to === 'pdf'" class="line">
                    <span>Page</span>
                    <div class="pair">
                        <NSelect size="small" :value="(handOver.choices.paper as string | undefined) ?? (form === 'book' ? 'a5' : 'a4')" :options="[{ value: 'a3', label: 'A3' }, { value: 'a4', label: 'A4' }, { value: 'a5', label: 'A5' }, { value: 'letter', label: 'Letter' }, { value: 'legal', label: 'Legal' }]" aria-label="Paper" @update:value="(value: string) => handOver.set('paper', value === (form === 'book' ? 'a5' : 'a4') ? null : value)" />
                        <NCheckbox :checked="has('landscape')" @update:checked="(on: boolean) => handOver.set('landscape', on)">Across</NCheckbox>
                    </div>
                </div>
                <label v-if="['pdf', 'html'].includes(handOver.to) && !isRead" class="line"><span>Type, points</span><NInputNumber size="small" :value="(handOver.choices.type as number | undefined) ?? 11" :min="7" :max="24" :precision="0" :input-props="{ 'aria-label': 'Type, points' }" @update:value="(value: number | null) => handOver.set('type', value)" /></label>
                <DrawnChoices v-if="isDrawn(handOver.to)" />
                <ChoiceLines v-if="handOver.to === PAGE" :lines="[{ name: 'Colours', field: 'on', words: [['', 'Day'], ['slate', 'Slate'], ['white', 'On white']] }]" />
                <fieldset v-if="offered.length > 0" class="withs">
                    <legend>With</legend>
                    <NCheckbox v-for="one in offered" :key="one.flag" :checked="has(one.flag, one.isLeftOut)" @update:checked="(on: boolean) => handOver.set(one.flag, on !== (one.isLeftOut === true))">{{ one.name }}</NCheckbox>
                </fieldset>
            </template>
            <p v-if="handOver.heldCount > 0" class="held">{{ isCopy ? 'What is private goes along in a complete copy.' : handOver.heldCount === 1 ? '1 private topic stays here.' : `${handOver.heldCount} private topics stay here.` }}</p>
        </div>
        <PublishedPages v-if="handOver.to === PAGE" class="preview pages" />
        <HandOverPreview v-else class="preview" />
        <footer v-if="handOver.to !== PAGE">
            <div v-if="isSaving" class="making" role="status"><span>{{ handOver.making?.words }}</span><NProgress type="line" :percentage="handOver.making?.percent ?? 0" :show-indicator="false" :height="6" /><NButton size="small" @click="handOver.stop">Stop</NButton></div>
            <PlanLine v-else-if="isDrawn(handOver.to)" />
            <div class="space" />
            <NButton v-if="isText(handOver.to) || handOver.format.sort === 'picture'" @click="handOver.copy">Copy</NButton>
            <NButton v-if="handOver.to === 'print'" :disabled="isSaving" @click="handOver.print">Print …</NButton>
            <NButton v-if="handOver.to !== PAGE" type="primary" :disabled="isSaving" @click="handOver.save">Save the file</NButton>
        </footer>
    </div>
</template>

<style scoped>
.hand-over { width: min(1120px, calc(100vw / var(--size, 1) - 24px)); height: min(720px, calc(100dvh / var(--size, 1) - 32px)); box-sizing: border-box; display: grid; grid-template: auto minmax(0, 1fr) auto / 372px minmax(0, 1fr); background: var(--slip); border: 1px solid var(--edge); border-radius: 14px; box-shadow: 0 16px 50px rgb(0 0 0 / 30%); overflow: hidden; }
header { grid-column: 1 / 3; display: flex; align-items: baseline; gap: 16px; padding: 14px 20px 10px; border-bottom: 1px solid var(--edge); }
h2 { margin: 0; font-size: 20px; white-space: nowrap; }
header p { margin: 0; color: var(--soft); font-size: 14px; flex: 1; }
.choices { overflow: auto; padding: 14px 20px 18px; display: flex; flex-direction: column; gap: 10px; }
.kept { display: flex; flex-wrap: wrap; gap: 8px; }
.kept .n-select, .kept .n-input { flex: 1; min-width: 150px; }
.sort { display: block; font-size: 13px; color: var(--soft); margin: 8px 0 4px; }
.sort:first-child { margin-top: 0; }
.row { display: flex; flex-wrap: wrap; gap: 6px; }
.formats button { border: 1px solid var(--edge); background: var(--board); color: inherit; font: inherit; font-size: 14px; padding: 4px 11px; border-radius: 7px; cursor: pointer; }
.formats button[aria-checked=true] { border-color: var(--tide); box-shadow: inset 0 -3px 0 var(--tide); font-weight: 700; }
.formats button:focus-visible { outline: 2px solid var(--tide); outline-offset: 1px; }
.line { display: grid; grid-template-columns: 118px minmax(0, 1fr); align-items: center; gap: 8px; font-size: 14px; }
.line > span { color: var(--soft); }
.pair { display: grid; grid-template-columns: 1fr auto; gap: 12px; align-items: center; }
.withs { border: 0; margin: 2px 0 0; padding: 0; display: grid; grid-template-columns: 1fr 1fr; gap: 5px 10px; }
.withs legend { padding: 0; margin-bottom: 5px; font-size: 14px; color: var(--soft); }
.held { margin: 0; padding: 7px 10px; border-left: 3px solid var(--marigold); font-size: 14px; background: var(--board); border-radius: 4px; }
.preview { border-left: 1px solid var(--edge); min-width: 0; min-height: 0; }
footer { grid-column: 1 / 3; display: flex; align-items: center; gap: 10px; padding: 12px 20px; border-top: 1px solid var(--edge); }
.making { display: grid; grid-template-columns: auto 160px auto; gap: 12px; align-items: center; font-size: 14px; color: var(--soft); }
.space { flex: 1; }
@media (max-width: 800px) {
    .hand-over { grid-template: auto minmax(0, 1fr) auto / minmax(0, 1fr); }
    header, footer { grid-column: 1; } header p { display: none; } .preview:not(.pages) { display: none; }
    .hand-over:has(.pages) { display: block; overflow: auto; } .preview.pages { border-left: 0; border-top: 1px solid var(--edge); overflow: visible; }
    header { justify-content: space-between; }
}
</style>
