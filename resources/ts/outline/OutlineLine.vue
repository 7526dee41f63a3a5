<script setup lang="ts">
import { computed } from 'vue'
import { features, toldOf } from '@/features'
import type { Editing } from '@/stores/map'
import type { Topic } from '@/stores/tree'
import TitleEditor from '@/text/TitleEditor.vue'
import { plainTitle } from '@/text/titleMarkdown'

/** One topic in the outline, in plain text. */
const props = defineProps<{
    topic: Topic | undefined
    depth: number
    below: number
    folded: boolean
    chosen: boolean
    place: number
    of: number
    editing: Editing | null
    chalk: string | null
    /** As the numbering above it has it. */
    number: string
}>()
const emit = defineEmits<{ fold: []; leave: [] }>()

const text = computed(() => plainTitle(props.topic?.title ?? '').replace(/\s+/g, ' '))
const ahead = features.flatMap((feature) => feature.inLine ?? [])
const told = computed(() => (props.topic === undefined ? '' : toldOf(props.topic.id)))
</script>

<template>
    <div
        v-if="topic !== undefined" :id="`line-${topic.id}`" class="line" :class="{ chosen, editing: editing !== null }" role="treeitem" :data-topic="topic.id"
        :aria-level="depth + 1" :aria-setsize="of" :aria-posinset="place" :aria-selected="chosen" :aria-expanded="below > 0 ? !folded : undefined"
        :style="{ paddingLeft: `${10 + depth * 16}px` }">
        <button
            v-if="below > 0" class="fold" tabindex="-1" :aria-label="folded ? 'Unfold' : 'Fold'" @pointerdown.stop @dblclick.stop @click.stop="emit('fold')">
            <svg width="12" height="12" viewBox="0 0 12 12" :class="{ folded }"><path d="M2 4.5L6 8.5L10 4.5" /></svg>
        </button>
        <span v-else class="dot" :style="{ background: chalk === null ? undefined : `var(--${chalk})` }" />
        <component :is="part" v-for="(part, i) in ahead" :key="i" :topic="topic.id" />
        <TitleEditor v-if="editing !== null" :title="topic.title" :instead="editing.instead" class="editor" @leave="emit('leave')" />
        <span v-else class="text" dir="auto" :class="{ empty: text === '' }"><span v-if="number !== ''" class="number">{{ number }}</span>{{ text !== '' ? text : told === '' ? 'Untitled' : told }}</span>
        <span v-if="told !== '' && text !== '' && editing === null" class="unseen">, {{ told }}</span>
        <span v-if="folded" class="hidden">{{ below }}</span>
    </div>
</template>

<style scoped>
.line { position: absolute; left: 0; right: 0; display: flex; align-items: center; gap: 4px; box-sizing: border-box; padding-right: 8px; cursor: default; font-size: 14.5px; user-select: none; }
.line:hover { background: color-mix(in srgb, var(--ink) 5%, transparent); }
.line.chosen { background: color-mix(in srgb, var(--tide) 20%, transparent); box-shadow: inset 3px 0 0 var(--tide); }
.line.editing { z-index: 2; height: auto !important; min-height: 28px; background: var(--slip); box-shadow: inset 0 0 0 2px var(--tide); user-select: text; align-items: flex-start; padding-top: 4px; padding-bottom: 4px; }
.fold { border: 0; background: none; padding: 3px; margin: 0 -1px; display: grid; cursor: pointer; color: var(--soft); border-radius: 4px; }
.fold svg { fill: none; stroke: currentcolor; stroke-width: 2; stroke-linecap: round; transition: transform 150ms; }
.fold svg.folded { transform: rotate(-90deg); }
.dot { flex: none; width: 6px; height: 6px; margin: 0 5px; border-radius: 2px; background: var(--soft); }
.text { overflow: hidden; text-overflow: ellipsis; white-space: nowrap; }
.text.empty { color: var(--soft); font-style: italic; }
.number { color: var(--soft); margin-right: 5px; font-variant-numeric: tabular-nums; }
.editor { flex: 1; min-width: 0; }
.hidden { margin-left: auto; color: var(--soft); font-size: 12px; padding-left: 6px; }
@media (prefers-reduced-motion: reduce) { .fold svg { transition: none; } }
</style>
