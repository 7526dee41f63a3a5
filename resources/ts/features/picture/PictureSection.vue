<script setup lang="ts">
import { NButton, NInput, NInputNumber, NRadioButton, NRadioGroup } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import { useActions } from '@/actions/useActions'
import { bounds } from '@/api/bounds'
import { sourceAddress } from '@/api/client'
import { useBeside } from '@/stores/beside'
import { useMap } from '@/stores/map'
import { usePictures, type PlaceOfPicture } from './pictureStore'

/** The picture of what is chosen: where it stands, how large it is, what is on it. */
const map = useMap()
const beside = useBeside()
const pictures = usePictures()
const { run } = useActions()

const places: { value: PlaceOfPicture; label: string }[] = [
    { value: 'above', label: 'Above' }, { value: 'below', label: 'Below' }, { value: 'left', label: 'Left' }, { value: 'right', label: 'Right' }, { value: 'instead', label: 'Instead' },
]
const row = computed(() => (typeof pictures.current?.fields.source === 'string' ? pictures.current : undefined))
const source = computed(() => String(row.value?.fields.source ?? ''))
const width = computed(() => (row.value === undefined ? null : Math.round(pictures.widthOf(row.value.id))))
const about = ref('')
watch([() => row.value?.id, () => row.value?.fields.about], () => (about.value = String(row.value?.fields.about ?? '')), { immediate: true })
function describe(): void {
    if (row.value !== undefined && about.value !== String(row.value.fields.about ?? '')) {
        pictures.set({ about: about.value.slice(0, 2000) }, [row.value.id])
    }
}
const canCaption = computed(() => about.value.trim() !== '' && beside.topic?.caption !== about.value.trim())
</script>

<template>
    <div v-if="row !== undefined" class="picture">
        <button class="shown" :aria-label="`Open the picture: ${pictures.describe(row.id)}`" title="Open it large" @click="run('picture.open')"><img :src="sourceAddress(map.id, source, 'small')" :alt="about" /></button>
        <NRadioGroup :value="row.fields.place ?? 'above'" size="small" aria-label="Place of the picture" @update:value="(place: string) => pictures.set({ place })">
            <NRadioButton v-for="place in places" :key="place.value" :value="place.value">{{ place.label }}</NRadioButton>
        </NRadioGroup>
        <label class="size"><span>Width</span><NInputNumber :value="width" size="small" :min="bounds.smallestPicture" :max="bounds.widest" :step="10" :input-props="{ 'aria-label': 'Width of the picture' }" @update:value="(wide: number | null) => pictures.set({ width: wide })" /></label>
        <label><span>What is on it, for those who cannot see it</span><NInput v-model:value="about" type="textarea" size="small" :autosize="{ minRows: 2, maxRows: 6 }" :maxlength="2000" :input-props="{ 'aria-label': 'Description of the picture' }" @blur="describe" /></label>
        <div class="tools">
            <NButton size="tiny" secondary :disabled="!canCaption" @click="map.edit({ name: 'topic.caption', topics: [row.id], caption: about.trim() })">Show it as the caption</NButton>
            <NButton size="tiny" secondary @click="run('picture.drawings')">Another</NButton>
            <NButton size="tiny" secondary @click="pictures.take()">Take it away</NButton>
        </div>
    </div>
    <div v-else class="tools">
        <NButton size="tiny" secondary @click="pictures.choose()">A picture from a file</NButton>
        <NButton size="tiny" secondary @click="run('picture.drawings')">A drawing</NButton>
        <NButton v-if="pictures.has(beside.chosen)" size="tiny" secondary @click="pictures.take()">Take the pictures away</NButton>
    </div>
</template>

<style scoped>
.picture { display: flex; flex-direction: column; gap: 8px; }
.shown { border: 1px solid var(--edge); border-radius: 8px; background: var(--board); padding: 6px; cursor: zoom-in; display: grid; place-items: center; }
.shown:focus-visible { outline: 2px solid var(--tide); }
.shown img { max-width: 100%; max-height: 130px; min-height: 40px; object-fit: contain; }
.picture :deep(.n-radio-group) { display: flex; }
.picture :deep(.n-radio-button) { flex: 1; padding: 0 2px; text-align: center; font-size: 12.5px; }
.size { display: flex; align-items: center; justify-content: space-between; }
.size .n-input-number { width: 110px; }
label > span { font-size: 13px; color: var(--soft); }
.tools { display: flex; flex-wrap: wrap; gap: 6px; }
</style>
