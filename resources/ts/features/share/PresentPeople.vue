<script setup lang="ts">
import { watch } from 'vue'
import { useCamera } from '@/board/cameraStore'
import { useMap } from '@/stores/map'
import { chalkOf, initials } from './present'

/** Who else has the map open; a click goes along with them, another stays here. */
const FEW = 3
const map = useMap()
const camera = useCamera()

watch(() => (map.followed === null ? null : (map.others.find(({ id }) => id === map.followed)?.at ?? null)), (at) => {
    if (at !== null && map.tree.topics.has(at)) {
        map.uncover(at, 'board')
        map.afterAnswer(() => setTimeout(() => camera.centre(at), 60))
    }
})
const follow = (id: number): void => void (map.followed = map.followed === id ? null : id)
</script>

<template>
    <span class="present" role="group" aria-label="Who is here">
        <button v-for="one in map.others.slice(0, FEW)" :key="one.id" type="button" :style="{ '--chalk': chalkOf(one.id) }" :aria-pressed="map.followed === one.id" :title="map.followed === one.id ? `${one.name} is here; you go along. Click to stay where you are.` : `${one.name} is here. Click to go along.`" :aria-label="`${one.name} is here, follow`" @click="follow(one.id)">{{ initials(one.name) }}</button>
        <span v-if="map.others.length > FEW" :title="map.others.slice(FEW).map(({ name }) => name).join(', ')">+{{ map.others.length - FEW }}</span>
    </span>
</template>

<style scoped>
.present { display: inline-flex; align-items: center; gap: 3px; flex: none; }
button { min-width: 26px; height: 24px; padding: 0 4px; border: 2px solid var(--chalk); border-radius: 7px 5px 8px 6px; background: var(--slip); color: var(--ink); font: 700 12px 'Atkinson Hyperlegible'; cursor: pointer; }
button[aria-pressed=true] { background: color-mix(in srgb, var(--chalk) 30%, var(--slip)); box-shadow: 0 0 0 2px var(--chalk); }
button:focus-visible { outline: 2px solid var(--tide); outline-offset: 2px; }
span > span { font-size: 12.5px; color: var(--soft); }
</style>
