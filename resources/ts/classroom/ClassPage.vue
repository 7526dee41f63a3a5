<script setup lang="ts">
import { NAlert, NButton, NSpin } from 'naive-ui'
import { computed, onMounted, ref, shallowRef } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import type { ClassAnswer } from '@/api/wire'
import { useAttempt } from '@/features/share/useAttempt'
import { classApi, dueWords } from './api'
import ClassDoor from './ClassDoor.vue'
import ClassHead from './ClassHead.vue'
import ClassPupils from './ClassPupils.vue'
import GiveOutForm from './GiveOutForm.vue'

/** A class: what was given out to it, who is in it, and how they come in. */
const props = defineProps<{ id: string }>()
const route = useRoute()
const router = useRouter()
const its = shallowRef<ClassAnswer | null>(null)
const giving = ref(typeof route.query.map === 'string')
const leaving = ref(false)
const { problem, attempt } = useAttempt()
const wanted = computed(() => (typeof route.query.map === 'string' ? route.query.map : null))

const take = (does: () => Promise<ClassAnswer>): Promise<boolean> => attempt(async () => void (its.value = await does()))
const remove = (): Promise<boolean> => attempt(async () => {
    await classApi.remove(props.id)
    await router.push('/classes')
})
onMounted(() => take(() => classApi.one(props.id)))
</script>

<template>
    <div class="class">
        <ClassHead :title="its?.name ?? ''" :trail="[{ to: '/', name: 'Library' }, { to: '/classes', name: 'Classes' }]" />
        <NAlert v-if="problem !== null" type="error" :show-icon="false" role="alert">{{ problem }}</NAlert>
        <NSpin v-if="its === null && problem === null" />
        <div v-if="its !== null" class="both">
            <section aria-label="Hand-outs" class="outs">
                <div class="line"><h2>Hand-outs</h2><NButton v-if="!giving" type="primary" size="small" @click="giving = true">Give out a map</NButton></div>
                <GiveOutForm v-if="giving" :of="its" :map="wanted" @given="(one) => router.push(`/hand-outs/${one}`)" @left="giving = false" />
                <p v-if="its.handOuts.length === 0 && !giving" class="none">Nothing has been given out yet. Each pupil gets a copy of a map of yours, or each team does.</p>
                <ul>
                    <li v-for="one in its.handOuts" :key="one.id"><RouterLink :to="`/hand-outs/${one.id}`"><b dir="auto">{{ one.title }}</b><small>{{ one.handedIn }} of {{ one.copies }} handed in{{ one.byTeam ? ' · by teams' : '' }}<template v-if="dueWords(one.due) !== null"> · {{ dueWords(one.due)?.words }}</template></small></RouterLink></li>
                </ul>
            </section>
            <div class="side">
                <ClassDoor :of="its" @changed="(one) => (its = one)" />
                <ClassPupils :of="its" @changed="(one) => (its = one)" />
                <section class="whole" aria-label="All of it">
                    <h2>All of it</h2>
                    <div class="line"><NButton size="small" tag="a" :href="classApi.archive(id)" secondary>Take it along as a zip</NButton><NButton v-if="!leaving" size="small" quaternary @click="leaving = true">Take the class away</NButton></div>
                    <div v-if="leaving" class="leaving"><p>{{ its.pupils.length }} pupils, {{ its.handOuts.length }} hand-outs and {{ its.handOuts.reduce((sum, one) => sum + one.copies, 0) }} copies with all that was said in them go for good; nobody can bring them back. Your own maps stay.</p><NButton size="small" type="error" @click="remove">Take it away for good</NButton> <NButton size="small" quaternary @click="leaving = false">Keep it</NButton></div>
                </section>
            </div>
        </div>
    </div>
</template>

<style scoped>
.class { max-width: 1180px; margin: 0 auto; padding: 18px 24px 40px; box-sizing: border-box; }
.both { display: grid; grid-template-columns: minmax(0, 1fr) 420px; gap: 30px; align-items: start; }
.side { display: flex; flex-direction: column; gap: 22px; }
.line { display: flex; align-items: center; gap: 10px; margin-bottom: 10px; flex-wrap: wrap; }
h2 { font-size: 17px; margin: 0; flex: 1; }
.whole h2 { margin-bottom: 8px; }
.none { color: var(--soft); line-height: 1.5; }
ul { list-style: none; margin: 0; padding: 0; }
li a { display: flex; flex-direction: column; gap: 2px; padding: 11px 15px; margin-bottom: 10px; background: var(--slip); border: 1px solid var(--edge); border-left: 5px solid var(--kelp); border-radius: 10px; color: inherit; text-decoration: none; }
li a:hover, li a:focus-visible { border-color: var(--kelp); outline: none; }
b { font-size: 16.5px; }
small { color: var(--soft); font-size: 14px; }
.leaving { border-left: 4px solid var(--ember); background: var(--slip); border-radius: 6px; padding: 8px 12px; }
.leaving p { margin: 0 0 8px; line-height: 1.5; }
@media (max-width: 900px) { .both { grid-template-columns: 1fr; } .class { padding: 12px; } }
</style>
