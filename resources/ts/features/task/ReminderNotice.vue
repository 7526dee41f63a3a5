<script setup lang="ts">
import { NButton } from 'naive-ui'
import { ref, shallowRef, watch } from 'vue'
import { api } from '@/api/client'
import type { DueTodo } from '@/api/wire'
import { today } from '@/facts/facts'
import { useMap } from '@/stores/map'
import { useUi } from '@/ui/uiStore'
import ReminderList from './ReminderList.vue'

/** What comes up, told once a day where somebody works, also when a day begins meanwhile. */
const KEPT = 'reminders told'
const map = useMap()
const reminders = shallowRef<readonly DueTodo[]>([])
const open = ref(false)
const frame = ref<HTMLElement | null>(null)
const ui = useUi()

async function ask(): Promise<void> {
    if (localStorage.getItem(KEPT) === today()) {
        return
    }
    const answer = await api.reminders().catch(() => null)
    reminders.value = answer?.reminders ?? []
    open.value = reminders.value.length > 0
}
function close(): void {
    if (frame.value?.contains(document.activeElement) === true) {
        ui.focusRegion(map.region)
    }
    open.value = false
    localStorage.setItem(KEPT, today())
}
watch([() => map.id, () => map.today], ask, { immediate: true })
</script>

<template>
    <section v-if="open && reminders.length > 0" ref="frame" class="notice" role="status" data-focus="notice" aria-label="What comes up" @keydown.escape.stop="close">
        <header><h2>Comes up</h2><NButton size="tiny" secondary @click="close">Not again today</NButton></header>
        <ReminderList :reminders="reminders.slice(0, 5)" @left="(left) => (reminders = left)" @gone="close" />
    </section>
</template>

<style scoped>
.notice { position: fixed; z-index: 6; left: 50%; bottom: 86px; transform: translateX(-50%); width: min(460px, calc(100vw / var(--size, 1) - 24px)); max-height: 44vh; overflow: auto; box-sizing: border-box; padding: 8px 12px 10px; background: var(--slip); border: 1px solid var(--edge); border-radius: 10px 8px 11px 9px; box-shadow: 0 6px 24px rgb(0 0 0 / 18%); font-size: 14px; }
header { display: flex; align-items: center; justify-content: space-between; margin-bottom: 5px; }
h2 { font-size: 15px; margin: 0; }
</style>
