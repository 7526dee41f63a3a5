<script setup lang="ts">
import { NButton, NDropdown } from 'naive-ui'
import { useActions } from '@/actions/useActions'
import { useSession } from '@/stores/session'
import Mark from '@/ui/Mark.vue'

/** The head of the pages about a class: where one is, the way back, and one's own things. */
defineProps<{ title: string; trail?: readonly { to: string; name: string }[] }>()
const session = useSession()
const { run } = useActions()

async function account(key: string): Promise<void> {
    if (key === 'sign-out') {
        await session.leave()
    } else {
        run(key)
    }
}
</script>

<template>
    <header class="class-head">
        <RouterLink to="/" class="home" aria-label="Back to the library"><Mark :size="34" /></RouterLink>
        <nav aria-label="Where this is"><template v-for="one in trail ?? []" :key="one.to"><RouterLink :to="one.to" dir="auto">{{ one.name }}</RouterLink><span aria-hidden="true">›</span></template></nav>
        <h1 dir="auto">{{ title }}</h1>
        <slot />
        <div class="space" />
        <NDropdown trigger="click" :options="[{ key: 'see.board', label: 'Light board or Slate board' }, { key: 'see.calm', label: 'Calm for the eyes' }, { key: 'sign-out', label: 'Sign out' }]" @select="account"><NButton quaternary>{{ session.person?.name }}</NButton></NDropdown>
    </header>
</template>

<style scoped>
.class-head { display: flex; align-items: center; gap: 10px; flex-wrap: wrap; margin-bottom: 14px; }
.home { display: grid; }
nav { display: flex; align-items: center; gap: 6px; color: var(--soft); }
nav a { color: var(--link); text-decoration: none; padding: 3px 2px; border-radius: 5px; max-width: 220px; overflow: hidden; text-overflow: ellipsis; white-space: nowrap; }
h1 { font-size: 22px; margin: 0; overflow-wrap: anywhere; }
.space { flex: 1; }
</style>
