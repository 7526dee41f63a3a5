<script setup lang="ts">
import { useBreakpoints } from '@vueuse/core'
import { NButton, NCheckbox } from 'naive-ui'
import { computed, nextTick, ref } from 'vue'
import { useRouter } from 'vue-router'
import type { CopyRow, HandOutAnswer } from '@/api/wire'
import { usePreferences } from '@/stores/preferences'
import { classApi, STATES } from './api'
import CopyCare from './CopyCare.vue'

/**
 * What each did with what was given out, a line each, in whichever order is wanted. A line opens to what was added,
 * removed and missed, and to marking; two that are ticked are laid beside each other, both maps whole or what differs.
 */
const props = defineProps<{ of: HandOutAnswer; busy: boolean }>()
const emit = defineEmits<{ take: [() => Promise<HandOutAnswer>] }>()
const router = useRouter()
interface Column { key: string; name: string; what: string; of: (row: CopyRow) => number | string | null }

const time = new Intl.DateTimeFormat(undefined, { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' })
const told = (at: string | null): string => (at === null ? '–' : time.format(new Date(at)))
const points = (row: CopyRow): number | null => (row.marks.some((mark) => mark !== null) ? row.marks.reduce<number>((sum, mark) => sum + (mark ?? 0), 0) : null)
const most = computed(() => props.of.rubric.reduce((sum, line) => sum + line.points, 0))
const columns = computed<readonly Column[]>(() => [
    { key: 'label', name: props.of.byTeam ? 'Team' : 'Pupil', what: 'Whose copy it is', of: (row) => row.label.toLowerCase() },
    { key: 'state', name: 'State', what: 'How far it is', of: (row) => ['in', 'open', 'back'].indexOf(row.state) },
    { key: 'added', name: 'Added', what: 'Topics that were not given', of: (row) => -row.counts.added },
    { key: 'changed', name: 'Changed', what: 'Given topics that say or are something else, or hang elsewhere', of: (row) => -row.counts.changed },
    { key: 'removed', name: 'Removed', what: 'Given topics that are gone', of: (row) => -row.counts.removed },
    { key: 'empty', name: 'Left empty', what: 'Topics without a title, and given ones with which nothing was done', of: (row) => -row.counts.empty },
    { key: 'words', name: 'Words', what: 'In titles, captions and notes, more than were given', of: (row) => -row.counts.words },
    { key: 'pictures', name: 'Pictures', what: 'More than were given', of: (row) => -row.counts.pictures },
    { key: 'ties', name: 'Links', what: 'Cross-links and links out, more than were given', of: (row) => -row.counts.ties },
    ...(props.of.model === null ? [] : [
        { key: 'there', name: 'Found', what: `Propositions of “${props.of.model.title}” that are there`, of: (row: CopyRow) => -(row.match?.there ?? 0) },
        { key: 'missing', name: 'Missing', what: `Propositions of “${props.of.model.title}” that are not`, of: (row: CopyRow) => -(row.match?.missing.length ?? 0) },
    ]),
    { key: 'score', name: 'Score', what: 'Of the concept map, by propositions, levels, cross-links and examples', of: (row) => -row.score },
    ...(most.value === 0 ? [] : [{ key: 'points', name: `Of ${most.value}`, what: 'Points by your lines', of: (row: CopyRow) => -(points(row) ?? -1) }]),
    { key: 'when', name: 'Changed on', what: 'When it was changed last', of: (row) => -Date.parse(row.changed ?? '1970-01-01') },
])
const order = ref('label')
const turned = ref(false)
const rows = computed(() => {
    const column = columns.value.find((one) => one.key === order.value) ?? columns.value[0]
    const sorted = [...props.of.copies].sort((a, b) => {
        const [x, y] = [column?.of(a) ?? 0, column?.of(b) ?? 0]
        return x === y ? a.label.localeCompare(b.label) : x < y ? -1 : 1
    })
    return turned.value ? sorted.reverse() : sorted
})
function sort(key: string): void {
    turned.value = order.value === key && !turned.value
    order.value = key
}
const cell = (key: string, row: CopyRow): string | number => {
    switch (key) {
        case 'state': return `${STATES[row.state]}${row.state === 'in' ? `, ${told(row.handedIn)}` : ''}`
        case 'there': return row.match?.there ?? '–'
        case 'missing': return row.match?.missing.length ?? '–'
        case 'score': return row.score
        case 'points': return points(row) ?? '–'
        case 'when': return told(row.changed)
        default: return row.counts[key as keyof CopyRow['counts']]
    }
}

const opened = ref<string | null>(null)
const ticked = ref<readonly string[]>([])
const body = ref<HTMLElement | null>(null)
const tick = (id: string, is: boolean): void => void (ticked.value = is ? [...ticked.value.slice(-1), id] : ticked.value.filter((one) => one !== id))
const mapOf = (id: string | undefined): string => props.of.copies.find((one) => one.id === id)?.map ?? ''
/** There is no room for two maps on a phone. */
const hasRoom = useBreakpoints({ wide: 800 }).greaterOrEqual('wide')
function layBeside(): void {
    const [one, other] = ticked.value.map(mapOf)
    if (hasRoom.value && one !== undefined && other !== undefined) {
        usePreferences().setSecond(other)
        void router.push(`/maps/${one}`)
    }
}
function seeWhatDiffers(): void {
    const [one, other] = ticked.value.map(mapOf)
    if (one !== undefined && other !== undefined) {
        void router.push(`/maps/${one}/beside?map=${other}`)
    }
}
const lines = (): HTMLElement[] => [...(body.value?.querySelectorAll<HTMLElement>('tr.copy') ?? [])]
function open(row: CopyRow): void {
    opened.value = opened.value === row.id ? null : row.id
    void nextTick(() => {
        const care = body.value?.querySelector('.care')
        care?.scrollIntoView({ block: 'nearest' })
        // As much as fits, with the line that it belongs to.
        care?.previousElementSibling?.scrollIntoView({ block: 'nearest' })
    })
}

function key(event: KeyboardEvent, row: CopyRow): void {
    if (event.target !== event.currentTarget || event.ctrlKey || event.altKey || event.metaKey) {
        return
    }
    const place = lines().indexOf(event.currentTarget as HTMLElement)
    const acts: Record<string, () => void> = {
        ArrowDown: () => lines()[place + 1]?.focus(), ArrowUp: () => lines()[place - 1]?.focus(), Enter: () => open(row), ' ': () => tick(row.id, !ticked.value.includes(row.id)),
        o: () => void router.push(`/maps/${row.map}`), b: layBeside, d: seeWhatDiffers, Escape: () => (opened.value = null),
    }
    const act = acts[event.key]
    if (act !== undefined) {
        event.preventDefault()
        act()
        void nextTick(() => (lines().includes(document.activeElement as HTMLElement) ? undefined : lines()[place]?.focus()))
    }
}
</script>

<template>
    <div class="class-table">
        <div class="tools">
            <p class="hint">Enter opens a line, Space ticks it, O opens the map. Of two ticked, B lays the maps beside each other, D shows what differs.</p>
            <NButton v-if="hasRoom" size="small" secondary :disabled="ticked.length !== 2" @click="layBeside">Lay two beside each other</NButton>
            <NButton size="small" secondary :disabled="ticked.length !== 2" @click="seeWhatDiffers">What differs</NButton>
            <NButton size="small" secondary tag="a" :href="classApi.csv(of.id)">Table as CSV</NButton>
        </div>
        <p v-if="of.copies.length === 0" class="none">Nobody has a copy yet. Whoever comes into the class gets one.</p>
        <div v-else class="scroll">
            <table>
                <thead><tr><th aria-label="Ticked" /><th v-for="column in columns" :key="column.key" :title="column.what" :class="{ text: column.key === 'label' || column.key === 'state' || column.key === 'when' }" :aria-sort="order === column.key ? (turned ? 'descending' : 'ascending') : 'none'"><button @click="sort(column.key)">{{ column.name }}<i v-if="order === column.key" aria-hidden="true">{{ turned ? ' ▴' : ' ▾' }}</i></button></th></tr></thead>
                <tbody ref="body">
                    <template v-for="row in rows" :key="row.id">
                        <tr class="copy" :class="[row.state, { opened: opened === row.id, idle: row.counts.added + row.counts.changed + row.counts.removed + row.counts.ties === 0 }]" tabindex="0" :aria-expanded="opened === row.id" @keydown="key($event, row)" @click="open(row)">
                            <td @click.stop><NCheckbox :checked="ticked.includes(row.id)" :aria-label="`Tick ${row.label}`" :tab-index="-1" @update:checked="(is: boolean) => tick(row.id, is)" /></td>
                            <th scope="row"><i class="here" :class="{ on: row.here.length > 0 }" :title="row.here.length > 0 ? `${row.here.join(', ')} ${row.here.length === 1 ? 'has' : 'have'} it open` : 'Nobody has it open'" /><span dir="auto">{{ row.label }}</span><small v-if="of.byTeam" dir="auto">{{ row.pupils.join(', ') }}</small><small v-if="row.shown !== null" class="shown">shown{{ row.shown === 'nameless' ? ', nameless' : '' }}</small></th>
                            <td v-for="column in columns.slice(1)" :key="column.key" :class="{ text: column.key === 'state' || column.key === 'when', none: cell(column.key, row) === 0 }">{{ cell(column.key, row) }}</td>
                        </tr>
                        <tr v-if="opened === row.id" class="care"><td :colspan="columns.length + 1"><CopyCare :of="of" :row="row" :busy="busy" @take="(does) => emit('take', does)" /></td></tr>
                    </template>
                </tbody>
            </table>
        </div>
    </div>
</template>

<style scoped>
.class-table { display: flex; flex-direction: column; min-height: 0; flex: 1; }
.tools { display: flex; flex-wrap: wrap; align-items: center; gap: 8px; margin-bottom: 8px; }
.hint { color: var(--soft); margin: 0; flex: 1; font-size: 13.5px; }
.none { color: var(--soft); }
.scroll { scroll-padding-top: 40px; flex: 1; min-height: 0; overflow: auto; border: 1px solid var(--edge); border-radius: 10px; background: var(--slip); margin-bottom: 14px; }
table { border-collapse: collapse; width: 100%; font-variant-numeric: tabular-nums; }
thead th { position: sticky; top: 0; z-index: 1; background: var(--slip); box-shadow: inset 0 -1px var(--edge); padding: 0; text-align: right; }
thead th.text { text-align: left; }
thead button { border: 0; background: none; font: inherit; font-size: 13.5px; color: var(--soft); font-weight: 600; padding: 8px 10px; cursor: pointer; white-space: nowrap; border-radius: 5px; }
thead button:focus-visible { outline: 2px solid var(--tide); }
thead i { font-style: normal; }
td, tbody th { padding: 7px 10px; border-bottom: 1px solid var(--faint-edge); text-align: right; white-space: nowrap; }
td.text, tbody th { text-align: left; }
tbody th { font-weight: 600; max-width: 260px; overflow: hidden; text-overflow: ellipsis; }
td.none { color: var(--soft); }
tr.copy { cursor: pointer; outline: none; }
tr.copy > td:first-child { padding-right: 0; text-align: left; }
tr.copy.in > td:first-child { box-shadow: inset 4px 0 var(--marigold); }
tr.copy.back > td:first-child { box-shadow: inset 4px 0 var(--kelp); }
tr.copy.idle th span { font-weight: 400; color: var(--soft); }
tr.copy:hover, tr.copy:focus, tr.copy.opened { background: color-mix(in srgb, var(--tide) 8%, transparent); }
tr.copy:focus { box-shadow: inset 0 0 0 2px var(--tide); }
small { display: block; color: var(--soft); font-weight: 400; font-size: 13px; }
small.shown { color: var(--kelp); }
.here { display: inline-block; width: 8px; height: 8px; border-radius: 50%; margin-right: 8px; border: 1px solid var(--soft); vertical-align: 1px; }
.here.on { background: var(--kelp); border-color: var(--kelp); }
@media (max-width: 700px) { .hint { display: none; } }
.care td { text-align: left; white-space: normal; background: var(--board); padding: 0; }
</style>
