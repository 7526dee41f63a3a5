<script setup lang="ts">
import { useEventListener, useMediaQuery, useTimeoutFn } from '@vueuse/core'
import { NButton } from 'naive-ui'
import { computed, onMounted, ref, watch } from 'vue'
import { pressed } from '@/actions/keys'
import { useActions } from '@/actions/useActions'
import { noteLines } from '@/text/noteText'
import { plainTitle } from '@/text/titleMarkdown'
import ActionHint from '@/ui/ActionHint.vue'
import { useFingers } from './useFingers'
import WalkJump from './WalkJump.vue'
import WalkNote from './WalkNote.vue'
import WalkSettings from './WalkSettings.vue'
import { isAnyOpen } from './walkOpen'
import { useWalk } from './walkStore'
import { useWalkWay } from './walkWay'

/** The tools of a walk. They come when the pointer moves or a key asks, and go again by themselves. */
const STAY = 2600

const walk = useWalk()
const way = useWalkWay()
const { run, actions, keysOf } = useActions()
const here = ref(true)
const { start } = useTimeoutFn(() => (here.value = way.panel !== null), STAY)

useEventListener(window, ['pointermove', 'pointerdown', 'focusin'], () => {
    here.value = true
    start()
})
useFingers()
/** What is open has keys of its own; the one that opened it closes it, and those of a remote go on. */
useEventListener(window, 'keydown', (event) => {
    const name = pressed(event)
    const wanted = !event.defaultPrevented && isAnyOpen() && !(event.target instanceof Element && event.target.closest('input, textarea') !== null)
        ? (['open', 'on', 'back'] as const).find((what) => actions.some((action) => action.id === `walk.${what}` && keysOf(action).includes(name)) && (what === 'open' || /^Page/.test(name)))
        : undefined
    if (wanted !== undefined) {
        event.preventDefault()
        event.stopImmediatePropagation()
        walk.does(wanted)
    }
}, { capture: true })

const place = computed(() => `${way.place + 1} of ${way.stops.length}`)
const share = computed(() => `${((way.place + 1) / Math.max(1, way.stops.length)) * 100}%`)
const ways = computed(() => [
    { id: 'walk.back', text: 'Back', can: walk.can('back') },
    { id: 'walk.on', text: 'On', can: walk.can('on') },
    { id: 'walk.deeper', text: 'Deeper', can: walk.can('deeper') },
    { id: 'walk.skip', text: 'Skip', can: walk.can('skip') },
])
/** Where there is little room, the rest stands with how to walk. */
const isNarrow = useMediaQuery('(max-width: 1000px)')
const rest = computed(() => [
    { id: 'walk.note', text: 'Note', on: way.settings.note },
    { id: 'walk.aloud', text: 'Read aloud', on: false },
    { id: 'walk.speak', text: 'Speaker', on: false },
])
const more = computed(() => [
    ...(way.things.length > 0 || !isNarrow.value ? [{ id: 'walk.open', text: 'Open', on: way.panel === 'things' }] : []),
    ...(isNarrow.value ? [] : rest.value),
    { id: 'walk.settings', text: 'How', on: way.panel === 'settings' },
])
/** What comes, for who speaks: small and quiet. */
const hint = computed(() => {
    if (way.settings.peek === 'none' || way.topic === null) {
        return ''
    }
    const words = way.settings.peek === 'note' ? noteLines(way.topic.note).join('  ') : way.below.length > 0 ? way.below.map(way.nameOf).join('  ·  ') : way.on === null ? '' : `→ ${way.nameOf(way.on)}`
    return words.length > 220 ? `${words.slice(0, 219)}…` : words
})

const things = ref<HTMLElement | null>(null)
watch(things, (list) => list?.querySelector('button')?.focus())
/** The arrow keys go over what there is to open. */
function step(event: KeyboardEvent): void {
    const by = { ArrowDown: 1, ArrowUp: -1 }[event.key]
    const all = [...(things.value?.querySelectorAll('button') ?? [])]
    if (by !== undefined) {
        event.preventDefault()
        all[(all.findIndex((one) => one === document.activeElement) + by + all.length) % all.length]?.focus()
    }
}
watch(() => way.panel, (now, before) => {
    if (now === null && before !== null) {
        document.querySelector<HTMLElement>('.board')?.focus({ preventScroll: true })
        start()
    }
})
function closePanel(): void {
    way.panel = null
}
onMounted(start)
</script>

