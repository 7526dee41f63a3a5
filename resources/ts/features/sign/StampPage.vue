<script setup lang="ts">
import { NButton, NInput } from 'naive-ui'
import { computed, onMounted, ref } from 'vue'
import { useBeside } from '@/stores/beside'
import { useTrayDrag } from '@/tray/useTrayDrag'
import MeaningOffer from './MeaningOffer.vue'
import SignShape from './SignShape.vue'
import { useSigns } from './signStore'

/** The stamps, those of this map first: a click puts one on what is chosen, another takes it off; or drag one onto any topic. */
const beside = useBeside()
const signs = useSigns()
onMounted(signs.load)

/** As they stood when the page was opened, so that none moves away under the pointer. */
const first = new Set(signs.used.keys())
const shown = computed(() => {
    const all = signs.stamps.filter(({ sign }) => sign !== 'stamp:A')
    const pictures = all.filter(({ sign }) => !/^stamp:\d$/.test(sign))
    const inOrder = [...pictures, ...all.filter(({ sign }) => /^stamp:\d$/.test(sign))]
    return [...inOrder.filter(({ sign }) => first.has(sign)), ...inOrder.filter(({ sign }) => !first.has(sign))]
})
const isPlain = (sign: string): boolean => /^stamp:\d$/.test(sign)

/** 1 to 9 put on the stamp at their place. */
function digit(event: KeyboardEvent): void {
    const stamp = /^[1-9]$/.test(event.key) && !(event.target instanceof HTMLInputElement) ? shown.value[Number(event.key) - 1] : undefined
    if (stamp !== undefined) {
        event.preventDefault()
        signs.toggle(stamp.sign)
    }
}

const letter = ref('')
function putLetter(): void {
    const sign = letter.value.trim().toUpperCase().slice(0, 1)
    if (sign !== '') {
        signs.toggle(`stamp:${sign}`)
        letter.value = ''
    }
}

const { press, release, isClick } = useTrayDrag((sign: string, topic) => signs.toggle(sign, [topic]))
</script>

<template>
    <div class="stamps" @keydown="digit">
        <button
            v-for="(stamp, i) in shown" :key="stamp.sign" class="stamp" :class="{ on: signs.isOnAll(stamp.sign), bare: isPlain(stamp.sign) }" :aria-pressed="signs.isOnAll(stamp.sign)"
            :aria-label="`Stamp ${stamp.words}${signs.meaningOf(stamp.sign) === '' ? '' : `: ${signs.meaningOf(stamp.sign)}`}`" :title="signs.wordsOf(stamp.sign)"
            @pointerdown="press(stamp.sign, $event)" @pointerup="release" @click="isClick() && signs.toggle(stamp.sign)">
            <SignShape :parts="stamp.parts" /><span v-if="!isPlain(stamp.sign)">{{ stamp.words }}</span><kbd v-if="i < 9">{{ i + 1 }}</kbd>
        </button>
        <NInput v-model:value="letter" class="letter" size="small" :maxlength="1" placeholder="Letter" :input-props="{ 'aria-label': 'Stamp of a letter' }" @keydown.enter="putLetter" />
        <NButton size="small" secondary :disabled="!beside.chosen.some((id) => signs.stampsOf(beside.tree, id).length > 0)" @click="signs.clear()">Take all stamps off</NButton>
        <NButton size="small" secondary @click="signs.isOpen = true">Legend</NButton>
    </div>
    <MeaningOffer class="offered" />
</template>

<style scoped>
.stamps { display: flex; flex-wrap: wrap; align-items: center; gap: 5px; }
.stamp { display: flex; align-items: center; gap: 5px; padding: 4px 8px 4px 5px; border: 1px solid var(--edge); border-radius: 8px; background: var(--slip); color: var(--ink); font: 13.5px 'Atkinson Hyperlegible'; cursor: grab; touch-action: none; }
.stamp.bare { padding: 4px 3px; }
.stamp:hover, .stamp:focus-visible { outline: 2px solid var(--tide); }
.stamp.on { box-shadow: inset 0 -3px 0 var(--tide); font-weight: 700; }
kbd { font: 11.5px 'Atkinson Hyperlegible'; color: var(--soft); }
.letter { width: 72px; }
/* Beside the names of the pages, where there is room. */
.offered { position: absolute; right: 12px; top: 1px; max-width: calc(100% - 330px); flex-wrap: nowrap; }
</style>
