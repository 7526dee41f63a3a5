<script setup lang="ts">
import { NButton, NPopover } from 'naive-ui'
import { computed, nextTick, useTemplateRef, watch } from 'vue'
import { useMap } from '@/stores/map'
import { ancestorsOf } from '@/stores/tree'
import { topicName } from '@/text/titleMarkdown'
import { useDraft } from './draftStore'

/** All sections in which something is to be looked up, each a way to it. */
const map = useMap()
const draft = useDraft()
const its = computed(() => draft.all.filter((topic) => draft.isStamped(topic, 'look-up')).map((topic) => {
    const above = ancestorsOf(map.tree, topic)[0]
    return { topic, title: topicName(map.tree.topics.get(topic)?.title), above: above === undefined || above === draft.top ? '' : topicName(map.tree.topics.get(above)?.title) }
}))
const list = useTemplateRef<HTMLElement>('list')
let back = (): void => undefined
watch(() => draft.isListing, (is) => {
    if (is) {
        back = draft.wayBack()
        void nextTick(() => list.value?.querySelector('button')?.focus())
    }
})
function leave(): void {
    draft.isListing = false
    back()
}
function go(topic: string): void {
    draft.isListing = false
    draft.enter(topic, 'start')
}
/** Up and down, as in any list. */
function step(by: 1 | -1): void {
    const buttons = [...list.value?.querySelectorAll('button') ?? []]
    buttons[buttons.findIndex((button) => button === document.activeElement) + by]?.focus()
}
</script>

<template>
    <NPopover v-if="its.length > 0 || draft.isListing" trigger="click" placement="bottom-end" :show="draft.isListing" @update:show="(is: boolean) => (draft.isListing = is)">
        <template #trigger>
            <NButton class="look-ups" size="small" secondary @mousedown.prevent>Look up {{ its.length }}</NButton>
        </template>
        <div ref="list" class="list" role="group" aria-label="To be looked up" @keydown.escape.stop.prevent="leave" @keydown.down.prevent="step(1)" @keydown.up.prevent="step(-1)">
            <button v-for="one in its" :key="one.topic" type="button" @click="go(one.topic)"><b>{{ one.title }}</b><span v-if="one.above !== ''">{{ one.above }}</span></button>
            <p v-if="its.length === 0">Nothing is stamped “look up”.</p>
        </div>
    </NPopover>
</template>

<style scoped>
.list { display: flex; flex-direction: column; width: 270px; max-height: 50vh; overflow: auto; }
.list button { display: flex; flex-direction: column; gap: 1px; padding: 6px 8px; border: 0; border-radius: 5px; background: none; color: var(--ink); font: inherit; text-align: start; cursor: pointer; }
.list button:hover, .list button:focus-visible { background: color-mix(in srgb, var(--tide) 14%, transparent); outline: none; }
.list b { font-weight: 600; overflow-wrap: anywhere; }
.list span, .list p { color: var(--soft); font-size: 13px; margin: 0; }
</style>
