<script setup lang="ts">
import { NInput } from 'naive-ui'
import { nextTick, onMounted, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { leadTo } from '@/board/leadTo'
import SidePanel from '@/desk/SidePanel.vue'
import MeantList from '@/find/MeantList.vue'
import { useMap } from '@/stores/map'
import { usePreferences } from '@/stores/preferences'
import { useFilter } from './filterStore'

/** Finds what is meant in all maps, in the words that narrow one. */
const map = useMap()
const filter = useFilter()
const router = useRouter()
const preferences = usePreferences()
const text = ref(filter.text)
const input = ref<InstanceType<typeof NInput> | null>(null)
const list = ref<InstanceType<typeof MeantList> | null>(null)
const focus = (): void => void nextTick(() => input.value?.select())
onMounted(focus)
watch(() => filter.wantedEverywhere, () => {
    text.value = filter.text === '' ? text.value : filter.text
    focus()
})

function go(where: string, topic: string): void {
    preferences.leaveMark(map.id, map.current ?? map.tree.root, topic)
    if (where === map.id) {
        leadTo(topic)
    } else {
        void router.push(`/maps/${where}/topics/${topic}`)
    }
}
</script>

<template>
    <SidePanel title="In all maps">
        <NInput ref="input" v-model:value="text" size="small" clearable :maxlength="1000" placeholder="Words, “kind Meeting”, “not done” …" :input-props="{ 'aria-label': 'Which topics of all maps', dir: 'auto', autocomplete: 'off', spellcheck: false }" @keydown.down.prevent="list?.focus()" @keydown.enter.prevent="list?.focus()" />
        <p v-if="text.trim() === ''" class="none">Say which topics are meant, as in the field that finds in one map. The maps changed last come first.</p>
        <!-- Its keys are its own, not the board's. -->
        <section role="dialog" aria-label="Topics that are meant, in all maps"><MeantList ref="list" :words="text" :here="map.id" @go="go" /></section>
    </SidePanel>
</template>

<style scoped>
.none { margin: 0; color: var(--soft); font-size: 14px; }
</style>
