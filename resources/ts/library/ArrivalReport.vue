<script setup lang="ts">
import { NButton, NModal, NProgress } from 'naive-ui'
import { computed } from 'vue'
import { sizeWords } from '@/ui/sizes'
import { useLibrary } from './libraryStore'

/** What became of each of several files. */
const library = useLibrary()

const ended = computed(() => library.arrivals.filter((one) => one.state === 'done' || one.state === 'refused').length)
const refused = computed(() => library.arrivals.filter((one) => one.state === 'refused').length)
const isOver = computed(() => ended.value === library.arrivals.length)
const WORDS = { waiting: 'waits', reading: 'is read', done: 'is a map now', refused: '' }
</script>

<template>
    <NModal :show="true" preset="card" title="Bringing in files" style="width: min(560px, calc(100vw - 24px))" :bordered="false" :closable="isOver" :mask-closable="isOver" @update:show="library.arrivals = []">
        <NProgress type="line" :percentage="Math.round((100 * ended) / library.arrivals.length)" :show-indicator="false" />
        <p aria-live="polite">{{ ended - refused }} of {{ library.arrivals.length }} brought in{{ refused > 0 ? `, ${refused} could not be read` : '' }}.</p>
        <ul>
            <li v-for="(one, i) in library.arrivals" :key="i" :class="one.state">
                <RouterLink v-if="one.map !== null" :to="`/maps/${one.map}`">{{ one.name }}</RouterLink><span v-else>{{ one.name }}</span>
                <small>{{ one.state === 'reading' && one.sent > 0 && one.sent < one.size ? `${sizeWords(one.sent)} of ${sizeWords(one.size)} have come` : WORDS[one.state] }}{{ one.why }} <NButton v-if="one.state === 'reading' && one.sent > 0 && one.sent < one.size" size="tiny" secondary @click="one.isStopped = true">Stop</NButton></small>
            </li>
        </ul>
        <template #footer><NButton type="primary" :disabled="!isOver" @click="library.arrivals = []">Done</NButton></template>
    </NModal>
</template>

<style scoped>
ul { list-style: none; margin: 0; padding: 0; max-height: 46vh; overflow: auto; }
li { display: grid; padding: 5px 0 5px 10px; border-left: 3px solid var(--edge); margin-bottom: 4px; }
li.done { border-color: var(--kelp); }
li.refused { border-color: var(--ember); }
a { color: var(--link); }
small { color: var(--soft); }
</style>
