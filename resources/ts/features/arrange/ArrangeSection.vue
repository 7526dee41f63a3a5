<script setup lang="ts">
import { NButton, NPopover } from 'naive-ui'
import { computed, defineAsyncComponent, ref } from 'vue'
import type { Edit } from '@/api/wire'
import { useBeside } from '@/stores/beside'
import { useMap } from '@/stores/map'
import { useTries } from '@/stores/tries'
import { arrangementSeen } from '@/stores/mirror'
import { arrangementOf, arrangements, ownArrangement } from './arrangements'

const ArrangePictures = defineAsyncComponent(() => import('./ArrangePictures.vue'))
const ArrangeMore = defineAsyncComponent(() => import('./ArrangeMore.vue'))

/** Chooses how the branches of what is chosen are laid out, from pictures of the current one. */
const map = useMap()
const beside = useBeside()
const tries = useTries()
const isOpen = ref(false)

const AS_ABOVE = 'as-above'
const options = computed(() => [
    { name: AS_ABOVE, label: beside.chosen.includes(beside.tree.root) ? 'As the map' : 'As above it', own: null },
    ...arrangements.map(({ name, label }) => ({ name, label, own: arrangementSeen(beside.tree, name) })),
])
/** The arrangement that all chosen have in common. */
const kind = computed(() => {
    const kinds = new Set(beside.chosen.map((id) => arrangementOf(beside.tree, id)))
    return kinds.size === 1 ? [...kinds][0] : null
})
const value = computed(() => {
    const own = new Set(beside.chosen.map((id) => arrangementSeen(beside.tree, ownArrangement(beside.tree, id)) ?? AS_ABOVE))
    return own.size === 1 ? [...own][0] : undefined
})
const words = computed(() => options.value.find((one) => one.name === value.value)?.label ?? 'Several')

const editTo = (name: string | null): Edit => ({ name: 'row.set', type: 'arrangement', topics: [...map.chosen], fields: { name } } as Edit)

function show(open: boolean): void {
    isOpen.value = open
    if (!open) {
        tries.leave()
    }
}

function take(name: string | null): void {
    tries.leave()
    map.edit(editTo(name))
    isOpen.value = false
}
</script>

<template>
    <div class="field">
        <span>Arrangement of the branch</span>
        <NPopover :show="isOpen" trigger="click" placement="left" :show-arrow="false" :style="{ padding: '10px', maxHeight: 'calc(80vh / var(--size, 1))', overflow: 'auto' }" @update:show="show">
            <template #trigger><NButton size="small" block :aria-label="`Arrangement of the branch: ${words}`" :aria-expanded="isOpen">{{ words }}</NButton></template>
            <ArrangePictures v-if="isOpen" :options="options" :value="value" :edit-to="editTo" @take="take" @keydown.escape.stop="show(false)" />
        </NPopover>
        <ArrangeMore v-if="kind === 'fishbone' || kind === 'timeline' || kind === 'flow'" :kind="kind" />
    </div>
</template>

<style scoped>
.field > span { display: block; font-size: 13px; color: var(--soft); margin-bottom: 4px; }
</style>
