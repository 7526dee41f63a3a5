<script setup lang="ts">
import { computed, nextTick, onBeforeUnmount, onMounted, ref, watch } from 'vue'
import { today } from '@/facts/facts'
import { useMap } from '@/stores/map'
import { usePointerDrag } from '@/ui/usePointerDrag'
import { between, firstOf, monday, monthOf, months, plus, words } from './days'
import { useTable, type DayItem } from './tableStore'

/** The topics of a table on their days: a month, a week, or spans along time. What is dragged, or pushed by keys, is on other days then. */
const DAY_WIDTH = 34
const SPAN_DAYS = 84

const map = useMap()
const table = useTable()
const frame = ref<HTMLElement | null>(null)
/** A day of the month, the week or the span that is seen. */
const at = ref(today())
const now = today()
const chosen = ref('')
const adding = ref<string | null>(null)
const title = ref('')

const isSpans = computed(() => table.form === 'spans')
const from = computed(() => (table.form === 'month' ? monday(firstOf(at.value)) : monday(at.value)))
const weeks = computed(() => (table.form === 'month' ? Math.ceil((between(from.value, months(at.value, 1))) / 7) : 1))
const count = computed(() => (isSpans.value ? SPAN_DAYS : weeks.value * 7))
const to = computed(() => plus(from.value, count.value - 1))
const days = computed(() => Array.from({ length: count.value }, (_, i) => plus(from.value, i)))
watch([from, to], () => (table.seenDays = { from: from.value, to: to.value }), { immediate: true })

const keyOf = (item: DayItem): string => `${item.topic} ${item.what}`
const pushed = ref<{ key: string; from: number; to: number } | null>(null)
/** As they stand while one drags. */
const items = computed(() => table.days.map((item) => {
    const its = pushed.value?.key === keyOf(item) ? pushed.value : null
    return { ...item, key: keyOf(item), from: plus(item.from, its?.from ?? 0), to: plus(item.to, its?.to ?? 0) }
}))
type Shown = (typeof items.value)[number]
const current = computed(() => items.value.find(({ key }) => key === chosen.value))
/** What of each week there is, and how far from its Monday. */
const byWeek = computed(() => Array.from({ length: isSpans.value ? 0 : weeks.value }, (_, w) => {
    const first = plus(from.value, w * 7)
    const last = plus(first, 6)
    return { first, days: days.value.slice(w * 7, w * 7 + 7), items: items.value.filter((item) => item.from <= last && item.to >= first).map((item) => ({ item, start: Math.max(0, between(first, item.from)), end: Math.min(6, between(first, item.to)), begins: item.from >= first, ends: item.to <= last })) }
}))
const headline = computed(() => (table.form === 'month' ? words(at.value, { month: 'long', year: 'numeric' }) : `${words(from.value, { day: 'numeric', month: 'short' })} – ${words(to.value, { day: 'numeric', month: 'short', year: 'numeric' })}`))
const monthsSeen = computed(() => days.value.filter((day, i) => i === 0 || day.endsWith('-01')).map((day) => ({ day, left: between(from.value, day) * DAY_WIDTH })))

function page(by: number): void {
    at.value = table.form === 'month' ? months(at.value, by) : plus(at.value, by * (isSpans.value ? 28 : 7))
}
function home(): void {
    at.value = now
}

/** In another form one sees what was chosen. */
watch(() => table.form, () => (at.value = current.value?.from ?? at.value), { flush: 'sync' })

/** Says of a topic that it is on other days: each of its cells that does. */
function put(item: DayItem, first: string, last: string): void {
    if (first > last || (first === item.from && last === item.to)) {
        return
    }
    const cells = item.what !== 'todo'
        ? [{ column: `field:${item.what}`, text: item.span ? `${first} to ${last}` : first }]
        : [...(item.begins || first !== last ? [{ column: 'begins', text: first }] : []), { column: 'by', text: last }]
    void table.put(cells.map((cell) => ({ topic: item.topic, ...cell })))
}

