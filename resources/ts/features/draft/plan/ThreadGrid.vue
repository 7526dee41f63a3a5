<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, nextTick, onMounted, ref, useTemplateRef, watch } from 'vue'
import { usePointerDrag } from '@/ui/usePointerDrag'
import { usePlan, type Cell, type Row } from './planStore'

/**
 * Who or what is in which scene: each row a thread that runs through those in which it is, with a knot in each, dashed
 * where it is away. Arrows go about, Enter into the text, Space puts in and takes out; names and knots can be dragged.
 */
const plan = usePlan()
const ROW = 40
const HEAD = 78
const NAMES = 190
const CHALKS = ['tide', 'ember', 'kelp', 'heather', 'marigold', 'mussel', 'coral', 'dusk']

const frame = useTemplateRef<HTMLElement>('frame')
const { width } = useElementSize(frame)
const rows = computed(() => plan.grid?.rows ?? [])
const columns = computed(() => plan.grid?.columns ?? [])
const names = computed(() => (width.value < 520 ? 110 : NAMES))
/** As wide as there is room for, within reason. */
const wide = computed(() => Math.max(58, Math.min(120, Math.floor((width.value - names.value - 20) / Math.max(1, columns.value.length)))))
const chalk = (i: number): string => CHALKS[i % CHALKS.length] ?? 'tide'
const x = (column: number): number => names.value + (column + 0.5) * wide.value

const at = ref({ row: 0, column: 0 })
watch([rows, columns], () => (at.value = { row: Math.max(0, Math.min(rows.value.length - 1, at.value.row)), column: Math.max(0, Math.min(columns.value.length - 1, at.value.column)) }))
const row = computed<Row | undefined>(() => rows.value[at.value.row])
const cellOf = (its: Row | undefined, column: number): Cell | undefined => its?.cells.find((one) => one.column === column)
const how = (cell: Cell | undefined): string => (cell === undefined ? 'not there' : [cell.sees ? 'sees' : '', cell.isSaid ? 'said by a field' : '', cell.isTied ? 'linked' : '', cell.names > 0 ? `named ${cell.names === 1 ? 'once' : `${cell.names} times`}` : '', cell.ends ? 'ends here' : ''].filter((one) => one !== '').join(', '))
const spoken = computed(() => (row.value === undefined ? '' : `${row.value.name}, ${columns.value[at.value.column]?.title ?? ''}: ${how(cellOf(row.value, at.value.column))}`))
/** What is there between two knots, and whether there is nothing in between. */
const pieces = (its: Row): { from: number; to: number; isGap: boolean }[] => its.cells.slice(1).map((cell, i) => ({ from: its.cells[i]?.column ?? 0, to: cell.column, isGap: cell.column - (its.cells[i]?.column ?? 0) > 1 }))
const tells = (its: Row): string => (its.cells.length === 0 ? 'nowhere' : `in ${its.cells.length}${its.gap > 1 ? `, away for ${its.gap}` : ''}`)

function go(line: number, column: number): void {
    at.value = { row: Math.max(0, Math.min(rows.value.length - 1, line)), column: Math.max(0, Math.min(columns.value.length - 1, column)) }
    void nextTick(() => {
        const box = frame.value
        if (box !== null) {
            const [left, top] = [at.value.column * wide.value, at.value.row * ROW]
            box.scrollLeft = Math.max(left + names.value + wide.value - box.clientWidth, Math.min(box.scrollLeft, left))
            box.scrollTop = Math.max(top + HEAD + ROW - box.clientHeight, Math.min(box.scrollTop, top))
        }
    })
}
function enter(): void {
    const [its, column] = [row.value, columns.value[at.value.column]]
    if (column !== undefined) {
        plan.go(cellOf(its, at.value.column)?.at ?? plan.sceneOf(at.value.column) ?? column.topic, its ?? null)
    }
}
function key(event: KeyboardEvent): void {
    if (event.ctrlKey || event.metaKey || event.altKey || event.key === 'Escape' || event.key === 'Tab' || /^F\d/.test(event.key)) {
        return
    }
    const to: Record<string, [number, number]> = {
        ArrowDown: [at.value.row + 1, at.value.column], ArrowUp: [at.value.row - 1, at.value.column], ArrowRight: [at.value.row, at.value.column + 1], ArrowLeft: [at.value.row, at.value.column - 1],
        Home: [at.value.row, 0], End: [at.value.row, columns.value.length - 1], PageDown: [at.value.row + 8, at.value.column], PageUp: [at.value.row - 8, at.value.column],
    }
    event.preventDefault()
    event.stopPropagation()
    const place = to[event.key]
    if (place !== undefined) {
        go(...place)
    } else if (event.key === 'Enter') {
        enter()
    } else if (event.key === ' ' && row.value !== undefined) {
        plan.toggle(row.value, at.value.column)
    }
}

