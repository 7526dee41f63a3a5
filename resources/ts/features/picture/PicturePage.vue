<script setup lang="ts">
import { useDebounceFn } from '@vueuse/core'
import { NButton, NInput } from 'naive-ui'
import { onMounted, ref, shallowRef, watch } from 'vue'
import { api, sourceAddress } from '@/api/client'
import { latest } from '@/api/latest'
import { useBeside } from '@/stores/beside'
import { useMap } from '@/stores/map'
import { rowOf } from '@/stores/tree'
import { useTrayDrag } from '@/tray/useTrayDrag'
import { usePictures } from './pictureStore'

/** The box of drawings, found by words as one types: a click puts one into what is chosen; or drag one onto any topic. */
const beside = useBeside()
const map = useMap()
const pictures = usePictures()

const words = ref('')
const found = shallowRef<readonly { name: string; label: string }[]>([])
const of = ref(0)
const isAsked = ref(false)
const ask = latest()
/** What was asked for when these were found. */
let foundBy = ''
async function find(): Promise<void> {
    const isWanted = ask.begin()
    const by = words.value
    const answer = await api.drawings(by).catch(() => null)
    if (isWanted() && answer !== null) {
        foundBy = by
        found.value = answer.drawings
        of.value = answer.of
        isAsked.value = true
    }
}
watch(words, useDebounceFn(find, 60))
onMounted(find)

const isOn = (name: string): boolean => beside.chosen.length > 0 && beside.chosen.every((id) => rowOf(beside.tree, 'picture', id)?.fields.source === `drawing:${name}`)
function put(name: string): void {
    if (isOn(name)) {
        pictures.take()
    } else {
        pictures.draw(name)
    }
}

const list = ref<HTMLElement | null>(null)
/** Arrows go through the drawings, in rows as they stand. */
function step(event: KeyboardEvent): void {
    const all = [...(list.value?.querySelectorAll('button') ?? [])]
    const at = all.findIndex((one) => one === document.activeElement)
    const top = all[0]?.offsetTop
    const row = Math.max(1, all.findIndex((one) => one.offsetTop !== top))
    const by = { ArrowRight: 1, ArrowLeft: -1, ArrowDown: at < 0 ? 1 : row, ArrowUp: -row }[event.key]
    if (by !== undefined && (at >= 0 || event.key === 'ArrowDown')) {
        event.preventDefault()
        all[Math.max(0, at + by)]?.focus()
    }
}
/** Enter may come before the answer does, so it asks for itself; what the list shows meanwhile is not what is meant. */
async function first(): Promise<void> {
    const wanted = words.value
    const topics = [...map.chosen]
    const one = foundBy === wanted ? found.value[0] : (await api.drawings(wanted).catch(() => null))?.drawings[0]
    if (one !== undefined) {
        pictures.draw(one.name, topics)
    }
}

const { press, release, isClick } = useTrayDrag((name: string, topic) => pictures.draw(name, [topic]))
</script>

<template>
    <div class="pictures" @keydown="step">
        <div class="tools">
            <NInput v-model:value="words" size="small" clearable :maxlength="100" placeholder="A word, such as boat" :input-props="{ 'aria-label': 'Find a drawing' }" @keydown.enter="first" />
            <span class="count" role="status">{{ words.trim() === '' ? `${of.toLocaleString('en')} drawings` : found.length === 1 ? '1 drawing' : `${found.length}${found.length === 240 ? ' and more' : ''} drawings` }}</span>
            <NButton size="small" secondary @click="pictures.choose()">A picture from a file</NButton>
            <NButton size="small" secondary :disabled="!pictures.has(beside.chosen)" @click="pictures.take()">Take the picture away</NButton>
        </div>
        <div ref="list" class="found">
            <button
                v-for="one in found" :key="one.name" :class="{ on: isOn(one.name) }" :aria-pressed="isOn(one.name)" :aria-label="`Drawing ${one.label}`" :title="one.label"
                @pointerdown="press(one.name, $event)" @pointerup="release" @click="isClick() && put(one.name)"><img :src="sourceAddress('', `drawing:${one.name}`, 'small')" alt="" loading="lazy" draggable="false" width="30" height="30" /></button>
            <p v-if="isAsked && found.length === 0">No drawing is found by these words. Try a plainer one.</p>
        </div>
    </div>
</template>

<style scoped>
.pictures { display: grid; grid-template-columns: 178px 1fr; gap: 12px; height: 100%; }
.tools { display: flex; flex-direction: column; gap: 6px; align-items: stretch; }
.count { font-size: 12.5px; color: var(--soft); }
.found { overflow: auto; display: flex; flex-wrap: wrap; align-content: flex-start; gap: 3px; min-height: 0; }
.found button { width: 40px; height: 40px; display: grid; place-items: center; border: 1px solid transparent; border-radius: 8px; background: none; cursor: grab; touch-action: none; padding: 0; }
.found button:hover { background: var(--board); }
.found button:focus-visible { outline: 2px solid var(--tide); }
.found button.on { box-shadow: inset 0 -3px 0 var(--tide); background: var(--board); }
.found p { color: var(--soft); font-size: 13.5px; margin: 4px 0; }
</style>