const dayAt = (event: PointerEvent): string | null => document.elementsFromPoint(event.clientX, event.clientY).map((one) => one.closest<HTMLElement>('[data-day]')?.dataset.day).find((day) => day !== undefined) ?? null
let held: { item: DayItem; day: string; stretches: boolean } | null = null
const { down } = usePointerDrag({
    begin: () => held !== null,
    follow: (event) => {
        const day = dayAt(event)
        if (held !== null && day !== null) {
            const by = between(held.day, day)
            pushed.value = held.stretches ? { key: keyOf(held.item), from: 0, to: Math.max(between(held.item.to, held.item.from), by) } : { key: keyOf(held.item), from: by, to: by }
        }
    },
    drop: () => {
        if (held !== null && pushed.value !== null) {
            put(held.item, plus(held.item.from, pushed.value.from), plus(held.item.to, pushed.value.to))
        }
    },
    // What was dropped stays where it is until the answer comes.
    end: () => {
        held = null
        setTimeout(() => (pushed.value = null), 400)
    },
})
const original = (key: string): DayItem | undefined => table.days.find((item) => keyOf(item) === key)
function choose(item: Shown): void {
    chosen.value = item.key
    map.choose(item.topic)
}
function press(event: PointerEvent, item: Shown, stretches: boolean): void {
    choose(item)
    frame.value?.focus({ preventScroll: true })
    const its = original(item.key)
    held = its === undefined ? null : { item: its, day: stretches ? item.to : (dayAt(event) ?? item.from), stretches }
    down(event, item.topic)
}

/** Arrows go from one to the next by day; along the weeks, to the nearest of another. */
function move(lines: number, across: number): void {
    const all = items.value
    const index = all.findIndex(({ key }) => key === chosen.value)
    const way = lines + across
    const next = index < 0 ? (all.find((item) => item.to >= now) ?? all[0]) : lines !== 0 && !isSpans.value ? nearest(all, index, lines) : all[index + way]
    if (next !== undefined) {
        choose(next)
        void nextTick(() => frame.value?.querySelector('.item.chosen')?.scrollIntoView({ block: 'nearest', inline: 'nearest' }))
    } else if (way !== 0) {
        page(Math.sign(way))
    }
}
function nearest(all: readonly Shown[], index: number, way: number): Shown | undefined {
    const own = all[index]
    const wanted = own === undefined ? now : plus(own.from, 7 * way)
    const others = all.filter((item) => own !== undefined && (way > 0 ? item.from > own.from : item.from < own.from))
    return [...others].sort((a, b) => Math.abs(between(wanted, a.from)) - Math.abs(between(wanted, b.from)))[0]
}
function shift(lines: number, across: number): void {
    const its = original(chosen.value)
    const by = lines * 7 + across
    if (its !== undefined) {
        put(its, plus(its.from, by), plus(its.to, by))
    }
}
function stretch(across: number): void {
    const its = original(chosen.value)
    if (its?.span === true) {
        put(its, its.from, plus(its.to, across))
    }
}
/** Something to do on a day. */
function add(day = current.value?.from ?? (now >= from.value && now <= to.value ? now : from.value)): void {
    adding.value = day
    title.value = ''
    void nextTick(() => frame.value?.querySelector<HTMLInputElement>('.adding')?.focus())
}
async function endAdding(keep: boolean): Promise<void> {
    const day = adding.value
    adding.value = null
    if (day !== null && keep && title.value.trim() !== '') {
        const topic = table.addRow(null, { column: 'title', text: title.value })
        await table.put([{ topic, column: 'by', text: day }])
        chosen.value = `${topic} todo`
    }
    frame.value?.focus({ preventScroll: true })
}
table.hand = { move, shift, stretch, page, home, add: () => add() }
onMounted(() => frame.value?.focus({ preventScroll: true }))
onBeforeUnmount(() => {
    table.hand = null
    table.seenDays = null
})
watch(() => table.wanted, () => void nextTick(() => frame.value?.focus({ preventScroll: true })))
const told = (item: Shown): string => `${item.title}, ${words(item.from, { weekday: 'long', day: 'numeric', month: 'long' })}${item.to === item.from ? '' : ` to ${words(item.to, { weekday: 'long', day: 'numeric', month: 'long' })}`}${item.progress === null ? '' : `, ${item.progress} % done`}`
const stateOf = (item: Shown): Record<string, boolean> => ({ todo: item.progress !== null, done: item.progress === 100, late: item.progress !== null && item.progress < 100 && item.to < now, chosen: item.key === chosen.value })
</script>