/** The cell below a point of the window. */
function under(event: MouseEvent): { row: number; column: number } | null {
    const box = frame.value?.getBoundingClientRect()
    if (frame.value === null || box === undefined || event.clientX < box.left + names.value || event.clientY < box.top + HEAD) {
        return null
    }
    const place = { row: Math.floor((event.clientY - box.top + frame.value.scrollTop - HEAD) / ROW), column: Math.floor((event.clientX - box.left + frame.value.scrollLeft - names.value) / wide.value) }
    return rows.value[place.row] !== undefined && columns.value[place.column] !== undefined ? place : null
}
function click(event: MouseEvent): void {
    const place = under(event)
    if (place !== null && !isDragged.value) {
        go(place.row, place.column)
        if (cellOf(rows.value[place.row], place.column) !== undefined) {
            enter()
        }
    }
}

/** Who is dragged, and over which column. */
const dragged = ref<{ row: number; column: number | null } | null>(null)
const isDragged = ref(false)
const drag = usePointerDrag({
    begin: (id) => {
        dragged.value = { row: Number(id), column: null }
        isDragged.value = true
        return true
    },
    follow: (event) => {
        const box = frame.value?.getBoundingClientRect()
        const column = frame.value === null || box === undefined ? -1 : Math.floor((event.clientX - box.left + frame.value.scrollLeft - names.value) / wide.value)
        dragged.value = dragged.value === null ? null : { ...dragged.value, column: event.clientX > (box?.left ?? 0) + names.value && columns.value[column] !== undefined ? column : null }
    },
    drop: () => {
        const its = dragged.value === null ? undefined : rows.value[dragged.value.row]
        if (its !== undefined && dragged.value !== null && dragged.value.column !== null) {
            go(dragged.value.row, dragged.value.column)
            plan.toggle(its, dragged.value.column, true)
        }
    },
    end: () => {
        dragged.value = null
        setTimeout(() => (isDragged.value = false))
    },
})
onMounted(() => frame.value?.focus({ preventScroll: true }))
</script>

<template>
    <div ref="frame" class="grid" role="grid" tabindex="0" data-scope="draft" data-focus="draft" aria-label="Threads" :aria-rowcount="rows.length" :aria-colcount="columns.length" @keydown="key" @click="click">
        <p class="spoken" role="status">{{ spoken }}</p>
        <div class="sheet" :style="{ width: `${names + columns.length * wide + 20}px`, height: `${HEAD + rows.length * ROW + 12}px` }">
            <div class="heads" :style="{ height: `${HEAD}px` }">
                <button v-for="(column, i) in columns" :key="column.topic" type="button" tabindex="-1" :class="{ on: i === at.column }" :style="{ left: `${names + i * wide}px`, width: `${wide}px` }" :title="column.title" dir="auto" @click.stop="plan.go(column.topic)"><span>{{ column.title || 'Untitled' }}</span></button>
            </div>
            <div class="names" :style="{ width: `${names}px` }">
                <button v-for="(its, i) in rows" :key="`${its.topic ?? ''} ${its.name}`" type="button" tabindex="-1" :class="{ on: i === at.row, away: its.cells.length === 0 }" :style="{ top: `${i * ROW}px`, height: `${ROW}px`, '--row': `var(--${chalk(i)})` }" :title="`${its.name}: ${tells(its)}. Drag it into a scene`" @pointerdown="drag.down($event, String(i))" @click.stop="go(i, its.cells[0]?.column ?? 0)"><b dir="auto">{{ its.name }}</b><small>{{ tells(its) }}</small></button>
            </div>
            <div class="band" :style="{ top: `${HEAD + at.row * ROW}px`, height: `${ROW}px` }" />
            <div v-if="dragged !== null && dragged.column !== null" class="over" :style="{ left: `${names + dragged.column * wide}px`, width: `${wide}px`, top: `${HEAD + dragged.row * ROW}px`, height: `${ROW}px` }" />
            <template v-for="(its, i) in rows" :key="`${its.topic ?? ''} ${its.name}`">
                <i v-for="piece in pieces(its)" :key="`${piece.from} ${piece.to}`" class="piece" :class="{ gap: piece.isGap }" :style="{ left: `${x(piece.from)}px`, width: `${(piece.to - piece.from) * wide}px`, top: `${HEAD + (i + 0.5) * ROW}px`, '--row': `var(--${chalk(i)})` }" />
                <span
                    v-for="cell in its.cells" :key="cell.column" class="knot" :class="{ said: cell.isSaid, sees: cell.sees, ends: cell.ends, small: cell.names === 0 && !cell.isSaid && !cell.sees }" role="gridcell" :aria-label="`${its.name}, ${columns[cell.column]?.title ?? ''}: ${how(cell)}`" :title="how(cell)"
                    :style="{ left: `${x(cell.column)}px`, top: `${HEAD + (i + 0.5) * ROW}px`, '--row': `var(--${chalk(i)})`, '--tint': `var(--${chalk(i)}-tint)` }" @pointerdown="drag.down($event, String(i))">{{ cell.names > 0 ? (cell.names > 99 ? '99+' : cell.names) : '' }}</span>
            </template>
            <div v-if="rows.length > 0 && columns.length > 0" class="at" :style="{ left: `${names + at.column * wide}px`, width: `${wide}px`, top: `${HEAD + at.row * ROW}px`, height: `${ROW}px` }" />
        </div>
    </div>
