<script setup lang="ts">
import { NButton, NInput, NInputNumber, NSelect } from 'naive-ui'
import { onMounted, ref, shallowRef } from 'vue'
import { api } from '@/api/client'
import type { HandOutAnswer } from '@/api/wire'
import { classApi } from './api'

/** What is said with a hand-out: its title, question and day, the lines by which it is marked, and the map it is held against. */
const props = defineProps<{ of: HandOutAnswer }>()
const emit = defineEmits<{ take: [() => Promise<HandOutAnswer>]; remove: [] }>()
const title = ref(props.of.title)
const question = ref(props.of.question)
const due = ref(props.of.due ?? '')
const model = ref<string | null>(props.of.model?.id ?? null)
const rubric = ref(props.of.rubric.map((line) => ({ ...line })))
const maps = shallowRef<readonly { label: string; value: string }[]>(props.of.model === null ? [] : [{ label: props.of.model.title, value: props.of.model.id }])
const leaving = ref(false)
const MOST = 12

const keep = (): void => emit('take', () => classApi.say(props.of.id, { title: title.value.trim(), question: question.value.trim(), due: due.value === '' ? null : due.value, model: model.value, rubric: rubric.value.filter((line) => line.name.trim() !== '') }))
onMounted(async () => {
    const answer = await api.library().catch(() => null)
    maps.value = answer === null ? maps.value : [...(answer.maps ?? []), ...answer.shared.filter((one) => one.role === 'edit')].map((one) => ({ label: one.title, value: one.id }))
})
</script>

<template>
    <form class="words" @submit.prevent="keep">
        <label>Title<NInput v-model:value="title" :maxlength="190" :input-props="{ 'aria-label': 'Title of the hand-out' }" /></label>
        <label>Question<NInput v-model:value="question" type="textarea" :autosize="{ minRows: 2, maxRows: 6 }" :maxlength="1000" :input-props="{ 'aria-label': 'Question' }" /></label>
        <label>Until, if there is a day<input v-model="due" type="date" aria-label="Until" /></label>
        <label>Your own map, against whose propositions the copies are held<NSelect v-model:value="model" filterable clearable :options="[...maps]" placeholder="None" :input-props="{ 'aria-label': 'Your own map' }" /></label>
        <fieldset>
            <legend>Marking: lines with points</legend>
            <div v-for="(line, n) in rubric" :key="n" class="line"><NInput v-model:value="line.name" size="small" :maxlength="120" placeholder="What is looked at" :input-props="{ 'aria-label': `Line ${n + 1}` }" /><NInputNumber v-model:value="line.points" size="small" :min="1" :max="100" :precision="0" :input-props="{ 'aria-label': `Points of line ${n + 1}` }" /><NButton size="small" quaternary :aria-label="`Take line ${n + 1} away`" @click="rubric.splice(n, 1)">Take away</NButton></div>
            <NButton v-if="rubric.length < MOST" size="small" secondary @click="rubric.push({ name: '', points: 3 })">Another line</NButton>
        </fieldset>
        <div class="acts"><NButton type="primary" attr-type="submit" :disabled="title.trim() === ''">Keep it</NButton><NButton v-if="!leaving" quaternary @click="leaving = true">Take the hand-out away</NButton></div>
        <div v-if="leaving" class="leaving"><p>{{ of.copies.length === 1 ? 'The copy goes' : `All ${of.copies.length} copies go` }} for good, with what was said in them. Your own map stays.</p><NButton size="small" type="error" @click="emit('remove')">Take it away for good</NButton> <NButton size="small" quaternary @click="leaving = false">Keep it</NButton></div>
    </form>
</template>

<style scoped>
.words { display: flex; flex-direction: column; gap: 12px; max-width: 640px; overflow: auto; padding: 4px 4px 24px; }
label { display: flex; flex-direction: column; gap: 4px; font-size: 14px; color: var(--soft); }
fieldset { border: 0; padding: 0; margin: 0; display: flex; flex-direction: column; gap: 6px; align-items: flex-start; }
legend { font-size: 14px; color: var(--soft); padding: 0; margin-bottom: 4px; }
.line { display: grid; grid-template-columns: minmax(0, 1fr) 100px auto; gap: 8px; width: 100%; }
.acts { display: flex; gap: 8px; }
.leaving { border-left: 4px solid var(--ember); background: var(--slip); border-radius: 6px; padding: 8px 12px; }
.leaving p { margin: 0 0 8px; }
input[type=date] { font: inherit; color: var(--ink); padding: 6px 10px; border: 1px solid var(--soft); border-radius: 6px; background: var(--slip); align-self: flex-start; }
</style>
