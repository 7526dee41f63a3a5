<script setup lang="ts">
import { useDebounceFn } from '@vueuse/core'
import { NButton, NInput } from 'naive-ui'
import { computed, onMounted, ref, shallowRef } from 'vue'
import { api } from '@/api/client'
import type { ChalkAnswer } from '@/api/wire'
import { latest } from '@/api/latest'
import { useLooks } from './lookStore'

/** Mixes a chalk for the map: a colour for either board, with what is wrong with it and the next that is right. */
const props = defineProps<{ row: string | null }>()
const emit = defineEmits<{ close: [] }>()

const BEGIN = '#3f7f9f'
const ENOUGH = { line: 3, text: 4.5 }
const boards = [{ value: 'day', label: 'Day' }, { value: 'slate', label: 'Slate' }] as const

const looks = useLooks()
const its = looks.mixed.find((chalk) => chalk.id === props.row)?.fields
const name = ref(String(its?.name ?? ''))
const colours = ref({ day: String(its?.day ?? BEGIN), slate: String(its?.slate ?? BEGIN) })
const written = ref(colours.value.day)
const trials = shallowRef<{ day: ChalkAnswer['day']; slate: ChalkAnswer['slate'] } | null>(null)
const field = ref<InstanceType<typeof NInput> | null>(null)
onMounted(() => field.value?.focus())

const wanted = latest()
const ask = useDebounceFn(async () => {
    const isWanted = wanted.begin()
    const [day, slate] = await Promise.all([api.chalk(colours.value.day), api.chalk(colours.value.slate)]).catch(() => [null, null])
    if (isWanted() && day !== null && slate !== null) {
        trials.value = { day: day.day, slate: slate.slate }
    }
}, 120)
void ask()

function pick(colour: string): void {
    written.value = colour
    write(colour)
}
function write(text: string): void {
    const colour = text.trim().toLowerCase()
    if (/^#[0-9a-f]{6}$/.test(colour)) {
        colours.value = { day: colour, slate: colour }
        void ask()
    }
}
function take(board: 'day' | 'slate', colour: string): void {
    colours.value = { ...colours.value, [board]: colour }
    void ask()
}
const told = computed(() => boards.map(({ value, label }) => {
    const trial = trials.value?.[value]
    const { ratio = 21, line = '', text = '', tint = '' } = trial ?? {}
    return {
        value, label, tint, text, colour: colours.value[value], next: ratio < ENOUGH.line ? line : ratio < ENOUGH.text ? text : null, isWeak: ratio < ENOUGH.line,
        words: trial === undefined ? '' : ratio < ENOUGH.line ? `Hard to see: ${ratio} to 1, lines want ${ENOUGH.line}.` : ratio < ENOUGH.text ? `Lines are seen well; letters want ${ENOUGH.text} to 1 and this has ${ratio}, so they are set in the next that passes.` : `Seen well: ${ratio} to 1.`,
    }
}))

function keep(): void {
    const called = name.value.trim().slice(0, 60)
    if (called !== '') {
        looks.mix(props.row, { name: called, ...colours.value })
        emit('close')
    }
}
</script>

<template>
    <form class="mixer" aria-label="Mix a chalk" @submit.prevent="keep" @keydown.escape.stop="emit('close')">
        <div class="what">
            <NInput ref="field" v-model:value="name" size="small" placeholder="Name of the chalk" :maxlength="60" :input-props="{ 'aria-label': 'Name of the chalk' }" />
            <input type="color" :value="colours.day" aria-label="Pick the colour of the chalk" @input="pick(($event.target as HTMLInputElement).value)" />
            <NInput v-model:value="written" size="small" :maxlength="7" :input-props="{ 'aria-label': 'Colour of the chalk, as #3f7f9f', spellcheck: false }" @update:value="write" />
            <NButton size="small" secondary type="primary" attr-type="submit" :disabled="name.trim() === ''">Keep the chalk</NButton>
            <NButton size="small" secondary @click="emit('close')">Leave it</NButton>
            <NButton v-if="row !== null" size="small" secondary @click="looks.dropMixed(row); emit('close')">Remove it from the map</NButton>
        </div>
        <div v-for="one in told" :key="one.value" class="on" :class="{ weak: one.isWeak }">
            <span class="sample" :data-board="one.value"><i :style="{ background: one.colour }" /><b :style="{ background: one.tint, borderLeftColor: one.colour, color: one.text }">Letters</b></span>
            <p role="status"><b>{{ one.label }} board.</b> {{ one.words }} <NButton v-if="one.next !== null" text type="primary" size="small" @click="take(one.value, one.next)">Take the next that passes<i class="swatch" :style="{ background: one.next }" /></NButton></p>
        </div>
    </form>
</template>

<style scoped>
.mixer { display: grid; grid-template-columns: minmax(220px, 260px) repeat(2, minmax(200px, 1fr)); gap: 8px 16px; font-size: 13px; }
.what { display: grid; grid-template-columns: 1fr 1fr; gap: 6px; align-content: start; }
.what > :first-child, .what > :nth-child(6) { grid-column: 1 / -1; }
input[type='color'] { width: 100%; height: 28px; padding: 2px; border: 1px solid var(--field); border-radius: 8px; background: var(--slip); cursor: pointer; }
.sample { display: flex; align-items: center; height: 40px; border-radius: 8px; padding: 0 12px; background: var(--board); border: 1px solid var(--edge); }
.sample > i { flex: 0 0 60px; height: 4px; border-radius: 2px; }
.sample > b { padding: 3px 12px; border-left: 4px solid; border-radius: 5px; }
p { margin: 5px 0 0; color: var(--soft); }
.weak p > b { color: var(--ember-text); }
.swatch { display: inline-block; width: 14px; height: 14px; border-radius: 4px; margin-left: 6px; vertical-align: -2px; }
@media (max-width: 700px) { .mixer { grid-template-columns: 1fr; } }
</style>
