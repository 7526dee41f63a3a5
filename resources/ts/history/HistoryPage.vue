<script setup lang="ts">
import { NButton, NEmpty, NInput, NRadioButton, NRadioGroup, NSpin } from 'naive-ui'
import { computed, nextTick, ref, shallowRef, useTemplateRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, pastPictureAddress } from '@/api/client'
import { latest } from '@/api/latest'
import type { CompareAnswer, Difference, HistoryEntry, NamedVersion } from '@/api/wire'
import { usePreferences } from '@/stores/preferences'
import { emptyTree, merged } from '@/stores/tree'
import { newId } from '@/stores/map'
import { topicName } from '@/text/titleMarkdown'
import Mark from '@/ui/Mark.vue'
import { tell } from '@/ui/tell'

/** All that was done to a map, by sittings; the map as it was after any of it, held against how it is now. */
const props = defineProps<{ id: string }>()

/** Minutes without an edit that part two sittings. */
const PAUSE = 30

const router = useRouter()
const route = useRoute()
const calling = useTemplateRef<InstanceType<typeof NInput>>('calling')
const preferences = usePreferences()
const edits = shallowRef<readonly HistoryEntry[] | null>(null)
/** Versions with a name, and what the one that is seen is to be called. */
const versions = shallowRef<readonly NamedVersion[]>([])
const name = ref('')
const more = ref(false)
const at = ref<number | null>(null)
const show = ref<'then' | 'now'>('then')
const compared = shallowRef<CompareAnswer | null>(null)
const title = ref('')
const newest = ref(0)
const large = ref(false)
const problem = ref<string | null>(null)
const comparing = latest()

const WORDS: Record<Difference['what'], string> = { added: 'Added since', removed: 'Removed since', moved: 'Moved since', changed: 'Changed since' }
const CHALKS: Record<Difference['what'], string> = { added: 'kelp', removed: 'ember', moved: 'marigold', changed: 'dusk' }

const sittings = computed(() => {
    const groups: { begun: string; edits: HistoryEntry[] }[] = []
    let last = 0
    for (const entry of edits.value ?? []) {
        const made = Date.parse(entry.made)
        if (groups.length === 0 || last - made > PAUSE * 60_000) {
            groups.push({ begun: entry.made, edits: [] })
        }
        groups[groups.length - 1]?.edits.push(entry)
        last = made
    }
    return groups
})
const groups = computed(() => (['added', 'removed', 'moved', 'changed'] as const).map((what) => ({ what, all: compared.value?.differences.filter((one) => one.what === what) ?? [] })).filter((group) => group.all.length > 0))
const day = new Intl.DateTimeFormat(undefined, { weekday: 'long', day: 'numeric', month: 'long' })
const time = new Intl.DateTimeFormat(undefined, { timeStyle: 'short' })

async function attempt(work: () => Promise<void>): Promise<void> {
    try {
        await work()
    } catch (error) {
        tell.error((error as Error).message)
    }
}

async function fetchMore(): Promise<void> {
    const map = props.id
    try {
        const { edits: next, versions: named } = await api.history(map, edits.value?.at(-1)?.seq)
        if (map === props.id) {
            versions.value = named
            edits.value = [...(edits.value ?? []), ...next]
            more.value = next.length === 100
            problem.value = null
        }
    } catch (error) {
        problem.value = (error as Error).message
    }
}

watch(() => props.id, async (map) => {
    edits.value = at.value = compared.value = null
    await fetchMore()
    const all = edits.value as readonly HistoryEntry[] | null
    if (map !== props.id || all === null) {
        return
    }
    newest.value = all[0]?.seq ?? 0
    at.value = all[1]?.seq ?? 0
    // Whoever comes back wants to see what others did since.
    const since = Number(route.query.since ?? Number.NaN)
    if (Number.isInteger(since) && since >= 0 && since < newest.value) {
        at.value = since
        show.value = 'now'
    }
    // Whoever came to give a name means the map as it is.
    if (route.query.call !== undefined) {
        at.value = newest.value
        void nextTick(() => calling.value?.focus())
    }
    await attempt(async () => {
        const library = await api.library()
        const name = [...library.maps, ...library.shared].find((one) => one.id === map)?.title ?? ''
        title.value = map === props.id ? name : title.value
    })
}, { immediate: true })

