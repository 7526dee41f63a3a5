<script setup lang="ts">
import { onMounted, ref, shallowRef } from 'vue'
import { NButton } from 'naive-ui'
import { api } from '@/api/client'
import type { DueTodo } from '@/api/wire'
import ReminderList from './ReminderList.vue'

/** What comes up in all maps, above them. */
const FEW = 3
const reminders = shallowRef<readonly DueTodo[]>([])
const all = ref(false)
onMounted(async () => {
    reminders.value = (await api.reminders().catch(() => null))?.reminders ?? []
})
</script>

<template>
    <section v-if="reminders.length > 0" aria-label="What comes up">
        <h2>Comes up <NButton v-if="reminders.length > FEW" size="tiny" text type="primary" @click="all = !all">{{ all ? 'Show the first only' : `Show all ${reminders.length}` }}</NButton></h2>
        <ReminderList :reminders="all ? reminders : reminders.slice(0, FEW)" @left="(left) => (reminders = left)" />
    </section>
</template>

<style scoped>
section { flex: none; max-height: 40vh; overflow: auto; margin: 0 0 10px; padding: 8px 12px 10px; background: var(--slip); border: 1px solid var(--edge); border-radius: 10px 8px 11px 9px; }
h2 { display: flex; gap: 12px; align-items: baseline; font-size: 15px; margin: 0 0 5px; }
</style>
