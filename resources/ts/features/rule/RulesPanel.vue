<script setup lang="ts">
import { NButton, NCheckbox, NInput, NSelect } from 'naive-ui'
import { computed, nextTick, onBeforeUnmount, ref, shallowRef, watch } from 'vue'
import { useActions } from '@/actions/useActions'
import { api } from '@/api/client'
import { latest } from '@/api/latest'
import type { Edit, RulesAnswer } from '@/api/wire'
import SidePanel from '@/desk/SidePanel.vue'
import ConditionEditor from '@/facts/ConditionEditor.vue'
import LookPicks from '@/facts/LookPicks.vue'
import type { Condition } from '@/facts/questions'
import { stampChoices } from '@/facts/stamps'
import { newId, useMap } from '@/stores/map'
import { useNarrowing } from '@/stores/narrowing'
import type { KeptRow } from '@/stores/tree'

/** The rules of the map in their order: which topics each is for, and how these look then. The board shows what the one that is open hits. */
type Rule = RulesAnswer['rules'][number]
const STEP = 100
const LAST = 10_000

const map = useMap()
const narrowing = useNarrowing()
const { run } = useActions()
const rules = shallowRef<readonly Rule[]>([])
const problem = ref('')
const isKnown = ref(false)
const open = ref<string | null>(null)
const list = ref<HTMLElement | null>(null)
const asking = latest()

watch([() => map.seq, () => map.savedState], async ([, state]) => {
    if (state === 'saved') {
        const isWanted = asking.begin()
        const got = await api.rules(map.id).catch(() => null)
        if (isWanted()) {
            problem.value = got === null ? 'The rules could not be fetched. Check the network; the map itself is there.' : ''
            rules.value = got?.rules ?? rules.value
            isKnown.value = got !== null
        }
    }
}, { immediate: true })

const current = computed(() => rules.value.find(({ id }) => id === open.value))
const when = computed<Condition>(() => (typeof current.value?.fields.when === 'string' ? (JSON.parse(current.value.fields.when) as Condition) : { all: [] }))
const stamps = computed(() => String(current.value?.fields.stamps ?? '').split(' ').filter((sign) => sign !== '' && sign !== 'null'))
watch(current, (now) => (narrowing.to = now === undefined ? null : { words: String(now.fields.name ?? ''), ids: new Set(now.topics) }))
onBeforeUnmount(() => (narrowing.to = null))

/** A rule that comes with Chalk Tree is kept whole as soon as anything of it is said otherwise. */
function edited(rule: Rule, fields: KeptRow['fields'], step: string): Edit {
    const its = rule.shipped ? Object.fromEntries(Object.entries(rule.fields).filter(([, value]) => value !== null)) : {}
    return { name: 'row.set', step, type: 'rule', row: rule.id, fields: { ...its, ...fields } } as Edit
}
function set(fields: KeptRow['fields']): void {
    const rule = current.value
    if (rule !== undefined) {
        rules.value = rules.value.map((one) => (one.id === rule.id ? { ...one, fields: { ...one.fields, ...fields } } : one))
        map.edit(edited(rule, fields, newId()))
    }
}
const setOff = (rule: Rule, off: boolean): void => map.edit(edited(rule, { off }, newId()))
const setWhen = (condition: Condition): void => set({ when: JSON.stringify(condition) })
const setStamps = (signs: string[]): void => set({ stamps: signs.length === 0 ? null : signs.slice(0, 6).join(' ') })
function rename(name: string): void {
    if (name.trim() !== '') {
        set({ name: name.trim() })
    }
}

function add(): void {
    const row = newId()
    const last = Math.min(LAST, Math.max(0, ...rules.value.map(({ fields }) => Number(fields.place ?? 0))) + STEP)
    map.edit({ name: 'row.set', step: newId(), type: 'rule', row, fields: { name: 'New rule', when: JSON.stringify({ all: [{ ask: 'todo', is: 'soon' }] }), place: last, fill: 'tint:marigold' } } as Edit)
    open.value = row
}
function remove(rule: Rule): void {
    open.value = null
    map.edit({ name: 'row.remove', type: 'rule', rows: [rule.id] })
}
/** Those between which it comes to stand are numbered anew, all in one step. */
function move(i: number, by: number): void {
    const order = [...rules.value]
    const [one] = order.splice(i, 1)
    if (one === undefined || i + by < 0 || i + by > order.length) {
        return
    }
    order.splice(i + by, 0, one)
    const step = newId()
    map.edit(...order.flatMap((rule, n) => (Number(rule.fields.place) === (n + 1) * STEP ? [] : [edited(rule, { place: (n + 1) * STEP }, step)])))
    rules.value = order
    void nextTick(() => list.value?.querySelectorAll<HTMLElement>('.name')[i + by]?.focus())
}
function key(event: KeyboardEvent, i: number): void {
    const by = event.altKey ? { ArrowUp: -1, ArrowDown: 1 }[event.key] : undefined
    if (by !== undefined) {
        event.preventDefault()
        event.stopPropagation()
        move(i, by)
    } else if (event.key === 'ArrowUp' || event.key === 'ArrowDown') {
        event.preventDefault()
        list.value?.querySelectorAll<HTMLElement>('.name')[i + (event.key === 'ArrowUp' ? -1 : 1)]?.focus()
    }
}
</script>

