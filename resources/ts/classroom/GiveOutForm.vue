<script setup lang="ts">
import { NAlert, NButton, NInput, NRadio, NRadioGroup, NSelect } from 'naive-ui'
import { computed, onMounted, ref, shallowRef } from 'vue'
import { api } from '@/api/client'
import type { ClassAnswer } from '@/api/wire'
import { useAttempt } from '@/features/share/useAttempt'
import { classApi } from './api'

/** A map of one's own is given out: which, with what question, until when, to each or to each team. */
const props = defineProps<{ of: ClassAnswer; map: string | null }>()
const emit = defineEmits<{ given: [string]; left: [] }>()
const { busy, problem, attempt } = useAttempt()
const maps = shallowRef<readonly { label: string; value: string }[]>([])
const map = ref<string | null>(props.map)
const title = ref('')
const question = ref('')
const due = ref('')
const by = ref<'each' | 'team'>('each')
const hasTeams = computed(() => props.of.pupils.some((pupil) => pupil.team !== null))

const give = (): Promise<boolean> => attempt(async () => emit('given', (await classApi.give(props.of.id, { map: map.value ?? '', title: title.value.trim(), question: question.value.trim(), due: due.value === '' ? null : due.value, byTeam: by.value === 'team' })).id))
onMounted(() => attempt(async () => {
    const answer = await api.library()
    maps.value = [...(answer.maps ?? []), ...answer.shared.filter((one) => one.role === 'edit')].map((one) => ({ label: one.title, value: one.id }))
}))
</script>

<template>
    <form class="giving" @submit.prevent="give">
        <label>Map<NSelect v-model:value="map" filterable :options="[...maps]" placeholder="A map of yours" :input-props="{ 'aria-label': 'Map that is given out' }" /></label>
        <label>Title, if it is to have another<NInput v-model:value="title" :maxlength="190" :placeholder="maps.find((one) => one.value === map)?.label ?? ''" :input-props="{ 'aria-label': 'Title of the hand-out' }" /></label>
        <label>Question that stands above it<NInput v-model:value="question" type="textarea" :autosize="{ minRows: 2, maxRows: 6 }" :maxlength="1000" :input-props="{ 'aria-label': 'Question' }" /></label>
        <div class="two">
            <label>Until, if there is a day<input v-model="due" type="date" aria-label="Until" /></label>
            <NRadioGroup v-model:value="by" aria-label="Who gets a copy"><NRadio value="each">A copy for each</NRadio><NRadio value="team" :disabled="!hasTeams" :title="hasTeams ? undefined : 'Nobody is in a team yet: change a pupil to say in which'">One for each team</NRadio></NRadioGroup>
        </div>
        <p class="hint">What is private in the map does not go along, nor what is marked to come later. What is locked stays as it is.</p>
        <NAlert v-if="problem !== null" type="error" :show-icon="false" role="alert">{{ problem }}</NAlert>
        <div class="acts"><NButton type="primary" attr-type="submit" :loading="busy" :disabled="map === null">Give it out{{ of.pupils.length === 0 ? '' : ` to ${of.pupils.length}` }}</NButton><NButton quaternary @click="emit('left')">Leave it</NButton></div>
        <p v-if="of.pupils.length === 0" class="hint">There is nobody in the class yet. Whoever comes in later gets what was given out before.</p>
    </form>
</template>

<style scoped>
.giving { display: flex; flex-direction: column; gap: 11px; background: var(--slip); border: 1px solid var(--edge); border-left: 5px solid var(--tide); border-radius: 10px; padding: 14px 16px; margin-bottom: 16px; }
label { display: flex; flex-direction: column; gap: 4px; font-size: 14px; color: var(--soft); }
.two { display: flex; flex-wrap: wrap; gap: 10px 26px; align-items: flex-end; }
.hint { margin: 0; color: var(--soft); font-size: 13.5px; line-height: 1.45; }
.acts { display: flex; gap: 8px; }
input[type=date] { font: inherit; color: var(--ink); padding: 6px 10px; border: 1px solid var(--soft); border-radius: 6px; background: var(--slip); }
</style>
