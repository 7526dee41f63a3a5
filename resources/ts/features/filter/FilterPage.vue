<script setup lang="ts">
import { NButton, NInput } from 'naive-ui'
import { nextTick, ref } from 'vue'
import { useFilter } from './filterStore'

/** The filters that are kept with the map: clicked they narrow it, clicked again they show the whole. */
const filter = useFilter()
const renaming = ref<{ id: string; name: string } | null>(null)
const field = ref<InstanceType<typeof NInput>[]>([])

function toggle(id: string): void {
    if (filter.named === id) {
        filter.end()
    } else {
        void filter.use(id)
    }
}
function begin(id: string, name: string): void {
    renaming.value = { id, name }
    void nextTick(() => field.value[0]?.select())
}
function rename(): void {
    if (renaming.value !== null && renaming.value.name.trim() !== '') {
        filter.rename(renaming.value.id, renaming.value.name)
    }
    renaming.value = null
}
function digit(event: KeyboardEvent): void {
    const one = /^[1-9]$/.test(event.key) && !(event.target instanceof HTMLInputElement) ? filter.filters[Number(event.key) - 1] : undefined
    if (one !== undefined) {
        event.preventDefault()
        toggle(one.id)
    }
}
</script>

<template>
    <div class="filters" @keydown="digit">
        <NButton size="small" secondary @click="filter.open()">Find …</NButton>
        <p v-if="filter.filters.length === 0">Filters that are kept with the map stand here: say which topics are meant, then “Keep …”.</p>
        <span v-for="(one, i) in filter.filters" :key="one.id" class="one">
            <template v-if="renaming !== null && renaming.id === one.id">
                <NInput ref="field" v-model:value="renaming.name" size="small" :maxlength="60" :input-props="{ 'aria-label': 'Name of the filter' }" @keydown.enter.stop="rename" @keydown.escape.stop="renaming = null" />
                <NButton size="small" quaternary @click="rename">Rename</NButton>
                <NButton size="small" quaternary @click="filter.remove(one.id); renaming = null">Remove</NButton>
            </template>
            <template v-else>
                <button :aria-pressed="filter.named === one.id" :class="{ on: filter.named === one.id }" @click="toggle(one.id)"><kbd v-if="i < 9">{{ i + 1 }}</kbd>{{ one.fields.name }}</button>
                <button class="more" :aria-label="`Rename or remove the filter ${one.fields.name}`" @click="begin(one.id, String(one.fields.name))">…</button>
            </template>
        </span>
    </div>
</template>

<style scoped>
.filters { display: flex; flex-wrap: wrap; align-items: center; gap: 7px; }
p { margin: 0; color: var(--soft); font-size: 14px; }
.one { display: flex; align-items: center; border: 1px solid var(--field); border-radius: 8px; }
.one > button { border: 0; background: none; color: var(--ink); font: 14px 'Atkinson Hyperlegible'; padding: 4px 4px 4px 9px; cursor: pointer; border-radius: 7px; display: inline-flex; gap: 6px; align-items: baseline; }
button.on { font-weight: 700; box-shadow: inset 0 -3px 0 var(--tide); }
.one > button:focus-visible { outline: 2px solid var(--tide); }
.one > .more { padding: 2px 7px 5px; color: var(--soft); font-weight: 700; }
kbd { font: 11.5px 'Atkinson Hyperlegible'; color: var(--soft); }
</style>
