<script setup lang="ts">
import { NButton, NSelect, NSpin } from 'naive-ui'
import { computed, nextTick, onMounted, ref, shallowRef, useTemplateRef } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api } from '@/api/client'
import Mark from '@/ui/Mark.vue'
import { useBeside, type Difference, type Sort } from './useBeside'

/** Another map, or a file that came back, laid beside a map: both on one board, what is otherwise as a list, taken over piece by piece. */
const props = defineProps<{ id: string }>()
const router = useRouter()
const route = useRoute()
const { other, moments, answer, drawn, problem, isAsking, open, taken, refused, steps, lay, take, leave, back } = useBeside(() => props.id)

const WORDS: Record<Sort, string> = { new: 'Only there', changed: 'Says otherwise there', moved: 'Stands elsewhere there', tied: 'Tied there', gone: 'Only here' }
const CHALKS: Record<Sort, string> = { new: 'kelp', changed: 'dusk', moved: 'marigold', tied: 'heather', gone: 'ember' }
const FIELDS = { title: 'Title', caption: 'Caption', note: 'Note' } as const
/** As many of a sort are in the page. */
const MOST = 100

const maps = shallowRef<readonly { label: string; value: string }[]>([])
const title = ref('')
const chooser = useTemplateRef<HTMLInputElement>('chooser')
const list = useTemplateRef<HTMLElement>('list')
const select = useTemplateRef<InstanceType<typeof NSelect>>('select')
const large = ref(false)
onMounted(async () => {
    const all = (await api.library().catch(() => null))?.maps ?? []
    title.value = all.find((one) => one.id === props.id)?.title ?? ''
    maps.value = [{ label: 'This map, at another moment', value: props.id }, ...all.filter((one) => one.id !== props.id).map((one) => ({ label: one.title, value: one.id }))]
    own.value = await momentsOf(props.id)
    const { map } = route.query
    // Whoever was faster than that has chosen already.
    await (typeof map === 'string' ? choose(map) : nextTick(() => (hasChosen ? undefined : select.value?.focus())))
})

const groups = computed(() => (['new', 'changed', 'moved', 'tied', 'gone'] as const).map((sort) => ({ sort, all: open.value.filter(({ one }) => one.sort === sort) })).filter(({ all }) => all.length > 0))
/** All but what is only here: that may have been written since. */
const there = computed(() => open.value.filter(({ one }) => one.sort !== 'gone').map(({ i }) => i))
const act = (sort: Sort): string => (sort === 'gone' ? 'Remove it here' : 'Take over')
const number = (n: number, one: string, several: string): string => `${n.toLocaleString('en')} ${n === 1 ? one : several}`
/** What a topic hangs on. */
const named = (trail: readonly string[]): string => (trail.length === 0 ? 'the open board' : `“${trail.at(-1) ?? ''}”`)
/** No empty lines before what is told. */
const begun = (text: string, n: number): string => (n === 0 ? text.replace(/^\n+/, '') : text)
const tells = ({ sort, topics, facts, trail, to }: Difference): string => [
    topics > 1 ? `with ${number(topics - 1, 'topic', 'topics')} below it` : '',
    sort === 'moved' ? `from ${named(trail)} to ${named(to)}` : trail.length > 1 ? `in ${trail.slice(1).slice(-3).join(' › ')}` : '',
    facts.length > 0 ? facts.join(', ') : '',
].filter((one) => one !== '').join(' · ')

interface Moment { label: string; value: number }
/** Of a map: the versions that have a name, and its latest edits. */
const own = shallowRef<readonly Moment[]>([])
const theirs = shallowRef<readonly Moment[]>([])
const time = new Intl.DateTimeFormat(undefined, { dateStyle: 'medium', timeStyle: 'short' })
async function momentsOf(map: string): Promise<readonly Moment[]> {
    const its = await api.history(map).catch(() => null)
    return its === null ? [] : [
        ...its.versions.map(({ seq, name, named }) => ({ label: `${name}, named ${time.format(new Date(named))}`, value: seq })),
        ...its.edits.map(({ seq, summary, made }) => ({ label: `Before “${summary.slice(0, 60)}”, ${time.format(new Date(made))}`, value: seq - 1 })),
    ]
}
const optionsOf = (all: readonly Moment[]): { label: string; value: number }[] => [{ label: 'As it is now', value: -1 }, ...all.filter((one, n) => all.findIndex(({ value }) => value === one.value) === n)]
const when = (value: number): number | null => (value < 0 ? null : value)
const isPast = computed(() => moments.value.since !== null)
async function turn(as: { at?: number; since?: number }): Promise<void> {
    const wanted = { at: as.at === undefined ? moments.value.at : when(as.at), since: as.since === undefined ? moments.value.since : when(as.since) }
    await (other.value === null ? undefined : lay(other.value, wanted))
}

