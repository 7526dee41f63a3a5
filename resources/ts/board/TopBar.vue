<script setup lang="ts">
import { NButton, NDropdown, NInput, NTooltip, type DropdownOption } from 'naive-ui'
import { computed, nextTick, ref } from 'vue'
import { useActions } from '@/actions/useActions'
import { useMap } from '@/stores/map'
import { childrenOf, LOT } from '@/stores/tree'
import { plainTitle } from '@/text/titleMarkdown'
import Mark from '@/ui/Mark.vue'
import SavedSign from './SavedSign.vue'

/** The map's name, and what can be done with the map as a whole. */
const props = defineProps<{ narrow: boolean }>()

const map = useMap()
const { run, isAvailable, nameOf, keyOf, actions } = useActions()
const naming = ref<string | null>(null)
const name = ref<InstanceType<typeof NInput> | null>(null)

const title = computed(() => {
    const own = map.tree.title ?? plainTitle(map.tree.topics.get(map.tree.root)?.title ?? '').replace(/\s+/g, ' ')
    return own === '' ? 'Untitled map' : own
})

async function beginNaming(): Promise<void> {
    naming.value = title.value
    await nextTick()
    name.value?.select()
}

function endNaming(keep: boolean): void {
    const wanted = naming.value?.trim() ?? ''
    if (keep && wanted !== '' && wanted !== title.value) {
        map.edit({ name: 'map.rename', title: wanted.slice(0, 200) })
    }
    naming.value = null
}

function options(ids: readonly string[]): DropdownOption[] {
    return ids
        .map((id) => actions.find((action) => action.id === id))
        .filter((action) => action !== undefined)
        .map((action) => ({ key: action.id, label: `${action.name}${action.keys.length > 0 ? `  ·  ${keyOf(action.id)}` : ''}`, disabled: !isAvailable(action) }))
}

const shapeOptions = computed(() =>
    options([
        'shape.wrap', 'shape.wrap-each', 'shape.dissolve', 'shape.lift', 'change.break', 'change.join', 'change.send', 'shape.append', 'change.sort', 'change.number', 'change.tidy',
        'change.empties', 'change.duplicates', 'change.levels', 'shape.into-note', 'shape.duplicate', 'move.below', 'move.loose', 'apart.back', 'apart.back-branch', 'apart.back-all',
    ]),
)
const tall = () => ({ style: 'max-height: min(560px, 80vh)' })
const parked = computed(() => childrenOf(map.tree, LOT).length)
const outOptions = computed(() => options(['export.md', 'export.txt', 'export.opml', 'export.json', 'export.svg', 'export.png']))
const moreOptions = computed(() =>
    options([
        ...(props.narrow ? ['help.palette', 'map.undo', 'map.redo', 'walk.begin', 'lot.open', 'lot.park', 'shape.wrap', 'shape.dissolve', 'change.sort', 'change.break', 'change.join'] : []),
        'clip.copy', 'clip.copy-alone', 'clip.cut', 'clip.preview', 'clip.address', 'find.here', 'find.everywhere', 'map.history', 'map.trash', 'map.starter',
        'arrange.both-sides', 'arrange.rightward', 'arrange.balance', 'see.level-1', 'see.level-2', 'see.level-3', 'see.fold-others', 'topic.fold-below', 'topic.unfold-below', 'scope.in', 'scope.out',
        'see.second', 'see.outline', 'see.desk', 'see.board', 'help.palette', 'help.keys',
    ]),
)
const undoing = computed(() => [
    { id: 'map.undo', text: 'Undo', what: map.undoLabel, can: map.undoLabel !== null || map.waiting.length > 0 },
    { id: 'map.redo', text: 'Redo', what: map.redoLabel, can: map.redoLabel !== null },
])
</script>

<template>
    <header class="bar" data-focus="top">
        <NTooltip>
            <template #trigger><RouterLink to="/" class="home" aria-label="Back to the library"><Mark /></RouterLink></template>
            Back to the library · {{ keyOf('map.library') }}
        </NTooltip>
        <NInput
            v-if="naming !== null" ref="name" v-model:value="naming" size="small" class="naming" :maxlength="200" :input-props="{ 'aria-label': 'Name of the map' }"
            @blur="endNaming(true)" @keydown.enter="endNaming(true)" @keydown.escape.stop="endNaming(false)" />
        <button v-else class="name" title="Rename the map" @click="beginNaming">{{ title }}</button>
        <SavedSign :narrow="narrow" />
        <div class="space" />
        <template v-if="!narrow">
            <NTooltip v-for="one in undoing" :key="one.id">
                <template #trigger><NButton quaternary size="small" :disabled="!one.can" @click="run(one.id)">{{ one.text }}</NButton></template>
                {{ one.what ?? nameOf(one.id) }} · {{ keyOf(one.id) }}
            </NTooltip>
            <NTooltip>
                <template #trigger><NButton secondary type="primary" size="small" @click="run('walk.begin')">Walk</NButton></template>
                {{ nameOf('walk.begin') }} · {{ keyOf('walk.begin') }}
            </NTooltip>
        </template>
        <NDropdown v-if="!narrow" trigger="click" :options="shapeOptions" scrollable :menu-props="tall" @select="run"><NButton size="small" secondary>Shape</NButton></NDropdown>
        <NTooltip v-if="!narrow">
            <template #trigger><NButton size="small" secondary @click="run('find.here')">Find</NButton></template>
            {{ nameOf('find.here') }} · {{ keyOf('find.here') }}
        </NTooltip>
        <NTooltip v-if="!narrow">
            <template #trigger><NButton size="small" secondary :aria-label="`Parking lot, ${parked} parked`" @click="run('lot.open')">Parked<span v-if="parked > 0" class="count">{{ parked }}</span></NButton></template>
            {{ nameOf('lot.open') }} · {{ keyOf('lot.open') }}
        </NTooltip>
        <NDropdown trigger="click" :options="outOptions" @select="run"><NButton size="small" secondary>Take out</NButton></NDropdown>
        <NDropdown trigger="click" :options="moreOptions" scrollable :menu-props="tall" @select="run"><NButton size="small" secondary>More</NButton></NDropdown>
        <NTooltip v-if="!narrow">
            <template #trigger><NButton size="small" secondary @click="run('help.palette')">Actions</NButton></template>
            {{ nameOf('help.palette') }} · {{ keyOf('help.palette') }}
        </NTooltip>
    </header>
</template>

<style scoped>
.bar { flex: none; height: 50px; display: flex; align-items: center; gap: 8px; padding: 0 12px; background: var(--slip); border-bottom: 1px solid var(--edge); }
.home { display: grid; border-radius: 9px; }
.name { border: 1px solid transparent; background: none; color: inherit; font: 700 17px 'Atkinson Hyperlegible'; padding: 3px 8px; border-radius: 6px; cursor: text; overflow: hidden; text-overflow: ellipsis; white-space: nowrap; min-width: 3em; }
.name:hover, .name:focus-visible { border-color: var(--edge); outline: none; }
.naming { max-width: 320px; }
.space { flex: 1; }
.count { margin-left: 6px; padding: 0 6px; border-radius: 8px; background: var(--driftwood-tint); font-size: 12.5px; font-weight: 700; }
</style>
