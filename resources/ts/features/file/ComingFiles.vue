<script setup lang="ts">
import { NButton, NProgress } from 'naive-ui'
import { sizeWords } from '@/ui/sizes'
import { useFileState, type Coming } from './fileState'
import { useFiles } from './fileStore'

/** Files on their way: how far each is, and the way to stop it. */
const store = useFiles()
const state = useFileState()
const percent = (one: Coming): number => (one.file.size === 0 ? 100 : Math.floor((100 * one.sent) / one.file.size))
const words = (one: Coming): string => ({
    waiting: `waits, ${sizeWords(one.file.size)}`, sending: `${sizeWords(one.sent)} of ${sizeWords(one.file.size)}`,
    held: 'waits for the server, and goes on by itself', failed: one.why,
})[one.state]
</script>

<template>
    <section class="coming" aria-label="Files on their way">
        <ul>
            <li v-for="one in state.coming" :key="one.key" :class="one.state">
                <div class="line"><b dir="auto">{{ one.file.name }}</b>
                    <NButton v-if="one.state !== 'failed'" size="tiny" secondary :aria-label="`Stop ${one.file.name}`" @click="store.stop(one)">Stop</NButton>
                    <template v-else><NButton size="tiny" secondary @click="store.again(one)">Try again</NButton><NButton size="tiny" quaternary @click="store.dismiss(one.key)">Leave it</NButton></template>
                </div>
                <NProgress v-if="one.state !== 'failed'" type="line" :height="5" :percentage="percent(one)" color="var(--tide)" rail-color="var(--edge)" :show-indicator="false" :aria-label="`${one.file.name}: ${percent(one)} per cent`" />
                <small>{{ words(one) }}</small>
            </li>
        </ul>
    </section>
</template>

<style scoped>
.coming { position: fixed; z-index: 8; left: 50%; bottom: 92px; transform: translateX(-50%); width: min(360px, calc(100vw - 24px)); max-height: 40vh; overflow: auto; padding: 8px 12px; border: 1px solid var(--edge); border-radius: 9px; background: var(--slip); box-shadow: 0 4px 18px rgb(0 0 0 / 16%); }
ul { list-style: none; margin: 0; padding: 0; }
li { padding: 5px 0; }
li.failed { border-left: 3px solid var(--ember); padding-left: 8px; }
.line { display: flex; align-items: center; gap: 8px; }
b { flex: 1; min-width: 0; overflow: hidden; text-overflow: ellipsis; white-space: nowrap; font-weight: 600; }
small { color: var(--soft); }
</style>
