<script setup lang="ts">
import { NButton, NInput, NModal } from 'naive-ui'
import { onMounted, ref } from 'vue'
import { api } from '@/api/client'
import { useMap } from '@/stores/map'
import { tell } from '@/ui/tell'
import { useTable } from './tableStore'

/** The secret address at which other calendars read this map, and how it is withdrawn. */
const map = useMap()
const table = useTable()
const address = ref<string | null>(null)
const isKnown = ref(false)
const problem = ref('')

async function ask(method: 'GET' | 'POST' | 'DELETE'): Promise<void> {
    try {
        address.value = (await api.calendar(map.id, method)).address
        isKnown.value = true
        problem.value = ''
    } catch (error) {
        problem.value = (error as Error).message
    }
}
async function copy(): Promise<void> {
    try {
        await navigator.clipboard.writeText(address.value ?? '')
        tell.info('The address is copied.')
    } catch {
        tell.warning('The browser did not let it onto the clipboard.')
    }
}
function close(): void {
    table.isAddressed = false
    table.wanted++
}
onMounted(() => void ask('GET'))
</script>

<template>
    <NModal :show="true" preset="card" title="This map in other calendars" :style="{ width: 'min(560px, 94vw)' }" @update:show="close">
        <div class="address">
            <p>Other calendars can read what of this map has a date and what is to be done, and follow it. Whoever knows the address can read it without an account; what is private stays out.</p>
            <p v-if="problem !== ''" class="wrong" role="alert">{{ problem }}</p>
            <NInput v-if="address !== null" :value="address" readonly :input-props="{ 'aria-label': 'Address of the calendar' }" @focus="($event.target as HTMLInputElement).select()" />
            <div class="row">
                <template v-if="address !== null">
                    <NButton type="primary" @click="copy">Copy the address</NButton>
                    <NButton secondary @click="ask('POST')">Another address</NButton>
                    <NButton secondary @click="ask('DELETE')">Withdraw it</NButton>
                </template>
                <NButton v-else-if="isKnown" type="primary" @click="ask('POST')">Make an address</NButton>
            </div>
        </div>
    </NModal>
</template>

<style scoped>
.address { display: flex; flex-direction: column; gap: 12px; }
p { margin: 0; }
.row { display: flex; flex-wrap: wrap; gap: 8px; }
.wrong { padding-left: 7px; border-left: 3px solid var(--ember); font-size: 13px; }
</style>
