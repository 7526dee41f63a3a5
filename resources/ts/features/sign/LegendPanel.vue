<script setup lang="ts">
import { NButton, NCheckbox, NInput, NSelect } from 'naive-ui'
import { computed, nextTick, onBeforeUnmount, onMounted, ref, watch } from 'vue'
import { useMap } from '@/stores/map'
import { useBeside } from '@/stores/beside'
import { useUi } from '@/ui/uiStore'
import SignShape from './SignShape.vue'
import TagChip from './TagChip.vue'
import { useSigns } from './signStore'

/** What the signs of the map mean and how often each is there; a click on one lets all else stand back. */
const map = useMap()
const beside = useBeside()
const signs = useSigns()
const ui = useUi()

let waiting: ReturnType<typeof setTimeout> | undefined
watch(() => beside.tree, () => {
    clearTimeout(waiting)
    waiting = setTimeout(signs.refresh, 250)
})
onMounted(() => {
    signs.load()
    signs.refresh()
})
onBeforeUnmount(() => clearTimeout(waiting))

const panel = ref<HTMLElement | null>(null)
onMounted(() => panel.value?.querySelector<HTMLElement>('button, input')?.focus())
function close(): void {
    signs.isOpen = false
    void nextTick(() => ui.focusRegion(map.region))
}

/** Chalks and shapes come into the legend when something is said of them. */
const shapes = ['slip', 'plate', 'plain', 'rectangle', 'capsule', 'oval', 'circle', 'hexagon', 'rhombus', 'slanted', 'chalked', 'swept', 'underscored']
const others = computed(() => [
    ...signs.chalks.map(({ value, label }) => ({ value: `chalk:${value}`, label: `Chalk: ${label.toLowerCase()}` })),
    ...shapes.map((name) => ({ value: `shape:${name}`, label: `Shape: ${name}` })),
])
/** What a line is called by itself; the words of a mixed chalk are only an id. */
const nameOf = (sign: string, words: string): string => (sign.startsWith('chalk:') ? (others.value.find(({ value }) => value === sign)?.label ?? words) : words)
const adding = ref<string | null>(null)
const means = ref('')
const known = computed(() => others.value.filter(({ value }) => signs.meaningOf(value) === ''))
function add(): void {
    if (adding.value !== null && means.value.trim() !== '') {
        signs.mean(adding.value, means.value)
        adding.value = null
        means.value = ''
    }
}
</script>

<template>
    <section ref="panel" class="legend" role="dialog" aria-label="Legend" @keydown.escape.stop="close">
        <header><h2>Legend</h2><NButton size="small" secondary @click="close">Close</NButton></header>
        <NCheckbox :checked="signs.isShown" @update:checked="(shown: boolean) => signs.setPlace({ shown })">Stands on the board and in what is handed over</NCheckbox>
        <NButton v-if="signs.isShown && signs.place?.fields.x != null" size="tiny" secondary class="back" @click="signs.setPlace({ x: null, y: null })">Put it below the map again</NButton>
        <p v-if="signs.legend.length === 0">Nothing yet. Stamps come here when they are put on topics; say what they mean, so that everyone reads them alike.</p>
        <ul>
            <li v-for="line in signs.legend" :key="line.sign">
                <button class="only" :class="{ on: signs.narrowed === line.sign }" :aria-pressed="signs.narrowed === line.sign" :aria-label="`Show only ${line.means === '' ? line.words : line.means}, ${line.count}`" title="Lets all else stand back" @click="signs.narrow(line.sign)"><SignShape :parts="line.parts" /><b>{{ line.count }}</b></button>
                <NInput :default-value="line.means" size="small" :maxlength="200" :placeholder="`${nameOf(line.sign, line.words)} means …`" :input-props="{ 'aria-label': `What ${nameOf(line.sign, line.words)} means` }" @change="(text: string) => signs.mean(line.sign, text)" />
            </li>
        </ul>
        <h3>A chalk or a shape</h3>
        <div class="add">
            <NSelect v-model:value="adding" size="small" filterable :options="known" placeholder="Choose one" aria-label="Chalk or shape" />
            <NInput v-model:value="means" size="small" :maxlength="200" :disabled="adding === null" placeholder="What does it mean?" :input-props="{ 'aria-label': 'What it means' }" @keydown.enter="add" />
            <NButton size="small" secondary :disabled="adding === null || means.trim() === ''" @click="add">Write it into the legend</NButton>
        </div>
        <template v-if="signs.tags.length > 0">
            <h3>Tags</h3>
            <ul class="tags">
                <li v-for="tag in signs.tags" :key="tag.id"><TagChip :tag="tag" :on="signs.narrowed === `tag:${tag.id}`" :aria-pressed="signs.narrowed === `tag:${tag.id}`" :aria-label="`Show only ${tag.name}, ${tag.count}`" @click="signs.narrow(`tag:${tag.id}`)" /><b>{{ tag.count }}</b></li>
            </ul>
        </template>
        <NButton v-if="signs.narrowed !== null" class="all" size="small" type="primary" secondary @click="signs.narrow(null)">Show everything again</NButton>
    </section>
</template>

<style scoped>
.legend { position: fixed; z-index: 6; right: 0; top: 50px; bottom: 0; width: min(calc(254px * var(--size, 1)), 100vw); overflow: auto; box-sizing: border-box; background: var(--slip); border-left: 1px solid var(--edge); padding: 14px 14px 24px; display: flex; flex-direction: column; gap: 8px; }
header { display: flex; justify-content: space-between; align-items: center; }
h2 { margin: 0; font-size: 18px; }
h3 { margin: 10px 0 0; font-size: 13.5px; }
p { margin: 0; color: var(--soft); font-size: 13.5px; }
ul { list-style: none; margin: 0; padding: 0; display: flex; flex-direction: column; gap: 6px; }
li { display: flex; align-items: center; gap: 6px; }
.only { display: flex; align-items: center; gap: 5px; min-width: 52px; border: 1px solid transparent; border-radius: 7px; background: none; color: var(--ink); padding: 3px 4px; cursor: pointer; font: 13px 'Atkinson Hyperlegible'; }
.only:hover, .only:focus-visible { border-color: var(--edge); outline: 2px solid var(--tide); }
.only.on { box-shadow: inset 0 -3px 0 var(--tide); }
.add { display: flex; flex-direction: column; gap: 6px; align-items: flex-start; }
.add > .n-select, .add > .n-input { width: 100%; }
.tags b { font-weight: 400; color: var(--soft); font-size: 13px; }
.back, .all { align-self: flex-start; }
</style>