<template>
    <SidePanel title="Looks that follow the data">
        <p v-if="problem !== ''" class="none" role="alert">{{ problem }}</p>
        <p v-else-if="isKnown && rules.length === 0" class="none">A rule lets topics look as their data says: what is overdue, what costs too much, whatever has no one yet. Where there are to-dos, rules for open, under way, done and overdue come by themselves.</p>
        <section role="dialog" aria-label="Rules">
            <ol ref="list" aria-label="Rules in order">
                <li v-for="(rule, i) in rules" :key="rule.id" :class="{ off: rule.fields.off === true, open: rule.id === open }">
                    <div class="line">
                        <NCheckbox :checked="rule.fields.off !== true" :aria-label="`Use the rule ${rule.fields.name}`" @update:checked="(on: boolean) => setOff(rule, !on)" />
                        <button class="name" :aria-expanded="rule.id === open" @click="open = rule.id === open ? null : rule.id" @keydown="key($event, i)"><b>{{ rule.fields.name }}</b><small>{{ rule.words }}</small></button>
                        <span class="count" :title="rule.topics.length === 1 ? 'It hits 1 topic' : `It hits ${rule.topics.length} topics`">{{ rule.topics.length }}</span>
                    </div>
                    <div v-if="rule.id === open" class="inside">
                        <p class="hits" role="status">{{ rule.topics.length === 1 ? 'Hits 1 topic' : `Hits ${rule.topics.length} topics` }}; the others stand back on the board.</p>
                        <NInput size="small" :default-value="String(rule.fields.name ?? '')" :maxlength="60" :input-props="{ 'aria-label': 'Name of the rule' }" @change="rename" />
                        <ConditionEditor :when="when" @change="setWhen" />
                        <h3>Then it looks so</h3>
                        <LookPicks :fields="rule.fields" of="the rule" @set="set" />
                        <div class="grid">
                            <span>Stamps</span>
                            <NSelect size="small" multiple filterable :value="stamps" :options="[...stampChoices]" placeholder="none" aria-label="Stamps of the rule" :input-props="{ 'aria-label': 'Stamps of the rule' }" @update:value="setStamps" />
                        </div>
                        <NCheckbox :checked="rule.fields.spine === true" @update:checked="(spine: boolean) => set({ spine })">Its spine is filled as far as it is</NCheckbox>
                        <NCheckbox :checked="rule.fields.yields === true" @update:checked="(yields: boolean) => set({ yields })">What was set by hand goes over it</NCheckbox>
                        <div class="row">
                            <NButton size="tiny" secondary :disabled="i === 0" title="Earlier (Alt+↑); what later ones say holds" @click="move(i, -1)">Earlier</NButton>
                            <NButton size="tiny" secondary :disabled="i === rules.length - 1" title="Later (Alt+↓)" @click="move(i, 1)">Later</NButton>
                            <NButton v-if="!rule.shipped" size="tiny" quaternary @click="remove(rule)">Remove, or as it came</NButton>
                        </div>
                    </div>
                </li>
            </ol>
        </section>
        <div class="row"><NButton size="small" secondary @click="add">New rule</NButton><NButton size="small" quaternary :disabled="map.chosen.length === 0" @click="run('look.why')">Why does it look so?</NButton></div>
        <p class="hint">What later rules say holds, and all go over what was set by hand unless they yield.</p>
    </SidePanel>
</template>

<style scoped>
.none, .hint { margin: 0; color: var(--soft); font-size: 13.5px; }
ol { list-style: none; margin: 0; padding: 0; display: grid; gap: 2px; }
li { border: 1px solid transparent; border-radius: 8px; padding: 3px 5px; }
li.open { border-color: var(--edge); }
.line { display: flex; align-items: flex-start; gap: 7px; }
.name { flex: 1; min-width: 0; border: 0; background: none; color: var(--ink); font: 14px/1.3 'Atkinson Hyperlegible'; text-align: left; padding: 1px 4px 3px; border-radius: 5px; cursor: pointer; overflow-wrap: anywhere; }
.name:focus-visible { outline: 2px solid var(--tide); }
.name b { display: block; font-weight: 700; }
.name small { color: var(--soft); font-size: 12.5px; }
li.off .name { opacity: 0.6; text-decoration: line-through; }
.count { color: var(--soft); font-variant-numeric: tabular-nums; padding-top: 1px; }
.inside { display: flex; flex-direction: column; gap: 8px; padding: 8px 2px 6px; }
.hits { margin: 0; font-size: 13px; padding-left: 8px; border-left: 3px solid var(--tide); }
h3 { margin: 4px 0 0; font-size: 13px; }
.grid { display: grid; grid-template-columns: 100px minmax(0, 1fr); gap: 6px; align-items: center; font-size: 13px; }
.grid span { color: var(--soft); }
.row { display: flex; flex-wrap: wrap; gap: 6px; }
</style>
