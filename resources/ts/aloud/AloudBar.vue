<script setup lang="ts">
import { useEventListener, useRafFn } from '@vueuse/core'
import { NButton, NCheckbox, NPopover, NSelect, NSlider } from 'naive-ui'
import { computed, shallowRef } from 'vue'
import { useActions } from '@/actions/useActions'
import { useWalk } from '@/show/walkStore'
import { useMap } from '@/stores/map'
import { useAloud } from './aloudStore'
import { placesOf } from './textPlaces'
import { base } from './voice'
import { languageName } from './voices'

/** What is being read, with the word that is spoken marked, here and wherever it stands; stop, go on, who reads and how fast. */
const aloud = useAloud()
const walk = useWalk()
const map = useMap()
const { keyOf } = useActions()

const parts = computed(() => {
    const { passage, word } = aloud
    if (passage === null) {
        return ['', '', '']
    }
    const at = word === null ? 0 : Math.max(0, word.at - passage.from)
    const length = word === null ? 0 : word.length
    return [passage.text.slice(0, at), passage.text.slice(at, at + length), passage.text.slice(at + length)]
})

/** Where the topic is seen: on the board, in the outline; its note beside the walk and at the desk. */
const marks = shallowRef<{ x: number; y: number; w: number; h: number }[]>([])
function shownAt(topic: string): Element[] {
    const own = walk.at === topic || map.current === topic ? [...document.querySelectorAll('.walk-note, .note-text')] : []
    return [document.querySelector(`.board g.slip[data-topic="${topic}"]`), document.getElementById(`line-${topic}`), ...own].filter((one) => one !== null)
}
useRafFn(() => {
    const { passage, word } = aloud
    const found = passage === null || word === null ? [] : shownAt(passage.topic).flatMap((element) => {
        const frame = element.closest('.board, .outline, .walk-note, .note-text')?.getBoundingClientRect()
        return placesOf(element, passage.line, word.at, word.length).filter((box) => frame === undefined || (box.top >= frame.top - 2 && box.bottom <= frame.bottom + 2 && box.left >= frame.left - 2 && box.right <= frame.right + 2))
    })
    const next = found.map((box) => ({ x: box.x - 2, y: box.y - 1, w: box.width + 4, h: box.height + 2 }))
    if (JSON.stringify(next) !== JSON.stringify(marks.value)) {
        marks.value = next
    }
})

const key = computed(() => keyOf(walk.at === null ? 'aloud.topic' : 'walk.aloud'))
const languages = computed(() => [
    { value: '', label: `As the browser: ${languageName(navigator.language)}` },
    ...[...new Set(aloud.voices.map(({ language }) => language))].map((tag) => ({ value: tag, label: languageName(tag) })).sort((a, b) => a.label.localeCompare(b.label)),
])
const voices = computed(() => aloud.voices.filter(({ language }) => (aloud.settings.language === '' ? base(language) === base(aloud.voice?.language ?? aloud.language) : language === aloud.settings.language))
    .map(({ id, name, language }) => ({ value: id, label: id.startsWith('server:') ? `${name}, from the server (${languageName(language)})` : name })))
function chooseLanguage(tag: string): void {
    aloud.settings.voice = ''
    aloud.settings.language = tag
}
// One who listens need not find the button.
useEventListener(window, 'keydown', (event) => {
    if (event.key === 'Escape' && map.editing === null && !(event.target instanceof Element && event.target.closest('input, textarea, [contenteditable=true], .n-popover, [role=dialog]') !== null)) {
        event.preventDefault()
        event.stopImmediatePropagation()
        aloud.stop()
    }
}, { capture: true })
</script>

<template>
    <div aria-hidden="true"><i v-for="(one, i) in marks" :key="i" class="spoken-word" :style="{ left: `${one.x}px`, top: `${one.y}px`, width: `${one.w}px`, height: `${one.h}px` }" /></div>
    <section class="aloud" :class="{ above: walk.at !== null }" aria-label="Reading aloud">
        <p class="line" dir="auto">{{ parts[0] }}<mark v-if="parts[1] !== ''">{{ parts[1] }}</mark>{{ parts[2] }}</p>
        <div class="tools">
            <NButton size="small" quaternary aria-label="A sentence back" :disabled="aloud.state === 'idle'" @click="aloud.step(-1)">Back</NButton>
            <NButton size="small" type="primary" :title="key" :disabled="aloud.state === 'idle'" @click="aloud.again()">{{ aloud.state === 'paused' ? 'Go on' : 'Stop' }}</NButton>
            <NButton size="small" quaternary aria-label="A sentence on" :disabled="aloud.state === 'idle'" @click="aloud.step(1)">On</NButton>
            <NPopover trigger="click" placement="top-end" :show-arrow="false">
                <template #trigger><NButton size="small" quaternary>Voice</NButton></template>
                <div class="aloud-how" role="group" aria-label="How it is read">
                    <label><span>Language</span><NSelect :value="aloud.settings.language" size="small" filterable :options="languages" aria-label="Language" @update:value="chooseLanguage" /></label>
                    <label><span>Voice</span><NSelect :value="aloud.voice?.id ?? null" size="small" :options="voices" placeholder="None for this language" aria-label="Voice" @update:value="(id: string) => (aloud.settings.voice = id)" /></label>
                    <label><span>Speed</span><NSlider v-model:value="aloud.settings.speed" :min="0.5" :max="2" :step="0.1" :format-tooltip="(value: number) => `${value.toFixed(1)} times`" aria-label="Speed" /></label>
                    <NCheckbox v-model:checked="aloud.settings.notes">Notes too</NCheckbox>
                </div>
            </NPopover>
            <NButton size="small" quaternary @click="aloud.stop()">Close</NButton>
        </div>
    </section>
</template>

<style>
.spoken-word { position: fixed; z-index: 12; border-radius: 4px; background: color-mix(in srgb, var(--marigold) 42%, transparent); pointer-events: none; mix-blend-mode: multiply; }
:root[data-board=slate] .spoken-word { mix-blend-mode: screen; }
.aloud { position: fixed; z-index: 13; left: 50%; bottom: 86px; transform: translateX(-50%); width: min(720px, calc(100vw - 24px)); box-sizing: border-box; padding: 12px 14px 8px 20px; background: var(--slip); border: 1px solid var(--edge); border-radius: 12px; box-shadow: 0 8px 30px rgb(0 0 0 / 22%); }
.aloud.above { bottom: auto; top: 16px; }
.aloud .line { margin: 0 0 6px; min-height: 1.4em; max-height: 4.2em; overflow: auto; font-size: 22px; line-height: 1.4; }
.aloud mark { background: color-mix(in srgb, var(--marigold) 55%, transparent); color: inherit; border-radius: 4px; padding: 1px 2px; margin: 0 -2px; }
.aloud .tools { display: flex; gap: 4px; align-items: center; justify-content: flex-end; }
.aloud-how { display: flex; flex-direction: column; gap: 10px; width: 290px; padding: 4px 2px; }
.aloud-how label { display: grid; grid-template-columns: 76px minmax(0, 1fr); gap: 8px; align-items: center; font-size: 14px; }
</style>
