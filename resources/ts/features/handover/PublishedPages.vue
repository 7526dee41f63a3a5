<script setup lang="ts">
import { NButton, NInput, NSpin, NSwitch } from 'naive-ui'
import { nextTick, onMounted, ref } from 'vue'
import { latest } from '@/api/latest'
import { publishedApi } from '@/api/published'
import type { PublishedAnswer } from '@/api/wire'
import { useMap } from '@/stores/map'
import { topicName } from '@/text/titleMarkdown'
import { tell } from '@/ui/tell'
import { useHandOver } from './handOverStore'

/** The pages of the map: published, shared, brought up to date, withdrawn; and what to paste in a blog, as it will look there. */
const handOver = useHandOver()
const map = useMap()

const wanted = latest()
const pages = ref<PublishedAnswer[] | null>(null)
const name = ref(handOver.what === 'branch' ? topicName(map.tree.topics.get(handOver.branch)?.title) : '')
const isFrozen = ref(false)
const isBusy = ref(false)
/** Of which page the snippets are shown, and which of them. */
const open = ref<string | null>(null)
const snippet = ref<'picture' | 'frame'>('picture')
/** What is to be pressed once more. */
const sure = ref<string | null>(null)
const renaming = ref<{ id: string; name: string } | null>(null)

const day = (seconds: number): string => new Date(seconds * 1000).toLocaleDateString('en', { day: 'numeric', month: 'long', year: 'numeric' })
const views = (count: number): string => (count === 0 ? 'not opened yet' : count === 1 ? 'opened once' : `opened ${count.toLocaleString('en')} times`)
const snippetOf = (page: PublishedAnswer): string => (snippet.value === 'picture' ? page.pictureSnippet : page.frameSnippet)

async function list(): Promise<void> {
    const isWanted = wanted.begin()
    try {
        const answer = await publishedApi.all(map.id)
        if (isWanted()) {
            pages.value = answer.pages
        }
    } catch (error) {
        tell.error((error as Error).message)
    }
}
async function ask(work: () => Promise<unknown>, done: string): Promise<void> {
    isBusy.value = true
    try {
        await work()
        await list()
        if (done !== '') {
            tell.info(done)
        }
    } catch (error) {
        tell.error((error as Error).message)
    }
    isBusy.value = false
}
async function publish(): Promise<void> {
    if (isBusy.value) {
        return
    }
    const { choices, topic } = handOver.wish('svg')
    const allowed = Object.fromEntries(Object.entries(choices).filter(([field]) => ['depth', 'on', 'order', 'noNotes', 'noCaptions', 'noPictures', 'noTables', 'noLinks', 'numbered'].includes(field)))
    await ask(async () => {
        const made = await publishedApi.publish(map.id, { name: name.value.trim() === '' ? 'Page' : name.value.trim(), topic, choices: allowed, isFrozen: isFrozen.value })
        open.value = made.id
    }, 'Published. Whoever has the address can read it.')
    name.value = ''
}
async function copy(text: string, what: string): Promise<void> {
    try {
        await navigator.clipboard.writeText(text)
        tell.info(`${what} is copied.`)
    } catch {
        tell.error('The browser does not let it be copied. Mark it and copy it by hand.')
    }
}
function twice(key: string, act: () => void): void {
    if (sure.value === key) {
        sure.value = null
        act()
    } else {
        sure.value = key
    }
}
async function beginRenaming(page: PublishedAnswer): Promise<void> {
    renaming.value = { id: page.id, name: page.name }
    await nextTick()
    document.querySelector<HTMLInputElement>('.pages-of-map .renaming input')?.focus()
}
function endRenaming(): void {
    const asked = renaming.value
    renaming.value = null
    if (asked !== null && asked.name.trim() !== '') {
        void ask(() => publishedApi.change(asked.id, { name: asked.name.trim() }), '')
    }
}
onMounted(() => {
    // Nothing waits for the list: who types a name at once and presses Enter publishes.
    void list()
    void nextTick(() => document.querySelector<HTMLInputElement>('.pages-of-map .new input')?.focus())
})
</script>

