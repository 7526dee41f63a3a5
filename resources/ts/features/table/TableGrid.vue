<script setup lang="ts">
import { columnResizingFeature, columnSizingFeature, tableFeatures, useTable as useHeadless } from '@tanstack/vue-table'
import { useVirtualizer } from '@tanstack/vue-virtual'
import { computed, nextTick, onBeforeUnmount, onMounted, ref, shallowRef, watch } from 'vue'
import { types } from '@/actions/keys'
import { useDrag, type Landing } from '@/stores/drag'
import { useMap } from '@/stores/map'
import { ancestorsOf } from '@/stores/tree'
import { plainTitle } from '@/text/titleMarkdown'
import { tell } from '@/ui/tell'
import { useDragSource } from '@/ui/useDragSource'
import { asHtml, asText, cellsIn } from './cells'
import ColumnMenu from './ColumnMenu.vue'
import TableLine from './TableLine.vue'
import { useTable, type Column, type Item } from './tableStore'

/** Rows under columns: the model of both is the headless table's, which rows are drawn is the virtualiser's, all else is here. */
const ROW = window.matchMedia('(pointer: coarse)').matches ? 40 : 30
const HEAD = 32
const LEFT = 46
const BEYOND = 8
const WIDTHS: Readonly<Record<string, number>> = { title: 280, note: 260, caption: 190, tags: 150 }
const OF_FORMS: Readonly<Record<string, number>> = { number: 104, day: 124, days: 170, time: 90, text: 240 }

const map = useMap()
const table = useTable()
const drag = useDrag()
const { down } = useDragSource()
const scroller = ref<HTMLElement | null>(null)

/** Where there is room, titles take it. */
const room = ref(0)
const ownWidth = (column: Column): number => column.width ?? WIDTHS[column.key] ?? OF_FORMS[column.form ?? ''] ?? 140
const widthOf = (column: Column): number => (column.key === 'title' && column.width === null ? Math.max(WIDTHS.title ?? 0, Math.min(460, room.value - LEFT - 24 - table.columns.reduce((sum, one) => sum + (one === column ? 0 : ownWidth(one)), 0))) : ownWidth(column))
const features = tableFeatures({ columnSizingFeature, columnResizingFeature })
const columns = computed(() => table.columns.map((column) => ({ id: column.key, header: column.words, accessorFn: (item: Item) => item.key, size: widthOf(column), minSize: 48, maxSize: 900 })))
const items = computed(() => table.items as Item[])
const headless = useHeadless({ features, columns, data: items, columnResizeMode: 'onChange', getRowId: (item: Item) => item.key })
const lines = computed(() => headless.getRowModel().rows)
const heads = computed(() => headless.getHeaderGroups()[0]?.headers ?? [])
const sizes = computed(() => {
    headless.atoms.columnSizing.get()
    return table.columns.map(({ key }) => headless.getColumn(key)?.getSize() ?? 140)
})
const lefts = computed(() => sizes.value.map((_, i) => sizes.value.slice(0, i).reduce((sum, size) => sum + size, 0)))
const total = computed(() => LEFT + sizes.value.reduce((sum, size) => sum + size, 0))
/** A column that was pulled is as wide from then on. */
watch(() => headless.atoms.columnResizing.get().isResizingColumn, (now, before) => {
    if (now === false && typeof before === 'string') {
        const width = Math.round(headless.getColumn(before)?.getSize() ?? 140)
        table.setColumns(table.columns.map((column) => (column.key === before ? { ...column, width: Math.min(999, Math.max(48, width)) } : column)))
    }
})

watch(() => table.columns, () => headless.atoms.columnResizing.get().isResizingColumn === false && headless.resetColumnSizing())

const virtual = useVirtualizer<HTMLElement, HTMLElement>(computed(() => ({
    count: lines.value.length + 1, getScrollElement: () => scroller.value, estimateSize: () => ROW, overscan: BEYOND, getItemKey: (i: number) => lines.value[i]?.id ?? 'more', scrollPaddingStart: HEAD, scrollPaddingEnd: HEAD,
})))
const drawn = computed(() => virtual.value.getVirtualItems().map(({ index, start }) => ({ index, start, item: lines.value[index]?.original })))
watch(drawn, (now) => table.see(now.flatMap(({ item }) => item?.topic ?? [])), { immediate: true })

