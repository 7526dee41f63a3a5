<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { NButton, NModal } from 'naive-ui'
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue'
import { fieldIds, fieldOf, kindAt, peopleIn, valuesAt } from '@/facts/facts'
import FieldInput from '@/facts/FieldInput.vue'
import { interviewed } from '@/facts/interview'
import { useFactEdits } from '@/facts/useFactEdits'
import { useMap } from '@/stores/map'
import { rowOf } from '@/stores/tree'
import { topicName } from '@/text/titleMarkdown'

/** A sheet filled in as an interview: one question at a time, what is empty first; Enter keeps the answer and asks on. */
const map = useMap()
const { problems, setValue } = useFactEdits()
const topic = computed(() => interviewed.value?.topic ?? '')
const name = computed(() => topicName(map.tree.topics.get(topic.value)?.title))
const kind = computed(() => kindAt(map.tree, topic.value))
const fields = computed(() => (kind.value === null ? [] : fieldIds(kind.value).flatMap((id) => rowOf(map.tree, 'field', id) ?? []).map(fieldOf).filter(({ sort }) => sort !== 'computed')))
const values = computed(() => valuesAt(map.tree, topic.value))
const has = (id: string): boolean => (values.value[id] ?? '') !== ''
const answered = computed(() => fields.value.filter(({ id }) => has(id)).length)
const people = computed(() => peopleIn(map.tree))
const at = ref(0)
const field = computed(() => fields.value[at.value])
/** In short, as one speaks of somebody: a title goes on to explain after a comma. */
const short = computed(() => name.value.replace(/\s*[,;:(–—].*$/s, '') || name.value)
const question = computed(() => {
    const asks = field.value?.fields.question
    return typeof asks === 'string' ? asks.replaceAll('…', short.value) : `${field.value?.name ?? ''}?`
})
const input = useTemplateRef<InstanceType<typeof FieldInput>[]>('input')
const focus = (): void => void nextTick(() => setTimeout(() => input.value?.at(-1)?.focus(), 30))

function go(to: number): void {
    if (to >= 0 && to < fields.value.length) {
        at.value = to
    }
    focus()
}
/** The next question; behind the last one what was left out. */
function next(): void {
    const later = at.value + 1 < fields.value.length ? at.value + 1 : fields.value.findIndex(({ id }, i) => i !== at.value && !has(id))
    if (later >= 0) {
        go(later)
    } else {
        close()
    }
}
function close(): void {
    const back = interviewed.value?.back
    interviewed.value = null
    setTimeout(() => back?.(), 60)
}
function key(event: KeyboardEvent): void {
    const by = { PageDown: 1, PageUp: -1 }[event.key] ?? (event.altKey ? { ArrowDown: 1, ArrowUp: -1 }[event.key] : undefined)
    if (by !== undefined) {
        event.preventDefault()
        event.stopPropagation()
        go(at.value + by)
    }
}
// Also before the next field has the caret.
useEventListener(window, 'keydown', (event: KeyboardEvent) => interviewed.value !== null && key(event), { capture: true })
watch(() => interviewed.value, (now) => {
    if (now !== null) {
        go(Math.max(0, fields.value.findIndex(({ id }) => !has(id))))
    }
}, { immediate: true })
</script>

<template>
    <NModal :show="interviewed !== null" preset="card" class="interview" :title="name" :style="{ width: 'min(760px, calc(100vw - 24px))' }" role="dialog" aria-label="Interview" @update:show="(is: boolean) => !is && close()">
        <p v-if="fields.length === 0" class="none">{{ kind === null ? 'This topic has no kind. Give it one, such as Character, and its sheet can be filled in here.' : 'This kind has no fields to be filled in.' }}</p>
        <div v-else class="asked">
            <ol aria-label="Questions">
                <li v-for="(one, i) in fields" :key="one.id"><button type="button" :class="{ on: i === at, has: has(one.id) }" :aria-current="i === at ? 'step' : undefined" @click="go(i)">{{ one.name }}</button></li>
            </ol>
            <div v-if="field !== undefined" class="one">
                <p class="question" aria-live="polite">{{ question }}</p>
                <!-- What is typed last is said as the field goes, when another is asked for already. -->
                <FieldInput v-for="its in [field]" ref="input" :key="`${topic} ${its.id}`" :field="its" :value="values[its.id] ?? ''" :people="people" :problem="problems[its.id]" @set="(typed: string) => void setValue([topic], its.id, typed)" @next="next" />
                <p class="how">{{ answered }} of {{ fields.length }} answered. Enter asks on{{ field.sort === 'long' ? ', Shift+Enter begins a line' : '' }}; Page Up and Page Down go back and on.</p>
                <div class="tools"><NButton size="small" :disabled="at === 0" @click="go(at - 1)">Back</NButton><NButton size="small" type="primary" @click="next">{{ at + 1 < fields.length ? 'Next question' : 'Done' }}</NButton></div>
            </div>
        </div>
    </NModal>
</template>

<style scoped>
.asked { display: grid; grid-template-columns: 170px minmax(0, 1fr); gap: 22px; min-height: 300px; }
ol { list-style: none; margin: 0; padding: 0; max-height: 60vh; overflow: auto; }
ol button { width: 100%; border: 0; border-left: 3px solid var(--edge); background: none; color: var(--soft); font: inherit; font-size: 14px; text-align: start; padding: 3px 8px; cursor: pointer; border-radius: 0 5px 5px 0; }
ol button.has { color: var(--ink); border-left-color: var(--kelp); }
ol button.on { background: color-mix(in srgb, var(--tide) 14%, transparent); color: var(--ink); font-weight: 600; }
ol button:focus-visible { outline: 2px solid var(--tide); outline-offset: -2px; }
.one { display: flex; flex-direction: column; gap: 12px; }
.question { margin: 6px 0 0; font-family: 'Literata', serif; font-size: 21px; line-height: 1.35; overflow-wrap: anywhere; }
.how, .none { margin: 0; color: var(--soft); font-size: 13.5px; }
.tools { display: flex; gap: 8px; justify-content: flex-end; margin-top: auto; }
@media (width < 620px) { .asked { grid-template-columns: minmax(0, 1fr); } ol { display: none; } }
</style>
