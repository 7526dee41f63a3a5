<script setup lang="ts">
import { NAlert, NButton, NSwitch } from 'naive-ui'
import { computed, nextTick, ref, useTemplateRef } from 'vue'
import type { ClassAnswer } from '@/api/wire'
import { useAttempt } from '@/features/share/useAttempt'
import { classApi, inFours } from './api'
import CodeSquare from './CodeSquare.vue'

/** The door of a class: while it is open, anybody with the code comes in. */
const props = defineProps<{ of: ClassAnswer }>()
const emit = defineEmits<{ changed: [ClassAnswer] }>()
const { busy, problem, attempt } = useAttempt()
const large = ref(false)
const wall = useTemplateRef<HTMLElement>('wall')
async function show(): Promise<void> {
    large.value = true
    await nextTick()
    wall.value?.focus()
}
const address = computed(() => `${location.origin}/join/${props.of.code ?? ''}`)
const turn = (isOpen: boolean): Promise<boolean> => attempt(async () => emit('changed', await classApi.change(props.of.id, { isOpen })))
</script>

<template>
    <section class="door" aria-label="The door">
        <div class="line"><h2>The door</h2><span>{{ of.code === null ? 'closed' : 'open' }}</span><NSwitch :value="of.code !== null" :loading="busy" aria-label="The door is open" @update:value="turn" /></div>
        <p v-if="of.code === null" class="none">Open it, and whoever has the code or scans the square comes in with a first name, until you close it.</p>
        <div v-else class="open">
            <CodeSquare :address="address" :size="132" />
            <div><b class="code">{{ inFours(of.code) }}</b><p>at <span class="address">{{ address.replace(/^https?:\/\//, '').replace(/\/[^/]*$/, '') }}</span></p><NButton size="small" secondary @click="show">Show it large</NButton></div>
        </div>
        <NAlert v-if="problem !== null" type="error" :show-icon="false" role="alert">{{ problem }}</NAlert>
        <div v-if="large && of.code !== null" ref="wall" class="wall" role="dialog" aria-modal="true" aria-label="The code, large" tabindex="-1" @keydown.escape="large = false" @click="large = false">
            <CodeSquare :address="address" :size="420" />
            <p>{{ address.replace(/^https?:\/\//, '').replace(/\/[^/]*$/, '') }}</p><b>{{ inFours(of.code) }}</b>
            <NButton @click="large = false">Back to the class</NButton>
        </div>
    </section>
</template>

<style scoped>
.line { display: flex; align-items: center; gap: 10px; margin-bottom: 8px; color: var(--soft); }
h2 { font-size: 17px; margin: 0; flex: 1; color: var(--ink); }
.none { color: var(--soft); margin: 0; line-height: 1.5; }
.open { display: flex; gap: 16px; align-items: center; background: var(--slip); border: 1px solid var(--edge); border-radius: 10px; padding: 12px; }
.code { font-size: 25px; letter-spacing: 0.06em; }
.open p { margin: 2px 0 10px; color: var(--soft); overflow-wrap: anywhere; }
.wall { outline: none; position: fixed; inset: 0; z-index: 30; background: var(--board); display: flex; flex-direction: column; align-items: center; justify-content: center; gap: 12px; padding: 20px; box-sizing: border-box; }
.wall :deep(svg) { max-width: 80vw; max-height: 58vh; }
.wall p { margin: 0; font-size: 26px; overflow-wrap: anywhere; text-align: center; }
.wall b { font-size: 58px; letter-spacing: 0.08em; }
</style>
