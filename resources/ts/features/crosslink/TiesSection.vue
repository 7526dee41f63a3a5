<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import { useActions } from '@/actions/useActions'
import { useBeside } from '@/stores/beside'
import { useLinks, type Link } from './linkStore'

/** The cross-links of what is chosen, each to be gone to; and the way to another. */
const beside = useBeside()
const links = useLinks()
const { run, keyOf } = useActions()

const all = computed<Link[]>(() => [...new Map(beside.chosen.flatMap((topic) => links.linksOf(topic)).map((link) => [link.id, link])).values()])
const MOST = 40
const shown = computed(() => all.value.slice(0, MOST))
const other = ({ from, to }: Link): string => (beside.chosen.includes(from) ? to : from)
</script>

<template>
    <ul v-if="shown.length > 0" class="ties">
        <li v-for="link in shown" :key="link.id">
            <button :aria-label="`Cross-link: ${links.describe(link)}`" @click="links.choose([link.id])">
                <span class="way">{{ beside.chosen.includes(link.from) ? '→' : '←' }}</span><em v-if="link.phrase !== ''">{{ link.phrase }}</em> {{ links.titleOf(other(link)) }}
            </button>
        </li>
    </ul>
    <p v-if="all.length > MOST" class="more">and {{ all.length - MOST }} more</p>
    <div class="tools">
        <NButton size="tiny" secondary :title="keyOf('crosslink.tie')" @click="run('crosslink.tie')">Draw a cross-link from here</NButton>
        <NButton v-if="all.length > 1" size="tiny" secondary @click="links.choose(all.map(({ id }) => id))">Choose them all</NButton>
        <NButton v-if="links.isTied" size="tiny" secondary :title="keyOf('crosslink.sentences')" @click="run('crosslink.sentences')">Read the map out</NButton>
    </div>
</template>

<style scoped>
.ties { list-style: none; margin: 0 0 8px; padding: 0; }
.ties button { width: 100%; display: block; border: 0; background: none; color: var(--ink); font: inherit; text-align: start; padding: 4px 6px; border-radius: 5px; cursor: pointer; overflow-wrap: anywhere; }
.ties button:hover, .ties button:focus-visible { background: color-mix(in srgb, var(--tide) 16%, transparent); }
.way { color: var(--soft); margin-right: 6px; }
em { color: var(--soft); }
.more { margin: 0 0 6px; color: var(--soft); font-size: 13px; }
.tools { display: flex; flex-wrap: wrap; gap: 6px; }
</style>
