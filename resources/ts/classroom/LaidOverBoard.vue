<script setup lang="ts">
import { NAlert, NButton, NRadioButton, NRadioGroup, NSpin } from 'naive-ui'
import { computed, onMounted, ref, shallowRef } from 'vue'
import type { LaidOverAnswer } from '@/api/wire'
import { useAttempt } from '@/features/share/useAttempt'
import { usePreferences } from '@/stores/preferences'
import { classApi } from './api'

/** All copies laid over each other on one board, with how many have what; beside it the same as a list. */
const props = defineProps<{ id: string }>()
const preferences = usePreferences()
const its = shallowRef<LaidOverAnswer | null>(null)
const turn = ref(0)
const large = ref(false)
const only = ref<'all' | 'everybody' | 'one' | 'nobody'>('all')
const { busy, problem, attempt } = useAttempt()
const kept = computed(() => {
    const [of, all] = [its.value?.of ?? 0, [...(its.value?.propositions ?? []), ...(its.value?.topics ?? [])]]
    return all.filter((one) => only.value === 'all' || one.who.length === { everybody: of, one: 1, nobody: 0 }[only.value])
})
const drawn = computed(() => classApi.overDrawn(props.id, preferences.board, turn.value))
const look = (): Promise<boolean> => attempt(async () => {
    its.value = await classApi.over(props.id)
    turn.value++
})
onMounted(look)
</script>

<template>
    <div class="over">
        <section class="list" aria-label="Who has what">
            <div class="line"><NRadioGroup v-model:value="only" size="small" aria-label="What is listed"><NRadioButton value="all">All</NRadioButton><NRadioButton value="everybody">What all have</NRadioButton><NRadioButton value="one">Only one</NRadioButton><NRadioButton value="nobody">Nobody</NRadioButton></NRadioGroup></div>
            <p class="none">A green ring is around what all have, a yellow one around what only one has. <NButton text type="primary" :loading="busy" @click="look">Lay them anew</NButton></p>
            <NAlert v-if="problem !== null" type="error" :show-icon="false" role="alert">{{ problem }}</NAlert>
            <NSpin v-if="its === null && problem === null" />
            <p v-if="its?.hasMore" class="none">There is more than can be laid over each other; the rest is left out.</p>
            <p v-if="its !== null && kept.length === 0" class="none">Nothing is so.</p>
            <ul><li v-for="(one, n) in kept" :key="n" tabindex="0"><b>{{ one.who.length }}</b><span dir="auto">{{ one.title === '' ? 'Untitled' : one.title }}</span><small dir="auto">{{ one.who.length === its?.of ? 'all' : one.who.join(', ') }}</small></li></ul>
        </section>
        <section class="board" :class="{ large }" :title="large ? 'Click to see all of it' : 'Click to read it'" @click="large = !large">
            <img v-if="turn > 0 && (its?.of ?? 0) > 0" :src="drawn" alt="All copies on one board, with how many have each topic" />
            <p v-else-if="its !== null" class="none">There is nothing to lay over each other yet.</p>
        </section>
    </div>
</template>

<style scoped>
.over { flex: 1; min-height: 0; display: grid; grid-template-columns: 380px minmax(0, 1fr); gap: 16px; margin-bottom: 14px; }
.list { display: flex; flex-direction: column; gap: 8px; min-height: 0; }
.line { display: flex; flex-wrap: wrap; gap: 6px; align-items: center; }
.none { color: var(--soft); margin: 0; }
ul { list-style: none; margin: 0; padding: 0; overflow: auto; flex: 1; min-height: 0; background: var(--slip); border: 1px solid var(--edge); border-radius: 10px; }
li { display: grid; grid-template-columns: 34px minmax(0, 1fr); gap: 0 8px; padding: 6px 12px; border-bottom: 1px solid var(--faint-edge); }
li b { font-variant-numeric: tabular-nums; text-align: right; }
li span { overflow-wrap: anywhere; }
li small { grid-column: 2; color: var(--soft); overflow-wrap: anywhere; }
.board { background: var(--board); border: 1px solid var(--edge); border-radius: 10px; overflow: auto; display: grid; grid-template: minmax(0, 1fr) / minmax(0, 1fr); place-items: center; padding: 8px; cursor: zoom-in; min-height: 0; }
.board.large { display: block; cursor: zoom-out; }
.board:not(.large) img { max-width: 100%; max-height: 100%; object-fit: contain; }
@media (max-width: 900px) { .over { grid-template-columns: 1fr; grid-template-rows: auto minmax(260px, 50vh); } ul { max-height: 40vh; } }
</style>