let hasChosen = false
async function choose(its: string | File | null | undefined): Promise<void> {
    if (its != null) {
        hasChosen = true
        theirs.value = typeof its === 'string' ? await momentsOf(its) : []
        // As it is now: it is sent again when both are drawn, and when something is taken back.
        const kept = its instanceof File ? new File([await its.arrayBuffer()], its.name) : its
        // Against itself as it is there is nothing to be told: against how it was before the latest edit.
        await lay(kept, { at: its === props.id ? (theirs.value[0]?.value ?? null) : null, since: moments.value.since })
        focus(0)
    }
}
const lines = (): HTMLElement[] => [...(list.value?.querySelectorAll<HTMLElement>('li[tabindex]') ?? [])]
const focus = (place: number): void => void nextTick(() => lines()[Math.max(0, Math.min(place, lines().length - 1))]?.focus())

function key(event: KeyboardEvent, i: number): void {
    const place = lines().indexOf(event.currentTarget as HTMLElement)
    const after = (run: () => void) => (): void => {
        run()
        focus(place)
    }
    const acts: Record<string, () => void> = isPast.value ? { ArrowDown: () => focus(place + 1), ArrowUp: () => focus(place - 1) } : { Enter: after(() => void take(i)), Delete: after(() => leave(i)), ArrowDown: () => focus(place + 1), ArrowUp: () => focus(place - 1) }
    const its = event.target === event.currentTarget && !event.ctrlKey && !event.altKey && !event.metaKey ? acts[event.key] : undefined
    if (its !== undefined) {
        event.preventDefault()
        its()
    }
}
/** Ctrl+Z, as everywhere. */
function undo(event: KeyboardEvent): void {
    if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'z' && !event.shiftKey && steps.value.length > 0) {
        event.preventDefault()
        void back()
    }
}
</script>

<template>
    <div class="beside" @keydown="undo" @dragover.prevent @drop.prevent="choose($event.dataTransfer?.files[0])">
        <header>
            <RouterLink to="/" class="home" aria-label="Back to the library"><Mark /></RouterLink>
            <h1>Beside another<small v-if="title"> {{ title }}</small></h1>
            <NButton size="small" :disabled="steps.length === 0" @click="back">Undo</NButton>
            <NButton type="primary" secondary size="small" @click="router.push(`/maps/${id}`)">Back to the map</NButton>
        </header>
        <main>
            <section class="list" aria-label="What is otherwise">
                <div class="ask">
                    <NSelect ref="select" size="small" filterable show-on-focus :value="typeof other === 'string' ? other : null" :options="[...maps]" placeholder="A map of yours" :input-props="{ 'aria-label': 'Map that is laid beside it' }" @update:value="choose" />
                    <NButton size="small" @click="chooser?.click()">A file</NButton>
                    <input ref="chooser" type="file" hidden aria-label="File that is laid beside it" @change="choose(chooser?.files?.[0])" />
                </div>
                <div v-if="other !== null" class="moments">
                    <label>Here<NSelect size="tiny" filterable :value="moments.since ?? -1" :options="optionsOf(own)" :input-props="{ 'aria-label': 'Moment of this map' }" @update:value="(since: number) => turn({ since })" /></label>
                    <label v-if="typeof other === 'string'">There<NSelect size="tiny" filterable :value="moments.at ?? -1" :options="optionsOf(theirs)" :input-props="{ 'aria-label': 'Moment of the other' }" @update:value="(at: number) => turn({ at })" /></label>
                </div>
                <p v-if="problem !== ''" class="problem" role="alert">{{ problem }}</p>
                <NSpin v-if="isAsking" size="small" />
                <p v-else-if="answer === null" class="told">Choose a map, or a file that came back: a copy of this map, an outline, a document. Topics are known again by where they come from, or by what they say and where they stand. Nothing changes before you take it over.</p>
                <template v-else>
                    <p class="told" role="status"><b dir="auto">{{ answer.title }}</b> {{ number(answer.same, 'topic is', 'topics are') }} the same. {{ open.length > 0 ? `${number(open.length, 'difference', 'differences')} to decide on${answer.hasMore ? ', and more after these' : ''}: Enter takes one over, Del leaves it.` : taken === 0 ? 'Nothing is otherwise.' : 'Nothing more to decide.' }}</p>
                    <p v-for="[i, why] in refused" :key="i" class="problem" role="alert">{{ answer.differences[i]?.title || 'Untitled' }}: {{ why }}</p>
                    <p v-if="answer.isSince" class="told soft">It is known of which moment it is a copy: what was changed here since stays, and what both changed is brought together.</p>
                    <p v-if="isPast" class="told soft">Both are only looked at: nothing can be taken over into what is past.</p>
                    <div v-if="there.length > 1 && !isPast" class="tools"><NButton size="small" type="primary" @click="take(...there)">Take over all that is there ({{ there.length }})</NButton></div>
                    <div ref="list" class="groups">
                        <section v-for="group in groups" :key="group.sort">
                            <h2><i :style="{ borderColor: `var(--${CHALKS[group.sort]})` }" />{{ WORDS[group.sort] }} · {{ group.all.length }}</h2>
                            <ul>
                                <li v-for="{ one, i } in group.all.slice(0, MOST)" :key="i" tabindex="0" :aria-label="`${one.title || 'Untitled'}, ${WORDS[one.sort].toLowerCase()}`" @keydown="key($event, i)">
                                    <b dir="auto">{{ one.title || 'Untitled' }}</b>
                                    <small dir="auto">{{ tells(one) }}</small>
                                    <p v-for="said in one.said" :key="said.field" class="said" dir="auto"><em v-if="said.field !== 'title'">{{ FIELDS[said.field] }}</em> <component :is="piece.what === 'new' ? 'ins' : piece.what === 'gone' ? 'del' : 'span'" v-for="(piece, n) in said.pieces" :key="n">{{ begun(piece.text, n) }}</component></p>
                                    <span v-if="!isPast" class="do"><NButton size="tiny" secondary tabindex="-1" @click="take(i)">{{ act(one.sort) }}</NButton><NButton size="tiny" quaternary tabindex="-1" @click="leave(i)">Leave</NButton></span>
                                </li>
                                <li v-if="group.all.length > MOST" class="more">{{ number(group.all.length - MOST, 'more comes', 'more come') }} when these are decided.</li>
                            </ul>
                        </section>
                    </div>
                </template>
            </section>
            <section class="board" :class="{ large }" :title="drawn === '' ? undefined : large ? 'Click to see all of it' : 'Click to read it'" @click="large = !large && drawn !== ''">
                <img v-if="drawn !== ''" :src="drawn" alt="Both on one board" />
                <p v-else class="told soft">Both are drawn here, on one board.</p>
            </section>
        </main>
    </div>
