<script setup lang="ts">
import { NButton } from 'naive-ui'
import { getDocument, GlobalWorkerOptions, TextLayer, type PDFDocumentProxy } from 'pdfjs-dist/legacy/build/pdf.mjs'
import workerAddress from 'pdfjs-dist/legacy/build/pdf.worker.min.mjs?url'
import { computed, nextTick, onBeforeUnmount, onMounted, ref, shallowRef, useTemplateRef } from 'vue'

/** The pages of a PDF, drawn as they come into view; its text can be marked and copied. Only the parts that are looked at are fetched. */
const props = defineProps<{ address: string; name: string }>()
GlobalWorkerOptions.workerSrc = workerAddress

const CLOSEST = 4
const LEAST = 0.25
const MARGIN = 24
const document_ = shallowRef<PDFDocumentProxy | null>(null)
/** Points, as they are in the file. */
const sizes = shallowRef<readonly { w: number; h: number }[]>([])
const problem = ref('')
const zoom = ref(1)
const room = ref(540)
const page = ref(1)
const scroll = useTemplateRef<HTMLElement>('scroll')
const scale = computed(() => ((room.value - MARGIN) / Math.max(1, ...sizes.value.map(({ w }) => w))) * zoom.value)
const drawn = new Map<number, number>()
let watching: IntersectionObserver | null = null
let sizing: ResizeObserver | null = null
let isGone = false

const loading = getDocument({
    url: props.address, enableXfa: false, disableAutoFetch: true, disableStream: true,
    standardFontDataUrl: '/build/pdf/standard_fonts/', cMapUrl: '/build/pdf/cmaps/', cMapPacked: true, wasmUrl: '/build/pdf/readers/', useWasm: false, useSystemFonts: false,
})
loading.onPassword = () => {
    problem.value = 'This PDF wants a password. Save it to open it.'
    void loading.destroy()
}

onMounted(async () => {
    try {
        const opened = await loading.promise
        if (isGone) {
            return
        }
        const first = (await opened.getPage(1)).getViewport({ scale: 1 })
        // All are taken to be like the first until they are seen, so that a thousand pages need not be read.
        sizes.value = Array.from({ length: opened.numPages }, () => ({ w: first.width, h: first.height }))
        document_.value = opened
        await nextTick()
        watching = new IntersectionObserver((entries) => entries.forEach(({ target, isIntersecting }) => isIntersecting && void draw(target as HTMLElement)), { root: scroll.value, rootMargin: '300px' })
        scroll.value?.querySelectorAll('.page').forEach((one) => watching?.observe(one))
        sizing = new ResizeObserver(() => void fitted())
        if (scroll.value !== null) {
            sizing.observe(scroll.value)
        }
    } catch {
        problem.value ||= 'This PDF cannot be shown; its file seems to be damaged. Save it to look at it elsewhere.'
    }
})
onBeforeUnmount(() => {
    isGone = true
    watching?.disconnect()
    sizing?.disconnect()
    void loading.destroy()
})

async function fitted(): Promise<void> {
    const wide = scroll.value?.clientWidth ?? room.value
    if (Math.abs(wide - room.value) > 2) {
        room.value = wide
        await redraw()
    }
}
async function closer(times: number): Promise<void> {
    zoom.value = Math.min(CLOSEST, Math.max(LEAST, zoom.value * times))
    await redraw()
}
async function redraw(): Promise<void> {
    await nextTick()
    const view = scroll.value?.getBoundingClientRect()
    for (const one of scroll.value?.querySelectorAll<HTMLElement>('.page') ?? []) {
        const box = one.getBoundingClientRect()
        if (view !== undefined && box.bottom > view.top - 300 && box.top < view.bottom + 300) {
            void draw(one)
        } else if (drawn.has(Number(one.dataset.page))) {
            // It is drawn again when it comes into view.
            drawn.delete(Number(one.dataset.page))
            watching?.unobserve(one)
            watching?.observe(one)
        }
    }
}

