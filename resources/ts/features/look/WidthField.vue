<script setup lang="ts">
import { NInputNumber } from 'naive-ui'
import { computed } from 'vue'
import { bounds } from '@/api/bounds'
import { useBeside } from '@/stores/beside'
import { useMap } from '@/stores/map'
import { ownWidth } from './width'

/** How wide what is chosen is; without a width the text decides. */
const map = useMap()
const beside = useBeside()

const value = computed(() => ownWidth(beside.tree, beside.current ?? ''))

function set(width: number | null): void {
    if (width === null || (width >= bounds.narrowest && width <= bounds.widest)) {
        map.edit({ name: 'row.set', type: 'look', topics: [...map.chosen], fields: { width: width === null ? null : Math.round(width) } })
    }
}
</script>

<template>
    <div v-if="beside.chosen.length === 1" class="field">
        <span>Width</span>
        <NInputNumber
            :value="value" size="small" :min="bounds.narrowest" :max="bounds.widest" :step="20" placeholder="As the text needs" clearable
            :input-props="{ 'aria-label': 'Width in pixels' }" @update:value="set" />
    </div>
</template>

<style scoped>
.field > span { display: block; font-size: 13px; color: var(--soft); margin-bottom: 4px; }
</style>
