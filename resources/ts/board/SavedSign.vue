<script setup lang="ts">
import { NButton, NTooltip } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import { useMap } from '@/stores/map'

/** Says whether everything is kept by the server, and if not, why, and what can be done about it. */
defineProps<{ narrow: boolean }>()

const map = useMap()
const isKept = ref(false)

const kept = computed(() => (map.waiting.length > 0 ? `, ${map.waiting.length} kept` : ''))
const said = computed(() => {
    if (!map.mayEdit && ['saved', 'saving'].includes(map.savedState)) {
        return { text: 'Looking', more: 'You may look at this map. What others change in it appears here.', tone: 'calm' }
    }
    switch (map.savedState) {
        case 'saved':
            return { text: 'Saved', more: 'Everything is kept on the server.', tone: 'calm' }
        case 'saving':
            return { text: 'Saving', more: 'Sending what you changed.', tone: 'calm' }
        case 'waiting':
            return { text: `No network${kept.value}`, more: 'Your edits are kept in this browser, over a reload too, and sent as soon as the server can be reached.', tone: 'wait' }
        case 'busy':
            return { text: `The server is busy${kept.value}`, more: 'Your edits are kept in this browser and sent again in a moment.', tone: 'wait' }
        case 'foreign':
            return { text: `No answer from Chalk Tree${kept.value}`, more: 'Something between here and the server answered in its place, as a sign-in page of a network does. Your edits are kept in this browser and tried again.', tone: 'wait' }
        case 'stuck':
            return { text: `Not saved${kept.value}`, more: map.savedProblem, tone: 'wait' }
        default:
            return { text: `Signed out${kept.value}`, more: 'Sign in again and they are sent.', tone: 'wait' }
    }
})
const canTry = computed(() => ['stuck', 'foreign', 'waiting', 'busy'].includes(map.savedState) && map.waiting.length > 0)
watch(() => map.savedState, (now) => (isKept.value = isKept.value && now === 'stuck'))

/** As "php artisan map:edit" takes them. */
function keepAsFile(): void {
    const link = document.createElement('a')
    link.href = URL.createObjectURL(new Blob([JSON.stringify(map.waiting, null, 2)], { type: 'application/json' }))
    link.download = 'unsaved-edits.json'
    link.click()
    setTimeout(() => URL.revokeObjectURL(link.href), 10_000)
    isKept.value = true
}
</script>

<template>
    <span class="saved" :class="[said.tone, { narrow }]" role="status" :data-state="map.savedState">
        <NTooltip>
            <template #trigger><span class="said"><span class="sign" aria-hidden="true" /><span>{{ narrow && said.tone === 'calm' ? '' : said.text }}</span></span></template>
            {{ said.more }}
        </NTooltip>
        <NButton v-if="map.savedState === 'signed-out'" text type="primary" @click="$router.push({ name: 'sign-in', query: { to: $route.fullPath } })">Sign in</NButton>
        <NButton v-if="canTry" text type="primary" @click="map.tryAgain()">Try again</NButton>
        <NButton v-if="map.savedState === 'stuck'" text type="primary" @click="keepAsFile">Keep as a file</NButton>
        <NButton v-if="map.savedState === 'stuck' && isKept" text type="primary" @click="map.giveUp()">Go on without {{ map.waiting.length === 1 ? 'it' : 'them' }}</NButton>
    </span>
</template>

<style scoped>
.saved, .said { display: inline-flex; align-items: center; gap: 6px; min-width: 0; }
.saved { gap: 10px; font-size: 13.5px; color: var(--soft); white-space: nowrap; }
.said { overflow: hidden; text-overflow: ellipsis; }
.saved[data-state='saved'], .saved[data-state='saving'] { flex: none; }
.sign { width: 8px; height: 8px; border-radius: 50%; background: var(--kelp); flex: none; }
.narrow.wait .said { white-space: normal; line-height: 1.15; min-width: 90px; }
[data-state='saving'] .sign { background: none; border: 2px solid var(--kelp); box-sizing: border-box; }
.wait { color: var(--ink); }
.wait .sign { background: var(--ember); }
</style>
