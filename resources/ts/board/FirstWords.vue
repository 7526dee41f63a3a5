<script setup lang="ts">
import { computed } from 'vue'
import { useActions } from '@/actions/useActions'
import { useMap } from '@/stores/map'

/** On a map that has hardly begun: what it is about, and the three keys one needs. */
const map = useMap()
const { keyOf } = useActions()

const isUntitled = computed(() => map.tree.topics.get(map.tree.root)?.title === '')
const keys = computed(() => [
    { key: keyOf('typing.subtopic'), what: 'goes on one level deeper' },
    { key: keyOf('typing.next'), what: 'goes on with the next topic' },
    { key: keyOf('typing.out'), what: 'goes on one level higher' },
])
</script>

<template>
    <aside class="first-words" aria-label="How to begin">
        <strong>{{ isUntitled ? 'What is this map about?' : 'Go on typing:' }}</strong>
        <p v-if="isUntitled">Type it in a word or two. Then:</p>
        <dl>
            <template v-for="one in keys" :key="one.what"><dt><kbd>{{ one.key }}</kbd></dt><dd>{{ one.what }}</dd></template>
        </dl>
    </aside>
</template>

<style scoped>
.first-words { position: absolute; left: 50%; bottom: 64px; transform: translateX(-50%); padding: 12px 18px 14px; background: var(--slip); border: 1px solid var(--edge); border-left: 5px solid var(--marigold); border-radius: 10px; font-size: 14.5px; pointer-events: none; max-width: calc(100% - 40px); box-sizing: border-box; }
p { margin: 2px 0 6px; color: var(--soft); }
dl { display: grid; grid-template-columns: auto 1fr; gap: 4px 12px; margin: 6px 0 0; align-items: baseline; }
dd { margin: 0; }
kbd { font: 13px 'Atkinson Hyperlegible'; border: 1px solid var(--edge); border-radius: 4px; padding: 1px 7px; background: var(--board); }
</style>
