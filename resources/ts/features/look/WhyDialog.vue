<script setup lang="ts">
import { NButton, NModal } from 'naive-ui'
import { computed, nextTick, shallowRef, watch } from 'vue'
import { api } from '@/api/client'
import type { LookReason, LookReasonsAnswer } from '@/api/wire'
import { useMap } from '@/stores/map'
import { topicName } from '@/text/titleMarkdown'
import { useUi } from '@/ui/uiStore'
import { useLooks } from './lookStore'
import { fieldLabels, wordsOf } from './vocabulary'

/** Why a topic looks as it does: each value, and where it is said, with a way there. */
const map = useMap()
const looks = useLooks()
const ui = useUi()
const answer = shallowRef<LookReasonsAnswer | null>(null)
const problem = shallowRef('')

const topic = map.current ?? map.tree.root
const title = computed(() => topicName(map.tree.topics.get(topic)?.title ?? ''))
watch(() => map.savedState, async (state) => {
    if (state === 'saved') {
        try {
            answer.value = await api.why(map.id, topic)
        } catch {
            problem.value = 'That could not be fetched. Check the network and try again.'
        }
    }
}, { immediate: true })

const said = computed(() => (answer.value?.reasons ?? []).filter((reason) => reason.value !== null))
const silent = computed(() => (answer.value?.reasons ?? []).filter((reason) => reason.value === null))

/** Leads to where a value is said: the desk, turned to that. */
function go(reason: LookReason): void {
    if (reason.place === 'whole') {
        looks.dialog = 'whole'
        return
    }
    looks.reach = reason.place === 'map' ? 'map' : reason.place === 'level' ? 'level' : 'topics'
    close()
    setTimeout(() => document.querySelector<HTMLElement>(`.desk [aria-label="${fieldLabels[reason.field] ?? ''}"]`)?.focus(), 80)
}

function close(): void {
    looks.dialog = null
    void nextTick(() => ui.focusRegion(map.region))
}
</script>

<template>
    <NModal :show="true" aria-label="Why does it look so?" @update:show="close">
        <section class="why" role="dialog" aria-label="Why does it look so?">
            <h2>Why does “{{ title }}” look so?</h2>
            <p v-if="problem !== ''" class="none">{{ problem }}</p>
            <table v-else-if="answer !== null">
                <tbody>
                    <tr v-for="reason in said" :key="reason.field">
                        <th>{{ fieldLabels[reason.field] }}</th>
                        <td>{{ wordsOf(reason.field, reason.value ?? '') }}</td>
                        <td><NButton text type="primary" size="small" @click="go(reason)">{{ reason.words }}</NButton></td>
                    </tr>
                    <tr v-if="silent.length > 0">
                        <th>{{ said.length === 0 ? 'Everything' : 'Everything else' }}</th>
                        <td />
                        <td><NButton text type="primary" size="small" @click="go(silent[0] as LookReason)">{{ silent[0]?.words }}</NButton></td>
                    </tr>
                </tbody>
            </table>
            <p class="order">Said later holds: the look of the map, the whole map, the level, a look with a name, the topic itself.</p>
            <NButton size="small" secondary @click="close">Close</NButton>
        </section>
    </NModal>
</template>

<style scoped>
.why { width: min(560px, calc(100vw - 24px)); max-height: 80vh; overflow: auto; background: var(--slip); border: 1px solid var(--edge); border-radius: 12px; padding: 16px 20px; box-shadow: 0 16px 50px rgb(0 0 0 / 30%); }
h2 { margin: 0 0 10px; font-size: 18px; overflow-wrap: anywhere; }
table { border-collapse: collapse; width: 100%; font-size: 14px; }
th { text-align: left; font-weight: 400; color: var(--soft); }
th, td { padding: 4px 10px 4px 0; border-bottom: 1px solid var(--edge); vertical-align: top; }
.order, .none { color: var(--soft); font-size: 13px; }
</style>
