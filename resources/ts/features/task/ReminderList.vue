<script setup lang="ts">
import { NButton } from 'naive-ui'
import { nextTick, ref } from 'vue'
import { api } from '@/api/client'
import type { DueTodo } from '@/api/wire'
import { dayWords } from '@/facts/facts'

/** To-dos that come up: each leads to where it is, and can be put away. */
defineProps<{ reminders: readonly DueTodo[] }>()
const emit = defineEmits<{ left: [reminders: readonly DueTodo[]]; gone: [] }>()
const problem = ref('')
const list = ref<HTMLElement | null>(null)

async function putAway(one: DueTodo, i: number): Promise<void> {
    const answer = await api.putReminderAway(one.map, one.topic).catch(() => null)
    problem.value = answer === null ? 'It could not be put away. Check the network, and try again.' : ''
    if (answer !== null) {
        emit('left', answer.reminders)
        await nextTick()
        const ways = [...(list.value?.querySelectorAll<HTMLElement>('a') ?? [])]
        ;(ways[i] ?? ways.at(-1))?.focus()
    }
}
</script>

<template>
    <ul ref="list">
        <li v-for="(one, i) in reminders" :key="`${one.map} ${one.topic}`">
            <RouterLink :to="`/maps/${one.map}/topics/${one.topic}`" @click="emit('gone')"><b dir="auto">{{ one.title === '' ? 'Without a title' : one.title }}</b><span>{{ one.when }}, {{ dayWords(one.by) }}</span><small dir="auto">{{ [one.who.join(', '), one.mapTitle].filter((part) => part !== '').join(' · ') }}</small></RouterLink>
            <NButton size="tiny" quaternary :aria-label="`Put away ${one.title}`" @click="putAway(one, i)">Put away</NButton>
        </li>
    </ul>
    <p v-if="problem !== ''" role="alert">{{ problem }}</p>
</template>

<style scoped>
ul { list-style: none; margin: 0; padding: 0; display: grid; gap: 2px; }
li { display: flex; align-items: center; gap: 8px; }
a { flex: 1; min-width: 0; display: flex; flex-wrap: wrap; align-items: baseline; gap: 2px 10px; padding: 3px 9px; border-left: 3px solid var(--marigold); color: inherit; text-decoration: none; }
a:hover, a:focus-visible { border-color: var(--tide); background: color-mix(in srgb, var(--tide) 12%, transparent); outline: none; }
b { overflow-wrap: anywhere; }
small { color: var(--soft); font-size: 13px; overflow-wrap: anywhere; }
p { margin: 6px 0 0; border-left: 3px solid var(--ember); padding-left: 8px; }
</style>
