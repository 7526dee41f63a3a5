<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { NButton, NInput } from 'naive-ui'
import { computed, nextTick, onBeforeUnmount, onMounted, ref, shallowRef } from 'vue'
import FieldInput from '@/facts/FieldInput.vue'
import { peopleIn, timeNow, today, valuesAt, type Field } from '@/facts/facts'
import { useFactEdits } from '@/facts/useFactEdits'
import { newId, useMap } from '@/stores/map'
import { rowOf } from '@/stores/tree'
import { topicName } from '@/text/titleMarkdown'
import { usePickList } from '@/ui/usePickList'
import { useUi } from '@/ui/uiStore'
import { takeKeys } from '@/ui/heldKeys'
import { asked } from './asked'
import { useKinds, type Offered } from './kindStore'

/** A kind by its name or its number and Enter; what it has to be filled in comes as a short form, a field after the other by Enter. */
const map = useMap()
const ui = useUi()
const kinds = useKinds()
const what = asked.value ?? { for: 'kind' as const, topics: [], typing: null }
const words = ref('')
const form = shallowRef<readonly Field[] | null>(null)
const isTodo = ref(false)
const inputs = ref<InstanceType<typeof FieldInput>[]>([])
const step = newId()
const { problems, setValue, setTask } = useFactEdits()
const isLoaded = ref(kinds.others.length > 0)
const loading = kinds.load().then(() => void (isLoaded.value = true))

/** A to-do has these, whatever its kind. */
const ofTodo: readonly Field[] = [['who', 'Who', 'people'], ['by', 'By when', 'date'], ['effort', 'Effort, in hours', 'number']].map(([id = '', name = '', sort = '']) => ({ id, name, sort, choices: [], fields: {} }))

const found = computed(() => {
    const typed = words.value.trim().toLowerCase()
    const number = /^\d+$/.test(typed) ? kinds.offered.find((one) => one.number === Number(typed)) : undefined
    if (number !== undefined) {
        return [number]
    }
    const fits = (name: string): number => (name.toLowerCase().startsWith(typed) ? 0 : name.toLowerCase().split(/\s+/).some((word) => word.startsWith(typed)) ? 1 : 2)
    return kinds.offered.map((one, i) => ({ one, i, fit: fits(one.kind.name) })).filter(({ fit }) => fit < 2).sort((a, b) => a.fit - b.fit || a.i - b.i).map(({ one }) => one)
})
const { at, current, move } = usePickList(words, found)
const title = computed(() => ({ entry: 'New entry here', kind: 'Make it a kind', todo: 'To-do' })[what.for])
const about = computed(() => (what.topics.length === 1 ? topicName(map.tree.topics.get(what.topics[0] ?? '')?.title) : `${what.topics.length} topics`))
const people = computed(() => peopleIn(map.tree))
const topic = what.topics[0] ?? ''
const valueOf = (field: Field): string => {
    const task = rowOf(map.tree, 'task', topic)?.fields
    return ofTodo.includes(field) ? String(task?.[field.id] ?? '') : (valuesAt(map.tree, topic)[field.id] ?? '')
}

function pick(offer: Offered | undefined, typed = ''): void {
    if (offer === undefined) {
        // It may be one that is still on its way.
        if (!isLoaded.value) {
            void loading.then(() => asked.value !== null && pick(found.value[0], typed))
        }
        return
    }
    if (what.for === 'entry') {
        const parent = what.topics.at(-1) ?? map.tree.root
        asked.value = null
        ui.focusRegion(map.region)
        kinds.enter(offer, parent, typed)
        return
    }
    const fields = kinds.fieldsOf(offer).filter(({ sort }) => sort !== 'computed')
    kinds.give(offer, what.topics, step)
    isTodo.value = offer.kind.fields.todo === true
    begin([...(isTodo.value ? ofTodo : []), ...fields])
}

function begin(fields: readonly Field[]): void {
    if (fields.length === 0) {
        close()
        return
    }
    form.value = fields
    void nextTick(() => setTimeout(() => inputs.value[0]?.focus(), 30))
}

function set(field: Field, typed: string): void {
    if (!ofTodo.includes(field)) {
        void setValue(what.topics, field.id, typed, step)
    } else if (field.id === 'effort') {
        const hours = typed === '' ? null : Number(typed.replace(',', '.'))
        problems.effort = hours === null || Number.isInteger(hours) ? undefined : 'Effort wants whole hours, such as 3.'
        if (problems.effort === undefined) {
            void setTask(what.topics, 'effort', hours, step)
        }
    } else {
        void setTask(what.topics, field.id, typed, step)
    }
}

function next(i: number): void {
    const after = inputs.value[i + 1]
    if (after === undefined) {
        close()
    } else {
        after.focus()
    }
}

function close(): void {
    asked.value = null
    void nextTick(() => {
        ui.focusRegion(map.region)
        if (what.typing !== null) {
            kinds.resume(what.typing)
        }
    })
}

