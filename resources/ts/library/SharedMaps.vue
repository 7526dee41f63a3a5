<script setup lang="ts">
import { NButton, NDropdown, NInput } from 'naive-ui'
import { onMounted, ref, shallowRef } from 'vue'
import { useRouter } from 'vue-router'
import { api, pictureAddress } from '@/api/client'
import type { BlocksAnswer, SharedEntry } from '@/api/wire'
import { hide } from '@/ui/hide'
import { usePreferences } from '@/stores/preferences'
import { newId } from '@/stores/map'
import { tell } from '@/ui/tell'
import { useLibrary } from './libraryStore'

/** What others share with this person, to be opened, copied and left; and those from whom nothing is wanted. */
const library = useLibrary()
const preferences = usePreferences()
const router = useRouter()
const blocks = shallowRef<BlocksAnswer['blocks']>([])
const blocking = ref<string | null>(null)

const day = new Intl.DateTimeFormat(undefined, { dateStyle: 'medium' })
const about = (one: SharedEntry): string => [`${one.owner} keeps it`, { view: 'you may look', comment: 'you may comment', edit: 'you may edit' }[one.role], one.folder === null ? '' : `in the folder “${one.folder}”`, one.topics === 1 ? '1 topic' : `${one.topics} topics`, day.format(new Date(one.updated))].filter((part) => part !== '').join(' · ')
const ways = (one: SharedEntry): { key: string; label: string }[] => [{ key: 'copy', label: 'Make a copy of my own' }, { key: 'leave', label: one.folder === null ? 'Leave it' : `Leave the folder “${one.folder}”` }, { key: 'block', label: `Leave it, and block ${one.owner}` }]

async function act(key: string, one: SharedEntry): Promise<void> {
    if (key === 'copy') {
        await library.change(() => api.duplicate(newId(), one.id))
        tell.info('The copy is among your maps.')
    } else if (key === 'leave') {
        await library.change(() => api.endShare(one.share))
    } else {
        await block(one.email)
    }
}
async function block(email: string): Promise<void> {
    blocking.value = null
    if (email.trim() !== '') {
        await library.change(async () => (blocks.value = (await api.block(email.trim())).blocks))
    }
}
const letIn = (id: string): Promise<void> => library.change(async () => (blocks.value = (await api.unblock(id)).blocks))

onMounted(async () => (blocks.value = (await api.blocks().catch(() => ({ blocks: [] }))).blocks))
</script>

<template>
    <div class="shared">
        <p v-if="library.shared.length === 0" class="none">What others share with you stands here. Whoever keeps a map shares it with your address.</p>
        <ul v-else>
            <li v-for="one in library.shared" :key="one.id">
                <RouterLink :to="`/maps/${one.id}`" class="picture" :aria-label="`Open ${one.title}`"><img :src="pictureAddress(one.id, one.seq, preferences.board)" alt="" loading="lazy" @error="hide" /></RouterLink>
                <div class="words">
                    <strong :title="one.title"><RouterLink :to="`/maps/${one.id}`">{{ one.title }}</RouterLink></strong>
                    <small>{{ about(one) }}</small>
                    <small v-if="one.isOffered" class="offered">{{ one.owner }} wishes to hand it on to you: open it, and press Share.</small>
                </div>
                <NButton size="small" secondary @click="router.push(`/maps/${one.id}`)">Open</NButton>
                <NDropdown trigger="click" :options="ways(one)" @select="(key: string) => act(key, one)"><NButton size="small" quaternary :aria-label="`More about ${one.title}`">More</NButton></NDropdown>
            </li>
        </ul>
        <section class="blocks">
            <h2>From whom you want nothing</h2>
            <p class="hint">Nothing is shared between you and an address that you block, and neither is told of the other.</p>
            <ul v-if="blocks.length > 0"><li v-for="one in blocks" :key="one.id"><span>{{ one.email }}</span><NButton size="tiny" secondary :aria-label="`Let ${one.email} in again`" @click="letIn(one.id)">Let in again</NButton></li></ul>
            <form v-if="blocking !== null" @submit.prevent="block(blocking)"><NInput v-model:value="blocking" size="small" autofocus placeholder="E-mail address" :maxlength="200" :input-props="{ 'aria-label': 'Address to block', type: 'email' }" @keydown.escape.stop="blocking = null" /><NButton size="small" attr-type="submit">Block</NButton></form>
            <NButton v-else size="small" quaternary @click="blocking = ''">Block an address</NButton>
        </section>
    </div>
</template>

<style scoped>
.shared { overflow: auto; padding: 6px 4px 40px; }
ul { list-style: none; margin: 0; padding: 0; display: grid; gap: 10px; }
.shared > ul > li { display: flex; align-items: center; gap: 10px; padding-right: 10px; background: var(--slip); border: 1px solid var(--edge); border-left: 5px solid var(--heather); border-radius: 10px; overflow: hidden; }
.picture { flex: none; width: 104px; aspect-ratio: 1.6; background: var(--board); border-right: 1px solid var(--edge); }
.picture img { width: 100%; height: 100%; display: block; }
.picture:focus-visible { outline: 3px solid var(--tide); outline-offset: -3px; }
.words { flex: 1; min-width: 0; }
strong { display: block; overflow: hidden; text-overflow: ellipsis; white-space: nowrap; }
strong a { color: inherit; text-decoration: none; }
strong a:hover { text-decoration: underline; }
small { display: block; color: var(--soft); font-size: 13.5px; line-height: 1.4; }
.offered { color: var(--ink); border-left: 3px solid var(--marigold); padding-left: 7px; margin-top: 3px; }
.none { color: var(--soft); padding: 30px 0; text-align: center; }
.blocks { margin-top: 34px; max-width: 560px; }
.blocks h2 { font-size: 15px; margin: 0 0 4px; }
.hint { color: var(--soft); font-size: 13.5px; margin: 0 0 8px; }
.blocks li, .blocks form { display: flex; gap: 8px; align-items: center; }
.blocks li span { overflow-wrap: anywhere; flex: 1; }
.blocks ul { margin-bottom: 8px; gap: 4px; }
@media (max-width: 600px) { .picture { width: 64px; } .shared > ul > li > .n-button { padding: 0 8px; } }
</style>
