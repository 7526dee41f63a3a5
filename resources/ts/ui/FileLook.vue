<script setup lang="ts">
import { ref, shallowRef, watch } from 'vue'
import { fileAddress, keptFile, previewAddress } from '@/api/files'
import { latest } from '@/api/latest'
import type { KeptFile } from '@/api/wire'
import { sizeWords } from './sizes'

/** What a file is, before it is opened: name, size, its first page or a frame of it. */
const props = defineProps<{ map: string; source: string; name: string }>()
const kept = shallowRef<KeptFile | null>(null)
const problem = ref('')
const hasPreview = ref(true)
const tries = ref(0)
const asking = latest()

watch(() => `${props.map} ${props.source}`, async () => {
    const isWanted = asking.begin()
    hasPreview.value = true
    tries.value = 0
    const found = await keptFile(props.map, props.source).catch((error: unknown) => (error as Error).message)
    if (isWanted()) {
        kept.value = typeof found === 'string' ? null : found
        problem.value = typeof found === 'string' ? found : found === null ? 'This file is not here: it was thrown away for good, or did not come along with the map.' : ''
    }
}, { immediate: true })

const isDrawn = (media: string): boolean => media === 'application/pdf' || media.startsWith('image/')
/** It may still be drawn; a few times it is asked for again. */
function missing(): void {
    hasPreview.value = false
    if (tries.value < 4) {
        setTimeout(() => {
            tries.value++
            hasPreview.value = true
        }, 1500)
    }
}
</script>

<template>
    <div class="file-look">
        <template v-if="kept !== null">
            <img v-if="isDrawn(kept.media) && hasPreview" :src="`${previewAddress(map, source)}?again=${tries}`" alt="" @error="missing" />
            <video v-else-if="kept.media.startsWith('video/')" :src="`${fileAddress(map, source)}#t=0.1`" preload="metadata" muted playsinline tabindex="-1" aria-hidden="true" />
            <p class="title" dir="auto">{{ name || kept.name }}</p>
            <p class="of">{{ sizeWords(kept.bytes) }}</p>
        </template>
        <p v-if="problem !== ''" class="problem" role="alert">{{ problem }}</p>
    </div>
</template>

<style scoped>
p { margin: 0 0 4px; overflow-wrap: anywhere; }
.title { font-weight: 700; }
.of { color: var(--soft); font-size: 13px; }
.problem { border-left: 3px solid var(--ember); padding-left: 8px; }
img, video { display: block; max-width: 100%; max-height: 190px; border-radius: 4px; margin-bottom: 6px; background: #fff; border: 1px solid var(--edge); }
</style>