<template>
    <p class="unseen" aria-live="assertive">{{ plainTitle(way.topic?.title ?? '') }}</p>
    <div class="along" role="progressbar" aria-label="How far along the walk" :aria-valuenow="way.place + 1" :aria-valuemin="0" :aria-valuemax="way.stops.length"><i :style="{ width: share }" /></div>
    <p v-if="hint !== ''" class="hint" aria-hidden="true" dir="auto">{{ hint }}</p>
    <WalkNote v-if="way.settings.note && way.hasNote" />
    <div class="walk" :class="{ here: here || way.panel !== null, higher: hint !== '' }" role="toolbar" aria-label="Walk">
        <ActionHint v-for="one in ways" :id="one.id" :key="one.id">
            <NButton :disabled="!one.can" :type="one.id === 'walk.on' ? 'primary' : 'default'" @click="run(one.id)">{{ one.text }}</NButton>
        </ActionHint>
        <span class="place">{{ place }}<template v-if="way.isPaced"> · {{ Math.max(0, Math.ceil(way.left)) }} s</template></span>
        <ActionHint id="walk.list"><NButton :aria-expanded="way.panel === 'list'" @click="run('walk.list')">Jump</NButton></ActionHint>
        <ActionHint v-for="one in more" :id="one.id" :key="one.id"><NButton :disabled="one.id === 'walk.open' && way.things.length === 0" :aria-pressed="one.on" :secondary="one.on" @click="run(one.id)">{{ one.text }}</NButton></ActionHint>
        <template v-if="!isNarrow">
            <NButton class="small" aria-label="Farther" @click="run('walk.farther')">−</NButton>
            <NButton class="small" aria-label="Closer" @click="run('walk.closer')">+</NButton>
        </template>
        <NButton @click="walk.end()">End</NButton>
    </div>
    <WalkJump v-if="way.panel === 'list'" class="walk-panel" />
    <section v-else-if="way.panel === 'settings'" class="walk-panel low" role="dialog" aria-label="How to walk" @keydown.escape.stop="closePanel">
        <div v-if="isNarrow" class="rest-tools">
            <NButton v-for="one in rest" :key="one.id" size="small" :aria-pressed="one.on" :secondary="one.on" @click="run(one.id)">{{ one.text }}</NButton>
            <NButton size="small" aria-label="Farther" @click="run('walk.farther')">−</NButton><NButton size="small" aria-label="Closer" @click="run('walk.closer')">+</NButton>
        </div>
        <WalkSettings />
    </section>
    <section v-else-if="way.panel === 'things'" ref="things" class="walk-panel low things" role="dialog" aria-label="What there is to open" @keydown="step" @keydown.escape.stop="closePanel">
        <button v-for="one in way.things" :key="one.key" type="button" @click="way.openThing(one)">{{ one.text }}</button>
    </section>
    <div v-if="way.isBlack" class="walk-black" @click="run('walk.black')" />
</template>

<style scoped>
.walk { position: fixed; z-index: 6; left: 50%; bottom: 20px; transform: translateX(-50%); display: flex; align-items: center; gap: 6px; padding: 8px 10px; background: var(--slip); border: 1px solid var(--edge); border-radius: 12px; box-shadow: 0 8px 30px rgb(0 0 0 / 22%); opacity: 0; transition: opacity 180ms; pointer-events: none; max-width: calc(100vw - 16px); width: max-content; justify-content: center; box-sizing: border-box; }
.walk.higher { bottom: 44px; }
.walk.here, .walk:focus-within { opacity: 1; pointer-events: auto; }
.walk .small { padding: 0 11px; }
.rest-tools { display: flex; flex-wrap: wrap; gap: 6px; padding: 2px 6px; }
.place { color: var(--soft); font-size: 14px; padding: 0 6px; font-variant-numeric: tabular-nums; white-space: nowrap; }
.along { position: fixed; z-index: 5; left: 0; right: 0; bottom: 0; height: 4px; background: color-mix(in srgb, var(--ink) 12%, transparent); }
.along i { display: block; height: 100%; background: var(--tide); transition: width 220ms; }
.hint { position: fixed; z-index: 4; left: 18px; bottom: 10px; max-width: calc(100vw - 36px); max-height: 20px; overflow: hidden; text-overflow: ellipsis; margin: 0; color: var(--soft); opacity: 0.75; font-size: 13px; white-space: pre; pointer-events: none; }
.walk-panel { position: fixed; z-index: 7; right: 22px; top: 22px; bottom: 90px; width: min(380px, calc(100vw - 44px)); padding: 10px; box-sizing: border-box; overflow: auto; background: var(--slip); border: 1px solid var(--edge); border-radius: 12px; box-shadow: 0 8px 30px rgb(0 0 0 / 22%); }
.walk-panel.low { top: auto; max-height: calc(100vh - 130px); }
@media (max-width: 1000px) { .walk { flex-wrap: wrap; } .walk-panel { bottom: 150px; } .walk-panel.low { top: 12px; bottom: auto; max-height: calc(100vh - 160px); } }
.things button { display: block; width: 100%; text-align: left; border: 0; background: none; color: inherit; font: inherit; padding: 9px 12px; border-radius: 7px; cursor: pointer; overflow-wrap: anywhere; }
.things button:hover, .things button:focus-visible { background: color-mix(in srgb, var(--tide) 20%, transparent); outline: none; }
.walk-black { position: fixed; z-index: 30; inset: 0; background: #000; }
</style>
