<script setup lang="ts">
import { NAlert, NButton, NInput } from 'naive-ui'
import { nextTick, ref } from 'vue'
import type { ClassAnswer, ClassPupil } from '@/api/wire'
import { useAttempt } from '@/features/share/useAttempt'
import { classApi, inFours } from './api'

/** Who is in a class: added by name, put into teams, with the word by which each comes in again. */
const props = defineProps<{ of: ClassAnswer }>()
const emit = defineEmits<{ changed: [ClassAnswer] }>()
const { busy, problem, attempt } = useAttempt()
const adding = ref(false)
const names = ref('')
/** The pupil who is being changed. */
const at = ref<string | null>(null)
const name = ref('')
const team = ref('')
/** Whether the one who is changed is about to go. */
const leaving = ref(false)
const MOST = 100
/** Puts the caret into a field that has just come. */
const focus = (within: string): Promise<void> => nextTick(() => document.querySelector<HTMLElement>(`.pupils ${within} :is(input, textarea)`)?.focus())

const take = (does: () => Promise<ClassAnswer>): Promise<boolean> => attempt(async () => emit('changed', await does()))
function begin(): void {
    adding.value = true
    void focus('.adding')
}
async function add(): Promise<void> {
    const all = [...new Set(names.value.split(/[\n,;]+/).map((one) => one.trim()).filter((one) => one !== ''))]
    if (all.length > 0 && (await take(() => classApi.addPupils(props.of.id, all.slice(0, MOST))))) {
        names.value = all.slice(MOST).join('\n')
        adding.value = names.value !== ''
    }
}
function change(pupil: ClassPupil): void {
    at.value = pupil.id
    leaving.value = false
    name.value = pupil.name
    team.value = pupil.team ?? ''
    void focus('.changing')
}
async function keep(pupil: ClassPupil): Promise<void> {
    if (await take(() => classApi.changePupil(pupil.id, name.value.trim(), team.value.trim() === '' ? null : team.value.trim()))) {
        at.value = null
    }
}
</script>

<template>
    <section class="pupils" aria-label="Pupils">
        <div class="line"><h2>Pupils · {{ of.pupils.length }}</h2><NButton v-if="!adding" size="small" secondary @click="begin">Add names</NButton></div>
        <form v-if="adding" class="adding" @submit.prevent="add">
            <NInput v-model:value="names" type="textarea" :autosize="{ minRows: 3, maxRows: 10 }" placeholder="A first name on each line" :input-props="{ 'aria-label': 'Names of pupils' }" @keydown.escape.stop="adding = false" @keydown.ctrl.enter="add" />
            <div class="line"><NButton size="small" type="primary" attr-type="submit" :loading="busy">Add them</NButton><NButton size="small" quaternary @click="adding = false">Leave it</NButton></div>
        </form>
        <NAlert v-if="problem !== null" type="error" :show-icon="false" role="alert">{{ problem }}</NAlert>
        <p v-if="of.pupils.length === 0 && !adding" class="none">Nobody yet. Open the door, or add names: each then has a word by which they come in.</p>
        <ul>
            <li v-for="pupil in of.pupils" :key="pupil.id">
                <form v-if="at === pupil.id" class="changing" @submit.prevent="keep(pupil)" @keydown.escape.stop="at = null">
                    <NInput v-model:value="name" size="small" :maxlength="60" :input-props="{ 'aria-label': 'Name' }" />
                    <NInput v-model:value="team" size="small" placeholder="Team" :maxlength="40" :input-props="{ 'aria-label': 'Team' }" />
                    <NButton size="small" type="primary" attr-type="submit" :loading="busy">Keep</NButton>
                    <NButton v-if="!leaving" size="small" quaternary @click="leaving = true">Take away</NButton>
                    <p v-else class="leaving">{{ pupil.name }} can come in no more, and copies that are theirs alone go for good. <NButton size="small" type="error" @click="take(() => classApi.removePupil(pupil.id))">Take away for good</NButton></p>
                </form>
                <template v-else>
                    <span class="who" dir="auto">{{ pupil.name }} <small v-if="pupil.team !== null">{{ pupil.team }}</small></span>
                    <span class="word" :title="pupil.isIn ? 'Has been in; comes in again by this word' : 'Has not come in yet; comes in by this word'" :class="{ new: !pupil.isIn }">{{ inFours(pupil.word) }}</span>
                    <NButton size="tiny" quaternary :aria-label="`Change ${pupil.name}`" @click="change(pupil)">Change</NButton>
                </template>
            </li>
        </ul>
    </section>
</template>

<style scoped>
.line { display: flex; align-items: center; gap: 10px; margin-bottom: 8px; }
h2 { font-size: 17px; margin: 0; flex: 1; }
.none { color: var(--soft); margin: 0; line-height: 1.5; }
.adding .line { margin-top: 8px; }
ul { list-style: none; margin: 0; padding: 0; background: var(--slip); border: 1px solid var(--edge); border-radius: 10px; overflow: hidden; }
ul:empty { display: none; }
li { display: flex; align-items: center; gap: 8px; padding: 1px 8px 1px 14px; border-bottom: 1px solid var(--faint-edge); min-height: 33px; }
li:last-child { border-bottom: 0; }
.who { flex: 1; overflow-wrap: anywhere; }
small { color: var(--soft); margin-left: 4px; }
.word { font-size: 13.5px; letter-spacing: 0.04em; color: var(--soft); white-space: nowrap; }
.word.new { color: var(--ink); }
.changing { display: flex; gap: 6px; flex: 1; flex-wrap: wrap; }
.changing > :deep(.n-input) { width: 120px; }
.leaving { flex: 1 1 100%; margin: 2px 0; padding-left: 8px; border-left: 4px solid var(--ember); line-height: 1.45; }
</style>
