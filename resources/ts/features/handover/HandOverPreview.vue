<script setup lang="ts">
import { useDebounceFn, useIntersectionObserver } from '@vueuse/core'
import { NSpin } from 'naive-ui'
import { computed, onBeforeUnmount, onMounted, ref, watch } from 'vue'
import { handOverApi, madeAddress, madePageAddress, wishAddress } from '@/api/handOver'
import { latest } from '@/api/latest'
import { useMap } from '@/stores/map'
import { useHandOver } from './handOverStore'

/** What one will get: the text, the pages, the picture themselves; of documents for word processors, the same document as a page. */
const handOver = useHandOver()
const map = useMap()

const LONGEST_TEXT = 60_000
const MOST_PAGES = 60
const ASKS = 250

const text = ref<string | null>(null)
const page = ref<string | null>(null)
const pages = ref<{ id: string; count: number } | null>(null)
const picture = ref<string | null>(null)
const problem = ref<string | null>(null)
const isMaking = ref(false)
/** What is being made now. What is done stays for as long as its pages are looked at; the server keeps few, and not for long. */
let made: string | null = null

const kind = computed(() => (handOver.format.sort === 'document' ? (handOver.to === 'pdf' ? 'pages' : 'page') : ['paper', 'slides'].includes(handOver.format.sort) ? 'pages' : handOver.format.sort === 'picture' ? 'picture' : handOver.to === 'zip' ? 'none' : 'text'))
const turn = latest()

function clear(): void {
    [text.value, page.value, pages.value, picture.value, problem.value] = [null, null, null, null, null]
}
async function throwAway(): Promise<void> {
    const id = made
    made = null
    if (id !== null) {
        await handOverApi.stop(id).catch(() => undefined)
    }
}

const look = useDebounceFn(async () => {
    const isWanted = turn.begin()
    isMaking.value = true
    await throwAway()
    try {
        if (kind.value === 'picture') {
            const address = wishAddress(map.id, handOver.wish('svg'))
            const answer = await fetch(address)
            const words = answer.ok ? null : (((await answer.json()) as { message?: string }).message ?? 'This cannot be drawn.')
            if (isWanted()) {
                clear()
                picture.value = words === null ? address : null
                problem.value = words
            }
        } else if (kind.value === 'text') {
            const answer = await fetch(wishAddress(map.id, handOver.wish()))
            const words = answer.ok ? await answer.text() : (((await answer.json()) as { message?: string }).message ?? '')
            if (isWanted()) {
                clear()
                text.value = answer.ok ? words.slice(0, LONGEST_TEXT) : null
                problem.value = answer.ok ? null : words
            }
        } else if (kind.value !== 'none') {
            let answer = await handOverApi.begin(map.id, handOver.wish(kind.value === 'page' ? 'html' : handOver.format.sort === 'slides' ? 'slides-pdf' : handOver.to))
            if (!isWanted()) {
                await handOverApi.stop(answer.id).catch(() => undefined)
                return
            }
            made = answer.id
            while ((answer.state === 'waiting' || answer.state === 'working') && isWanted()) {
                await new Promise((go) => setTimeout(go, ASKS))
                answer = isWanted() ? await handOverApi.ask(answer.id) : answer
            }
            made = made === answer.id ? null : made
            const html = isWanted() && answer.state === 'done' && kind.value === 'page' ? await (await fetch(madeAddress(answer.id))).text() : null
            if (isWanted()) {
                clear()
                page.value = html
                pages.value = answer.state === 'done' && kind.value === 'pages' ? { id: answer.id, count: answer.pages } : null
                problem.value = answer.state === 'failed' ? (answer.message ?? '') : null
            }
        } else {
            clear()
        }
    } catch (error) {
        if (isWanted()) {
            clear()
            problem.value = (error as Error).message
        }
    }
    if (isWanted()) {
        isMaking.value = false
    }
}, 350)

/** Pages are drawn one after the other, those first that are looked at: the server draws one at a time for each person, and turns away whoever waits for long. */
const frames = ref<HTMLImageElement[]>([])
const near = new Set<number>()
const drawn = ref(new Set<number>())
const asked = ref<number | null>(null)
function ask(): void {
    const next = Math.min(...[...near].filter((n) => !drawn.value.has(n)))
    asked.value ??= Number.isFinite(next) ? next : null
}
function come(page: number): void {
    drawn.value.add(page)
    asked.value = null
    ask()
}
useIntersectionObserver(frames, (seen) => {
    for (const { target, isIntersecting } of seen) {
        near[isIntersecting ? 'add' : 'delete'](Number((target as HTMLElement).dataset.page))
    }
    ask()
}, { rootMargin: '400px' })
watch(pages, () => {
    near.clear()
    drawn.value.clear()
    asked.value = null
})

watch([() => handOver.choices, () => (handOver.what === 'map' && handOver.choices.gapTopics !== true ? '' : map.chosen.join()), () => map.tree], () => void look())
onMounted(() => void look())
onBeforeUnmount(() => {
    turn.begin()
    void throwAway()
})
</script>

<template>
    <section class="look" aria-label="Preview" :aria-busy="isMaking">
        <p v-if="problem !== null" class="words" role="alert">{{ problem }}</p>
        <iframe v-else-if="page !== null" :srcdoc="page" sandbox="" title="Preview" />
        <div v-else-if="pages !== null" class="pages" tabindex="0">
            <img
                v-for="n in Math.min(MOST_PAGES, pages.count)" :key="`${pages.id} ${n}`" ref="frames" :data-page="n" :alt="`Page ${n} of ${pages.count}`"
                :src="n === asked || drawn.has(n) ? madePageAddress(pages.id, n) : undefined" @load="come(n)" @error="come(n)" />
            <p v-if="pages.count > MOST_PAGES" class="words">{{ pages.count - MOST_PAGES }} more pages are in the file.</p>
        </div>
        <div v-else-if="picture !== null" class="picture"><img :src="picture" alt="The picture as it will be" /></div>
        <pre v-else-if="text !== null" tabindex="0">{{ text }}</pre>
        <p v-else-if="kind === 'none'" class="words">An archive holds <code>map.json</code>, which is the whole map, and a folder with all its files and pictures. It can be brought in again in the library.</p>
        <NSpin v-if="isMaking" class="spin" size="small" />
    </section>
</template>

<style scoped>
.look { position: relative; background: var(--board); overflow: hidden; display: flex; }
iframe { flex: 1; border: 0; width: 100%; height: 100%; background: #fdfaf3; }
pre { flex: 1; margin: 0; padding: 18px 22px; overflow: auto; font: 13px/1.5 'JetBrains Mono', monospace; white-space: pre-wrap; overflow-wrap: anywhere; tab-size: 4; }
.pages { flex: 1; overflow: auto; padding: 18px; display: flex; flex-direction: column; align-items: center; gap: 16px; }
.pages img { flex: none; width: min(100%, 560px); min-height: 200px; background: #fff; box-shadow: 0 2px 12px rgb(0 0 0 / 18%); }
.picture { flex: 1; position: relative; }
.picture img { position: absolute; inset: 18px; width: calc(100% - 36px); height: calc(100% - 36px); object-fit: contain; }
.words { margin: auto; padding: 24px; max-width: 420px; color: var(--soft); text-align: center; }
.spin { position: absolute; right: 14px; top: 14px; }
</style>
