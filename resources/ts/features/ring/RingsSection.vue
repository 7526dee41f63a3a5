<script setup lang="ts">
import { NButton } from 'naive-ui'
import { useActions } from '@/actions/useActions'
import { useBeside } from '@/stores/beside'
import { useRings, type Ring } from './ringStore'

/** The rings of the map, and whether what is chosen is in them. */
const beside = useBeside()
const rings = useRings()
const { run, keyOf } = useActions()

const inIt = ({ topics }: Ring): number => beside.chosen.filter((topic) => topics.includes(topic)).length
const toggle = (ring: Ring): void => {
    const isIn = inIt(ring) === beside.chosen.length
    rings.put(ring.id, beside.chosen, isIn)
}
</script>

<template>
    <ul v-if="rings.all.length > 0" class="rings" aria-label="Rings">
        <li v-for="ring in rings.all" :key="ring.id">
            <input type="checkbox" :checked="inIt(ring) === beside.chosen.length" :indeterminate="inIt(ring) > 0 && inIt(ring) < beside.chosen.length" :aria-label="`In ${rings.nameOf(ring)}`" @change="toggle(ring)" />
            <button :aria-label="`Go to ${rings.nameOf(ring)}`" @click="rings.choose([ring.id])">{{ ring.name === '' ? `Ring around ${rings.titlesOf(ring)}` : ring.name }}</button>
        </li>
    </ul>
    <div class="tools"><NButton size="tiny" secondary :title="keyOf('ring.draw')" @click="run('ring.draw')">Draw a ring around it</NButton></div>
</template>

<style scoped>
.rings { list-style: none; margin: 8px 0; padding: 0; max-height: 160px; overflow: auto; }
.rings li { display: flex; align-items: center; gap: 6px; }
.rings button { flex: 1; min-width: 0; border: 0; background: none; color: var(--ink); font: inherit; font-size: 14px; text-align: start; padding: 3px 4px; border-radius: 5px; cursor: pointer; overflow: hidden; text-overflow: ellipsis; white-space: nowrap; }
.rings button:hover, .rings button:focus-visible { background: color-mix(in srgb, var(--tide) 16%, transparent); }
.rings input { accent-color: var(--tide); width: 16px; height: 16px; margin: 0 2px; flex: none; }
.tools { margin-top: 6px; }
</style>
