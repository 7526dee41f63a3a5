<script setup lang="ts">
import { nextTick, onMounted, ref, useTemplateRef } from 'vue'
import { LONGEST_PHRASE, usePhrases } from './phraseStore'

/** The field in which the phrase of a connector is typed, wherever that is. Enter and Tab go on to the title of a new topic. */
const phrases = usePhrases()
const field = useTemplateRef<HTMLInputElement>('field')
const topic = phrases.asking?.topic ?? ''
const text = ref(phrases.phraseOf(topic))

onMounted(() => void nextTick(() => {
    field.value?.focus({ preventScroll: true })
    field.value?.select()
}))
function key(event: KeyboardEvent): void {
    if (event.key === 'Enter' || event.key === 'Tab' || event.key === 'Escape') {
        event.preventDefault()
        event.stopPropagation()
        if (event.key === 'Tab' && event.shiftKey && phrases.asking?.fresh === true) {
            phrases.higher(text.value)
        } else {
            end(event.key !== 'Escape', event.key !== 'Escape')
        }
    }
}
function end(keeps: boolean, goesOn: boolean): void {
    const asked = phrases.asking
    if (asked?.topic === topic) {
        phrases.end(keeps ? text.value : null, goesOn)
        if (!asked.fresh || !goesOn) {
            document.querySelector<HTMLElement>(`[data-focus=${asked.where}]`)?.focus({ preventScroll: true })
        }
    }
}
</script>

<template>
    <input ref="field" v-model="text" class="connector-phrase" aria-label="Phrase of its connector" placeholder="linking phrase" :maxlength="LONGEST_PHRASE" dir="auto" @keydown="key" @blur="end(true, false)" @pointerdown.stop @dblclick.stop @click.stop />
</template>

<style scoped>
.connector-phrase { box-sizing: border-box; padding: 1px 8px; font: 14px 'Atkinson Hyperlegible'; color: var(--ink); background: var(--slip); border: 2px solid var(--tide); border-radius: 6px; outline: none; user-select: text; min-width: 0; }
</style>
