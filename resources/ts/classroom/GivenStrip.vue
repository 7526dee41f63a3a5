<script setup lang="ts">
import { NButton } from 'naive-ui'
import { onMounted, ref, shallowRef, watch } from 'vue'
import type { GivenAnswer } from '@/api/wire'
import { useMap } from '@/stores/map'
import { tell } from '@/ui/tell'
import { classApi, dueWords, STATES } from './api'

/** Above a copy of what was given out: the question, until when, and handing it in; for the teacher whose it is. */
const map = useMap()
const its = shallowRef<GivenAnswer | null>(null)
const busy = ref(false)

const look = async (): Promise<void> => void (its.value = await classApi.ofMap(map.id).catch(() => its.value))
async function handIn(): Promise<void> {
    const copy = its.value?.copy
    if (copy === null || copy === undefined || its.value === null) {
        return
    }
    busy.value = true
    try {
        const now = await classApi.handIn(copy.id)
        its.value = { ...its.value, copy: now }
        map.askForNews()
        tell.info('Handed in. It stays as it is until it is given back.')
    } catch (error) {
        tell.warning((error as Error).message)
    } finally {
        busy.value = false
    }
}
onMounted(look)
// It was taken in, or given back.
watch(() => map.role, () => void look())
</script>

<template>
    <div v-if="its !== null && its.copy !== null" class="given-strip" role="region" aria-label="What is asked">
        <b v-if="its.handOut !== null" dir="auto">{{ its.label }}</b>
        <span v-if="its.copy.question !== ''" class="question" dir="auto">{{ its.copy.question }}</span>
        <span v-else class="question" dir="auto">{{ its.copy.title }}</span>
        <small v-if="dueWords(its.copy.due) !== null" :class="{ over: dueWords(its.copy.due)?.isOver && its.copy.state === 'open' }">{{ dueWords(its.copy.due)?.words }}</small>
        <small class="state">{{ STATES[its.copy.state] }}</small>
        <RouterLink v-if="its.handOut !== null" :to="`/hand-outs/${its.handOut}`">The table of the class</RouterLink>
        <NButton v-else-if="its.copy.state !== 'in'" size="small" type="primary" :loading="busy" @click="handIn">Hand in</NButton>
    </div>
</template>

<style scoped>
.given-strip { display: flex; flex-wrap: wrap; align-items: center; gap: 4px 14px; padding: 6px 14px; background: var(--slip); border-bottom: 1px solid var(--edge); border-left: 4px solid var(--marigold); }
.question { flex: 1; min-width: 200px; white-space: pre-line; line-height: 1.4; max-height: 5.6em; overflow: auto; }
small { color: var(--soft); font-size: 13.5px; }
.state { font-weight: 700; }
.over { color: var(--ember); font-weight: 700; }
a { color: var(--link); }
</style>
