<script setup lang="ts">
import { NModal } from 'naive-ui'
import { computed, shallowRef, watch } from 'vue'
import { api } from '@/api/client'
import type { DaysAnswer } from '@/api/wire'
import { dayWords } from '@/facts/facts'
import { useMap } from '@/stores/map'
import { rowOf } from '@/stores/tree'
import { useDraft } from './draftStore'

/** On which days one wrote in this map: half a year of weeks, and the latest days in words. */
const WEEKS = 26
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
/** Weeks begin on Monday; the last one has today in it. */
const weeks = computed(() => {
    const today = told.value?.today
    if (today === undefined) {
        return []
    }
    const monday = from(today, -((new Date(`${today}T12:00:00Z`).getUTCDay() + 6) % 7))
    return Array.from({ length: WEEKS }, (_, week) => Array.from({ length: 7 }, (__, day) => from(monday, (week - WEEKS + 1) * 7 + day)).map((day) => ({ day, words: words.value.get(day) ?? 0, isLater: day > today })))
})
const most = computed(() => goal.value ?? Math.max(1, ...words.value.values()))
const shade = (its: number): string => (its <= 0 ? '0%' : `${Math.round(25 + 75 * Math.min(1, its / most.value))}%`)
const count = (its: number): string => `${its.toLocaleString('en')} ${Math.abs(its) === 1 ? 'word' : 'words'}`
const written = computed(() => weeks.value.flat().filter((one) => one.words > 0))
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
            <div class="weeks" aria-hidden="true">
                <div v-for="(week, i) in weeks" :key="i" class="week"><i v-for="one in week" :key="one.day" :class="{ later: one.isLater, met: goal !== null && one.words >= goal }" :style="{ '--shade': shade(one.words) }" :title="tells(one)" /></div>
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
.weeks { display: flex; gap: 3px; margin-bottom: 14px; }
.week { flex: 1; display: grid; gap: 3px; max-width: 20px; }
.week i { aspect-ratio: 1; border-radius: 3px; border: 1px solid var(--edge); background: color-mix(in srgb, var(--tide) var(--shade), transparent); }
.week i.met { border-color: var(--ink); }
.week i.later { visibility: hidden; }
ul { list-style: none; margin: 0 0 12px; padding: 0; }
li { display: flex; justify-content: space-between; padding: 3px 0; border-bottom: 1px solid var(--edge); font-variant-numeric: tabular-nums; }
.soft { color: var(--soft); font-size: 13.5px; }
</style>
