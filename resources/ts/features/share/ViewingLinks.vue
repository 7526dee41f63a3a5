<script setup lang="ts">
import { NAlert, NButton, NCheckbox, NInput, NRadio, NRadioGroup } from 'naive-ui'
import { computed, onMounted, ref, shallowRef } from 'vue'
import { api } from '@/api/client'
import type { ViewingLink } from '@/api/wire'
import { useMap } from '@/stores/map'
import { topicName } from '@/text/titleMarkdown'
import { tell } from '@/ui/tell'
import { useAttempt } from './useAttempt'

/** Ways into the map without an account: made, copied, sent by letter, withdrawn. */
const map = useMap()
const links = shallowRef<readonly ViewingLink[]>([])
const { busy, problem, attempt: tried } = useAttempt()
const isMaking = ref(false)
const of = ref<'map' | 'branch'>('map')
const until = ref('')
const password = ref('')
const notes = ref(true)
const files = ref(false)
const copying = ref(false)
/** The link that is being sent, and to whom. */
const sending = ref<string | null>(null)
const to = ref('')
const words = ref('')

const branch = computed(() => (map.current === null || map.current === map.tree.root || !map.tree.topics.has(map.current) ? null : map.current))
const day = new Intl.DateTimeFormat(undefined, { dateStyle: 'medium' })
const time = new Intl.DateTimeFormat(undefined, { dateStyle: 'medium', timeStyle: 'short' })
const about = (link: ViewingLink): string => [
    link.isOver ? 'over' : link.until === null ? '' : `until ${day.format(new Date(link.until))}`, link.hasPassword ? 'with a password' : '', link.notes ? '' : 'without notes', link.files ? 'with files' : '', link.copying ? 'to be copied' : '',
    link.views === 0 ? 'not opened yet' : `opened ${link.views === 1 ? 'once' : `${link.views} times`}${link.last === null ? '' : `, last ${time.format(new Date(link.last))}`}`,
].filter((part) => part !== '').join(' · ')

const attempt = (does: () => Promise<{ links: readonly ViewingLink[] }>): Promise<boolean> => tried(async () => void (links.value = (await does()).links))
async function make(): Promise<void> {
    const wish = { topic: of.value === 'branch' ? branch.value : null, until: until.value === '' ? null : until.value, password: password.value === '' ? null : password.value, notes: notes.value, files: files.value, copying: copying.value }
    if (await attempt(() => api.makeLink(map.id, wish))) {
        isMaking.value = false
        password.value = until.value = ''
        tell.info('The link is made. Copy its address, or send it by letter.')
    }
}
async function copy(text: string, what: string): Promise<void> {
    await navigator.clipboard.writeText(text).then(() => tell.info(`${what} is on the clipboard.`), () => tell.warning(`It could not be copied. It is: ${text}`))
}
const frameOf = (link: ViewingLink): string => `<iframe src="${link.url}" width="100%" height="600" style="border:0" title="A map"></iframe>`
async function send(link: ViewingLink): Promise<void> {
    if (await tried(async () => void (await api.sendLink(link.id, to.value.trim(), words.value.trim())))) {
        tell.info(`A letter to ${to.value.trim()} is on its way.`)
        sending.value = null
        to.value = words.value = ''
    }
}
async function withdraw(link: ViewingLink): Promise<void> {
    if (await attempt(() => api.withdrawLink(link.id))) {
        tell.info('The link is withdrawn: nothing is at its address any more.')
    }
}

onMounted(() => attempt(() => api.links(map.id)))
</script>