<template>
    <section class="pages-of-map" aria-label="Pages">
        <form class="new" @submit.prevent="publish">
            <NInput v-model:value="name" :maxlength="100" placeholder="What the page is for, for yourself" :input-props="{ 'aria-label': 'Name of the page' }" />
            <label class="frozen"><NSwitch v-model:value="isFrozen" size="small" aria-label="Stays as it is now" /> Stays as it is now</label>
            <NButton type="primary" attr-type="submit" :disabled="isBusy">Publish</NButton>
        </form>
        <NSpin v-if="pages === null" class="spin" size="small" />
        <p v-else-if="pages.length === 0" class="none">Nothing of this map is published. A page shows the drawing, with zoom, folding, search, notes and links, and the outline below it. Nothing private is on it, and it is gone at once when you withdraw it.</p>
        <article v-for="page in pages ?? []" :key="page.id">
            <div class="head">
                <NInput v-if="renaming?.id === page.id" v-model:value="renaming.name" class="renaming" size="small" :maxlength="100" :input-props="{ 'aria-label': 'Name of the page' }" @blur="endRenaming" @keydown.enter.prevent="endRenaming" @keydown.escape.stop="renaming = null" />
                <h3 v-else><button class="plain" title="Rename it" @click="beginRenaming(page)">{{ page.name }}</button></h3>
                <span class="state">{{ page.isFrozen ? `as of ${day(page.renewed)}` : 'follows the map' }} · {{ views(page.views) }}</span>
            </div>
            <p v-if="!page.isShown" class="warn">It shows nothing now: what it was of is private, or gone.</p>
            <p class="address"><a :href="page.address" target="_blank" rel="noopener">{{ page.address }}</a></p>
            <div class="row">
                <NButton size="small" @click="copy(page.address, 'The address')">Copy the address</NButton>
                <NButton size="small" :aria-expanded="open === page.id" @click="open = open === page.id ? null : page.id">For a blog</NButton>
                <NButton v-if="page.isFrozen" size="small" :disabled="isBusy" @click="ask(() => publishedApi.change(page.id, { renew: true }), 'It shows the map as it is now.')">Bring up to date</NButton>
                <NButton size="small" :disabled="isBusy" @click="ask(() => publishedApi.change(page.id, { isFrozen: !page.isFrozen }), '')">{{ page.isFrozen ? 'Let it follow the map' : 'Freeze it' }}</NButton>
                <NButton size="small" :disabled="isBusy" @click="twice(`move ${page.id}`, () => ask(() => publishedApi.change(page.id, { move: true }), 'It has another address; the one before leads nowhere.'))">{{ sure === `move ${page.id}` ? 'Really? The old one ends' : 'Another address' }}</NButton>
                <NButton size="small" :disabled="isBusy" @click="twice(`end ${page.id}`, () => ask(() => publishedApi.withdraw(page.id), 'It is withdrawn.'))">{{ sure === `end ${page.id}` ? 'Really withdraw it' : 'Withdraw' }}</NButton>
            </div>
            <div v-if="open === page.id && page.isShown" class="blog">
                <div class="row" role="radiogroup" aria-label="What to paste">
                    <NButton size="small" role="radio" :aria-checked="snippet === 'picture'" :secondary="snippet === 'picture'" :quaternary="snippet !== 'picture'" @click="snippet = 'picture'">Picture that leads to the page</NButton>
                    <NButton size="small" role="radio" :aria-checked="snippet === 'frame'" :secondary="snippet === 'frame'" :quaternary="snippet !== 'frame'" @click="snippet = 'frame'">The page in a frame</NButton>
                    <NButton size="small" type="primary" @click="copy(snippetOf(page), 'The snippet')">Copy the snippet</NButton>
                </div>
                <textarea readonly rows="3" :value="snippetOf(page)" aria-label="Snippet" @focus="($event.target as HTMLTextAreaElement).select()" />
                <div class="post" aria-label="As it will look in a post">
                    <h4>News from the quay</h4>
                    <p>Here is how it all hangs together; it opens large.</p>
                    <a v-if="snippet === 'picture'" :href="page.address" target="_blank" rel="noopener"><img :src="page.picture" :width="page.width" :height="page.height" :alt="`Map: ${page.title}`" /></a>
                    <iframe v-else :src="`${page.address}?frame`" :title="`Map: ${page.title}`" />
                </div>
            </div>
        </article>
    </section>
</template>

<style scoped>
.pages-of-map { overflow: auto; padding: 18px 22px; background: var(--board); }
.new { display: flex; flex-wrap: wrap; gap: 12px; align-items: center; padding-bottom: 16px; border-bottom: 1px solid var(--edge); }
.new .n-input { flex: 1 1 200px; }
.frozen { display: flex; gap: 8px; align-items: center; font-size: 14px; }
.none { max-width: 44em; color: var(--soft); }
.spin { display: block; margin: 30px auto; }
article { padding: 14px 0; border-bottom: 1px solid var(--edge); }
.head { display: flex; flex-wrap: wrap; gap: 4px 14px; align-items: baseline; }
h3 { margin: 0; font-size: 16px; overflow-wrap: anywhere; }
.plain { border: 0; background: none; padding: 0; font: inherit; color: inherit; cursor: text; text-align: left; }
.plain:focus-visible { outline: 2px solid var(--tide); outline-offset: 2px; }
.state { color: var(--soft); font-size: 14px; }
.warn { margin: 6px 0 0; padding: 4px 10px; border-left: 3px solid var(--ember); font-size: 14px; }
.address { margin: 5px 0 9px; font-size: 14px; overflow-wrap: anywhere; }
.row { display: flex; flex-wrap: wrap; gap: 7px; }
.blog { margin-top: 12px; display: flex; flex-direction: column; gap: 10px; }
textarea { width: 100%; box-sizing: border-box; resize: vertical; font: 12px/1.5 'JetBrains Mono', monospace; color: inherit; background: var(--slip); border: 1px solid var(--field); border-radius: 7px; padding: 8px 10px; }
.post { width: min(548px, 100%); box-sizing: border-box; padding: 18px 24px; background: #fff; color: #222; border-radius: 4px; box-shadow: 0 2px 12px rgb(0 0 0 / 15%); font-family: Georgia, serif; }
.post h4 { margin: 0 0 4px; font-size: 21px; } .post p { margin: 0 0 12px; }
.post img { display: block; max-width: 100%; height: auto; } .post iframe { width: 100%; height: 420px; border: 1px solid #ccc; }
</style>