</template>

<style scoped>
.grid { flex: 1; min-height: 0; overflow: auto; outline: none; position: relative; }
.spoken { position: absolute; width: 1px; height: 1px; overflow: hidden; clip-path: inset(50%); }
.sheet { position: relative; }
.heads { position: sticky; top: 0; z-index: 3; background: var(--slip); border-bottom: 1px solid var(--edge); }
.heads button { position: absolute; bottom: 0; height: 100%; border: 0; background: none; color: var(--soft); font: inherit; font-size: 12.5px; line-height: 1.25; padding: 4px 5px 6px; cursor: pointer; display: flex; align-items: flex-end; justify-content: center; text-align: center; }
.heads span { display: -webkit-box; -webkit-line-clamp: 4; line-clamp: 4; -webkit-box-orient: vertical; overflow: hidden; overflow-wrap: anywhere; }
.heads button.on { color: var(--ink); font-weight: 600; }
.heads button:hover { color: var(--ink); text-decoration: underline; }
.names { position: sticky; left: 0; z-index: 2; height: 0; }
.names button { position: absolute; left: 0; right: 0; border: 0; border-left: 4px solid var(--row); background: var(--slip); color: var(--ink); font: inherit; text-align: start; padding: 0 8px 0 10px; cursor: grab; display: flex; flex-direction: column; justify-content: center; line-height: 1.2; touch-action: none; }
.names b { font-weight: 600; font-size: 14px; overflow: hidden; text-overflow: ellipsis; white-space: nowrap; }
.names small { color: var(--soft); font-size: 12px; white-space: nowrap; overflow: hidden; text-overflow: ellipsis; }
.names .on b { text-decoration: underline; text-decoration-color: var(--tide); text-underline-offset: 3px; }
.names .away b { color: var(--soft); }
.band { position: absolute; left: 0; right: 0; background: color-mix(in srgb, var(--tide) 6%, transparent); }
.piece { position: absolute; height: 0; border-top: 3px solid var(--row); transform: translateY(-1.5px); }
.piece.gap { border-top: 2px dotted var(--row); opacity: .8; }
.knot { position: absolute; z-index: 1; width: 24px; height: 24px; margin: -12px 0 0 -12px; border-radius: 50%; box-sizing: border-box; border: 1.6px solid var(--row); background: var(--slip); color: var(--ink); font-size: 12px; line-height: 21px; text-align: center; cursor: pointer; font-variant-numeric: tabular-nums; }
.knot.said, .knot.sees { background: var(--tint); border-width: 2.4px; line-height: 19px; }
.knot.small { width: 15px; height: 15px; margin: -7.5px 0 0 -7.5px; }
.knot.sees { outline: 1.8px solid var(--row); outline-offset: 2px; }
.knot.ends::after { content: ''; position: absolute; left: calc(100% + 6px); top: 0; bottom: 0; border-left: 4px solid var(--row); }
.at { position: absolute; pointer-events: none; border-radius: 8px; }
.grid:focus .at { box-shadow: inset 0 0 0 2px var(--tide); }
.over { position: absolute; background: color-mix(in srgb, var(--tide) 22%, transparent); border-radius: 8px; box-shadow: inset 0 0 0 2px var(--tide); }
</style>
