<script setup lang="ts">
import { onMounted, shallowRef } from 'vue'
import { api } from '@/api/client'
import type { ToldAnswer } from '@/api/wire'

/** Above all maps: who asks to be let into one, and comments that name this person, or answer them, and that they have not seen. */
const told = shallowRef<ToldAnswer>({ told: [], asks: [] })
onMounted(async () => (told.value = await api.told().catch(() => told.value)))
</script>

<template>
    <section v-if="told.told.length + told.asks.length > 0" aria-label="Said to you">
        <h2>Said to you</h2>
        <ul><li v-for="one in told.asks" :key="`${one.map} ${one.made} ${one.name}`"><RouterLink :to="`/maps/${one.map}?side=share`"><strong>{{ one.name }}</strong> asks to be let into “{{ one.mapTitle }}”</RouterLink><span dir="auto">{{ one.words }}</span></li><li v-for="one in told.told" :key="one.id"><RouterLink :to="`/maps/${one.map}/topics/${one.topic}`"><strong>{{ one.by }}</strong> about “{{ one.title }}” in “{{ one.mapTitle }}”</RouterLink><span dir="auto">{{ one.text }}</span></li></ul>
    </section>
</template>

<style scoped>
section { flex: none; max-height: 34vh; overflow: auto; margin: 0 0 10px; padding: 8px 12px 10px; background: var(--slip); border: 1px solid var(--edge); border-left: 5px solid var(--marigold); border-radius: 10px 8px 11px 9px; }
h2 { font-size: 15px; margin: 0 0 5px; }
ul { list-style: none; margin: 0; padding: 0; display: grid; gap: 5px; }
a { color: var(--link); }
a strong { color: var(--ink); }
span { display: block; color: var(--soft); font-size: 14px; overflow-wrap: anywhere; white-space: pre-line; }
</style>
