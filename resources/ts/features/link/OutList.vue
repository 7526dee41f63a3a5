<script setup lang="ts">
import { NButton, NInput } from 'naive-ui'
import { ref } from 'vue'
import { useNaming } from '@/ui/useNaming'
import { useMap } from '@/stores/map'
import { setHowFar, showsHowFar } from './howFar'
import OutCard from './OutCard.vue'
import { kinds, type Out } from './outs'
import { useOuts } from './outStore'
import { bringBack } from './ownMap'

/** Links of a topic: where each leads, a look at that first, and what can be changed. */
const props = defineProps<{ outs: readonly Out[]; from: string; plain?: boolean }>()
const emit = defineEmits<{ gone: [] }>()
const map = useMap()
const links = useOuts()
const looked = ref<string | null>(null)

function go(out: Out): void {
    links.go(out, props.from)
    emit('gone')
}
const { naming, typed, begin: beginName, end: endName } = useNaming<Out>(({ title }) => title, links.rename)
const look = (out: Out): void => void (looked.value = looked.value === out.id ? null : out.id)
</script>

<template>
    <ul class="outs">
        <li v-for="out in outs" :key="out.id">
            <NInput v-if="naming === out.id" v-model:value="typed" size="small" autofocus :input-props="{ 'aria-label': 'Title of the link', dir: 'auto' }" @keydown.enter.stop.prevent="endName(out)" @keydown.escape.stop="naming = null" @blur="endName(out)" />
            <button v-else class="way" :aria-label="`Go to ${links.nameOf(out)}, ${kinds[out.kind]}`" @click="go(out)"><span class="name" dir="auto">{{ links.nameOf(out) }}</span><small>{{ kinds[out.kind] }}{{ out.both ? ', both ways' : '' }}</small></button>
            <div class="tools">
                <NButton v-if="map.mayEdit || out.kind === 'here'" size="tiny" quaternary :aria-expanded="looked === out.id" :aria-label="`Look at ${links.nameOf(out)} first`" @click="look(out)">{{ looked === out.id ? 'Close' : 'Look first' }}</NButton>
                <template v-if="plain !== true">
                    <NButton v-if="out.type === 'see-also'" size="tiny" quaternary @click="links.turn(out, from)">{{ out.both ? 'One way' : 'Both ways' }}</NButton>
                    <NButton v-else size="tiny" quaternary @click="beginName(out)">Rename</NButton>
                    <NButton v-if="out.kind === 'map' && !out.to.includes('/')" size="tiny" quaternary :aria-pressed="showsHowFar(from)" @click="setHowFar(from, !showsHowFar(from))">{{ showsHowFar(from) ? 'Hide how far' : 'Show how far' }}</NButton>
                    <NButton v-if="out.kind === 'map' && !out.to.includes('/')" size="tiny" quaternary @click="bringBack(out, from)">Bring it back</NButton>
                    <NButton size="tiny" quaternary :aria-label="`Remove the link to ${links.nameOf(out)}`" @click="links.remove(out)">Remove</NButton>
                </template>
            </div>
            <OutCard v-if="looked === out.id" :out="out" />
        </li>
    </ul>
</template>

<style scoped>
.outs { list-style: none; margin: 0 0 6px; padding: 0; }
.way { width: 100%; display: flex; align-items: baseline; gap: 8px; border: 0; background: none; color: var(--ink); font: inherit; text-align: start; padding: 4px 6px; border-radius: 5px; cursor: pointer; }
.way:hover, .way:focus-visible { background: color-mix(in srgb, var(--tide) 16%, transparent); }
.name { overflow-wrap: anywhere; text-decoration: underline; text-decoration-color: var(--tide); text-underline-offset: 3px; }
small { flex: none; margin-left: auto; color: var(--soft); font-size: 12.5px; }
.tools { display: flex; flex-wrap: wrap; gap: 2px; }
</style>
