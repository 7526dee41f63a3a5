<script setup lang="ts">
import { NButton, NInput } from 'naive-ui'
import { ref } from 'vue'
import { api } from '@/api/client'
import Mark from '@/ui/Mark.vue'

/** A map that does not open, or no longer: why, and a way to ask for it. */
const props = defineProps<{ id: string; why: string; canAsk: boolean }>()
const words = ref('')
const said = ref<string | null>(null)
const busy = ref(false)

async function ask(): Promise<void> {
    busy.value = true
    said.value = await api.askFor(props.id, words.value.trim()).then(({ message }) => message, (error: unknown) => (error as Error).message)
    busy.value = false
}
</script>

<template>
    <div class="closed">
        <div class="slip">
            <Mark :size="44" />
            <h1>This map does not open</h1>
            <p>{{ why }}</p>
            <form v-if="canAsk && said === null" class="ask" @submit.prevent="ask">
                <NInput v-model:value="words" placeholder="Who you are, and why you ask, if wanted" :maxlength="400" :input-props="{ 'aria-label': 'Words to whoever keeps the map' }" />
                <NButton attr-type="submit" :loading="busy">Ask whoever keeps it to let you in</NButton>
            </form>
            <p v-if="said !== null" role="status">{{ said }}</p>
            <NButton type="primary" @click="$router.push('/')">Back to the library</NButton>
        </div>
    </div>
</template>

<style scoped>
.closed { height: 100dvh; display: grid; place-content: center; padding: 16px; box-sizing: border-box; }
.slip { width: min(440px, calc(100vw - 32px)); box-sizing: border-box; padding: 26px 28px; background: var(--slip); border: 1px solid var(--edge); border-left: 6px solid var(--marigold); border-radius: 10px; display: flex; flex-direction: column; align-items: flex-start; gap: 10px; }
h1 { font-size: 22px; margin: 4px 0 0; }
p { margin: 0; line-height: 1.5; color: var(--soft); }
.ask { width: 100%; display: flex; flex-direction: column; align-items: flex-start; gap: 8px; padding: 10px 0 4px; }
</style>
