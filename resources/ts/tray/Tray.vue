<script setup lang="ts">
import { computed } from 'vue'
import { usePreferences } from '@/stores/preferences'
import { useUi } from '@/ui/uiStore'
import { trayPages } from './trayPages'

/** What can be put on topics, a page for each sort of it, below the board; folded it is a line with the names of the pages. */
const preferences = usePreferences()

const ui = useUi()
const name = computed(() => ui.trayPage)
const page = computed(() => trayPages.find((one) => one.name === name.value))

/** The name of the page that is open folds it away. */
function turnTo(wanted: string): void {
    preferences.trayOpen = !preferences.trayOpen || wanted !== name.value
    ui.trayPage = wanted
}

function step(by: number): void {
    const at = trayPages.findIndex((one) => one.name === name.value)
    const next = trayPages[(at + by + trayPages.length) % trayPages.length]
    if (next !== undefined) {
        ui.trayPage = next.name
        document.getElementById(`tray-${next.name}`)?.focus()
    }
}
</script>

<template>
    <section class="tray" aria-label="Tray" data-focus="tray">
        <div role="tablist" aria-label="Pages of the tray" @keydown.left.prevent="step(-1)" @keydown.right.prevent="step(1)">
            <button
                v-for="one in trayPages" :id="`tray-${one.name}`" :key="one.name" role="tab" :aria-selected="one.name === name" :tabindex="one.name === name ? 0 : -1"
                :class="{ here: preferences.trayOpen && one.name === name }" @click="turnTo(one.name)">{{ one.name }}</button>
        </div>
        <div v-if="preferences.trayOpen && page !== undefined" class="page" :data-page="name" role="tabpanel" :aria-labelledby="`tray-${name}`"><component :is="page.component" /></div>
    </section>
</template>

<style scoped>
.tray { position: relative; flex: none; background: var(--slip); border-top: 1px solid var(--edge); }
[role=tablist] { display: flex; gap: 4px; padding: 0 12px; }
button { border: 0; border-bottom: 3px solid transparent; background: none; color: var(--soft); font: 14px 'Atkinson Hyperlegible'; padding: 5px 8px 3px; cursor: pointer; }
button:hover { color: var(--ink); }
button:focus-visible { outline: 2px solid var(--tide); outline-offset: -3px; border-radius: 6px; }
button.here { color: var(--ink); font-weight: 700; border-bottom-color: var(--tide); }
.page { height: 132px; overflow: auto; padding: 8px 12px 12px; box-sizing: border-box; }
</style>
