<script setup lang="ts">
import { NModal } from 'naive-ui'
import { computed, shallowRef, watch } from 'vue'
import { api } from '@/api/client'
import type { DaysAnswer } from '@/api/wire'
import { dayWords } from '@/facts/facts'
import { useMap } from '@/stores/map'
import { rowOf } from '@/stores/tree'
import { useDraft } from './draftStore'

/** On which days one wrote in this map: half a year as strokes as long as what was written, and the latest days in words. */
const DAYS = 182
const LATEST = 10
const map = useMap()
const draft = useDraft()
const told = shallowRef<DaysAnswer | null>(null)
const problem = shallowRef('')

watch(() => draft.isSeeingDays, async (is) => {
    if (is) {
        problem.value = ''
        told.value = await api.writingDays(map.id).catch((error: unknown) => {
            problem.value = (error as Error).message
            return null
        })
    }
}, { immediate: true })

const goal = computed(() => Number(rowOf(map.tree, 'goal', draft.top)?.fields.daily ?? 0) || null)
const words = computed(() => new Map(told.value?.days.map(({ day, words: its }) => [day, its]) ?? []))
/** A day so many days from another. */
const from = (day: string, by: number): string => new Date(Date.parse(`${day}T12:00:00Z`) + by * 86_400_000).toISOString().slice(0, 10)
/** The days of half a year, today the last. */
const days = computed(() => {
    const today = told.value?.today
    return today === undefined ? [] : Array.from({ length: DAYS }, (_, i) => from(today, i - DAYS + 1)).map((day) => ({ day, words: words.value.get(day) ?? 0 }))
})
const month = new Intl.DateTimeFormat('en', { month: 'short', timeZone: 'UTC' })
/** Where months begin, but for the last days, which have no room for a name. */
const months = computed(() => days.value.flatMap(({ day }, i) => (day.endsWith('-01') && i < DAYS - 8 ? [{ name: month.format(new Date(`${day}T12:00:00Z`)), at: `${(i / DAYS) * 100}%` }] : [])))
const most = computed(() => Math.max(1, goal.value ?? 0, ...days.value.map((one) => one.words)))
const share = (its: number): string => `${(100 * Math.max(0, its)) / most.value}%`
const count = (its: number): string => `${its.toLocaleString('en')} ${Math.abs(its) === 1 ? 'word' : 'words'}`
const written = computed(() => days.value.filter((one) => one.words > 0))
/** How many days on end, today or yesterday the last of them. */
const onEnd = computed(() => {
    const today = told.value?.today
    let days = 0
    if (today !== undefined) {
        for (let day = (words.value.get(today) ?? 0) > 0 ? today : from(today, -1); (words.value.get(day) ?? 0) > 0; day = from(day, -1)) {
            days++
        }
    }
    return days
})
const latest = computed(() => told.value?.days.filter((one) => one.words !== 0).slice(0, LATEST) ?? [])
const tells = (one: { day: string; words: number }): string => `${dayWords(one.day)}: ${count(one.words)}`
</script>

<template>
    <NModal :show="draft.isSeeingDays" preset="card" class="days" :style="{ width: 'min(620px, 94vw)' }" title="Days written" :on-esc="draft.leaveDays" :on-mask-click="draft.leaveDays" :on-close="draft.leaveDays">
        <p v-if="problem !== ''" role="alert">{{ problem }}</p>
        <template v-else-if="told !== null">
            <p class="sum">{{ written.length }} {{ written.length === 1 ? 'day' : 'days' }}, {{ count(written.reduce((all, one) => all + one.words, 0)) }} in half a year<template v-if="onEnd > 1">; {{ onEnd }} days on end</template></p>
            <div class="year" aria-hidden="true">
                <div class="strokes" :style="{ '--goal': share(goal ?? 0) }" :class="{ aimed: goal !== null }"><i v-for="one in days" :key="one.day" :class="{ met: goal !== null && one.words >= goal }" :style="{ height: share(one.words) }" :title="tells(one)" /></div>
                <div class="months"><span v-for="one in months" :key="one.name" :style="{ insetInlineStart: one.at }">{{ one.name }}</span></div>
            </div>
            <ul aria-label="The latest days"><li v-for="one in latest" :key="one.day"><span>{{ dayWords(one.day) }}</span><span>{{ count(one.words) }}</span></li></ul>
            <p v-if="latest.length === 0" class="soft">Nothing was written yet, or nothing was left of it.</p>
            <p class="soft">What a day brought into the notes of this map, less what it took away. Only you see this.</p>
        </template>
    </NModal>
</template>

<style scoped>
p { margin: 0 0 10px; }
.sum { font-weight: 600; }
.year { margin-bottom: 14px; }
.strokes { position: relative; height: 110px; display: flex; align-items: flex-end; gap: 1px; border-bottom: 1.5px solid var(--soft); }
.strokes.aimed::before { content: ''; position: absolute; inset-inline: 0; bottom: var(--goal); border-top: 1px dashed var(--soft); }
.strokes i { flex: 1; min-width: 0; border-radius: 1.5px 1.5px 0 0; background: color-mix(in srgb, var(--tide) 55%, transparent); }
.strokes i.met { background: var(--tide); }
.months { position: relative; height: 20px; color: var(--soft); font-size: 13px; }
.months span { position: absolute; top: 2px; padding-inline-start: 3px; border-inline-start: 1px solid var(--edge); }
ul { list-style: none; margin: 0 0 12px; padding: 0; }
li { display: flex; justify-content: space-between; padding: 3px 0; border-bottom: 1px solid var(--edge); font-variant-numeric: tabular-nums; }
.soft { color: var(--soft); font-size: 13.5px; }
</style>
