<script setup lang="ts">
import { useDebounceFn } from '@vueuse/core'
import { NButton, NCheckbox, NInput, NInputNumber, NModal, NRadio, NRadioGroup, NSpin } from 'naive-ui'
import { computed, nextTick, onMounted, reactive, ref, watch } from 'vue'
import { changes, type Change, type Values } from '@/actions/changes'
import { bounds } from '@/api/bounds'
import { api } from '@/api/client'
import { latest } from '@/api/latest'
import type { RehearsalAnswer, RehearsalItem } from '@/api/wire'
import { useMap } from '@/stores/map'
import { topicName } from '@/text/titleMarkdown'
import { useUi } from './uiStore'

/** One change of shape or text: what it can be told, and all that it would do, before it does it. */
const ui = useUi()
const map = useMap()
const change = changes[ui.change] as Change
const values = reactive<Values>(Object.fromEntries(change.options.map((option) => [option.key, option.initial(map)])))
const form = ref<HTMLFormElement | null>(null)
const answer = ref<RehearsalAnswer | null>(null)
const problem = ref<string | null>(null)

const options = computed(() => change.options.filter((option) => option.when?.(values, map) ?? true))
const about = computed(() => {
    return map.chosen.length === 1 ? topicName(map.currentTopic?.title) : `${map.chosen.length} chosen topics`
})

const asking = latest()
const rehearse = useDebounceFn(async () => {
    const isWanted = asking.begin()
    const told = await api.rehearse(map.id, change.edit(values, map)).catch((error: unknown) => error as Error)
    if (isWanted()) {
        answer.value = told instanceof Error ? null : told
        problem.value = told instanceof Error ? told.message : null
    }
}, 60)

let asked: Promise<unknown> = Promise.resolve()
watch(values, () => (asked = rehearse()), { immediate: true })

/** What features keep goes by what they call it. */
const SIGNS: Readonly<Record<string, string>> = {
    added: 'New', removed: 'Goes', moved: 'Moves', placed: 'Place', title: 'Title', caption: 'Caption', note: 'Note', numbering: 'Numbers',
}

function told(item: RehearsalItem): { before: string; after: string } {
        switch (item.what) {
        case 'added':
            return { before: '', after: topicName(item.after) }
        case 'removed':
            return { before: topicName(item.before), after: '' }
        case 'moved':
            return { before: topicName(item.before), after: `below ${topicName(item.after)}` }
        default:
            return { before: item.before === '' ? '(empty)' : item.before, after: item.after === '' ? '(empty)' : item.after }
    }
}

/** What is not known yet is waited for: whoever presses Enter at once wants the usual. */
async function run(): Promise<void> {
    await asked
    if (problem.value === null && (answer.value?.count ?? 0) > 0) {
        map.edit(change.edit(values, map))
        close()
    }
}

onMounted(() => void nextTick(() => form.value?.querySelector<HTMLElement>('input:checked, input[type=text], button[type=submit]')?.focus()))

function close(): void {
    ui.panel = null
    void nextTick(() => ui.focusRegion(map.region))
}
</script>

<template>
    <NModal :show="true" preset="card" :title="change.title" class="change" style="width: min(640px, calc(100vw / var(--size, 1) - 24px))" :bordered="false" @update:show="close">
        <form ref="form" @submit.prevent="run">
            <p class="about"><strong>{{ about }}</strong> {{ change.about }}</p>
            <div class="options">
                <template v-for="option in options" :key="option.key">
                    <div v-if="option.kind === 'choice'" class="option">
                        <span>{{ option.label }}</span>
                        <NRadioGroup :value="String(values[option.key])" :name="option.key" :aria-label="option.label" class="choices" @update:value="values[option.key] = $event">
                            <NRadio v-for="one in option.choices ?? []" :key="one.value" :value="one.value">{{ one.label }}</NRadio>
                        </NRadioGroup>
                    </div>
                    <label v-else-if="option.kind !== 'switch'" class="option">
                        <span>{{ option.label }}</span>
                        <NInput v-if="option.kind === 'text'" :value="String(values[option.key])" size="small" :maxlength="40" :input-props="{ 'aria-label': option.label }" @update:value="values[option.key] = $event" />
                        <NInputNumber v-else :value="Number(values[option.key])" size="small" :min="0" :max="bounds.number" :input-props="{ 'aria-label': option.label }" @update:value="values[option.key] = $event ?? 1" />
                    </label>
                    <NCheckbox v-else :checked="values[option.key] === true" @update:checked="values[option.key] = $event">{{ option.label }}</NCheckbox>
                </template>
            </div>
            <div class="items" aria-live="polite">
                <p v-if="problem !== null" class="none">{{ problem }}</p>
                <NSpin v-else-if="answer === null" size="small" />
                <p v-else-if="answer.count === 0" class="none">Nothing would change.</p>
                <ul v-else>
                    <li v-for="(item, i) in answer.items" :key="i">
                        <small>{{ SIGNS[item.what] ?? item.what }}</small>
                        <span><del v-if="told(item).before">{{ told(item).before }}</del><ins v-if="told(item).after">{{ told(item).after }}</ins></span>
                    </li>
                    <li v-if="answer.count > answer.items.length" class="none">and {{ answer.count - answer.items.length }} more</li>
                </ul>
            </div>
            <div class="foot">
                <span class="count">{{ answer === null ? '' : answer.count === 1 ? '1 topic' : `${answer.count} topics` }}</span>
                <NButton attr-type="button" @click="close">Cancel</NButton>
                <NButton type="primary" attr-type="submit" :disabled="problem !== null || answer?.count === 0">{{ change.title }}</NButton>
            </div>
        </form>
    </NModal>
</template>

<style scoped>
.about { margin: 0 0 12px; color: var(--soft); }
.about strong { color: var(--ink); display: block; overflow: hidden; text-overflow: ellipsis; white-space: nowrap; }
.options { display: grid; gap: 8px; margin-bottom: 12px; }
.option { display: grid; grid-template-columns: 110px 1fr; align-items: baseline; gap: 10px; }
.choices { display: flex; flex-wrap: wrap; gap: 2px 16px; }
.option span { color: var(--soft); font-size: 14px; }
.items { border: 1px solid var(--edge); border-radius: 8px; background: var(--board); height: min(260px, calc(34vh / var(--size, 1))); overflow: auto; padding: 4px 0; }
ul { list-style: none; margin: 0; padding: 0; }
li { display: flex; gap: 10px; padding: 3px 12px; font-size: 14px; align-items: baseline; }
small { flex: none; width: 58px; color: var(--soft); }
del { color: var(--soft); margin-right: 10px; }
ins { text-decoration: none; font-weight: 700; }
del, ins { overflow-wrap: anywhere; white-space: pre-wrap; }
.none { color: var(--soft); padding: 10px 12px; margin: 0; }
.foot { display: flex; gap: 8px; align-items: center; margin-top: 14px; }
.count { margin-right: auto; color: var(--soft); font-size: 14px; }
</style>
