<script setup lang="ts">
import { NAutoComplete } from 'naive-ui'
import { computed, nextTick, ref } from 'vue'
import { kindAt } from '@/facts/facts'
import { useBeside } from '@/stores/beside'
import { useMap } from '@/stores/map'
import { useTrayDrag } from '@/tray/useTrayDrag'
import { useUi } from '@/ui/uiStore'
import { changed } from './asked'
import { useKinds, type Offered } from './kindStore'

/** Kinds to put on topics: those of this map, then those that can be taken into it. Clicked or typed they are given to what is chosen; or drag one onto any topic. */
const map = useMap()
const beside = useBeside()
const ui = useUi()
const kinds = useKinds()
void kinds.load()
const typed = ref('')
const options = computed(() => kinds.offered.filter(({ kind }) => kind.name.toLowerCase().includes(typed.value.trim().toLowerCase())).map(({ kind }) => ({ value: kind.id, label: kind.name })))
const isOn = (id: string): boolean => beside.chosen.length > 0 && beside.chosen.every((topic) => kindAt(beside.tree, topic)?.id === id)

function toggle(offer: Offered): void {
    kinds.give(isOn(offer.kind.id) ? null : offer, map.chosen)
}
function take(id: string | number): void {
    const offer = kinds.offered.find(({ kind }) => kind.id === id)
    if (offer !== undefined) {
        kinds.give(offer, map.chosen)
    }
    void nextTick(() => (typed.value = ''))
}
function change(offer: Offered): void {
    if (offer.taken !== null) {
        kinds.take(offer)
    }
    changed.value = offer.kind.id
    ui.showSide('kinds')
}
const { press, release, isClick } = useTrayDrag((offer: Offered, topic) => kinds.give(offer, [topic]))

function digit(event: KeyboardEvent): void {
    const offer = /^[1-9]$/.test(event.key) && !(event.target instanceof HTMLInputElement) ? kinds.offered[Number(event.key) - 1] : undefined
    if (offer !== undefined) {
        event.preventDefault()
        toggle(offer)
    }
}
</script>

<template>
    <div class="kinds" @keydown="digit">
        <NAutoComplete class="typed" size="small" :value="typed" :options="options" placeholder="A kind for what is chosen" :input-props="{ 'aria-label': 'Kind for what is chosen', maxlength: 60 }" @update:value="(now: string | null) => (typed = now ?? '')" @select="take" />
        <span v-for="(one, i) in kinds.offered" :key="one.kind.id" class="one" :class="{ own: one.taken === null }">
            <button :aria-pressed="isOn(one.kind.id)" :class="{ on: isOn(one.kind.id) }" :title="one.taken === null ? 'A kind of this map' : 'Is taken into this map when it is used'" @pointerdown="press(one, $event)" @pointerup="release" @click="isClick() && toggle(one)"><kbd v-if="i < 9">{{ i + 1 }}</kbd>{{ one.kind.name }}<small v-if="(kinds.counts.get(one.kind.id) ?? 0) > 0">{{ kinds.counts.get(one.kind.id) }}</small></button>
            <button class="more" :aria-label="`Change the kind ${one.kind.name}`" title="Change it for the whole map" @click="change(one)">…</button>
        </span>
    </div>
</template>

<style scoped>
.kinds { display: flex; flex-wrap: wrap; align-items: center; gap: 7px; }
.typed { width: 200px; }
.one { display: flex; align-items: center; border: 1px dashed var(--field); border-radius: 8px; }
.one.own { border-style: solid; }
button { border: 0; background: none; color: var(--ink); font: 14px 'Atkinson Hyperlegible'; padding: 4px 4px 4px 9px; cursor: pointer; border-radius: 7px; display: inline-flex; gap: 6px; align-items: baseline; touch-action: none; }
button.on { font-weight: 700; box-shadow: inset 0 -3px 0 var(--tide); }
button:focus-visible { outline: 2px solid var(--tide); }
.more { padding: 2px 7px 5px; color: var(--soft); font-weight: 700; }
kbd { font: 11.5px 'Atkinson Hyperlegible'; color: var(--soft); }
small { color: var(--soft); font-size: 12px; }
</style>