/** Rows that go by are made into those that come, which costs less than making each anew: as many as are drawn at most. */
const pool = computed(() => Math.ceil((virtual.value.scrollRect?.height ?? 0) / ROW) + 2 * BEYOND + 3)

/** The number of each row, heads not counted. */
const numbers = computed(() => {
    let n = 0
    return items.value.map(({ topic }) => (topic === null ? 0 : ++n))
})
const isIn = (line: number): boolean => line >= table.range.top && line <= table.range.bottom

watch(() => table.spot, ({ line, column }) => {
    virtual.value.scrollToIndex(line, { align: 'auto' })
    const box = scroller.value
    if (box === null) {
        return
    }
    const [left, right] = [LEFT + (lefts.value[column] ?? 0), LEFT + (lefts.value[column] ?? 0) + (sizes.value[column] ?? 0)]
    if (column === 0) {
        box.scrollLeft = 0
    } else if (right > box.scrollLeft + box.clientWidth) {
        box.scrollLeft = right - box.clientWidth
    } else if (left - LEFT < box.scrollLeft) {
        box.scrollLeft = Math.max(0, left - LEFT)
    }
})
const focus = (): void => scroller.value?.focus({ preventScroll: true })
watch(() => table.wanted, () => void nextTick(focus))
onMounted(() => {
    room.value = scroller.value?.clientWidth ?? 0
    const line = map.current === null ? -1 : table.lineOf(map.current)
    table.go({ line: Math.max(0, line), column: table.spot.column })
    focus()
})

/** Which cell an event is in. */
function spotOf(event: Event): { line: number; column: number } | null {
    const cell = event.target instanceof Element ? event.target.closest<HTMLElement>('[data-column]') : null
    return cell === null ? null : { line: Number(cell.closest<HTMLElement>('[data-line]')?.dataset.line), column: Number(cell.dataset.column) }
}
let isChoosing = false
function press(event: PointerEvent): void {
    const at = spotOf(event)
    if (at === null || event.button !== 0) {
        return
    }
    focus()
    // A finger chooses first, and types with the second touch.
    if (event.pointerType === 'touch' && at.line === table.spot.line && at.column === table.spot.column) {
        table.begin()
        return
    }
    table.go(at, event.shiftKey)
    isChoosing = event.pointerType !== 'touch'
    window.addEventListener('pointerup', () => (isChoosing = false), { once: true })
}
function over(event: PointerEvent): void {
    const at = isChoosing && (event.buttons & 1) === 1 ? spotOf(event) : null
    if (at !== null && (at.line !== table.spot.line || at.column !== table.spot.column)) {
        table.go(at, true)
    }
}
/** A row is chosen by its number, and dragged there. */
function pressRow(event: PointerEvent, line: number, topic: string): void {
    focus()
    if (!event.shiftKey && table.chosenTopics.includes(topic) && table.range.from === 0 && table.range.to === table.columns.length - 1) {
        down(event, topic)
        return
    }
    if (!event.shiftKey) {
        table.go({ line, column: 0 })
        table.spot = { line, column: table.columns.length - 1 }
    } else {
        table.go({ line, column: table.columns.length - 1 }, true)
    }
    down(event, topic)
}
/** Letters begin what is typed anew. */
function key(event: KeyboardEvent): void {
    if (event.target === scroller.value && table.typing === null && types(event) && !event.defaultPrevented) {
        event.preventDefault()
        event.stopPropagation()
        table.begin(event.key)
    }
}

