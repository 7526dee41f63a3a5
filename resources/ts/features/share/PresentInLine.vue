<script setup lang="ts">
import { computed } from 'vue'
import { useMap } from '@/stores/map'
import { chalkOf, initials } from './present'

/** Before the title of a topic in the outline at which others are. */
const props = defineProps<{ topic: string }>()
const map = useMap()
const here = computed(() => (map.others.length === 0 ? [] : map.others.filter(({ at }) => at === props.topic).slice(0, 3)))
</script>

<template>
    <span v-for="one in here" :key="one.id" class="here" :style="{ '--chalk': chalkOf(one.id) }" :title="`${one.name} is here`" :aria-label="`${one.name} is here`" role="img">{{ initials(one.name) }}</span>
</template>

<style scoped>
.here { flex: none; margin-right: 4px; padding: 0 3px; border-radius: 4px; border: 1.5px solid var(--chalk); color: var(--ink); font-size: 11.5px; font-weight: 700; line-height: 15px; }
</style>
