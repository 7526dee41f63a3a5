<script setup lang="ts">
import { NCheckbox } from 'naive-ui'
import { computed } from 'vue'
import { useTold } from '@/facts/toldStore'
import { areShown, showWords } from './words'

/** How many words the note of the chosen topic has, and those of all below it. */
const told = useTold()
const words = computed(() => (told.told === null || told.told.words.own + told.told.words.below === 0 ? null : told.told.words))
const count = (number: number): string => `${number.toLocaleString('en')} ${number === 1 ? 'word' : 'words'}`
</script>

<template>
    <p v-if="words !== null" class="count">
        <span>{{ [words.own > 0 ? `${count(words.own)} in the note` : '', words.below > 0 ? `${count(words.below)} in notes below` : ''].filter(Boolean).join(', ') }}</span>
        <NCheckbox size="small" :checked="areShown()" @update:checked="showWords">Show on topics</NCheckbox>
    </p>
</template>

<style scoped>
.count { margin: 0; font-size: 13px; color: var(--soft); display: flex; flex-wrap: wrap; gap: 2px 12px; }
</style>
