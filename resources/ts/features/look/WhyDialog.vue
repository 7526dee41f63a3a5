<script setup lang="ts">
import { NButton, NModal } from 'naive-ui'
import { computed, nextTick, shallowRef, watch } from 'vue'
import { api } from '@/api/client'
import type { LookReason, LookReasonsAnswer } from '@/api/wire'
import { paint } from '@/board/Parts'
import { useMap } from '@/stores/map'
import { usePreferences } from '@/stores/preferences'
import { topicName } from '@/text/titleMarkdown'
import { useUi } from '@/ui/uiStore'
import { useLooks } from './lookStore'
import { fieldLabels, wordsOf } from './vocabulary'

/** Why a topic looks as it does: each value, and where it is said, with a way there. */
const map = useMap()
const looks = useLooks()
const ui = useUi()
const preferences = usePreferences()
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

const chalkOf = (name: string): string => looks.chalks.find((chalk) => chalk.value === name)?.label ?? name

/** Leads to where a value is said: the desk, turned to that. */
function go(reason: LookReason): void {
    if (reason.place === 'rule' || reason.place === 'kind') {
        close()
        ui.showSide(reason.place === 'rule' ? 'rules' : 'kinds')
        return
    }
    if (reason.place === 'whole') {
        looks.dialog = 'whole'
        return
    }
    looks.reach = reason.place === 'map' ? 'map' : reason.place === 'level' ? 'level' : 'topics'
    close()
    setTimeout(() => document.querySelector<HTMLElement>(`.desk [aria-label="${fieldLabels[reason.field] ?? ''}"]`)?.focus(), 80)
}

/** Leads to the rules, and to the kinds. */
function goToRules(): void {
    close()
    ui.showSide('rules')
}

/** Leads to the topic whose branch began the chalk, or to where the map gives them out. */
function goToChalk(from: string | null): void {
    if (from !== null) {
        map.choose(from)
    }
    preferences.trayOpen = true
    close()
}

function close(): void {
    looks.dialog = null
    void nextTick(() => ui.focusRegion(map.region))
}
</script>

<template>
    <NModal :show="true" aria-label="Why does it look so?" @update:show="close">
        <!-- A div: what keeps the focus in a dialog knows no other. -->
        <div class="why" role="dialog" aria-label="Why does it look so?">
            <h2>Why does “{{ title }}” look so?</h2>
            <p v-if="problem !== ''" class="none">{{ problem }}</p>
            <table v-else-if="answer !== null">
                <tbody>
                    <tr>
                        <th>Chalk</th>
                        <td><i class="chalk" :style="{ background: paint(`chalk:${answer.chalk.name}`) }" />{{ chalkOf(answer.chalk.name) }}</td>
                        <td><NButton text type="primary" size="small" @click="goToChalk(answer.chalk.topic)">{{ answer.chalk.words }}</NButton></td>
                    </tr>
                    <tr v-for="reason in answer.reasons" :key="reason.field" :class="{ own: reason.place !== 'whole' }">
                        <th>{{ fieldLabels[reason.field] }}</th>
                        <td>{{ reason.value === null ? 'As the text needs' : wordsOf(reason.field, reason.value, looks.chalks) }}</td>
                        <td><NButton text type="primary" size="small" @click="go(reason)">{{ reason.words }}</NButton></td>
                    </tr>
                </tbody>
            </table>
            <p v-if="answer !== null && answer.rules.length > 0" class="order">Rules that hold of it: <template v-for="(rule, i) in answer.rules" :key="rule.id">{{ i === 0 ? '' : ', ' }}<NButton text type="primary" size="small" @click="goToRules">“{{ rule.name }}”</NButton>{{ rule.gives === '' ? '' : ` (gives it ${rule.gives})` }}</template>.</p>
            <p class="order">Said later holds: the look of the map, the whole map, the level, its kind, a look with a name, the topic itself, rules.</p>
            <NButton size="small" secondary @click="close">Close</NButton>
        </div>
    </NModal>
</template>

<style scoped>
.why { width: min(560px, calc(100vw / var(--size, 1) - 24px)); max-height: calc(80vh / var(--size, 1)); overflow: auto; background: var(--slip); border: 1px solid var(--edge); border-radius: 12px; padding: 16px 20px; box-shadow: 0 16px 50px rgb(0 0 0 / 30%); }
h2 { margin: 0 0 10px; font-size: 18px; overflow-wrap: anywhere; }
table { border-collapse: collapse; width: 100%; font-size: 14px; }
th { text-align: left; font-weight: 400; color: var(--soft); }
th, td { padding: 4px 10px 4px 0; border-bottom: 1px solid var(--edge); vertical-align: top; }
.own td:nth-child(2) { font-weight: 700; }
.chalk { display: inline-block; width: 22px; height: 9px; border-radius: 4px 2px 5px 3px; margin-right: 7px; }
.order, .none { color: var(--soft); font-size: 13px; }
</style>