async function copy(event: ClipboardEvent, cuts: boolean): Promise<void> {
    event.preventDefault()
    event.stopPropagation()
    const put = (cells: string[][]): void => {
        event.clipboardData?.setData('text/plain', asText(cells))
        event.clipboardData?.setData('text/html', asHtml(cells))
    }
    // Where all is here already the event can take it; else it is written when it has come.
    if (table.isCopiedHere()) {
        put(table.copiedHere())
    } else {
        try {
            await navigator.clipboard.writeText(asText(await table.copied()))
        } catch (error) {
            tell.warning(error instanceof DOMException ? 'The browser did not let it onto the clipboard.' : (error as Error).message)
            return
        }
    }
    if (cuts) {
        table.clear()
    }
}
function paste(event: ClipboardEvent): void {
    const text = event.clipboardData?.getData('text/plain') ?? ''
    event.preventDefault()
    event.stopPropagation()
    if (text !== '') {
        void table.paste(cellsIn(text))
    }
}

/** Where topics let go over a row would stand: before or after it where rows stand as in the map, else below it. */
function landingAt(_x: number, clientY: number): Landing | null {
    const box = scroller.value
    if (box === null) {
        return null
    }
    const y = clientY - box.getBoundingClientRect().top + box.scrollTop - HEAD
    const line = Math.max(0, Math.min(items.value.length - 1, Math.floor(y / ROW)))
    const topic = items.value[line]?.topic ?? null
    if (topic === null || drag.isDragged(topic) || ancestorsOf(map.tree, topic).some(drag.isDragged)) {
        return null
    }
    const within = y / ROW - line
    const name = plainTitle(map.tree.topics.get(topic)?.title ?? '').slice(0, 60)
    const mark = { x: 0, w: 0, h: 0 }
    if (!table.isPlain || (within > 0.3 && within < 0.7)) {
        return { region: 'table', place: { parent: topic }, words: `below ${name}`, mark: { ...mark, y: line * ROW, into: true }, over: null }
    }
    return within <= 0.3
        ? { region: 'table', place: { before: topic }, words: `before ${name}`, mark: { ...mark, y: line * ROW - 1, into: false }, over: null }
        : { region: 'table', place: { after: topic }, words: `after ${name}`, mark: { ...mark, y: (line + 1) * ROW - 2, into: false }, over: null }
}
const leave = drag.offer({
    element: () => scroller.value, landingAt, scrollBy: (_dx, dy) => {
        if (scroller.value !== null) {
            scroller.value.scrollTop -= dy
        }
    },
})
onBeforeUnmount(leave)

/** The column that is dragged by its head, and before which it would stand. */
const carried = shallowRef<{ key: string; to: number } | null>(null)
let wasCarried = false
function pressHead(event: PointerEvent, key: string): void {
    if (event.button !== 0) {
        return
    }
    const from = event.clientX
    const move = (moved: PointerEvent): void => {
        if (carried.value === null && Math.abs(moved.clientX - from) < 6) {
            return
        }
        const x = moved.clientX - (scroller.value?.getBoundingClientRect().left ?? 0) + (scroller.value?.scrollLeft ?? 0) - LEFT
        const to = lefts.value.findIndex((left, i) => x < left + (sizes.value[i] ?? 0) / 2)
        carried.value = { key, to: to < 0 ? table.columns.length : to }
    }
    const end = (): void => {
        window.removeEventListener('pointermove', move)
        const its = carried.value
        carried.value = null
        if (its === null) {
            return
        }
        wasCarried = true
        setTimeout(() => (wasCarried = false))
        const others = table.columns.filter((column) => column.key !== key)
        const before = table.columns.slice(0, its.to).filter((column) => column.key !== key).length
        const own = table.columns.find((column) => column.key === key)
        if (own !== undefined) {
            table.setColumns([...others.slice(0, before), own, ...others.slice(before)])
        }
    }
    window.addEventListener('pointermove', move)
    window.addEventListener('pointerup', end, { once: true })
}
function openMenu(key: string): void {
    if (!wasCarried) {
        table.menu = table.menu === key ? null : key
    }
}
const orderOf = (key: string): string => {
    const its = table.field('order').split(' ').find((one) => one.replace('-', '') === key)
    return its === undefined ? '' : its.startsWith('-') ? '↓' : '↑'
}
</script>

