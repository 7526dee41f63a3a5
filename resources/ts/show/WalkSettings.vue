<script setup lang="ts">
import { NButton, NInputNumber, NRadioButton, NRadioGroup, NSlider } from 'naive-ui'
import { useActions } from '@/actions/useActions'
import type { Order } from './walkPath'
import { useWalk } from './walkStore'
import { orders, peeks, rests, useWalkWay } from './walkWay'

/** How one walks: in which order, how deep, what is seen of the rest, what is said beforehand, how fast. */
const walk = useWalk()
const way = useWalkWay()
const { run } = useActions()
const levels = [0, 1, 2, 3, 4]
const setOrder = (value: string | number | boolean): void => way.setOrder(value as Order)
const setDepth = (value: string | number | boolean): void => way.setDepth(value === 0 ? null : Number(value))
</script>

<template>
    <div class="how">
        <h3>Order</h3>
        <NRadioGroup :value="walk.at === null ? way.settings.order : way.order" size="small" aria-label="Order" @update:value="setOrder">
            <NRadioButton v-for="one in orders" :key="one.value" :value="one.value">{{ one.label }}</NRadioButton>
        </NRadioGroup>
        <template v-if="walk.at !== null && way.order === 'all'">
            <h3>Levels below</h3>
            <NRadioGroup :value="way.depth ?? 0" size="small" aria-label="Levels below" @update:value="setDepth">
                <NRadioButton v-for="level in levels" :key="level" :value="level">{{ level === 0 ? 'All' : level }}</NRadioButton>
            </NRadioGroup>
        </template>
        <h3>Seen of the rest</h3>
        <NRadioGroup v-model:value="way.settings.rest" size="small" aria-label="Seen of the rest">
            <NRadioButton v-for="one in rests" :key="one.value" :value="one.value">{{ one.label }}</NRadioButton>
        </NRadioGroup>
        <label v-if="way.settings.rest !== 'gone'" class="dim"><span>Dimmed</span><NSlider v-model:value="way.settings.dim" :min="0" :max="1" :step="0.05" :tooltip="false" aria-label="How much the rest is dimmed" /></label>
        <h3>Peek, for you</h3>
        <NRadioGroup v-model:value="way.settings.peek" size="small" aria-label="Peek">
            <NRadioButton v-for="one in peeks" :key="one.value" :value="one.value">{{ one.label }}</NRadioButton>
        </NRadioGroup>
        <p class="soft">Small, at the lower edge. The speaker’s window has it always.</p>
        <h3>Pace, where it goes on by itself</h3>
        <div class="pace"><NInputNumber v-model:value="way.settings.seconds" size="small" :min="1" :max="600" :precision="0" :input-props="{ 'aria-label': 'Seconds for each topic' }" @update:value="(value) => value === null && (way.settings.seconds = 8)"><template #suffix>s a topic</template></NInputNumber>
            <NButton v-if="walk.at !== null" size="small" :secondary="way.isPaced" :aria-pressed="way.isPaced" :disabled="!walk.can('pace')" @click="run('walk.pace')">{{ way.isPaced ? 'Going by itself' : 'Go by itself' }}</NButton></div>
    </div>
</template>

<style scoped>
.how { display: flex; flex-direction: column; gap: 6px; padding: 2px 6px 4px; }
h3 { margin: 8px 0 0; font-size: 13.5px; font-weight: 700; }
.dim { display: flex; align-items: center; gap: 12px; font-size: 14px; padding-top: 4px; }
.dim .n-slider { max-width: 190px; }
.soft { margin: 0; font-size: 13px; color: var(--soft); }
.pace { display: flex; gap: 8px; align-items: center; }
.pace .n-input-number { width: 146px; }
</style>