</template>

<style scoped>
.beside { height: 100dvh; display: flex; flex-direction: column; background: var(--slip); }
header { display: flex; align-items: center; gap: 10px; padding: 7px 14px; border-bottom: 1px solid var(--edge); }
.home { display: grid; }
h1 { font-size: 17px; margin: 0; flex: 1; overflow: hidden; text-overflow: ellipsis; white-space: nowrap; }
h1 small { margin-left: 10px; font-weight: 400; color: var(--soft); font-size: 15px; }
main { flex: 1; min-height: 0; display: grid; grid-template-columns: 400px minmax(0, 1fr); }
.list { display: flex; flex-direction: column; gap: 9px; padding: 12px 14px 0; min-height: 0; border-right: 1px solid var(--edge); }
.ask, .moments { display: flex; gap: 8px; }
.moments label { flex: 1; min-width: 0; display: flex; flex-direction: column; gap: 2px; font-size: 13px; color: var(--soft); }
p { margin: 0; line-height: 1.45; }
.told { font-size: 14.5px; }
.told b { display: block; }
.soft { color: var(--soft); }
.problem { border-left: 3px solid var(--ember); padding-left: 8px; font-size: 14.5px; }
.groups { flex: 1; min-height: 0; overflow: auto; margin: 0 -14px; padding: 0 14px 20px; }
h2 { font-size: 14px; margin: 12px 0 4px; color: var(--soft); display: flex; align-items: center; gap: 6px; }
h2 i { width: 14px; height: 9px; border: 2.5px dashed; border-radius: 4px; }
ul { list-style: none; margin: 0; padding: 0; }
li { display: grid; grid-template-columns: minmax(0, 1fr) auto; gap: 2px 8px; padding: 7px 8px; border-bottom: 1px solid var(--faint-edge); border-left: 3px solid transparent; outline: none; font-size: 14.5px; }
li > b { font-weight: 600; overflow-wrap: anywhere; }
li > small, li > .said { grid-column: 1 / -1; }
li > .do { grid-column: 2; grid-row: 1; display: flex; gap: 4px; align-self: start; }
li:focus { border-left-color: var(--tide); background: color-mix(in srgb, var(--tide) 7%, transparent); }
.more { color: var(--soft); display: block; }
small { color: var(--soft); font-size: 13px; overflow-wrap: anywhere; }
.said { white-space: pre-line; overflow-wrap: anywhere; max-height: 11em; overflow: auto; }
.said em { font-style: normal; color: var(--soft); font-size: 13px; margin-right: 4px; }
ins { text-decoration: none; background: color-mix(in srgb, var(--kelp) 24%, transparent); border-radius: 3px; }
del { color: var(--soft); text-decoration-color: var(--ember); }
.board { background: var(--board); overflow: auto; display: grid; place-items: center; padding: 8px; min-width: 0; cursor: zoom-in; }
.board.large { display: block; cursor: zoom-out; }
.board:not(.large) img { max-width: 100%; max-height: 100%; object-fit: contain; }
@media (max-width: 900px) { main { grid-template-columns: 1fr; grid-template-rows: auto minmax(240px, 40vh); overflow: auto; } .list { border-right: 0; } .groups { max-height: 56vh; } }
</style>
