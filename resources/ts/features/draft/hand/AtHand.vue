<script setup lang="ts">
import { NInput, type InputInst } from 'naive-ui'
import { computed, nextTick, ref, watch } from 'vue'
import SidePanel from '@/desk/SidePanel.vue'
import { useDraft } from '../draftStore'
import HandSheet from './HandSheet.vue'
import { useHand, type Line } from './handStore'

/** Beside the text: who and what the section names, and any sheet or note, found by a few letters. */
const hand = useHand()
const draft = useDraft()
const field = ref<InputInst | null>(null)
const at = ref(0)
watch(() => hand.wantsField, (wants) => wants > 0 && void nextTick(() => {
    field.value?.focus()
    field.value?.select()
}), { immediate: true })
watch(() => hand.typed, () => (at.value = 0))
const isAsked = computed(() => hand.typed.trim() !== '')
const isOpen = (line: Line): boolean => hand.open?.topic === line.topic && hand.open.map === line.map

function take(line: Line | undefined): void {
    if (line !== undefined) {
        hand.open = isOpen(line) && !isAsked.value ? null : { map: line.map, topic: line.topic }
        hand.typed = ''
    }
}
function key(event: KeyboardEvent): void {
    const by = { ArrowDown: 1, ArrowUp: -1 }[event.key]
    if (by !== undefined && hand.lines.length > 0) {
        event.preventDefault()
        at.value = (at.value + by + hand.lines.length) % hand.lines.length
    } else if (event.key === 'Enter') {
        event.preventDefault()
        take(hand.lines[at.value])
    }
}
/** Escape goes back into the sentence; what is read stays there. */
function leave(event: KeyboardEvent): void {
    event.stopPropagation()
    event.preventDefault()
    hand.leave()
}
</script>

<template>
    <SidePanel title="At hand" class="at-hand" @keydown.escape.capture="leave">
        <div class="hand">
            <NInput ref="field" v-model:value="hand.typed" size="small" placeholder="A name, or what a sheet says" :input-props="{ 'aria-label': 'Find at hand', dir: 'auto', 'aria-controls': 'lines-at-hand' }" @keydown="key" />
            <p v-if="!isAsked && hand.lines.length > 0" class="words">In this section</p>
            <ul id="lines-at-hand" aria-label="At hand">
                <li v-for="(line, i) in hand.lines" :key="line.key">
                    <button type="button" :class="{ on: isAsked && i === at, open: isOpen(line) && !isAsked }" :aria-expanded="isOpen(line)" @click="take(line)">
                        <b dir="auto">{{ line.title }}</b><small>{{ line.more }}</small>
                        <span v-if="line.said !== undefined" class="said" dir="auto">{{ line.said.text }}</span>
                    </button>
                </li>
            </ul>
            <p v-if="isAsked && hand.lines.length === 0" class="nothing">Nothing is called so, and no sheet says it.</p>
            <p v-else-if="hand.lines.length === 0 && hand.open === null" class="nothing">{{ hand.sheets.length === 0 ? 'Give topics the kind Character, Place, Object or Source, and their sheets are at hand here.' : 'This section names nobody who has a sheet. Type a name to find one, or a note of any map.' }}</p>
            <HandSheet v-if="hand.open !== null && !isAsked" :key="`${hand.open.map} ${hand.open.topic}`" :there="hand.open" :can-put="draft.hand !== null" />
        </div>
    </SidePanel>
</template>

<style scoped>
.hand { display: flex; flex-direction: column; gap: 8px; min-height: 0; }
.words { margin: 2px 0 -4px; color: var(--soft); font-size: 13px; }
ul { list-style: none; margin: 0; padding: 0; display: flex; flex-direction: column; }
button { width: 100%; display: grid; grid-template-columns: minmax(0, 1fr) auto; gap: 1px 8px; align-items: baseline; border: 0; border-left: 3px solid transparent; background: none; color: var(--ink); font: inherit; text-align: start; padding: 4px 7px; border-radius: 0 6px 6px 0; cursor: pointer; }
button b { font-weight: 600; overflow: hidden; text-overflow: ellipsis; white-space: nowrap; }
button small { color: var(--soft); font-size: 12.5px; }
button .said { grid-column: 1 / -1; font-size: 14px; overflow: hidden; display: -webkit-box; -webkit-line-clamp: 3; line-clamp: 3; -webkit-box-orient: vertical; overflow-wrap: anywhere; }
button:hover, button.on { background: color-mix(in srgb, var(--tide) 12%, transparent); }
button:focus-visible { outline: 2px solid var(--tide); outline-offset: -2px; }
button.open { border-left-color: var(--tide); }
.nothing { margin: 0; color: var(--soft); font-size: 14px; }
</style>