watch(at, (seq) => {
    const isWanted = comparing.begin()
    compared.value = null
    if (seq !== null) {
        void attempt(async () => {
            const answer = await api.compare(props.id, seq)
            if (isWanted()) {
                compared.value = answer
            }
        })
    }
})

const nameOf = (seq: number): string => versions.value.find((one) => one.seq === seq)?.name ?? ''
watch([at, versions], () => (name.value = at.value === null ? '' : nameOf(at.value)))
const call = (): Promise<void> => attempt(async () => {
    if (at.value !== null && name.value.trim() !== nameOf(at.value)) {
        versions.value = (await api.nameVersion(props.id, at.value, name.value.trim() === '' ? null : name.value.trim())).versions
    }
})

function goTo(event: KeyboardEvent, by: 1 | -1): void {
    const all = edits.value ?? []
    const next = all[all.findIndex((entry) => entry.seq === at.value) + by]
    if (next !== undefined) {
        event.preventDefault()
        at.value = next.seq
        document.getElementById(`edit-${next.seq}`)?.focus()
    }
}

const back = (): void => void router.push(`/maps/${props.id}`)

const returnTo = (): Promise<void> => attempt(async () => {
    const answer = await api.edit(props.id, newest.value, [{ name: 'history.return', id: newId(), seq: at.value ?? 0 }])
    const refusal = answer.edits[0]?.refusal
    if (refusal !== undefined) {
        throw new Error(refusal.message)
    }
    tell.info('The map is as it was then. Undo brings the later edits back.')
    back()
})

/** Puts a branch as it was then below the root of the map as it is now. */
const bringOver = (topic: string): Promise<void> => attempt(async () => {
    const { topics } = await api.pastBranch(props.id, at.value ?? 0, topic)
    const open = await api.open(props.id)
    const root = merged(emptyTree, open.rows).root
    await api.edit(props.id, open.seq, [{ name: 'topic.add-many', id: newId(), parent: root, topics }])
    tell.info('The branch as it was then hangs on the root now. Undo takes it back.')
    newest.value++
    edits.value = null
    await fetchMore()
})
</script>

<template>
    <div class="history">
        <header>
            <RouterLink to="/" class="home" aria-label="Back to the library"><Mark /></RouterLink>
            <h1>History<small v-if="title"> of {{ title }}</small></h1>
            <NButton type="primary" secondary size="small" @click="back">Back to the map</NButton>
        </header>
        <main>
            <nav class="edits" aria-label="Edits" @keydown.down="goTo($event, 1)" @keydown.up="goTo($event, -1)">
                <div v-if="edits === null && problem !== null" role="alert"><p>{{ problem }}</p><NButton size="small" @click="fetchMore">Try again</NButton></div>
                <NSpin v-else-if="edits === null" />
                <NEmpty v-else-if="edits.length === 0" description="Nothing has been changed in this map yet." />
                <section v-if="versions.length > 0" class="versions">
                    <h2>Versions with a name</h2>
                    <button v-for="one in versions" :key="one.seq" :class="{ at: one.seq === at }" :aria-current="one.seq === at" @click="at = one.seq">
                        <span>{{ one.name }}</span><small>{{ day.format(new Date(one.named)) }}, {{ time.format(new Date(one.named)) }}</small>
                    </button>
                </section>
                <section v-for="sitting in sittings" :key="sitting.begun">
                    <h2>{{ day.format(new Date(sitting.begun)) }}</h2>
                    <button v-for="entry in sitting.edits" :id="`edit-${entry.seq}`" :key="entry.seq" :class="{ at: entry.seq === at }" :aria-current="entry.seq === at" @click="at = entry.seq">
                        <b v-if="nameOf(entry.seq) !== ''">{{ nameOf(entry.seq) }}</b><span>{{ entry.summary }}</span><small>{{ time.format(new Date(entry.made)) }}, {{ entry.person }}</small>
                    </button>
                </section>
                <button v-if="edits !== null && !more" id="edit-0" :class="{ at: at === 0 }" @click="at = 0"><span>How the map began</span></button>
                <NButton v-if="more" size="small" @click="fetchMore">Earlier edits</NButton>
            </nav>
            <section v-if="at !== null" class="past">
                <div class="bar">
                    <NRadioGroup v-model:value="show" size="small" aria-label="What is drawn"><NRadioButton value="then">As it was then</NRadioButton><NRadioButton value="now">As it is now</NRadioButton></NRadioGroup>
                    <form class="name" @submit.prevent="call"><NInput ref="calling" v-model:value="name" size="small" :maxlength="100" placeholder="A name for this version" :input-props="{ 'aria-label': 'Name of this version' }" @blur="call" /></form>
                    <NButton size="small" type="primary" :disabled="at === newest" @click="returnTo">Return to this</NButton>
                </div>
                <div class="drawing" :class="{ large }" :title="large ? 'Click to see all of it' : 'Click to read it'" @click="large = !large"><img :src="pastPictureAddress(id, at, show, preferences.board)" :alt="show === 'then' ? 'The map as it was' : 'The map as it is now'" /></div>
            </section>
            <aside v-if="at !== null" class="differences" aria-label="What is different now">
                <NSpin v-if="compared === null" />
                <p v-else-if="groups.length === 0">The map is just as it was then.</p>
                <section v-for="group in groups" :key="group.what">
                    <h2><i :style="{ borderColor: `var(--${CHALKS[group.what]})` }" />{{ WORDS[group.what] }} · {{ group.all.length }}</h2>
                    <ul>
                        <li v-for="one in group.all.slice(0, 200)" :key="one.topic">
                            <span>{{ topicName(one.title) }}<small v-if="one.was"> was: {{ topicName(one.was) }}</small></span>
                            <NButton v-if="one.what !== 'added'" size="tiny" quaternary @click="bringOver(one.topic)">Copy as it was</NButton>
                        </li>
                    </ul>
                </section>
            </aside>
        </main>
    </div>
