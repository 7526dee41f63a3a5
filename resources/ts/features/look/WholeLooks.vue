<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed, nextTick, onBeforeUnmount, onMounted, ref, shallowRef } from 'vue'
import { api } from '@/api/client'
import type { Edit, SceneNews } from '@/api/wire'
import MiniBoard from '@/board/MiniBoard.vue'
import { newId, useMap } from '@/stores/map'
import { useTries } from '@/stores/tries'
import { useUi } from '@/ui/uiStore'
import { useLooks } from './lookStore'
import { wholes } from './vocabulary'

/** The whole-map looks as pictures of this map: pointing at one tries it on the board, a click takes it. */
const map = useMap()
const looks = useLooks()
const tries = useTries()
const ui = useUi()
const scenes = shallowRef<readonly SceneNews[]>([])

const current = computed(() => String(looks.mapLook?.fields.whole ?? 'work-table'))
const editTo = (whole: string): Edit => ({ name: 'row.set', type: 'map-look', row: looks.mapLook?.id ?? newId(), fields: { whole } } as Edit)

void api.tries(map.id, wholes.map(({ value }) => [editTo(value)])).then(({ scenes: drawn }) => (scenes.value = drawn)).catch(() => undefined)

function take(whole: string): void {
    tries.leave()
    looks.setOfMap({ whole })
    close()
}

function close(): void {
    looks.dialog = null
    void nextTick(() => ui.focusRegion(map.region))
}
onBeforeUnmount(tries.leave)

const list = ref<HTMLElement | null>(null)
onMounted(() => list.value?.querySelector('button')?.focus())
function step(by: number): void {
    const all = [...(list.value?.querySelectorAll('button') ?? [])]
    all[all.findIndex((one) => one === document.activeElement) + by]?.focus()
}
</script>

<template>
    <section class="wholes" role="dialog" aria-label="Look of the map" @keydown.escape.stop="close" @keydown.down.prevent="step(1)" @keydown.up.prevent="step(-1)">
        <header><h2>Look of the map</h2><NButton size="small" secondary @click="close">Close</NButton></header>
        <p>Point at one to try it; click to take it. What was said of levels and topics stays.</p>
        <ul ref="list">
            <li v-for="(whole, i) in wholes" :key="whole.value">
                <button :aria-label="whole.label" :aria-pressed="current === whole.value" :class="{ here: current === whole.value }" @pointerenter="tries.look([editTo(whole.value)])" @focus="tries.look([editTo(whole.value)])" @pointerleave="tries.leave()" @blur="tries.leave()" @click="take(whole.value)">
                    <span class="picture"><MiniBoard v-if="scenes[i] !== undefined" :scene="scenes[i]" /></span>
                    <b>{{ whole.label }}</b>
                    <small>{{ whole.what }}</small>
                </button>
            </li>
        </ul>
    </section>
</template>

<style scoped>
.wholes { position: fixed; z-index: 6; right: 0; top: 50px; bottom: 0; width: min(255px, 100vw); overflow: auto; box-sizing: border-box; background: var(--slip); border-left: 1px solid var(--edge); padding: 14px 16px; }
header { display: flex; justify-content: space-between; align-items: center; }
h2 { margin: 0; font-size: 18px; }
p { margin: 2px 0 12px; color: var(--soft); font-size: 13.5px; }
ul { list-style: none; margin: 0; padding: 0; display: grid; grid-template-columns: repeat(auto-fill, minmax(200px, 1fr)); gap: 12px; }
li button { display: grid; gap: 2px; width: 100%; padding: 6px 8px 8px; border: 1px solid var(--edge); border-radius: 9px; background: var(--slip); color: var(--ink); font: 14px 'Atkinson Hyperlegible'; text-align: left; cursor: pointer; }
li button:hover, li button:focus-visible { border-color: var(--tide); outline: 2px solid var(--tide); }
li button.here { box-shadow: inset 0 -4px 0 var(--tide); }
.picture { display: block; height: 112px; border-radius: 6px; background: var(--board); overflow: hidden; margin-bottom: 4px; }
small { color: var(--soft); }
</style>
