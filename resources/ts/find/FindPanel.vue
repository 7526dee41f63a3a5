<script setup lang="ts">
import { useDebounceFn } from '@vueuse/core'
import { NButton, NCheckbox, NInput, NRadioButton, NRadioGroup, NSpin, NVirtualList } from 'naive-ui'
import { computed, nextTick, onMounted, ref, shallowRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import { api } from '@/api/client'
import { latest } from '@/api/latest'
import type { FindAnswer, Find } from '@/api/wire'
import { leadTo } from '@/board/leadTo'
import { useMap } from '@/stores/map'
import { textPlace } from '@/stores/textPlace'
import { tell } from '@/ui/tell'
import { useUi } from '@/ui/uiStore'
import SidePanel from '@/desk/SidePanel.vue'

/** Finds every place where something stands, in a branch, the map or all maps; chosen ones can be replaced. */
const FIELDS = ['title', 'caption', 'note'] as const

const ui = useUi()
const map = useMap()
const router = useRouter()
const text = ref('')
const replacement = ref('')
const matchCase = ref(false)
const word = ref(false)
const pattern = ref(false)
const fields = ref<string[]>([...FIELDS])
/** What was asked goes with what was answered: only those hits can be replaced, and only by that question. */
interface Found { find: Find; fields: string[]; answer: FindAnswer }
const found = shallowRef<Found | null>(null)
const answer = computed(() => found.value?.answer ?? null)
const asking = latest()
const left = shallowRef<ReadonlySet<string>>(new Set())
const problem = ref<string | null>(null)
const busy = ref(false)
const input = ref<InstanceType<typeof NInput> | null>(null)
const hits = computed(() => answer.value?.maps.flatMap((one) => one.hits.map((hit) => `${one.map} ${hit.key}`)) ?? [])
const wanted = computed(() => hits.value.filter((key) => !left.value.has(key)).length)
const query = computed<Find>(() => ({ text: text.value, case: matchCase.value, word: word.value, pattern: pattern.value }))

const isStale = computed(() => found.value === null || JSON.stringify([found.value.find, found.value.fields]) !== JSON.stringify([query.value, fields.value.length === FIELDS.length ? [...FIELDS, 'more'] : fields.value]))

async function ask(): Promise<void> {
    const isWanted = asking.begin()
    // Who looks everywhere means what features keep of a topic too.
    const asked = { find: query.value, fields: fields.value.length === FIELDS.length ? [...FIELDS, 'more'] : [...fields.value] }
    if (asked.find.text === '' || asked.fields.length === 0) {
        found.value = problem.value = null
        busy.value = false
        return
    }
    busy.value = true
    try {
        const its = await api.find(asked.find, asked.fields, ui.findIn === 'all' ? null : map.id, ui.findIn === 'branch' ? [...map.chosen] : null)
        if (isWanted()) {
            // What was left out of the same question stays so.
            const isSame = found.value !== null && JSON.stringify([found.value.find, found.value.fields]) === JSON.stringify([asked.find, asked.fields])
            left.value = isSame ? new Set(its.maps.flatMap((one) => one.hits.map((hit) => `${one.map} ${hit.key}`)).filter((key) => left.value.has(key))) : new Set()
            found.value = { ...asked, answer: its }
            problem.value = null
        }
    } catch (error) {
        if (isWanted()) {
            found.value = null
            problem.value = (error as Error).message
        }
    } finally {
        busy.value = busy.value && !isWanted()
    }
}

const search = useDebounceFn(ask, 180)

watch([query, fields, () => ui.findIn], () => void search())
// What is written meanwhile is found too, and what has gone is not.
watch([() => map.seq, () => map.savedState], ([, state]) => state === 'saved' && found.value !== null && void search())
watch(() => map.id, () => {
    asking.drop()
    found.value = null
    void search()
})
onMounted(() => void nextTick(() => input.value?.focus()))

function toggle(keys: readonly string[], on: boolean): void {
    const next = new Set(left.value)
    keys.forEach((key) => (on ? next.delete(key) : next.add(key)))
    left.value = next
}

type Hit = FindAnswer['maps'][number]['hits'][number]

/** Where a hit stands in the note; null where that cannot be told. Those before it in the same note are passed over. */
function placeOf({ key, topic, field }: Hit): { topic: string; from: number; to: number } | null {
    const note = map.tree.topics.get(topic)?.note ?? ''
    let from = -1
    let to = 0
    for (const one of field === 'note' ? (answer.value?.maps.find((its) => its.map === map.id)?.hits.filter((its) => its.topic === topic && its.field === field) ?? []) : []) {
        from = note.indexOf(one.found, to)
        to = from + one.found.length
        if (from < 0 || one.key === key) {
            break
        }
    }
    return from < 0 ? null : { topic, from, to }
}

function go(where: string, hit: Hit): void {
    const { topic } = hit
    if (where === map.id) {
        leadTo(topic)
        textPlace.value = placeOf(hit)
    } else {
        ui.side = null
        void router.push(`/maps/${where}/topics/${topic}`)
    }
}

function chooseHits(): void {
    const topics = answer.value?.maps.find((one) => one.map === map.id)?.hits.filter((hit) => !left.value.has(`${map.id} ${hit.key}`)).map((hit) => hit.topic) ?? []
    if (topics.length > 0) {
        map.choose(...new Set(topics))
        ui.side = null
        ui.focusRegion(map.region)
    }
}

async function replace(): Promise<void> {
    const its = found.value
    if (its === null || isStale.value) {
        return
    }
    busy.value = true
    try {
        const chosen = Object.fromEntries(
            its.answer.maps.map((one) => [one.map, one.hits.map((hit) => hit.key).filter((key) => !left.value.has(`${one.map} ${key}`))] as const).filter(([, keys]) => keys.length > 0),
        )
        const { maps, places } = await api.replace(its.find, its.fields, replacement.value, chosen)
        map.askForNews()
        tell.info(places === 0
            ? 'What was found is no longer there, so nothing was replaced.'
            : `Replaced ${places} ${places === 1 ? 'place' : 'places'}${maps > 1 ? ` in ${maps} maps` : ''}. One undo takes it all back.`)
        await ask()
    } catch (error) {
        problem.value = (error as Error).message
    } finally {
        busy.value = false
    }
}

/** Maps and their hits as lines of one list. */
type Line = { key: string; kind: 'map'; one: FindAnswer['maps'][number] } | { key: string; kind: 'hit'; map: string; hit: FindAnswer['maps'][number]['hits'][number]; trail: string }
const lines = computed<Line[]>(() => (answer.value?.maps ?? []).flatMap((one): Line[] => [
    ...(ui.findIn === 'all' ? [{ key: one.map, kind: 'map' as const, one }] : []),
    ...one.hits.map((hit): Line => ({
        key: `${one.map} ${hit.key}`, kind: 'hit', map: one.map, hit,
        trail: `${(one.trails[hit.topic] ?? []).slice(0, hit.field === 'title' ? -1 : undefined).join(' › ') || 'root'}${hit.field === 'title' ? '' : ` · ${hit.called}`}`,
    })),
]))
</script>

<template>
    <SidePanel title="Find and replace" class="find">
        <NInput ref="input" v-model:value="text" placeholder="Find" clearable :maxlength="500" :input-props="{ 'aria-label': 'Find' }" />
        <NInput v-model:value="replacement" :placeholder="pattern ? 'Replace with; $1 stands for the first group' : 'Replace with'" :maxlength="2000" :input-props="{ 'aria-label': 'Replace with' }" @keydown.enter="wanted > 0 && replace()" />
        <NRadioGroup v-model:value="ui.findIn" size="small" aria-label="Where">
            <NRadioButton value="branch">Chosen branch</NRadioButton><NRadioButton value="map">This map</NRadioButton><NRadioButton value="all">All maps</NRadioButton>
        </NRadioGroup>
        <div class="row">
            <NCheckbox v-model:checked="matchCase">Case</NCheckbox><NCheckbox v-model:checked="word">Whole words</NCheckbox><NCheckbox v-model:checked="pattern">Pattern</NCheckbox>
            <span class="sep" />
            <NCheckbox v-for="field in FIELDS" :key="field" :checked="fields.includes(field)" @update:checked="fields = $event ? [...fields, field] : fields.filter((one) => one !== field)">{{ { title: 'Titles', caption: 'Captions', note: 'Notes' }[field] }}</NCheckbox>
        </div>
        <p v-if="problem !== null" class="problem" role="alert">{{ problem }}</p>
        <div class="row foot">
            <span aria-live="polite">{{ answer === null ? '' : hits.length === 0 ? 'Found nowhere' : `${wanted} of ${hits.length}${answer.complete ? '' : ' and more'}` }}</span><NSpin v-if="busy" size="small" />
            <span class="space" />
            <NButton v-if="ui.findIn !== 'all'" size="small" :disabled="wanted === 0" @click="chooseHits">Choose these topics</NButton>
            <NButton size="small" type="primary" :disabled="wanted === 0 || busy || isStale" @click="replace">Replace {{ wanted > 0 ? wanted : '' }}</NButton>
        </div>
        <NVirtualList v-if="lines.length > 0" class="hits" :items="lines" :item-size="54" item-resizable key-field="key">
            <template #default="{ item: line }: { item: Line }">
                <h3 v-if="line.kind === 'map'" :key="line.key"><NCheckbox :checked="line.one.hits.some((hit) => !left.has(`${line.one.map} ${hit.key}`))" @update:checked="toggle(line.one.hits.map((hit) => `${line.one.map} ${hit.key}`), $event)">{{ line.one.title }} · {{ line.one.hits.length }}</NCheckbox></h3>
                <div v-else :key="line.key" class="hit">
                    <NCheckbox :checked="!left.has(line.key)" aria-label="Replace here" @update:checked="toggle([line.key], $event)" />
                    <button @click="go(line.map, line.hit)">
                        <span>{{ line.hit.before }}<mark>{{ line.hit.found }}</mark>{{ line.hit.after }}</span>
                        <small>{{ line.trail }}</small>
                    </button>
                </div>
            </template>
        </NVirtualList>
    </SidePanel>
</template>

<style scoped>
.row { display: flex; flex-wrap: wrap; gap: 4px 12px; align-items: center; }
.sep { flex-basis: 100%; height: 0; }
.space { flex: 1; }
.foot { color: var(--soft); font-size: 14px; }
.problem { margin: 0; padding: 8px 10px; border-left: 3px solid var(--ember); background: var(--ember-tint); border-radius: 4px; }
.hits { flex: 1; min-height: 120px; margin: 0 -10px; }
h3 { margin: 10px 10px 2px; font-size: 15px; }
.hit { display: flex; gap: 8px; align-items: baseline; padding: 2px 10px; }
.hit button { flex: 1; min-width: 0; display: grid; text-align: left; border: 0; background: none; color: inherit; font: inherit; font-size: 14px; padding: 3px 6px; border-radius: 6px; cursor: pointer; }
.hit button:hover, .hit button:focus-visible { background: color-mix(in srgb, var(--tide) 16%, transparent); outline: none; }
.hit button span { overflow-wrap: anywhere; }
mark { background: var(--marigold-tint); color: inherit; border-bottom: 2px solid var(--marigold); }
small { color: var(--soft); }
</style>