/** What was typed before the box was there goes where it was meant. */
function replay(): void {
    const keys = takeKeys()
    for (const [i, key] of keys.entries()) {
        if (form.value !== null || asked.value === null) {
            return
        }
        if (key === 'Enter') {
            const rest = keys.slice(i + 1)
            pick(found.value[0], rest.slice(0, [...rest, 'Enter'].indexOf('Enter')).filter((one) => one.length === 1).join(''))
        } else {
            words.value = key === 'Backspace' ? words.value.slice(0, -1) : words.value + key
        }
    }
}
const frame = ref<HTMLElement | null>(null)
let last: HTMLElement | null = null
/** The title that was being typed gives the focus to the map when it ends; while the box is open it is the box's. */
useEventListener(document, 'focusin', ({ target }) => {
    if (target instanceof HTMLElement && frame.value?.contains(target) === true) {
        last = target
    } else if (!(target instanceof Element) || target.closest('.v-binder-follower-container') === null) {
        last?.focus()
    }
})
onMounted(() => {
    frame.value?.querySelector('input')?.focus()
    replay()
})
/** Tab goes round within the box. */
function keepWithin(event: KeyboardEvent): void {
    const all = [...(frame.value?.querySelectorAll<HTMLElement>('input, textarea, button, [tabindex="0"]') ?? [])].filter((one) => one.offsetParent !== null)
    const end = event.shiftKey ? all[0] : all.at(-1)
    if (event.target === end) {
        event.preventDefault()
        ;(event.shiftKey ? all.at(-1) : all[0])?.focus()
    }
}
onBeforeUnmount(takeKeys)

onMounted(() => {
    if (what.for === 'todo') {
        map.edit({ name: 'task.set', step, topics: [...what.topics], today: today() })
        begin(ofTodo)
    }
})
const time = timeNow()
</script>

<template>
    <!-- No modal of the kit: it comes and goes by degrees, and gives the focus back when one types already. -->
    <div class="veil" @pointerdown.self.prevent="close">
        <div ref="frame" class="kinds" role="dialog" aria-modal="true" :aria-label="title" @keydown.escape.prevent.stop="close" @keydown.tab="keepWithin">
            <h2>{{ title }} <small>{{ what.for === 'entry' ? `below “${about}”, ${time}` : about }}</small></h2>
            <template v-if="form === null">
                <NInput v-model:value="words" placeholder="A kind, by its name or its number" size="large" :input-props="{ 'aria-label': 'Kind', role: 'combobox', 'aria-expanded': 'true', 'aria-controls': 'kind-list', 'aria-activedescendant': current === undefined ? undefined : `kind-${at}` }" @keydown.down.prevent="move(1)" @keydown.up.prevent="move(-1)" @keydown.enter.prevent="pick(current)" />
                <ul id="kind-list" ref="list" role="listbox" aria-label="Kinds">
                    <li v-for="(one, i) in found" :id="`kind-${i}`" :key="one.kind.id" role="option" :class="{ current: i === at }" :aria-selected="i === at" @pointermove="at = i" @click="pick(one)">
                        <b>{{ one.number }}</b><span>{{ one.kind.name }}</span><small>{{ one.taken === null ? 'of this map' : one.from === '' ? 'comes with Chalk Tree' : `from “${one.from}”` }}</small>
                    </li>
                    <li v-if="found.length === 0" class="none">No kind is called anything like this. Kinds are made in “Kinds and fields of the map”.</li>
                </ul>
            </template>
            <div v-else class="form" role="form" :aria-label="`Fields of ${about}`">
                <template v-for="(field, i) in form" :key="field.id">
                    <label>{{ field.name }}</label>
                    <FieldInput ref="inputs" :field="field" :value="valueOf(field)" :people="people" :problem="problems[field.id]" @set="(typed: string) => set(field, typed)" @next="next(i)" />
                </template>
                <p>Enter goes on to the next one, and after the last back to the map; Esc at any time.</p>
                <NButton size="small" type="primary" @click="close">Done</NButton>
            </div>
        </div>
    </div>
</template>

<style scoped>
.veil { position: fixed; inset: 0; z-index: 2100; display: grid; place-items: center; background: rgb(0 0 0 / 28%); }
.kinds { width: min(520px, calc(100vw / var(--size, 1) - 24px)); background: var(--slip); border: 1px solid var(--edge); border-radius: 12px; padding: 12px 14px; box-shadow: 0 16px 50px rgb(0 0 0 / 30%); }
h2 { margin: 0 0 10px; font-size: 17px; overflow-wrap: anywhere; }
h2 small { font-weight: 400; color: var(--soft); font-size: 13.5px; margin-left: 6px; }
ul { list-style: none; margin: 8px 0 0; padding: 0; max-height: min(380px, calc(56vh / var(--size, 1))); overflow: auto; }
li { display: flex; align-items: baseline; gap: 10px; padding: 5px 10px; border-radius: 6px; cursor: pointer; }
li.current { background: color-mix(in srgb, var(--tide) 20%, transparent); box-shadow: inset 3px 0 0 var(--tide); }
li.none { color: var(--soft); cursor: default; }
li b { min-width: 20px; text-align: right; color: var(--soft); font-variant-numeric: tabular-nums; }
li small { margin-left: auto; color: var(--soft); white-space: nowrap; }
.form { display: grid; grid-template-columns: 128px minmax(0, 1fr); gap: 8px 10px; align-items: start; max-height: calc(70vh / var(--size, 1)); overflow: auto; padding: 2px; }
.form label { color: var(--soft); font-size: 13.5px; padding-top: 5px; overflow-wrap: anywhere; }
.form p { grid-column: 1 / -1; margin: 4px 0 0; color: var(--soft); font-size: 13px; }
.form > .n-button { grid-column: 2; justify-self: end; }
</style>
