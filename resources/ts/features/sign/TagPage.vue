<script setup lang="ts">
import { NButton, NCheckbox, NInput, NSelect } from 'naive-ui'
import { computed, ref } from 'vue'
import { useBeside } from '@/stores/beside'
import { useTrayDrag } from '@/tray/useTrayDrag'
import { useMap } from '@/stores/map'
import TagChip from './TagChip.vue'
import TagField from './TagField.vue'
import { useSigns } from './signStore'

/** The tags of the map: typed or clicked they are put on what is chosen; or drag one onto any topic. Renamed, recoloured and joined for the whole map. */
const map = useMap()
const beside = useBeside()
const signs = useSigns()

/** The tag that is being changed. */
const changing = ref<string | null>(null)
const tag = computed(() => signs.tags.find(({ id }) => id === changing.value))
const name = ref('')
function change(id: string): void {
    changing.value = changing.value === id ? null : id
    name.value = tag.value?.name ?? ''
}
function rename(): void {
    const wanted = name.value.trim()
    if (tag.value !== undefined && wanted !== '' && wanted !== tag.value.name) {
        signs.changeTag(tag.value.id, { name: wanted })
    }
}

const { press, release, isClick } = useTrayDrag((id: string, topic) => map.edit({ name: 'topic.tag', topics: [topic], tag: id }))

function digit(event: KeyboardEvent): void {
    const at = /^[1-9]$/.test(event.key) && !(event.target instanceof HTMLInputElement) ? signs.tags[Number(event.key) - 1] : undefined
    if (at !== undefined) {
        event.preventDefault()
        signs.toggleTag(at.id)
    }
}
</script>

<template>
    <div class="tags" @keydown="digit">
        <TagField class="typed" name="Tag" :placeholder="beside.chosen.length === 0 ? 'A new tag' : 'Put a tag on what is chosen'" />
        <span v-for="(one, i) in signs.tags" :key="one.id" class="one">
            <TagChip
                :tag="one" :on="signs.allHave(one.id)" :aria-label="`Tag ${one.name}`" :aria-pressed="signs.allHave(one.id)"
                @pointerdown="press(one.id, $event)" @pointerup="release" @click="isClick() && signs.toggleTag(one.id)"><kbd v-if="i < 9">{{ i + 1 }}</kbd></TagChip>
            <button class="more" :aria-expanded="changing === one.id" :aria-label="`Change the tag ${one.name}`" title="Change it for the whole map" @click="change(one.id)">…</button>
        </span>
        <span v-if="signs.tags.length === 0" class="none">A tag is a coloured word. Type one to begin; it is then offered on all of this map.</span>
    </div>
    <div v-if="tag !== undefined" class="change">
        <NInput v-model:value="name" size="small" :maxlength="60" :input-props="{ 'aria-label': 'Name of the tag' }" @blur="rename" @keydown.enter="rename" />
        <NSelect size="small" :value="tag.chalk" :options="[...signs.chalks]" aria-label="Chalk of the tag" :input-props="{ 'aria-label': 'Chalk of the tag' }" @update:value="(chalk: string) => signs.changeTag(tag?.id ?? '', { chalk })" />
        <NSelect size="small" :value="null" :options="signs.tags.filter(({ id }) => id !== changing).map(({ id, name: label }) => ({ value: id, label }))" placeholder="Join it with …" aria-label="Join the tag with" @update:value="(into: string) => { signs.joinTag(tag?.id ?? '', into); changing = null }" />
        <NCheckbox :checked="!tag.hidden" @update:checked="(shown: boolean) => signs.changeTag(tag?.id ?? '', { hidden: !shown })">Shown on topics</NCheckbox>
        <NCheckbox :checked="tag.isPrivate" title="Topics with this tag, and all below them, are left out of all that leaves the map." @update:checked="(isPrivate: boolean) => signs.changeTag(tag?.id ?? '', { private: isPrivate })">Private</NCheckbox>
        <NButton size="small" secondary @click="signs.dropTag(tag.id); changing = null">Remove it from the map</NButton>
    </div>
</template>

<style scoped>
.tags, .change { display: flex; flex-wrap: wrap; align-items: center; gap: 8px; }
.typed { width: 210px; }
.one { display: flex; align-items: center; }
.more { border: 0; background: none; color: var(--soft); font: 700 15px 'Atkinson Hyperlegible'; padding: 2px 6px 6px; cursor: pointer; border-radius: 5px; }
.more:focus-visible { outline: 2px solid var(--tide); }
kbd { font: 11.5px 'Atkinson Hyperlegible'; opacity: 0.8; }
.none { color: var(--soft); font-size: 13.5px; }
.change { margin-top: 10px; }
.change > .n-input, .change > .n-select { width: 150px; }
</style>
