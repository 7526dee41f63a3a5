<script setup lang="ts">
import { NButton, NInput, NSelect } from 'naive-ui'
import { computed, nextTick, onMounted, ref, watch } from 'vue'
import { useActions } from '@/actions/useActions'
import { useMap } from '@/stores/map'
import { useUi } from '@/ui/uiStore'
import { usePickList } from '@/ui/usePickList'
import ActionHint from '@/ui/ActionHint.vue'
import { useFilter, type Shows } from './filterStore'

/**
 * Says which topics are meant: what is typed narrows the map at once. Below the field what goes on with it, beside it
 * how it was understood, piece by piece; each piece is turned round or taken away by a click.
 */
const map = useMap()
const ui = useUi()
const filter = useFilter()
const { run } = useActions()
const input = ref<InstanceType<typeof NInput> | null>(null)
const naming = ref<string | null>(null)
const nameField = ref<InstanceType<typeof NInput> | null>(null)
const isTyping = ref(false)
/** Offers are there while one types, and until they are sent away. */
const wantsOffers = ref(true)
const ways: { value: Shows; label: string }[] = [
    { value: 'above', label: 'With what is above' }, { value: 'below', label: 'With what is below too' }, { value: 'only', label: 'Nothing but these' }, { value: 'dim', label: 'Dim the rest' },
]
const typed = computed(() => filter.text)
const offers = computed(() => (isTyping.value && wantsOffers.value ? (filter.answer?.offers ?? []) : []))
const { at, move } = usePickList(typed, offers)
/** Nothing is taken by Enter that was not gone to. */
const isAtOffer = ref(false)
watch(typed, () => (isAtOffer.value = false))

const count = computed(() => {
    const of = filter.hits.length
    if (typed.value.trim() === '' || filter.answer === null) {
        return ''
    }
    return of === 0 ? 'No topic' : filter.at < 0 ? `${of} ${of === 1 ? 'topic' : 'topics'}` : `${filter.at + 1} of ${of}`
})

function focus(): void {
    void nextTick(() => {
        input.value?.focus()
        input.value?.select()
    })
}
// A map that opens narrowed leaves the keys where they are.
onMounted(() => filter.wanted > 0 && focus())
watch(() => filter.wanted, (now) => now > 0 && focus())

function type(now: string): void {
    wantsOffers.value = true
    void filter.type(now)
}
/** Pieces can be changed as soon as they are those of what stands there. */
const isFresh = computed(() => filter.answer?.text === typed.value)
/** What is said otherwise is typed, so that one goes on from there. */
function say(text: string): void {
    type(text)
    focusEnd()
}
function focusEnd(): void {
    input.value?.focus()
    void nextTick(() => {
        const field = input.value?.inputElRef
        field?.setSelectionRange(field.value.length, field.value.length)
    })
}
function take(i: number): void {
    const offer = offers.value[i]
    if (offer !== undefined) {
        say(offer.text)
    }
}
/** Turns the piece round in which the caret stands, or the last one before it; as soon as it is understood. */
const isTurning = ref(false)
watch(isFresh, (now) => now && isTurning.value && turn())
function turn(): void {
    isTurning.value = !isFresh.value
    const caret = input.value?.inputElRef?.selectionStart ?? 0
    const pieces = filter.answer?.pieces ?? []
    const piece = [...pieces].reverse().find(({ from }) => from <= caret) ?? pieces[0]
    if (piece !== undefined && isFresh.value) {
        say(piece.turned)
    }
}

function key(event: KeyboardEvent): void {
    const does: Record<string, () => void> = {
        ArrowDown: () => (offers.value.length > 0 ? (isAtOffer.value ? move(1) : (isAtOffer.value = true)) : filter.go(1)),
        ArrowUp: () => (isAtOffer.value ? move(-1) : filter.go(-1)),
        Enter: () => (isAtOffer.value ? take(at.value) : event.ctrlKey || event.metaKey ? leave() : filter.go(event.shiftKey ? -1 : 1)),
        Escape: () => (offers.value.length > 0 && isAtOffer.value ? (wantsOffers.value = false) : close()),
    }
    const act = event.altKey && event.key.toLowerCase() === 'n' ? turn : event.key === 'Tab' && !event.shiftKey && offers.value.length > 0 && typed.value !== '' ? () => take(isAtOffer.value ? at.value : 0) : event.altKey ? undefined : does[event.key]
    if (act !== undefined && !event.isComposing) {
        event.preventDefault()
        event.stopPropagation()
        act()
    }
}
/** Chooses what was hit and goes on there. */
function leave(): void {
    filter.chooseAll()
    ui.focusRegion(map.region)
}
function close(): void {
    filter.end()
    ui.focusRegion(map.region)
}

function beginKeeping(): void {
    naming.value = String(filter.filters.find(({ id }) => id === filter.named)?.fields.name ?? '')
    void nextTick(() => nameField.value?.select())
    void nextTick(() => nameField.value?.focus())
}
function keep(): void {
    if (naming.value !== null && naming.value.trim() !== '') {
        filter.keep(naming.value)
    }
    naming.value = null
    focusEnd()
}
</script>

