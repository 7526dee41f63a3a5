<script setup lang="ts">
import { onBeforeUnmount, onMounted, shallowRef } from 'vue'
import { api } from '@/api/client'
import type { Edit, SceneNews } from '@/api/wire'
import MiniBoard from '@/board/MiniBoard.vue'
import { useMap } from '@/stores/map'
import { useTries } from '@/stores/tries'

/** Pictures of the branch in every arrangement; pointing at one tries it. */
const props = defineProps<{ options: readonly { name: string; label: string; own: string | null }[]; value: string | undefined; editTo: (name: string | null) => Edit }>()
const emit = defineEmits<{ take: [name: string | null] }>()

const map = useMap()
const tries = useTries()
const scenes = shallowRef<readonly SceneNews[]>([])

onMounted(async () => {
    const branch = map.current
    setTimeout(() => document.querySelector<HTMLElement>('.arrangements button.here, .arrangements button')?.focus(), 60)
    const answer = await api.tries(map.id, props.options.map(({ own }) => [props.editTo(own)]), false, branch).catch(() => null)
    if (branch === map.current && answer !== null) {
        scenes.value = answer.scenes
    }
})
onBeforeUnmount(tries.leave)

/** The arrow keys go over the pictures as they lie. */
const COLUMNS = 3
function step(event: KeyboardEvent): void {
    const by = { ArrowRight: 1, ArrowLeft: -1, ArrowDown: COLUMNS, ArrowUp: -COLUMNS }[event.key]
    const all = [...document.querySelectorAll<HTMLElement>('.arrangements button')]
    if (by !== undefined) {
        event.preventDefault()
        event.stopPropagation()
        all[all.findIndex((one) => one === document.activeElement) + by]?.focus()
    }
}
</script>

<template>
    <ul class="arrangements" aria-label="Arrangements" @keydown="step">
        <li v-for="(option, i) in options" :key="option.name">
            <button :aria-pressed="value === option.name" :class="{ here: value === option.name }" :aria-label="option.label" @pointerenter="tries.look([editTo(option.own)])" @focus="tries.look([editTo(option.own)])" @pointerleave="tries.leave()" @blur="tries.leave()" @click="emit('take', option.own)">
                <span class="picture"><MiniBoard v-if="scenes[i] !== undefined" :scene="scenes[i]" /></span>
                {{ option.label }}
            </button>
        </li>
    </ul>
</template>

<style scoped>
.arrangements { list-style: none; margin: 0; padding: 0; display: grid; grid-template-columns: repeat(3, 150px); gap: 8px; }
.arrangements button { display: block; width: 100%; padding: 5px 6px 6px; border: 1px solid var(--edge); border-radius: 8px; background: var(--slip); color: var(--ink); font: 13.5px 'Atkinson Hyperlegible'; text-align: left; cursor: pointer; }
.arrangements button:hover, .arrangements button:focus-visible { outline: 2px solid var(--tide); }
.arrangements button.here { box-shadow: inset 0 -3px 0 var(--tide); font-weight: 700; }
.picture { display: block; height: 84px; border-radius: 5px; background: var(--board); overflow: hidden; margin-bottom: 4px; }
</style>
