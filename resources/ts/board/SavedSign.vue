<script setup lang="ts">
import { NButton, NTooltip } from 'naive-ui'
import { computed } from 'vue'
import { useMap } from '@/stores/map'

/** Says whether everything is kept by the server, and if not, why. */
defineProps<{ narrow: boolean }>()

const map = useMap()

const said = computed(() => {
    const count = map.waiting.length
    const edits = count === 1 ? '1 edit' : `${count} edits`
    switch (map.savedState) {
        case 'saved':
            return { text: 'Saved', more: 'Everything is kept on the server.', tone: 'calm' }
        case 'saving':
            return { text: 'Saving', more: 'Sending what you changed.', tone: 'calm' }
        case 'waiting':
            return { text: `Waiting for the network${count > 0 ? `, ${edits} kept here` : ''}`, more: 'Your edits are kept in this browser, over a reload too, and sent as soon as the server can be reached.', tone: 'wait' }
        default:
            return { text: `Signed out, ${edits} kept here`, more: 'Sign in again and they are sent.', tone: 'wait' }
    }
})
</script>

<template>
    <NTooltip>
        <template #trigger>
            <span class="saved" :class="said.tone" role="status" :data-state="map.savedState">
                <span class="sign" aria-hidden="true" />{{ narrow && said.tone === 'calm' ? '' : said.text }}
                <NButton v-if="map.savedState === 'signed-out'" text type="primary" @click="$router.push({ name: 'sign-in', query: { to: $route.fullPath } })">Sign in</NButton>
            </span>
        </template>
        {{ said.more }}
    </NTooltip>
</template>

<style scoped>
.saved { display: inline-flex; align-items: center; gap: 6px; font-size: 13.5px; color: var(--soft); white-space: nowrap; overflow: hidden; text-overflow: ellipsis; }
.saved[data-state='saved'], .saved[data-state='saving'] { flex: none; }
.sign { width: 8px; height: 8px; border-radius: 50%; background: var(--kelp); flex: none; }
[data-state='saving'] .sign { background: none; border: 2px solid var(--kelp); box-sizing: border-box; }
.wait { color: var(--ink); }
.wait .sign { background: var(--ember); }
</style>