<template>
    <div class="calendar">
        <header>
            <button aria-label="Earlier" @click="page(-1)">←</button><button @click="home">Today</button><button aria-label="Later" @click="page(1)">→</button>
            <strong aria-live="polite">{{ headline }}</strong><span v-if="items.length === 0">Nothing is on these days.</span>
        </header>
        <div ref="frame" class="days" :class="`of-${table.form}`" tabindex="0" data-scope="table" data-focus="table" role="group" :aria-label="`Calendar, ${headline}`" @focus="map.region = 'outline'">
            <template v-if="!isSpans">
                <div class="names"><span v-for="day in days.slice(0, 7)" :key="day">{{ words(day, { weekday: 'short' }) }}</span></div>
                <div v-for="week in byWeek" :key="week.first" class="week">
                    <div v-for="(day, i) in week.days" :key="day" class="day" :class="{ away: table.form === 'month' && monthOf(day) !== monthOf(at), now: day === now }" :style="{ left: `${(i * 100) / 7}%` }" :data-day="day" @dblclick="add(day)"><b>{{ Number(day.slice(8)) }}</b></div>
                    <div
                        v-for="{ item, start, end, begins, ends } in week.items" :key="item.key" class="item" :class="[stateOf(item), { begins, ends }]" :style="{ gridColumn: `${start + 1} / ${end + 2}` }" :aria-label="told(item)" :title="told(item)"
                        :aria-current="item.key === chosen" @pointerdown.stop="press($event, item, false)" @dblclick.stop="choose(item)"><span v-if="item.time !== null && begins" class="time">{{ item.time }}</span>{{ item.title || 'Untitled' }}<i v-if="item.span && ends" class="pull" @pointerdown.stop="press($event, item, true)" /></div>
                    <input v-if="adding !== null && week.days.includes(adding)" v-model="title" class="adding" aria-label="What there is to do" placeholder="What is to be done" :maxlength="400" :style="{ gridColumn: week.days.indexOf(adding) + 1 }" @keydown.enter.stop.prevent="endAdding(true)" @keydown.escape.stop.prevent="endAdding(false)" @blur="adding !== null && endAdding(true)" />
                </div>
            </template>
            <div v-else class="spans" :style="{ width: `${count * DAY_WIDTH}px` }">
                <div class="months"><span v-for="one in monthsSeen" :key="one.day" :style="{ left: `${one.left}px` }">{{ words(one.day, { month: 'long', year: 'numeric' }) }}</span></div>
                <div class="line numbers"><span v-for="day in days" :key="day" class="number" :class="{ now: day === now, rest: [0, 6].includes(new Date(`${day}T00:00:00Z`).getUTCDay()) }" :style="{ width: `${DAY_WIDTH}px` }">{{ Number(day.slice(8)) }}</span></div>
                <div class="back"><div v-for="day in days" :key="day" class="stripe" :class="{ now: day === now, rest: [0, 6].includes(new Date(`${day}T00:00:00Z`).getUTCDay()) }" :style="{ width: `${DAY_WIDTH}px` }" :data-day="day" @dblclick="add(day)" /></div>
                <div v-for="item in items" :key="item.key" class="span">
                    <div class="item begins ends" :class="stateOf(item)" :style="{ marginLeft: `${between(from, item.from < from ? from : item.from) * DAY_WIDTH}px`, width: `${(between(item.from < from ? from : item.from, item.to > to ? to : item.to) + 1) * DAY_WIDTH - 4}px` }" :aria-label="told(item)" :title="told(item)" :aria-current="item.key === chosen" @pointerdown.stop="press($event, item, false)"><i v-if="item.progress !== null" class="far" :style="{ width: `${item.progress}%` }" /><i v-if="item.span" class="pull" @pointerdown.stop="press($event, item, true)" /></div>
                    <span class="beside" :class="{ chosen: item.key === chosen }">{{ item.title || 'Untitled' }}</span>
                </div>
                <input v-if="adding !== null" v-model="title" class="adding" aria-label="What there is to do" placeholder="What is to be done" :maxlength="400" :style="{ marginLeft: `${between(from, adding) * DAY_WIDTH}px` }" @keydown.enter.stop.prevent="endAdding(true)" @keydown.escape.stop.prevent="endAdding(false)" @blur="adding !== null && endAdding(true)" />
            </div>
        </div>
    </div>
</template>

