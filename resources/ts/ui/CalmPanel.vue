<script setup lang="ts">
import { NButton, NModal, NRadioButton, NRadioGroup } from 'naive-ui'
import { computed, nextTick } from 'vue'
import { useMap } from '@/stores/map'
import { usePreferences } from '@/stores/preferences'
import { useSession } from '@/stores/session'
import { boards } from './boards'
import { tell } from './tell'
import { useUi } from './uiStore'

/** What one can choose for one's eyes: it holds at once, and for every map. */
const preferences = usePreferences()
const session = useSession()
const ui = useUi()
const map = useMap()

const faces = [{ value: 'own', label: 'As each map says' }, { value: 'spacious', label: 'Spacious' }, { value: 'weighted', label: 'Weighted' }]
const face = computed(() => session.person?.face ?? 'own')
function changeFace(to: string): void {
    session.changeFace(to === 'own' ? null : to).then(() => (map.id === '' ? undefined : map.open(map.id))).catch(() => tell.error('That could not be kept. Check the network and try again.'))
}

function close(): void {
    ui.panel = null
    if (map.id !== '') {
        void nextTick(() => ui.focusRegion(map.region))
    }
}

/** The arrow keys go over the boards as they lie. */
const COLUMNS = 4
function step(event: KeyboardEvent): void {
    const by = { ArrowRight: 1, ArrowLeft: -1, ArrowDown: COLUMNS, ArrowUp: -COLUMNS }[event.key]
    const all = [...document.querySelectorAll<HTMLElement>('.eyes .boards button')]
    if (by !== undefined) {
        event.preventDefault()
        all[all.findIndex((one) => one === document.activeElement) + by]?.focus()
    }
}
</script>

<template>
    <NModal :show="true" aria-label="Calm for the eyes" @update:show="close()">
        <!-- A div: what keeps the focus in a dialog knows no other. -->
        <div class="eyes" role="dialog" aria-label="Calm for the eyes">
            <h2>Calm for the eyes</h2>
            <p>Holds at once, for you alone, in every map and wherever you sign in.</p>
            <h3>Board</h3>
            <div class="boards" role="group" aria-label="Board" @keydown="step">
                <button v-for="{ name, label } in boards" :key="name" :data-board="name" :tabindex="preferences.board === name ? 0 : -1" :aria-pressed="preferences.board === name" :class="{ here: preferences.board === name }" :aria-label="`Board ${label}`" @click="preferences.board = name">
                    <i class="line" /><span class="slip">{{ label }}</span>
                </button>
            </div>
            <div class="rest">
                <div>
                    <h3>Size of the interface</h3>
                    <NRadioGroup v-model:value="preferences.size" size="small" aria-label="Size of the interface">
                        <NRadioButton value="usual">Usual</NRadioButton><NRadioButton value="large">Large</NRadioButton><NRadioButton value="larger">Larger</NRadioButton>
                    </NRadioGroup>
                </div>
                <div>
                    <h3>Motion</h3>
                    <NRadioGroup v-model:value="preferences.motion" size="small" aria-label="Motion">
                        <NRadioButton value="system">As the system asks</NRadioButton><NRadioButton value="less">None</NRadioButton>
                    </NRadioGroup>
                </div>
                <div>
                    <h3>Typeface of every map</h3>
                    <NRadioGroup :value="face" size="small" aria-label="Typeface of every map" @update:value="changeFace">
                        <NRadioButton v-for="one in faces" :key="one.value" :value="one.value">{{ one.label }}</NRadioButton>
                    </NRadioGroup>
                </div>
                <div>
                    <h3>Names of tools</h3>
                    <NRadioGroup v-model:value="preferences.names" size="small" aria-label="Names of tools">
                        <NRadioButton value="read">Read</NRadioButton><NRadioButton value="said">Said aloud</NRadioButton>
                    </NRadioGroup>
                </div>
            </div>
            <NButton size="small" secondary @click="close()">Close</NButton>
        </div>
    </NModal>
</template>

<style scoped>
.eyes { width: min(600px, calc(100vw / var(--size, 1) - 24px)); max-height: calc(84vh / var(--size, 1)); overflow: auto; box-sizing: border-box; background: var(--slip); color: var(--ink); border: 1px solid var(--edge); border-radius: 12px; padding: 16px 20px 18px; box-shadow: 0 16px 50px rgb(0 0 0 / 30%); }
h2 { margin: 0; font-size: 18px; }
h3 { margin: 14px 0 6px; font-size: 13.5px; }
p { margin: 2px 0 0; color: var(--soft); font-size: 13.5px; }
.boards { display: grid; grid-template-columns: repeat(4, 1fr); gap: 8px; }
.boards button { display: flex; align-items: center; height: 56px; padding: 0 8px 0 0; border: 1.5px solid var(--edge); border-radius: 9px; background: var(--board); cursor: pointer; overflow: hidden; }
.boards button:focus-visible { outline: 2px solid var(--tide); outline-offset: 1px; }
.boards button.here { border-color: var(--ink); box-shadow: inset 0 -5px 0 var(--tide); }
.line { flex: 0 0 16px; height: 4px; background: var(--tide); }
.slip { flex: 1; padding: 5px 6px; border-left: 4px solid var(--tide); border-radius: 5px; background: var(--tide-tint); color: var(--ink); font: 700 13.5px 'Atkinson Hyperlegible'; text-align: left; }
.rest { display: flex; flex-wrap: wrap; gap: 0 26px; margin-bottom: 16px; }
@media (max-width: 520px) { .boards { grid-template-columns: repeat(2, 1fr); } }
</style>