<template>
    <div
        ref="scroller" class="table-grid" role="grid" tabindex="0" data-scope="table" data-focus="table" aria-multiselectable="true" aria-label="Table" :aria-rowcount="items.length" :aria-colcount="table.columns.length"
        :aria-activedescendant="table.current === null ? undefined : `cell-${table.spot.line}-${table.spot.column}`"
        @keydown="key" @pointerdown="press" @pointermove="over" @dblclick="spotOf($event) !== null && table.begin()" @focus="map.region = 'outline'" @copy="copy($event, false)" @cut="copy($event, true)" @paste="paste">
        <div class="sheet" :style="{ width: `${total}px`, height: `${virtual.getTotalSize() + 2 * HEAD}px` }">
            <div class="heads" role="row" :style="{ height: `${HEAD}px` }">
                <span class="corner" :style="{ width: `${LEFT}px` }" />
                <div v-for="(head, i) in heads" :key="head.id" class="column-head" role="columnheader" :class="{ on: i === table.spot.column }" :style="{ width: `${sizes[i]}px` }">
                    <button tabindex="-1" :title="table.columns[i]?.words" :aria-label="`Column ${table.columns[i]?.words}`" @pointerdown.stop.prevent="pressHead($event, head.column.id)" @click="openMenu(head.column.id)"><span>{{ table.columns[i]?.words }}</span><b v-if="orderOf(head.column.id) !== ''">{{ orderOf(head.column.id) }}</b></button>
                    <i class="pull" aria-hidden="true" @pointerdown.stop @mousedown.stop="head.getResizeHandler()($event)" @touchstart.stop="head.getResizeHandler()($event)" />
                    <ColumnMenu v-if="table.menu === head.column.id && table.columns[i] !== undefined" :column="table.columns[i]" :at="i" @close="table.menu = null; focus()" />
                </div>
                <div v-if="carried !== null" class="carried" :style="{ left: `${LEFT + (lefts[carried.to] ?? total - LEFT) - 2}px` }" />
            </div>
            <div class="rows" :style="{ height: `${virtual.getTotalSize()}px` }">
                <div class="numbers" :style="{ width: `${LEFT}px` }">
                    <span
                        v-for="line in drawn" :key="line.index % pool" class="number" :class="{ on: isIn(line.index) && line.item?.topic != null, head: line.item?.topic === null }" :aria-hidden="line.item?.topic == null"
                        :style="{ transform: `translateY(${line.start}px)`, height: `${ROW}px`, lineHeight: `${ROW - 1}px` }" @pointerdown.stop="line.item?.topic != null && pressRow($event, line.index, line.item.topic)">{{ line.item === undefined ? '+' : line.item.topic === null ? '' : numbers[line.index] }}</span>
                </div>
                <template v-for="line in drawn" :key="line.index % pool">
                    <div v-if="line.item !== undefined && line.item.topic === null" class="group" role="row" :style="{ transform: `translateY(${line.start}px)`, height: `${ROW}px` }"><strong>{{ line.item.head }}</strong><span>{{ line.item.count }}</span></div>
                    <TableLine
                        v-else :style="{ transform: `translateY(${line.start}px)` }" :topic="line.item?.topic ?? null" :depth="line.item?.topic != null ? line.item.depth : 0" :line="line.index"
                        :columns="table.columns" :sizes="sizes" :left="LEFT" :height="ROW" :from="isIn(line.index) ? table.range.from : -1" :to="isIn(line.index) ? table.range.to : -1"
                        :at="line.index === table.spot.line ? table.spot.column : -1" :typing="line.index === table.spot.line ? table.typing : null" />
                </template>
                <div v-if="drag.landing?.region === 'table'" class="landing" :class="{ into: drag.landing.mark.into }" :style="{ top: `${drag.landing.mark.y}px`, height: drag.landing.mark.into ? `${ROW}px` : '3px' }" />
            </div>
            <div v-if="table.columns.some(({ how }) => how !== null)" class="foot" role="row" :style="{ height: `${HEAD}px` }">
                <span class="corner" :style="{ width: `${LEFT}px` }" />
                <div v-for="(column, i) in table.columns" :key="column.key" class="total" :class="{ figure: column.numbers }" :style="{ width: `${sizes[i]}px` }"><template v-if="column.how !== null"><small>{{ column.how }}</small> {{ column.total }}</template></div>
            </div>
        </div>
    </div>
