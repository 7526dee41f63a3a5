<script setup lang="ts">
import { NSelect } from 'naive-ui'
import { computed } from 'vue'
import { useBeside } from '@/stores/beside'
import { useMap } from '@/stores/map'
import { arrangements, ownArrangement } from './arrangements'

/** Chooses how the branches of what is chosen are laid out. */
const map = useMap()
const beside = useBeside()

const AS_ABOVE = 'as-above'
const SEVERAL = 'several'
const options = computed(() => [
    { value: AS_ABOVE, label: beside.chosen.includes(beside.tree.root) ? 'As the map' : 'As what is above it' },
    ...arrangements.map(({ name, label }) => ({ value: name, label })),
])
/** What all chosen have in common. */
const value = computed(() => {
    const own = new Set(beside.chosen.map((id) => ownArrangement(beside.tree, id) ?? AS_ABOVE))
    return own.size === 1 ? [...own][0] : SEVERAL
})

function choose(name: string): void {
    map.edit({ name: 'row.set', type: 'arrangement', topics: [...map.chosen], fields: { name: arrangements.find((one) => one.name === name)?.name ?? null } })
}
</script>

<template>
    <div class="field">
        <span>Arrangement of the branch</span>
        <NSelect
            :value="value === SEVERAL ? null : value" :options="options" size="small" placeholder="Several" :input-props="{ 'aria-label': 'Arrangement of the branch' }"
            aria-label="Arrangement of the branch" @update:value="choose" />
    </div>
</template>

<style scoped>
.field > span { display: block; font-size: 13px; color: var(--soft); margin-bottom: 4px; }
</style>
