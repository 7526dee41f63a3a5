<script setup lang="ts">
import { NButton, NInput, NSelect } from 'naive-ui'
import { computed, ref, shallowRef } from 'vue'
import { api } from '@/api/client'
import type { KeptLook, LooksAnswer } from '@/api/wire'
import { useBeside } from '@/stores/beside'
import { useMap } from '@/stores/map'
import { useLooks } from './lookStore'

/** Looks with a name: those of this map and of all others of the person, and a way to keep one. */
const map = useMap()
const beside = useBeside()
const looks = useLooks()
const name = ref<string | null>(null)
const elsewhere = shallowRef<readonly KeptLook[]>([])
const foreignChalks = shallowRef<LooksAnswer['chalks']>([])

const value = computed(() => looks.common('named'))
const here = computed(() => looks.namedLooks.map((row) => ({ value: row.id, label: String(row.fields.name ?? '') })))
const options = computed(() => {
    const known = new Set(here.value.map((one) => one.label))
    const foreign = elsewhere.value.filter((look) => look.map !== map.id && !known.has(look.name)).map((look) => ({ value: `${look.map} ${look.id}`, label: look.name }))
    return [
        ...(here.value.length === 0 ? [] : [{ type: 'group' as const, label: 'In this map', key: 'here', children: here.value }]),
        ...(foreign.length === 0 ? [] : [{ type: 'group' as const, label: 'From your other maps', key: 'elsewhere', children: foreign }]),
    ]
})

async function fetchOthers(isOpen: boolean): Promise<void> {
    if (isOpen) {
        const answer = await api.looks().catch(() => ({ looks: [], chalks: [] }))
        elsewhere.value = answer.looks
        foreignChalks.value = answer.chalks
    }
}

function give(wanted: string | null): void {
    const foreign = elsewhere.value.find((look) => `${look.map} ${look.id}` === wanted)
    if (foreign === undefined) {
        looks.giveNamed(wanted)
    } else {
        looks.giveForeign({ ...foreign.fields, name: foreign.name }, foreignChalks.value)
    }
}

function keep(): void {
    const wanted = name.value?.trim() ?? ''
    if (wanted !== '') {
        looks.keepAs(wanted.slice(0, 60))
    }
    name.value = null
}
</script>

<template>
    <label class="value">
        <span>By name</span>
        <NSelect
            :value="typeof value === 'string' ? value : null" :options="options" size="small" clearable :placeholder="value === undefined ? 'Several' : 'None'" aria-label="Look by name" :input-props="{ 'aria-label': 'Look by name' }"
            @update:show="fetchOthers" @update:value="give">
            <template #empty>No look has a name yet.</template>
        </NSelect>
    </label>
    <div v-if="beside.chosen.length === 1" class="keep">
        <NButton v-if="name === null" text size="tiny" type="primary" @click="name = ''">Keep this look under a name</NButton>
        <template v-else>
            <NInput v-model:value="name" size="small" placeholder="Name of the look" :maxlength="60" autofocus :input-props="{ 'aria-label': 'Name of the look' }" @keydown.enter="keep" @keydown.escape.stop="name = null" />
            <NButton size="small" secondary @click="keep">Keep</NButton>
        </template>
        <NButton v-if="typeof value === 'string' && name === null" text size="tiny" @click="looks.dropNamed(value)">Remove it from the map</NButton>
    </div>
</template>

<style scoped>
.keep { display: flex; gap: 8px; flex-wrap: wrap; }
.keep .n-input { flex: 1; }
</style>
