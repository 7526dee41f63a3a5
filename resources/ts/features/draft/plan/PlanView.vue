<script setup lang="ts">
import { NButton, NDropdown, NRadioButton, NRadioGroup } from 'naive-ui'
import { computed } from 'vue'
import { useActions } from '@/actions/useActions'
import { useUi } from '@/ui/uiStore'
import { useDraft } from '../draftStore'
import { ROWS, usePlan } from './planStore'
import StoryShape from './StoryShape.vue'
import ThreadGrid from './ThreadGrid.vue'

/** The draft as a plan: its threads or its shape, with what does not fit together above them. */
const draft = useDraft()
const plan = usePlan()
const ui = useUi()
const { run } = useActions()
const files = [{ key: 'csv', label: 'Table (CSV)' }, { key: 'png', label: 'Picture (PNG)' }, { key: 'svg', label: 'Drawing (SVG)' }]
const isGrid = computed(() => draft.form === 'threads')
const isEmpty = computed(() => (isGrid.value ? plan.grid !== null && (plan.grid.columns.length === 0 || plan.grid.rows.length === 0) : plan.shape !== null && plan.shape.scenes.length === 0))
const empty = computed(() => (isGrid.value && (plan.grid?.columns.length ?? 0) > 0
    ? { people: 'Give topics the kind Character, or fill in who is in a scene, and each has a thread here.', places: 'Give topics the kind Place, or fill in where scenes are.', objects: 'Give topics the kind Object, and it is seen where they are named.', sources: 'Give topics the kind Source, and it is seen where they are named.', threads: 'Fill in the threads of scenes, or give topics the kind Thread.', tags: 'Tag scenes, and each tag has a thread here.' }[plan.rows]
    : 'There are no scenes in this branch yet. Make its chapters and scenes a plan, or write.'))
</script>

<template>
    <div class="plan">
        <div class="tools">
            <template v-if="isGrid">
                <NRadioGroup v-model:value="plan.rows" size="small" aria-label="Rows"><NRadioButton v-for="one in ROWS" :key="one.value" :value="one.value">{{ one.label }}</NRadioButton></NRadioGroup>
                <NRadioGroup :value="plan.by ?? 'scene'" size="small" aria-label="Columns" @update:value="(by: 'scene' | 'chapter') => (plan.by = by)"><NRadioButton value="chapter">Chapters</NRadioButton><NRadioButton value="scene">Scenes</NRadioButton></NRadioGroup>
            </template>
            <NButton v-if="plan.found.length > 0" size="small" secondary :aria-expanded="plan.isListing" @click="plan.isListing = !plan.isListing">{{ plan.found.length }} to look at</NButton>
            <span class="out">
                <NButton size="small" quaternary @click="run('draft.plan')">Table of scenes</NButton>
                <NDropdown trigger="click" :options="files" @select="(format: string) => ui.download(plan.file(format))"><NButton size="small" quaternary :disabled="isEmpty">Save as…</NButton></NDropdown>
            </span>
        </div>
        <ul v-if="plan.isListing && plan.found.length > 0" class="found" aria-label="To look at">
            <li v-for="one in plan.found" :key="`${one.sort} ${one.words}`"><button type="button" @click="plan.go(one.topics[0] ?? '')">{{ one.words }}</button></li>
        </ul>
        <p v-if="plan.problem !== ''" class="empty" role="alert">{{ plan.problem }}</p>
        <div v-else-if="isEmpty" class="empty" tabindex="-1" data-scope="draft" data-focus="draft"><p>{{ empty }}</p><NButton v-if="!plan.hasPlan || (plan.grid?.columns.length ?? 0) === 0" size="small" type="primary" @click="run('draft.plan')">Plan chapters and scenes</NButton></div>
        <ThreadGrid v-else-if="isGrid" />
        <StoryShape v-else />
    </div>
</template>

<style scoped>
.plan { flex: 1; min-height: 0; display: flex; flex-direction: column; }
.tools { flex: none; display: flex; flex-wrap: wrap; gap: 6px 12px; align-items: center; padding: 8px 14px; border-bottom: 1px solid var(--edge); }
.tools :deep(.n-radio-group) { max-width: 100%; overflow-x: auto; }
.out { margin-left: auto; display: flex; flex-wrap: wrap; gap: 2px; }
.found { flex: none; list-style: none; margin: 0; padding: 6px 10px; max-height: 26vh; overflow: auto; border-bottom: 1px solid var(--edge); background: color-mix(in srgb, var(--marigold) 7%, transparent); }
.found button { border: 0; background: none; color: var(--ink); font: inherit; font-size: 14px; text-align: start; padding: 3px 6px; cursor: pointer; border-radius: 5px; }
.found button:hover, .found button:focus-visible { background: color-mix(in srgb, var(--tide) 14%, transparent); outline: none; }
.empty { padding: 26px 20px; color: var(--soft); max-width: 46em; }
.empty p { margin: 0 0 10px; }
</style>