<template>
    <section class="viewing">
        <h3>Viewing links</h3>
        <p class="hint">Whoever has the address looks at the map without an account, and sees nothing that is private or parked.</p>
        <ul v-if="links.length > 0">
            <li v-for="link in links" :key="link.id" :class="{ over: link.isOver }">
                <strong dir="auto">{{ link.topic === null ? 'The whole map' : link.title || 'Untitled' }}</strong>
                <small>{{ about(link) }}</small>
                <div class="acts">
                    <NButton size="tiny" secondary @click="copy(link.url, 'The address')">Copy address</NButton>
                    <NButton size="tiny" quaternary tag="a" :href="link.url" target="_blank" rel="noopener">Open</NButton>
                    <NButton size="tiny" quaternary :aria-expanded="sending === link.id" @click="sending = sending === link.id ? null : link.id">By letter</NButton>
                    <NButton size="tiny" quaternary title="A line of HTML that shows it within another page" @click="copy(frameOf(link), 'The frame')">Copy frame</NButton>
                    <NButton size="tiny" quaternary @click="withdraw(link)">Withdraw</NButton>
                </div>
                <form v-if="sending === link.id" class="making" @submit.prevent="send(link)">
                    <NInput v-model:value="to" size="small" autofocus placeholder="E-mail address" :maxlength="200" :input-props="{ 'aria-label': 'Address of the letter', type: 'email' }" @keydown.escape.stop="sending = null" />
                    <NInput v-model:value="words" size="small" type="textarea" :autosize="{ minRows: 1, maxRows: 5 }" placeholder="Words for the letter, if wanted" :maxlength="400" :input-props="{ 'aria-label': 'Words for the letter with the link' }" />
                    <NButton size="small" type="primary" attr-type="submit" :loading="busy" :disabled="to.trim() === ''">Send the letter</NButton>
                </form>
            </li>
        </ul>
        <form v-if="isMaking" class="making" @submit.prevent="make">
            <NRadioGroup v-if="branch !== null" v-model:value="of" size="small" aria-label="What the link shows"><NRadio value="map">The whole map</NRadio><NRadio value="branch">The branch “{{ topicName(map.tree.topics.get(branch)?.title).slice(0, 40) }}”</NRadio></NRadioGroup>
            <label>Until, if it is to end<input v-model="until" type="date" aria-label="Until" /></label>
            <NInput v-model:value="password" size="small" type="password" show-password-on="click" placeholder="Password, if wanted" :maxlength="72" :input-props="{ 'aria-label': 'Password of the link', autocomplete: 'new-password' }" />
            <NCheckbox v-model:checked="notes" size="small">With notes</NCheckbox><NCheckbox v-model:checked="files" size="small">With files of topics</NCheckbox><NCheckbox v-model:checked="copying" size="small">May be taken as an outline</NCheckbox>
            <div class="acts"><NButton size="small" type="primary" attr-type="submit" :loading="busy">Make the link</NButton><NButton size="small" quaternary @click="isMaking = false">Leave it</NButton></div>
        </form>
        <NButton v-else size="small" secondary @click="isMaking = true">Make a viewing link</NButton>
        <NAlert v-if="problem !== null" type="error" :show-icon="false" role="alert">{{ problem }}</NAlert>
    </section>
</template>

<style scoped>
h3 { font-size: 15px; margin: 0 0 4px; }
.hint { color: var(--soft); font-size: 13px; margin: 0 0 8px; line-height: 1.4; }
ul { list-style: none; margin: 0; padding: 0; }
li { display: flex; flex-direction: column; gap: 2px; padding: 7px 0 7px 10px; border-left: 3px solid var(--tide); margin-bottom: 8px; overflow-wrap: anywhere; }
li.over { border-left-color: var(--edge); }
li.over strong { color: var(--soft); }
small { color: var(--soft); font-size: 13px; line-height: 1.35; }
.acts { display: flex; flex-wrap: wrap; gap: 2px; }
.making { display: flex; flex-direction: column; gap: 7px; align-items: stretch; margin: 4px 0; }
.making label { display: flex; flex-direction: column; gap: 3px; font-size: 13.5px; }
input[type=date] { font: inherit; color: inherit; padding: 4px 8px; border: 1px solid var(--soft); border-radius: 6px; background: var(--slip); }
</style>
