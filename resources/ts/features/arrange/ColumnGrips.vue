<script setup lang="ts">
import { computed, ref } from 'vue'
import { useCamera } from '@/board/cameraStore'
import { isReadable } from '@/board/farLabels'
import { useMap } from '@/stores/map'
import { isMirrored } from '@/stores/mirror'
import { childrenOf } from '@/stores/tree'
import { usePointerDrag } from '@/ui/usePointerDrag'

/** A grip above each column of the grid in which one is: dragged, it moves the column. */
const props = defineProps<{ grid: string }>()
const map = useMap()
const camera = useCamera()

interface Column { cell: string; left: number; right: number; top: number; foot: number }

/** In their order, from where all are seen. */
const columns = computed<Column[]>(() => {
    const found: Column[] = []
    for (const row of childrenOf(map.tree, props.grid)) {
        for (const [n, cell] of childrenOf(map.tree, row).entries()) {
            const [box, slip] = [camera.boxes.get(cell), camera.drawn.get(cell)]
            if (box === undefined || slip === undefined || !isReadable(slip, camera.scale)) {
                continue
            }
            const column = (found[n] ??= { cell, left: Infinity, right: -Infinity, top: Infinity, foot: -Infinity })
            column.left = Math.min(column.left, box.x)
            column.right = Math.max(column.right, box.x + box.w)
            column.top = Math.min(column.top, box.y)
            column.foot = Math.max(column.foot, box.y + box.h)
        }
    }
    // From afar only some may be seen.
    return found.length > 1 && Object.keys(found).length === found.length ? found : []
})
const unit = computed(() => 1 / Math.max(0.05, camera.scale))
const high = computed(() => Math.min(...columns.value.map(({ top }) => top)))
const low = computed(() => Math.max(...columns.value.map(({ foot }) => foot)))

const dragged = ref<number | null>(null)
const to = ref(0)
/** Where the column would come to stand: the line before it in the order of reading. */
const slot = computed(() => {
    const own = dragged.value
    const beside = own === null ? undefined : columns.value[to.value]
    if (own === null || beside === undefined || to.value === own) {
        return null
    }
    return (to.value < own) === !isMirrored(map.tree) ? beside.left - 8 : beside.right + 8
})

let from = { x: 0, y: 0 }
const { down } = usePointerDrag({
    begin: (id, pressed) => {
        from = pressed
        dragged.value = to.value = Number(id)
        return true
    },
    follow: (event) => {
        const own = columns.value[dragged.value ?? 0]
        if (own !== undefined) {
            const x = (own.left + own.right) / 2 + (event.clientX - from.x) / camera.scale
            const isBefore = ({ left, right }: Column): boolean => ((left + right) / 2 < x) === !isMirrored(map.tree)
            to.value = columns.value.filter((column) => column !== own && isBefore(column)).length
        }
    },
    drop: () => {
        const own = columns.value[dragged.value ?? -1]
        if (own !== undefined && to.value !== dragged.value) {
            map.edit({ name: 'grid.column', topic: own.cell, do: 'move', to: to.value })
        }
    },
    end: () => (dragged.value = null),
})
</script>

<template>
    <g v-if="columns.length > 0" class="columns">
        <g v-for="(column, n) in columns" :key="column.cell" class="grip" :class="{ taken: dragged === n }" @pointerdown.stop.prevent="down($event, String(n))" @click.stop @dblclick.stop>
            <title>Drag to move the column</title>
            <rect :x="column.left" :y="high - 20 * unit" :width="column.right - column.left" :height="14 * unit" fill="transparent" />
            <rect class="bar" :x="(column.left + column.right) / 2 - 14 * unit" :y="high - 15 * unit" :width="28 * unit" :height="5 * unit" :rx="2.5 * unit" />
        </g>
        <rect v-if="slot !== null" class="slot" :x="slot - 2 * unit" :y="high - 10 * unit" :width="4 * unit" :height="low - high + 20 * unit" :rx="2 * unit" />
    </g>
</template>

<style scoped>
.grip { pointer-events: all; cursor: grab; opacity: 0.75; }
.grip:hover, .grip.taken { opacity: 1; }
.bar { fill: var(--board); stroke: var(--ink); stroke-width: 1.4; vector-effect: non-scaling-stroke; }
.taken .bar { fill: var(--tide); }
.slot { fill: var(--tide); pointer-events: none; }
</style>
