<script setup lang="ts">
import { useDebounceFn } from '@vueuse/core'
import { NButton, NCheckbox, NInput, NRadioButton, NRadioGroup, NSpin } from 'naive-ui'
import { computed, nextTick, onMounted, ref, shallowRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import { api } from '@/api/client'
import type { FindAnswer, Find } from '@/api/wire'
import { useCamera } from '@/board/cameraStore'
import { useMap } from '@/stores/map'
import { tell } from '@/ui/tell'
import { useUi } from '@/ui/uiStore'
import SidePanel from '@/desk/SidePanel.vue'

/** Finds every place where something stands, in a branch, the map or all maps; chosen ones can be replaced. */
const FIELDS = ['title', 'caption', 'note'] as const

const ui = useUi()
const map = useMap()
const camera = useCamera()
const router = useRouter()
const text = ref('')
const replacement = ref('')
const matchCase = ref(false)
const word = ref(false)
const pattern = ref(false)
const fields = ref<string[]>([...FIELDS])
const answer = shallowRef<FindAnswer | null>(null)
const left = shallowRef<ReadonlySet<string>>(new Set())
const problem = ref<string | null>(null)
const busy = ref(false)
const input = ref<InstanceType<typeof NInput> | null>(null)
/** So many hits of a map are listed; all count. */
const LISTED = 300

const hits = computed(() => answer.value?.maps.flatMap((one) => one.hits.map((hit) => `${one.map} ${hit.key}`)) ?? [])
const wanted = computed(() => hits.value.filter((key) => !left.value.has(key)).length)
const query = computed<Find>(() => ({ text: text.value, case: matchCase.value, word: word.value, pattern: pattern.value }))

const search = useDebounceFn(async () => {
    if (text.value === '' || fields.value.length === 0) {
        answer.value = problem.value = null
        return
    }
    busy.value = true
    try {
        answer.value = await api.find(query.value, fields.value, ui.findIn === 'all' ? null : map.id, ui.findIn === 'branch' ? [...map.chosen] : null)
        problem.value = null
        left.value = new Set()
    } catch (error) {
        answer.value = null
        problem.value = (error as Error).message
    } finally {
        busy.value = false
    }
}, 180)

watch([query, fields, () => ui.findIn], () => void search())
onMounted(() => void nextTick(() => input.value?.focus()))

function toggle(keys: readonly string[], on: boolean): void {
    const next = new Set(left.value)
    keys.forEach((key) => (on ? next.delete(key) : next.add(key)))
    left.value = next
}

function go(where: string, topic: string): void {
    if (where === map.id) {
        map.uncover(topic, map.region)
        map.choose(topic)
        map.afterAnswer(() => camera.reveal(topic))
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
    busy.value = true
    try {
        const chosen = Object.fromEntries(
            (answer.value?.maps ?? []).map((one) => [one.map, one.hits.map((hit) => hit.key).filter((key) => !left.value.has(`${one.map} ${key}`))] as const).filter(([, keys]) => keys.length > 0),
        )
        const count = wanted.value
        const { maps } = await api.replace(query.value, fields.value, replacement.value, chosen)
        map.askForNews()
        tell.info(`Replaced ${count} ${count === 1 ? 'place' : 'places'}${maps > 1 ? ` in ${maps} maps` : ''}. One undo takes it all back.`)
        await search()
    } catch (error) {
        problem.value = (error as Error).message
    } finally {
        busy.value = false
    }
}
</script>

<template>
    <SidePanel title="Find and replace">
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
            <NButton size="small" type="primary" :disabled="wanted === 0 || busy" @click="replace">Replace {{ wanted > 0 ? wanted : '' }}</NButton>
        </div>
        <div class="hits">
            <section v-for="one in answer?.maps ?? []" :key="one.map">
                <h3 v-if="ui.findIn === 'all'"><NCheckbox :checked="one.hits.some((hit) => !left.has(`${one.map} ${hit.key}`))" @update:checked="toggle(one.hits.map((hit) => `${one.map} ${hit.key}`), $event)">{{ one.title }} · {{ one.hits.length }}</NCheckbox></h3>
                <div v-for="hit in one.hits.slice(0, LISTED)" :key="hit.key" class="hit">
                    <NCheckbox :checked="!left.has(`${one.map} ${hit.key}`)" aria-label="Replace here" @update:checked="toggle([`${one.map} ${hit.key}`], $event)" />
                    <button @click="go(one.map, hit.topic)">
                        <span>{{ hit.before }}<mark>{{ hit.found }}</mark>{{ hit.after }}</span>
                        <small>{{ (one.trails[hit.topic] ?? []).slice(0, hit.field === 'title' ? -1 : undefined).join(' › ') || 'root' }}{{ hit.field === 'title' ? '' : ` · ${hit.field}` }}</small>
                    </button>
                </div>
                <p v-if="one.hits.length > LISTED" class="more">and {{ one.hits.length - LISTED }} more here</p>
            </section>
        </div>
    </SidePanel>
</template>

<style scoped>
.row { display: flex; flex-wrap: wrap; gap: 4px 12px; align-items: center; }
.sep { flex-basis: 100%; height: 0; }
.space { flex: 1; }
.foot { color: var(--soft); font-size: 14px; }
.problem { margin: 0; padding: 8px 10px; border-left: 3px solid var(--ember); background: var(--ember-tint); border-radius: 4px; }
.hits { margin: 0 -10px; }
h3 { margin: 10px 10px 2px; font-size: 15px; }
.hit { display: flex; gap: 8px; align-items: baseline; padding: 2px 10px; }
.hit button { flex: 1; min-width: 0; display: grid; text-align: left; border: 0; background: none; color: inherit; font: inherit; font-size: 14px; padding: 3px 6px; border-radius: 6px; cursor: pointer; }
.hit button:hover, .hit button:focus-visible { background: color-mix(in srgb, var(--tide) 16%, transparent); outline: none; }
.hit button span { overflow-wrap: anywhere; }
mark { background: var(--marigold-tint); color: inherit; border-bottom: 2px solid var(--marigold); }
small, .more { color: var(--soft); }
.more { margin: 4px 16px; }
</style>