<template>
    <div class="filter" data-focus="filter" role="search" aria-label="Find in this map">
        <div class="row">
            <div class="field">
                <NInput
                    ref="input" size="small" :value="filter.text" placeholder="Find: words, “kind Meeting”, “due this week”, “not done” …" clearable :maxlength="1000"
                    :input-props="{ 'aria-label': 'Which topics', role: 'combobox', 'aria-expanded': offers.length > 0, 'aria-controls': 'filter-offers', dir: 'auto', autocomplete: 'off', spellcheck: false }"
                    @update:value="type" @keydown="key" @focus="isTyping = true" @blur="isTyping = false" />
            </div>
            <span class="count" role="status">{{ count }}</span>
            <ActionHint id="filter.before"><NButton size="small" secondary :disabled="filter.hits.length === 0" aria-label="Hit before" @click="filter.go(-1)">Before</NButton></ActionHint>
            <ActionHint id="filter.next"><NButton size="small" secondary :disabled="filter.hits.length === 0" aria-label="Next hit" @click="filter.go(1)">Next</NButton></ActionHint>
            <NSelect class="ways" size="small" :value="filter.shows" :options="ways" :consistent-menu-width="false" :input-props="{ 'aria-label': 'What is shown' }" aria-label="What is shown" @update:value="filter.show" />
            <ActionHint id="filter.choose"><NButton size="small" secondary :disabled="filter.hits.length === 0" @click="leave">Choose all</NButton></ActionHint>
            <NInput
                v-if="naming !== null" ref="nameField" v-model:value="naming" class="name" size="small" placeholder="Name of the filter" :maxlength="60" :input-props="{ 'aria-label': 'Name of the filter' }"
                @keydown.enter.stop.prevent="keep" @keydown.escape.stop="naming = null" @blur="keep" />
            <NButton v-else size="small" secondary :disabled="filter.answer?.when == null" @click="beginKeeping">Keep …</NButton>
            <ActionHint id="filter.everywhere"><NButton size="small" secondary @click="run('filter.everywhere')">All maps</NButton></ActionHint>
            <ActionHint id="find.here"><NButton size="small" secondary @click="run('find.here')">Replace …</NButton></ActionHint>
            <NButton class="end" size="small" quaternary aria-label="Show everything again" title="Show everything again (Escape)" @click="close">Everything</NButton>
        </div>
        <p v-if="filter.problem !== ''" class="problem" role="alert">{{ filter.problem }}</p>
        <!-- Its room is there from the beginning, so that nothing below it moves while one types. -->
        <div v-else class="pieces" aria-label="How it was understood">
            <span v-if="typed.trim() === ''" class="hint">How it is understood stands here, piece by piece; Alt+N turns the last one round.</span>
            <span v-for="(piece, i) in typed.trim() === '' ? [] : filter.answer?.pieces" :key="i" class="piece" :class="{ turned: piece.isTurned }">
                <button :aria-label="`Turn “${piece.words}” round`" title="Turn it round (Alt+N)" :disabled="!isFresh" @click="say(piece.turned)"><b v-if="piece.isTurned">not </b>{{ piece.words }}</button>
                <button class="off" :aria-label="`Take “${piece.words}” away`" title="Take it away" :disabled="!isFresh" @click="say(piece.without)">✕</button>
            </span>
        </div>
        <ul v-if="offers.length > 0" id="filter-offers" ref="list" class="offers" role="listbox" aria-label="What can be asked">
            <li v-for="(offer, i) in offers" :key="offer.text" role="option" :aria-selected="isAtOffer && i === at" :class="{ current: isAtOffer && i === at }" @pointerdown.prevent @click="take(i)">{{ offer.words }}<kbd v-if="(isAtOffer ? at : 0) === i && typed !== ''">Tab</kbd></li>
        </ul>
    </div>
</template>

<style scoped>
.filter { flex: none; background: var(--slip); border-bottom: 1px solid var(--edge); position: relative; padding: 6px 12px; display: flex; flex-direction: column; gap: 6px; }
.row { display: flex; flex-wrap: wrap; gap: 6px; align-items: center; }
.field { flex: 1 1 240px; min-width: 0; }
.offers { position: absolute; z-index: 8; left: 12px; width: min(420px, calc(100% - 24px)); box-sizing: border-box; top: calc(100% + 3px); margin: 0; padding: 4px; list-style: none; max-height: 300px; overflow: auto; border: 1px solid var(--edge); border-radius: 8px; background: var(--slip); box-shadow: 0 6px 18px rgb(0 0 0 / 16%); }
.offers li { padding: 5px 8px; border-radius: 5px; cursor: pointer; display: flex; font-size: 14px; }
.offers li:hover, .offers li.current { background: color-mix(in srgb, var(--tide) 18%, transparent); }
kbd { margin-left: auto; font: 12px 'Atkinson Hyperlegible'; color: var(--soft); }
.count { min-width: 74px; text-align: end; color: var(--soft); font-size: 14px; font-variant-numeric: tabular-nums; }
.ways { width: 180px; flex: none; }
.name { width: 150px; }
.pieces { display: flex; flex-wrap: wrap; gap: 6px; min-height: 26px; align-items: center; }
.hint { color: var(--soft); font-size: 13px; }
.piece { display: inline-flex; align-items: center; border: 1px solid var(--field); border-radius: 6px; font-size: 13.5px; }
.piece.turned { border-style: dashed; }
.piece button { border: 0; background: none; color: var(--ink); font: inherit; padding: 2px 4px 2px 8px; cursor: pointer; border-radius: 5px; }
.piece .off { padding: 2px 7px 2px 3px; color: var(--soft); font-size: 11px; }
.piece button:hover { background: color-mix(in srgb, var(--tide) 16%, transparent); }
.piece button:focus-visible { outline: 2px solid var(--tide); }
.problem { margin: 0; padding: 5px 10px; border-left: 3px solid var(--ember); background: var(--ember-tint); border-radius: 4px; font-size: 14px; }
</style>