</template>

<style scoped>
.history { height: 100dvh; display: flex; flex-direction: column; background: var(--slip); }
header { display: flex; align-items: center; gap: 10px; padding: 7px 14px; border-bottom: 1px solid var(--edge); }
.home { display: grid; }
h1 { font-size: 17px; margin: 0; flex: 1; overflow: hidden; text-overflow: ellipsis; white-space: nowrap; }
h1 small { font-weight: 400; color: var(--soft); font-size: 15px; }
main { flex: 1; min-height: 0; display: grid; grid-template-columns: 300px minmax(0, 1fr) 280px; }
.edits, .differences { overflow: auto; padding: 6px 10px 20px; }
h2 { font-size: 14px; margin: 12px 6px 4px; color: var(--soft); display: flex; align-items: center; gap: 6px; }
h2 i { width: 14px; height: 9px; border: 2.5px dashed; border-radius: 4px; }
.edits button:not(.n-button) { display: grid; width: 100%; text-align: left; border: 0; border-left: 3px solid var(--edge); background: none; font: inherit; color: inherit; padding: 4px 10px; cursor: pointer; }
.edits button:hover { background: color-mix(in srgb, var(--ink) 5%, transparent); }
.edits button.at { border-left-color: var(--tide); background: color-mix(in srgb, var(--tide) 18%, transparent); }
.edits span { overflow-wrap: anywhere; font-size: 14.5px; }
small { color: var(--soft); font-size: 13px; }
.past { display: flex; flex-direction: column; border: solid var(--edge); border-width: 0 1px; background: var(--board); min-width: 0; }
.bar { display: flex; gap: 8px; padding: 8px 12px; align-items: center; }
.name { flex: 1; min-width: 0; max-width: 320px; margin: 0 auto; }
.edits b { font-size: 14.5px; color: var(--tide); overflow-wrap: anywhere; }
.drawing { flex: 1; min-height: 0; overflow: auto; display: grid; place-items: center; padding: 8px; }
.drawing { cursor: zoom-in; }
.drawing.large { cursor: zoom-out; display: block; }
.drawing:not(.large) img { max-width: 100%; max-height: 100%; object-fit: contain; }
ul { list-style: none; margin: 0; padding: 0; }
li { display: flex; align-items: baseline; gap: 6px; padding: 2px 6px; font-size: 14.5px; }
li span { flex: 1; overflow-wrap: anywhere; }
@media (max-width: 900px) { main { grid-template-columns: 1fr; grid-auto-rows: min-content; overflow: auto; } .drawing { min-height: 280px; } .edits { max-height: 40vh; } }
</style>
