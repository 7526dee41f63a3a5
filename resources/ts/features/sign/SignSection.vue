<script setup lang="ts">
import { NAutoComplete, NButton } from 'naive-ui'
import { computed, nextTick, onMounted, ref } from 'vue'
import { useActions } from '@/actions/useActions'
import { useBeside } from '@/stores/beside'
import { usePreferences } from '@/stores/preferences'
import { useUi } from '@/ui/uiStore'
import MeaningOffer from './MeaningOffer.vue'
import SignShape from './SignShape.vue'
import { useSigns } from './signStore'
import TagChip from './TagChip.vue'

/** The stamps and tags of what is chosen; a press takes one off. */
const beside = useBeside()
const signs = useSigns()
const preferences = usePreferences()
const ui = useUi()
const { run } = useActions()
onMounted(signs.load)

/** Those that all have stand in full, those that some have only paler. */
const stamps = computed(() => [...new Map(beside.chosen.flatMap((id) => signs.stampsOf(beside.tree, id)).map((sign) => [sign.sign, sign])).values()])
const tags = computed(() => [...new Map(beside.chosen.flatMap((id) => signs.tagsOf(id)).map((tag) => [tag.id, tag])).values()])
const typed = ref('')
const options = computed(() => signs.tags.map(({ name }) => name).filter((name) => name.toLowerCase().includes(typed.value.trim().toLowerCase())))
function put(name: string): void {
    signs.putNamed(name)
    // The field would have what was taken from the list.
    void nextTick(() => (typed.value = ''))
}
/** Enter takes what the list has under the arrow, which tells of it itself, or else what was typed. */
let isChosen = false
function choose(name: string): void {
    isChosen = true
    setTimeout(() => (isChosen = false))
    put(name)
}
function enter(): void {
    void nextTick(() => {
        if (!isChosen) {
            put(typed.value)
        }
    })
}
</script>

<template>
    <div class="line">
        <span class="words">Stamps</span>
        <button v-for="stamp in stamps" :key="stamp.sign" class="stamp" :class="{ some: !signs.isOnAll(stamp.sign) }" :aria-label="`Take the stamp ${stamp.words} off`" :title="`${signs.wordsOf(stamp.sign)}. A press takes it off.`" @click="signs.isOnAll(stamp.sign) ? signs.toggle(stamp.sign) : signs.toggle(stamp.sign, beside.chosen.filter((id) => signs.isOn(beside.tree, id, stamp.sign)))"><SignShape :parts="stamp.parts" /></button>
        <NButton size="tiny" secondary @click="run('sign.stamps')">Put one on</NButton>
    </div>
    <MeaningOffer v-if="!preferences.trayOpen || ui.trayPage !== 'Stamps'" />
    <div class="line">
        <span class="words">Tags</span>
        <TagChip v-for="tag in tags" :key="tag.id" :tag="tag" :class="{ some: !signs.allHave(tag.id) }" :aria-label="`Take the tag ${tag.name} off`" title="A press takes it off." @click="signs.toggleTag(tag.id, beside.chosen.filter((id) => signs.tagsOf(id).some((one) => one.id === tag.id)))" />
    </div>
    <NAutoComplete :value="typed" size="small" :options="options" placeholder="Add a tag" :input-props="{ 'aria-label': 'Add a tag', maxlength: 60 }" @update:value="(value: string | null) => (typed = value ?? '')" @select="(value: string | number) => choose(String(value))" @keydown.enter="enter" />
</template>

<style scoped>
.line { display: flex; flex-wrap: wrap; align-items: center; gap: 6px; }
.words { font-size: 13px; color: var(--soft); margin-right: 4px; }
.stamp { display: grid; place-items: center; border: 1px solid transparent; background: none; padding: 2px; border-radius: 6px; cursor: pointer; }
.stamp:hover, .stamp:focus-visible { border-color: var(--edge); outline: 2px solid var(--tide); }
.some { opacity: 0.55; }
</style>
