<script setup lang="ts">
import { computed, defineAsyncComponent } from 'vue'
import { features, toldOf } from '@/features'
import { fieldsAt, kindAt, typedForm, valuesAt, type Field } from '@/facts/facts'
import { useMap } from '@/stores/map'
import { plainTitle } from '@/text/titleMarkdown'

/** What the chosen topic says, for who only looks at the map. */
const StillNote = defineAsyncComponent(() => import('./StillNote.vue'))

const map = useMap()
const parts = features.flatMap(({ reading }) => reading ?? [])
const topic = computed(() => (map.chosen.length > 1 ? null : map.currentTopic))
const title = computed(() => plainTitle(topic.value?.title ?? ''))
const kind = computed(() => (topic.value === null ? '' : (kindAt(map.tree, topic.value.id)?.name ?? '')))
const values = computed(() => (topic.value === null ? {} : valuesAt(map.tree, topic.value.id)))
const nameOf = (id: string): string => plainTitle(map.tree.topics.get(id)?.title ?? '') || 'Untitled'
function told(field: Field): string {
    const value = values.value[field.id] ?? ''
    return field.sort === 'topic' ? nameOf(value.slice('topic:'.length)) : field.sort === 'rating' ? `${value} of 5` : typedForm(field.sort, value)
}
const fields = computed(() => (topic.value === null ? [] : fieldsAt(map.tree, topic.value.id).filter(({ id, sort }) => sort !== 'computed' && (values.value[id] ?? '') !== '')))
const more = computed(() => (topic.value === null ? '' : toldOf(topic.value.id)))
</script>

<template>
    <section class="reading-desk" data-focus="desk" tabindex="-1" aria-label="Desk">
        <p class="rights">{{ map.mayComment ? 'You may look at this map and comment on it. Nothing in it can be changed.' : 'You may look at this map. Nothing in it can be changed.' }}</p>
        <template v-if="topic !== null">
            <header>
                <h2 :class="{ empty: title === '' }" dir="auto">{{ title === '' ? 'Untitled topic' : title }}</h2>
                <p v-if="topic.caption !== ''" dir="auto">{{ topic.caption }}</p>
                <p v-if="more !== ''" class="more">{{ more }}</p>
            </header>
            <dl v-if="fields.length > 0" :aria-label="kind">
                <template v-for="field in fields" :key="field.id"><dt>{{ field.name }}</dt><dd dir="auto">{{ told(field) }}</dd></template>
            </dl>
            <StillNote v-if="topic.note !== ''" :note="topic.note" />
            <component :is="part" v-for="(part, i) in parts" :key="i" />
        </template>
        <p v-else-if="map.chosen.length > 1" class="more">{{ map.chosen.length }} topics are chosen.</p>
        <p v-else class="more">Choose a topic, and what it says appears here.</p>
    </section>
</template>

<style scoped>
.reading-desk { height: 100%; overflow: auto; padding: 14px 14px 24px; box-sizing: border-box; display: flex; flex-direction: column; gap: 14px; outline: none; }
.rights { margin: 0; padding: 7px 10px; border-left: 4px solid var(--tide); background: color-mix(in srgb, var(--tide) 9%, transparent); border-radius: 4px; font-size: 13.5px; line-height: 1.4; }
h2 { font-size: 18px; line-height: 1.3; margin: 0; overflow-wrap: anywhere; }
h2.empty { color: var(--soft); font-style: italic; }
header p { margin: 3px 0 0; }
.more { color: var(--soft); font-size: 13.5px; margin: 0; }
dl { margin: 0; }
dt { color: var(--soft); font-size: 12.5px; margin-top: 5px; }
dd { margin: 0; overflow-wrap: anywhere; white-space: pre-line; }
.reading-desk :deep(h3) { font-size: 15px; margin: 0 0 4px; }
</style>
