<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed, onMounted } from 'vue'
import { useActions } from '@/actions/useActions'
import { useBeside } from '@/stores/beside'
import { usePreferences } from '@/stores/preferences'
import { useUi } from '@/ui/uiStore'
import MeaningOffer from './MeaningOffer.vue'
import SignShape from './SignShape.vue'
import { useSigns } from './signStore'
import TagChip from './TagChip.vue'
import TagField from './TagField.vue'

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
    <TagField name="Add a tag" placeholder="Add a tag" />
</template>

<style scoped>
.line { display: flex; flex-wrap: wrap; align-items: center; gap: 6px; }
.words { font-size: 13px; color: var(--soft); margin-right: 4px; }
.stamp { display: grid; place-items: center; border: 1px solid transparent; background: none; padding: 2px; border-radius: 6px; cursor: pointer; }
.stamp:hover, .stamp:focus-visible { border-color: var(--edge); outline: 2px solid var(--tide); }
.some { opacity: 0.55; }
</style>
