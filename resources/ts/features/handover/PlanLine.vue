<script setup lang="ts">
import { useDebounceFn } from '@vueuse/core'
import { onMounted, ref, watch } from 'vue'
import { handOverApi } from '@/api/handOver'
import { latest } from '@/api/latest'
import type { PlanAnswer } from '@/api/wire'
import { useMap } from '@/stores/map'
import { useHandOver } from './handOverStore'

/** How large it will be, and whether its smallest type can be read, before it is made. */
const handOver = useHandOver()
const map = useMap()
const plan = ref<PlanAnswer | null>(null)
const problem = ref<string | null>(null)
const turn = latest()

const ask = useDebounceFn(async () => {
    const isWanted = turn.begin()
    try {
        const answer = await handOverApi.plan(map.id, handOver.wish())
        if (isWanted()) {
            [plan.value, problem.value] = [answer, null]
        }
    } catch (error) {
        if (isWanted()) {
            [plan.value, problem.value] = [null, (error as Error).message]
        }
    }
}, 200)

const number = (value: number): string => value.toLocaleString('en')

watch([() => handOver.choices, () => map.chosen, () => map.tree], () => void ask())
onMounted(() => void ask())
</script>

<template>
    <p v-if="problem !== null" class="plan small" role="alert">{{ problem }}</p>
    <p v-else-if="plan !== null" class="plan" :class="{ small: plan.isSmall }" role="status">
        <template v-if="plan.sheets > 0">{{ plan.sheets === 1 ? 'One sheet' : `${plan.sheets} sheets, ${plan.columns} across and ${plan.rows} down` }}{{ plan.isAcross ? ', turned across' : '' }}.</template>
        <template v-else>{{ number(plan.width) }} × {{ number(plan.height) }} pixels.</template>
        Smallest type: {{ plan.type }} {{ plan.unit === 'points' ? 'pt' : 'px' }}.
        <template v-if="plan.gaps > 0"> {{ plan.gaps === 1 ? 'One gap' : `${plan.gaps} gaps` }}.</template>
        <strong v-if="plan.isSmall"> That can hardly be read: {{ plan.sheets > 0 ? 'take more sheets, larger paper or fewer topics' : 'make it wider, or of fewer topics' }}.</strong>
        <strong v-if="plan.isBounded"> More than 100 megapixels cannot be drawn, so it is made smaller.</strong>
    </p>
</template>

<style scoped>
.plan { margin: 0; padding: 4px 10px; max-width: 720px; border-left: 3px solid var(--tide); font-size: 14px; }
.plan.small { border-color: var(--ember); }
</style>
