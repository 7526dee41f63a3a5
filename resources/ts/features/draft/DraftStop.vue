<script setup lang="ts">
import { NButton } from 'naive-ui'
import { ref, useTemplateRef, watch } from 'vue'
import { useActions } from '@/actions/useActions'
import { dayWords } from '@/facts/facts'
import { useMap } from '@/stores/map'
import { topicName } from '@/text/titleMarkdown'
import ActionHint from '@/ui/ActionHint.vue'
import { useDraft } from './draftStore'

/** Asks what comes next when one stops, and says it when one comes back. */
const map = useMap()
const draft = useDraft()
const { run } = useActions()
const remark = ref('')
const field = useTemplateRef<HTMLInputElement>('field')
watch(() => draft.isStopping, (is) => is && (remark.value = ''))
watch(field, (there) => there?.focus())
</script>

<template>
    <form v-if="draft.isStopping" class="stop" @submit.prevent="draft.endStop(remark)" @keydown.escape.prevent.stop="draft.endStop(null)">
        <label for="draft-remark">I stop here. Next:</label>
        <input id="draft-remark" ref="field" v-model="remark" :maxlength="300" placeholder="what to go on with; may stay empty" dir="auto" spellcheck="true" />
        <NButton size="small" type="primary" attr-type="submit">Leave the mark</NButton>
        <NButton size="small" quaternary @click="draft.endStop(null)">Cancel</NButton>
    </form>
    <div v-else-if="draft.stop !== null" class="stop" role="note" aria-label="Where you stopped">
        <span class="said">Stopped at “{{ topicName(map.tree.topics.get(draft.stop.topic)?.title) }}”, {{ dayWords(draft.stop.on) }}<template v-if="draft.stop.remark !== ''">: <i dir="auto">{{ draft.stop.remark }}</i></template></span>
        <ActionHint id="draft.stopped"><NButton size="small" secondary @mousedown.prevent @click="run('draft.stopped')">Go on there</NButton></ActionHint>
        <ActionHint id="draft.unstop"><NButton size="small" quaternary @mousedown.prevent @click="run('draft.unstop')">Done with it</NButton></ActionHint>
    </div>
</template>

<style scoped>
.stop { flex: none; display: flex; flex-wrap: wrap; gap: 6px 10px; align-items: center; padding: 5px 14px; border-bottom: 1px solid var(--edge); border-left: 4px solid var(--tide); background: var(--paper); font-size: 14px; }
.said { flex: 1 1 16em; min-width: 0; overflow-wrap: anywhere; }
@container draft (width < 560px) { .said { flex-basis: 100%; } }
input { flex: 1 1 14em; min-width: 0; font: inherit; color: var(--ink); background: var(--slip); border: 1px solid var(--field); border-radius: 6px; padding: 4px 9px; }
</style>
