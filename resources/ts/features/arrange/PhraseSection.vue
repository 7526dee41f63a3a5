<script setup lang="ts">
import { NInput, NRadioButton, NRadioGroup } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import type { Edit } from '@/api/wire'
import { useBeside } from '@/stores/beside'
import { useMap } from '@/stores/map'
import { childrenOf, rowOf } from '@/stores/tree'
import { LONGEST_PHRASE, phrasesBelow, usePhrases } from './phraseStore'

/** The phrase on the connector that leads to what is chosen, and what becomes of those below it. */
const map = useMap()
const beside = useBeside()
const phrases = usePhrases()

const canHave = computed(() => beside.chosen.length > 0 && beside.chosen.every(phrases.canHave))
const common = computed(() => {
    const said = new Set(beside.chosen.map(phrases.phraseOf))
    return said.size === 1 ? [...said][0] ?? '' : ''
})
const text = ref('')
watch([() => beside.chosen.join(), common], () => (text.value = common.value), { immediate: true })
function keep(): void {
    if (text.value.trim() !== common.value) {
        phrases.set(text.value, beside.chosen)
    }
}
const isHead = computed(() => beside.chosen.some((topic) => childrenOf(beside.tree, topic).length > 0 || rowOf(beside.tree, 'phrases', topic) !== undefined))
const below = computed(() => {
    const are = new Set(beside.chosen.map((topic) => phrasesBelow(beside.tree, topic)))
    return are.size === 1 ? ([...are][0] === '' ? 'shown' : [...are][0]) : null
})
/** What holds above is said only where it is otherwise. */
function say(are: string): void {
    map.edit({ name: 'row.set', type: 'phrases', topics: [...map.chosen], fields: { are: are === 'shown' ? null : are } } as Edit)
}
const holdsAbove = computed(() => beside.chosen.map((topic) => beside.tree.topics.get(topic)?.parent ?? null).map((parent) => (parent === null ? '' : phrasesBelow(beside.tree, parent))).find((are) => are !== '') ?? '')
</script>

<template>
    <div v-if="canHave || isHead" class="phrases">
        <label v-if="canHave"><span>Phrase of its connector</span><NInput v-model:value="text" size="small" placeholder="what leads from its parent to it" :maxlength="LONGEST_PHRASE" :input-props="{ 'aria-label': 'Phrase of its connector', dir: 'auto' }" @blur="keep" @keydown.enter.prevent="keep" /></label>
        <div v-if="isHead" class="row">
            <span>Phrases below it</span>
            <NRadioGroup :value="below" size="small" aria-label="Phrases below it" @update:value="say($event)">
                <NRadioButton value="shown" :disabled="holdsAbove !== '' && below === holdsAbove">Shown</NRadioButton><NRadioButton value="asked">Asked for</NRadioButton><NRadioButton value="hidden">Hidden</NRadioButton>
            </NRadioGroup>
        </div>
    </div>
</template>

<style scoped>
.phrases { display: flex; flex-direction: column; gap: 8px; margin-bottom: 10px; }
label > span, .row > span { display: block; font-size: 13px; color: var(--soft); margin-bottom: 3px; }
.row :deep(.n-radio-group) { display: flex; }
.row :deep(.n-radio-button) { flex: 1; padding: 0 2px; text-align: center; font-size: 12.5px; }
</style>