async function draw(element: HTMLElement): Promise<void> {
    const n = Number(element.dataset.page)
    const at = scale.value
    if (document_.value === null || drawn.get(n) === at) {
        return
    }
    drawn.set(n, at)
    const its = await document_.value.getPage(n)
    const own = its.getViewport({ scale: 1 })
    if (own.width !== sizes.value[n - 1]?.w || own.height !== sizes.value[n - 1]?.h) {
        sizes.value = sizes.value.map((size, i) => (i === n - 1 ? { w: own.width, h: own.height } : size))
    }
    const viewport = its.getViewport({ scale: at })
    const canvas = document.createElement('canvas')
    const fine = Math.min(2, window.devicePixelRatio || 1)
    canvas.width = Math.floor(viewport.width * fine)
    canvas.height = Math.floor(viewport.height * fine)
    canvas.style.width = '100%'
    await its.render({ canvas, viewport, transform: fine === 1 ? undefined : [fine, 0, 0, fine, 0, 0] }).promise.catch(() => undefined)
    const text = document.createElement('div')
    text.className = 'pdf-text'
    text.style.setProperty('--total-scale-factor', String(at))
    await new TextLayer({ textContentSource: its.streamTextContent(), container: text, viewport }).render().catch(() => undefined)
    if (!isGone && drawn.get(n) === at) {
        element.replaceChildren(canvas, text)
    }
}

function scrolled(): void {
    const view = scroll.value
    if (view !== null) {
        const middle = view.getBoundingClientRect().top + view.clientHeight / 2
        const pages = [...view.querySelectorAll<HTMLElement>('.page')]
        page.value = Number((pages.find((one) => one.getBoundingClientRect().bottom >= middle) ?? pages.at(-1))?.dataset.page ?? 1)
    }
}
</script>

<template>
    <div v-if="sizes.length > 0" class="tools">
        <span aria-live="polite">Page {{ page }} of {{ sizes.length }}</span>
        <NButton size="tiny" secondary @click="closer(0.8)">Farther</NButton>
        <NButton size="tiny" secondary @click="closer(1.25)">Closer</NButton>
        <NButton size="tiny" secondary @click="closer(1 / zoom)">Whole width</NButton>
    </div>
    <div ref="scroll" class="scroll" tabindex="0" :aria-label="`Pages of ${name}`" @scroll.passive="scrolled">
        <div v-for="(size, i) in sizes" :key="i" class="page" :data-page="i + 1" :style="{ width: `${size.w * scale}px`, height: `${size.h * scale}px` }" />
        <p v-if="sizes.length === 0 && problem === ''" class="words">The pages are fetched…</p>
        <p v-if="problem !== ''" class="words" role="alert">{{ problem }}</p>
    </div>
</template>

<style scoped>
.tools { flex: none; display: flex; gap: 6px; align-items: center; padding: 6px 12px; border-bottom: 1px solid var(--edge); }
.tools span { flex: 1; color: var(--soft); font-size: 13.5px; }
.scroll { flex: 1; min-height: 0; overflow: auto; padding: 12px; background: color-mix(in srgb, var(--ink) 12%, var(--board)); outline: none; }
.scroll:focus-visible { box-shadow: inset 0 0 0 2px var(--tide); }
.page { position: relative; margin: 0 auto 12px; background: #fff; box-shadow: 0 1px 6px rgb(0 0 0 / 22%); overflow: hidden; }
.words { text-align: center; }
</style>

<style>
.pdf-text { position: absolute; inset: 0; overflow: clip; line-height: 1; text-align: initial; forced-color-adjust: none; transform-origin: 0 0; --min-font-size: 1; --text-scale-factor: calc(var(--total-scale-factor) * var(--min-font-size)); --min-font-size-inv: calc(1 / var(--min-font-size)); }
.pdf-text :is(span, br) { color: transparent; position: absolute; white-space: pre; cursor: text; transform-origin: 0% 0%; }
.pdf-text > :not(.markedContent), .pdf-text .markedContent span:not(.markedContent) { font-size: calc(var(--text-scale-factor) * var(--font-height)); transform: rotate(var(--rotate, 0deg)) scaleX(var(--scale-x, 1)) scale(var(--min-font-size-inv)); }
.pdf-text .markedContent { display: contents; }
.pdf-text ::selection { background: color-mix(in srgb, var(--tide) 40%, transparent); }
</style>
