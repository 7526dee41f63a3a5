<script setup lang="ts">
import { NAlert, NButton, NSpin } from 'naive-ui'
import { onMounted, shallowRef } from 'vue'
import { pictureAddress } from '@/api/client'
import type { PupilAnswer } from '@/api/wire'
import { useAttempt } from '@/features/share/useAttempt'
import { usePreferences } from '@/stores/preferences'
import { hide } from '@/ui/hide'
import { classApi, dueWords, inFours, STATES } from './api'
import ClassHead from './ClassHead.vue'

/** What a pupil finds: what was given to them, and what of the others all may look at. */
const preferences = usePreferences()
const desk = shallowRef<PupilAnswer | null>(null)
const { problem, attempt } = useAttempt()
const opened = Date.now()

onMounted(() => attempt(async () => void (desk.value = await classApi.desk())))
</script>

<template>
    <div class="pupil">
        <ClassHead :title="desk?.class ?? 'Your class'" />
        <NAlert v-if="problem !== null" type="error" :show-icon="false" role="alert">{{ problem }}</NAlert>
        <NSpin v-if="desk === null && problem === null" />
        <template v-if="desk !== null">
            <p class="word">You are <b dir="auto">{{ desk.name }}</b>. Your own word is <b class="code">{{ inFours(desk.word) }}</b>: with it you come in again, on any device. Write it down.</p>
            <p v-if="desk.handOuts.length === 0" class="none">Nothing has been given out yet. It stands here as soon as it is.</p>
            <ul class="given">
                <li v-for="one in desk.handOuts" :key="one.id" :class="one.state">
                    <RouterLink :to="`/maps/${one.map}`" class="picture" :aria-label="`Open ${one.title}`" tabindex="-1"><img :src="pictureAddress(one.map, opened, preferences.board)" alt="" loading="lazy" @error="hide" /></RouterLink>
                    <div class="words">
                        <h2 dir="auto"><RouterLink :to="`/maps/${one.map}`">{{ one.title }}</RouterLink></h2>
                        <p v-if="one.question !== ''" class="question" dir="auto">{{ one.question }}</p>
                        <p class="about"><span class="state">{{ STATES[one.state] }}</span><span v-if="dueWords(one.due) !== null" :class="{ over: dueWords(one.due)?.isOver && one.state === 'open' }">{{ dueWords(one.due)?.words }}</span><span v-if="one.team.length > 0" dir="auto">with {{ one.team.filter((name) => name !== desk?.name).join(', ') || 'nobody else yet' }}</span></p>
                        <ul v-if="one.rubric.length > 0" class="marks"><li v-for="line in one.rubric" :key="line.name"><span dir="auto">{{ line.name }}</span> <b>{{ line.got ?? '–' }}</b> of {{ line.points }}</li></ul>
                        <p v-if="one.words !== ''" class="said" dir="auto">{{ one.words }}</p>
                    </div>
                </li>
            </ul>
            <section v-if="desk.shown.length > 0" class="shown">
                <h2>Shown to all</h2>
                <ul><li v-for="one in desk.shown" :key="one.url"><a :href="one.url" target="_blank" rel="noopener" dir="auto">{{ one.title }}</a> <small>{{ one.by === null ? 'by one of you' : `by ${one.by}` }}</small></li></ul>
            </section>
            <NButton v-if="desk.handOuts.length === 0" secondary @click="attempt(async () => void (desk = await classApi.desk()))">Look again</NButton>
        </template>
    </div>
</template>

<style scoped>
.pupil { max-width: 880px; margin: 0 auto; padding: 18px 24px 40px; box-sizing: border-box; }
.word { background: var(--slip); border-left: 4px solid var(--marigold); border-radius: 6px; padding: 9px 14px; margin: 0 0 18px; line-height: 1.5; }
.code { letter-spacing: 0.06em; font-variant-numeric: tabular-nums; white-space: nowrap; }
.none { color: var(--soft); }
.given, .shown ul, .marks { list-style: none; margin: 0; padding: 0; }
.given > li { display: grid; grid-template-columns: 210px minmax(0, 1fr); gap: 18px; background: var(--slip); border: 1px solid var(--edge); border-left: 5px solid var(--tide); border-radius: 10px; padding: 14px 16px; margin-bottom: 14px; }
.given > li.in { border-left-color: var(--edge); }
.given > li.back { border-left-color: var(--kelp); }
.picture { background: var(--board); border-radius: 8px; overflow: hidden; display: grid; place-items: center; height: 130px; }
.picture img { max-width: 100%; max-height: 130px; }
h2 { font-size: 18px; margin: 0 0 4px; }
h2 a, .shown a { color: var(--link); }
.question { margin: 0 0 6px; white-space: pre-line; line-height: 1.5; }
.about { margin: 0; color: var(--soft); display: flex; flex-wrap: wrap; gap: 2px 14px; font-size: 14.5px; }
.state { font-weight: 700; }
.over { color: var(--ember); font-weight: 700; }
.marks { margin-top: 8px; font-size: 14.5px; }
.said { margin: 8px 0 0; padding-left: 10px; border-left: 3px solid var(--kelp); white-space: pre-line; }
.shown { margin-top: 22px; }
.shown li { padding: 3px 0; }
small { color: var(--soft); }
@media (max-width: 600px) { .pupil { padding: 12px; } .given > li { grid-template-columns: 1fr; } }
</style>