</template>

<style scoped>
.table-grid { position: relative; flex: 1; min-height: 0; overflow: auto; outline: none; background: var(--slip); font-size: 14px; user-select: none; --faint-edge: color-mix(in srgb, var(--edge) 60%, transparent); --chosen-cell: color-mix(in srgb, var(--tide) 13%, transparent); --chosen-number: color-mix(in srgb, var(--tide) 18%, var(--slip)); --at-edge: var(--tide); }
.table-grid:not(:focus-within) { --at-edge: color-mix(in srgb, var(--tide) 45%, transparent); }
.sheet { position: relative; min-width: 100%; }
.heads, .foot { position: sticky; z-index: 4; display: flex; background: var(--slip); min-width: 100%; }
.heads { top: 0; z-index: 5; border-bottom: 2px solid var(--edge); box-sizing: border-box; }
.foot { bottom: 0; border-top: 2px solid var(--edge); box-sizing: border-box; position: sticky; }
.corner { flex: none; position: sticky; left: 0; z-index: 2; background: var(--slip); box-sizing: border-box; }
/* One column that stays, since a sticky cell in each row costs more than all the others. */
.numbers { position: sticky; left: 0; height: 100%; z-index: 2; background: var(--slip); border-right: 1px solid var(--edge); box-sizing: border-box; overflow: hidden; }
.number { position: absolute; top: 0; left: 0; right: 0; font-size: 12px; color: var(--soft); text-align: end; padding-right: 9px; cursor: grab; box-sizing: border-box; border-bottom: 1px solid var(--faint-edge); }
.number.on { color: var(--ink); background: var(--chosen-number); }
.number.head { background: color-mix(in srgb, var(--edge) 34%, var(--slip)); cursor: default; }
.column-head { position: relative; flex: none; box-sizing: border-box; border-right: 1px solid var(--edge); }
.column-head button { width: 100%; height: 100%; border: 0; background: none; font: 700 13px 'Atkinson Hyperlegible'; color: var(--soft); text-align: start; padding: 0 10px; cursor: pointer; display: flex; gap: 5px; align-items: center; }
.column-head button span { overflow: hidden; text-overflow: ellipsis; white-space: nowrap; }
.column-head button b { color: var(--tide); }
.column-head.on button, .column-head button:hover { color: var(--ink); }
.pull { position: absolute; top: 0; right: -4px; width: 8px; height: 100%; cursor: col-resize; z-index: 1; touch-action: none; }
.pull:hover { background: color-mix(in srgb, var(--tide) 40%, transparent); }
.carried { position: absolute; top: 0; width: 3px; height: 100%; background: var(--tide); }
.rows { position: relative; }
.group { position: absolute; top: 0; left: 0; display: flex; min-width: 100%; }
.group { align-items: center; gap: 10px; padding-left: 56px; box-sizing: border-box; background: color-mix(in srgb, var(--edge) 34%, var(--slip)); border-bottom: 1px solid var(--edge); }
.group span { color: var(--soft); font-size: 13px; }
.total { flex: none; box-sizing: border-box; padding: 0 8px; line-height: v-bind('`${HEAD - 3}px`'); overflow: hidden; white-space: nowrap; text-overflow: ellipsis; font-weight: 700; }
.total.figure { text-align: end; font-variant-numeric: tabular-nums; }
.total small { font-weight: 400; color: var(--soft); }
.landing { position: absolute; left: 0; right: 0; background: var(--tide); pointer-events: none; z-index: 3; }
.landing.into { background: color-mix(in srgb, var(--tide) 15%, transparent); border: 2px dashed var(--tide); box-sizing: border-box; }
</style>
