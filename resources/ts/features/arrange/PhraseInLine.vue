<script setup lang="ts">
import { computed } from 'vue'
import { useBeside } from '@/stores/beside'
import PhraseField from './PhraseField.vue'
import { phrasesBelow, usePhrases } from './phraseStore'

/** The phrase of a topic's connector before its title in the outline, or the field for it. */
const props = defineProps<{ topic: string }>()
const beside = useBeside()
const phrases = usePhrases()
const isAsked = computed(() => phrases.asking?.where === 'outline' && phrases.asking.topic === props.topic)
const phrase = computed(() => {
    const parent = beside.tree.topics.get(props.topic)?.parent ?? null
    const said = phrases.phraseOf(props.topic)
    return parent === null || said === '' || phrasesBelow(beside.tree, parent) === 'hidden' ? '' : said
})
</script>

<template>
    <PhraseField v-if="isAsked" class="field" />
    <em v-else-if="phrase !== ''" class="phrase" dir="auto">{{ phrase }}</em>
</template>

<style scoped>
.field { flex: 1; max-width: 180px; height: 24px; }
.phrase { color: var(--soft); flex: none; max-width: 45%; overflow: hidden; text-overflow: ellipsis; white-space: nowrap; }
</style>
