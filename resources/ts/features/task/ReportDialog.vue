<script setup lang="ts">
import { NButton, NCheckbox, NInput, NInputNumber, NModal, type InputInst } from 'naive-ui'
import { computed, nextTick, ref } from 'vue'
import { today } from '@/facts/facts'
import { newId, useMap } from '@/stores/map'
import { rowOf } from '@/stores/tree'
import { topicName } from '@/text/titleMarkdown'
import { useUi } from '@/ui/uiStore'
import { reported } from './asked'

/** How far it is, when, and a remark: each with Enter, and the last one reports. */
const map = useMap()
const ui = useUi()
const topics = reported.value ?? []
const about = topics.length === 1 ? topicName(map.tree.topics.get(topics[0] ?? '')?.title) : `${topics.length} topics`
const known = [...new Set(topics.map((id) => Number(rowOf(map.tree, 'task', id)?.fields.progress ?? 0)))]
const progress = ref<number | null>(known.length === 1 ? (known[0] ?? null) : null)
const before = progress.value
const said = ref('')
const on = ref(today())
const isPrivate = ref(false)
const problem = ref('')
const remark = ref<InputInst | null>(null)
const isNothing = computed(() => said.value.trim() === '' && progress.value === before)

async function report(): Promise<void> {
    if (isNothing.value) {
        problem.value = 'Say how far it is now, or a remark.'
        return
    }
    const refusal = await map.refusalOf({ name: 'task.report', step: newId(), topics: [...topics], progress: progress.value === before && said.value.trim() !== '' ? null : progress.value, on: on.value, said: said.value, private: isPrivate.value })
    problem.value = refusal ?? ''
    if (refusal === null) {
        close()
    }
}

function enterRemark(event: KeyboardEvent): void {
    if (!event.shiftKey) {
        event.preventDefault()
        void report()
    }
}

/** From wherever one is in it. */
function togglePrivate(event: KeyboardEvent): void {
    if (event.altKey && !event.ctrlKey && !event.metaKey && event.code === 'KeyP') {
        event.preventDefault()
        event.stopPropagation()
        isPrivate.value = !isPrivate.value
    }
}

function close(): void {
    reported.value = null
    void nextTick(() => ui.focusRegion(map.region))
}
</script>

<template>
    <NModal :show="true" aria-label="Report progress" @update:show="close">
        <div class="report" role="dialog" aria-label="Report progress" @keydown.escape.prevent.stop="close" @keydown="togglePrivate">
            <h2>How far is it? <small>{{ about }}</small></h2>
            <div class="grid">
                <span>Done, in percent</span>
                <div class="far">
                    <NInputNumber v-model:value="progress" :min="0" :max="100" :step="10" size="small" :input-props="{ 'aria-label': 'Done, in percent' }" @keydown.enter.prevent="remark?.focus()" />
                    <NButton v-for="part in [0, 25, 50, 75, 100]" :key="part" size="tiny" :secondary="progress !== part" :type="progress === part ? 'primary' : 'default'" tabindex="-1" @click="progress = part">{{ part }}</NButton>
                </div>
                <span>Remark</span>
                <NInput ref="remark" v-model:value="said" type="textarea" size="small" :autosize="{ minRows: 2, maxRows: 8 }" :maxlength="4000" placeholder="What happened, in a line" :input-props="{ 'aria-label': 'Remark', dir: 'auto' }" @keydown.enter="enterRemark" />
                <span>On</span>
                <input v-model="on" type="date" aria-label="On which day" @keydown.enter.prevent="report" />
                <span />
                <NCheckbox v-model:checked="isPrivate" aria-keyshortcuts="Alt+P">Private: the remark never leaves the map <kbd>Alt+P</kbd></NCheckbox>
            </div>
            <p v-if="problem !== ''" class="wrong" role="alert">{{ problem }}</p>
            <p class="hint">Enter goes from the number to the remark, and from there reports. Shift+Enter makes a new line.</p>
            <div class="row"><NButton size="small" quaternary @click="close">Cancel</NButton><NButton size="small" type="primary" @click="report">Report</NButton></div>
        </div>
    </NModal>
</template>

<style scoped>
.report { width: min(520px, calc(100vw / var(--size, 1) - 24px)); background: var(--slip); border: 1px solid var(--edge); border-radius: 12px; padding: 12px 16px 14px; box-shadow: 0 16px 50px rgb(0 0 0 / 30%); }
h2 { margin: 0 0 10px; font-size: 17px; overflow-wrap: anywhere; }
h2 small { font-weight: 400; color: var(--soft); font-size: 14px; margin-left: 6px; }
.grid { display: grid; grid-template-columns: 122px minmax(0, 1fr); gap: 8px 10px; align-items: start; font-size: 13.5px; }
.grid > span { color: var(--soft); padding-top: 4px; }
.far { display: flex; flex-wrap: wrap; gap: 4px; align-items: center; }
.far .n-input-number { width: 104px; }
input[type=date] { justify-self: start; font: 14px 'Atkinson Hyperlegible'; color: var(--ink); background: var(--slip); border: 1px solid var(--field); border-radius: 6px; padding: 3px 8px; color-scheme: light dark; }
.wrong { margin: 8px 0 0; border-left: 3px solid var(--ember); padding-left: 8px; font-size: 13.5px; }
.hint { margin: 8px 0; color: var(--soft); font-size: 13px; }
kbd { font: 12px 'Atkinson Hyperlegible'; border: 1px solid var(--edge); border-radius: 4px; padding: 0 5px; margin-left: 4px; color: var(--soft); }
.row { display: flex; justify-content: flex-end; gap: 8px; }
</style>