<style scoped>
.calendar { flex: 1; min-height: 0; display: flex; flex-direction: column; background: var(--slip); }
header { flex: none; display: flex; gap: 6px; align-items: center; padding: 8px 12px; }
header button { border: 1px solid var(--edge); border-radius: 6px; background: none; font: inherit; font-size: 14px; color: inherit; padding: 3px 11px; cursor: pointer; }
header strong { font-size: 17px; margin: 0 10px; }
header span { color: var(--soft); font-size: 13px; }
.days { flex: 1; min-height: 0; overflow: auto; outline: none; display: flex; flex-direction: column; user-select: none; position: relative; }
.names { display: grid; grid-template-columns: repeat(7, minmax(0, 1fr)); position: sticky; top: 0; background: var(--slip); z-index: 2; border-bottom: 2px solid var(--edge); }
.names span { padding: 3px 8px; color: var(--soft); font-size: 13px; }
.week { flex: 1 0 92px; display: grid; grid-template-columns: repeat(7, minmax(0, 1fr)); grid-auto-rows: min-content; row-gap: 3px; box-sizing: border-box; padding: 28px 0 8px; position: relative; border-bottom: 1px solid var(--edge); grid-auto-flow: row dense; }
.of-week .week { flex-basis: 300px; }
.of-week .item { white-space: normal; overflow-wrap: anywhere; }
.day { position: absolute; top: 0; bottom: 0; width: calc(100% / 7); box-sizing: border-box; border-right: 1px solid color-mix(in srgb, var(--edge) 60%, transparent); padding: 3px 8px; font-size: 13px; }
.day b { font-weight: 400; }
.day.away { color: var(--soft); background: color-mix(in srgb, var(--edge) 22%, transparent); }
.day.now b { background: var(--tide); color: var(--slip); border-radius: 10px; padding: 1px 7px; font-weight: 700; }
.item { position: relative; z-index: 1; margin: 0 3px 0 3px; padding: 2px 7px; border: 1px solid var(--edge); border-radius: 0; background: color-mix(in srgb, var(--tide) 14%, var(--slip)); font-size: 13px; line-height: 18px; overflow: hidden; text-overflow: ellipsis; white-space: nowrap; cursor: grab; }
.item.begins { border-top-left-radius: 6px; border-bottom-left-radius: 6px; }
.item.ends { border-top-right-radius: 6px; border-bottom-right-radius: 6px; }
.item.todo { background: var(--slip); border-color: var(--tide); border-left-width: 4px; }
.item.done { border-style: dashed; color: var(--soft); text-decoration: line-through; }
.item.late { border-color: var(--ember); border-left-width: 4px; }
.item.chosen { box-shadow: 0 0 0 2px var(--tide); }
.item .time { font-weight: 700; margin-right: 5px; }
.pull { position: absolute; top: 0; right: 0; width: 8px; height: 100%; cursor: ew-resize; }
.pull:hover { background: color-mix(in srgb, var(--tide) 45%, transparent); }
.adding { position: relative; z-index: 3; margin: 0 3px; min-width: 0; border: 2px solid var(--tide); border-radius: 6px; background: var(--slip); color: var(--ink); font: inherit; font-size: 13px; padding: 2px 6px; outline: none; }
.spans { position: relative; min-height: 100%; padding-bottom: 20px; }
.months { position: sticky; top: 0; height: 24px; background: var(--slip); z-index: 3; }
.months span { position: absolute; top: 2px; padding-left: 6px; font-weight: 700; font-size: 13px; }
.line.numbers { display: flex; position: sticky; top: 24px; background: var(--slip); z-index: 3; border-bottom: 2px solid var(--edge); }
.number { flex: none; text-align: center; font-size: 12px; color: var(--soft); box-sizing: border-box; padding-bottom: 3px; }
.number.now { color: var(--slip); background: var(--tide); border-radius: 6px 6px 0 0; font-weight: 700; }
.back { position: absolute; inset: 0; display: flex; }
.stripe { flex: none; box-sizing: border-box; border-right: 1px solid color-mix(in srgb, var(--edge) 45%, transparent); }
.stripe.rest { background: color-mix(in srgb, var(--edge) 22%, transparent); }
.stripe.now { background: color-mix(in srgb, var(--tide) 10%, transparent); }
.span { position: relative; display: flex; align-items: center; height: 30px; pointer-events: none; }
.span .item { flex: none; height: 20px; box-sizing: border-box; pointer-events: auto; padding: 0; margin-right: 6px; }
.far { position: absolute; inset: 0 auto 0 0; background: color-mix(in srgb, var(--kelp) 45%, transparent); }
.beside { font-size: 13px; white-space: nowrap; background: color-mix(in srgb, var(--slip) 82%, transparent); padding: 0 4px; border-radius: 4px; }
.beside.chosen { font-weight: 700; }
</style>
