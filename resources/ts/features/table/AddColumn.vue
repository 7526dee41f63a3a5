<script setup lang="ts">
import { NButton, NInput, NModal, NSelect } from 'naive-ui'
import { computed, ref } from 'vue'
import type { Edit } from '@/api/wire'
import { sortWords } from '@/facts/facts'
import { newId, useMap } from '@/stores/map'
import { tell } from '@/ui/tell'
import { useTable } from './tableStore'

/** A column more: one that the map has, by its name, or a new field. */
const map = useMap()
const table = useTable()
const name = ref('')
const sort = ref('text')
const more = ref('')
const sorts = Object.entries(sortWords).filter(([value]) => value !== 'computed' && value !== 'topic').map(([value, label]) => ({ value, label }))
const hidden = computed(() => (table.answer?.all ?? []).filter(({ key }) => !table.columns.some((column) => column.key === key)))
const known = computed(() => hidden.value.find(({ words }) => words.toLowerCase() === name.value.trim().toLowerCase()))
const hasChoices = computed(() => sort.value === 'choice' || sort.value === 'choices')
const hasUnit = computed(() => sort.value === 'number' || sort.value === 'money')

async function add(): Promise<void> {
    const wanted = name.value.trim()
    if (wanted === '') {
        return
    }
    if (known.value !== undefined) {
        table.addColumn(known.value.key)
    } else {
        const id = newId()
        const choices = more.value.split(/[,;\n]/).map((one) => one.trim()).filter((one) => one !== '')
        const refusal = await map.refusalOf({ name: 'row.set', step: newId(), type: 'field', row: id, fields: { name: wanted, sort: sort.value, ...(hasChoices.value && choices.length > 0 ? { choices: [...new Set(choices)].join('\n') } : {}), ...(hasUnit.value && more.value.trim() !== '' ? { unit: more.value.trim() } : {}) } } as Edit)
        if (refusal !== null) {
            tell.warning(refusal)
            return
        }
        table.addColumn(`field:${id}`)
    }
    close()
}
function close(): void {
    table.isAdding = false
    table.wanted++
}
</script>

<template>
    <NModal :show="true" preset="card" title="Add a column" :style="{ width: '420px' }" @update:show="close" @after-leave="close">
        <div class="add">
            <NInput v-model:value="name" autofocus placeholder="Name" :maxlength="60" :input-props="{ 'aria-label': 'Name of the column', list: 'known-columns' }" @keydown.enter.prevent="add" />
            <datalist id="known-columns"><option v-for="one in hidden" :key="one.key" :value="one.words" /></datalist>
            <p v-if="known !== undefined" class="known">The map has this column; it is shown.</p>
            <template v-else>
                <NSelect v-model:value="sort" filterable :options="sorts" :input-props="{ 'aria-label': 'What it holds' }" aria-label="What it holds" />
                <NInput v-if="hasChoices" v-model:value="more" placeholder="What can be chosen, with commas between" :input-props="{ 'aria-label': 'What can be chosen' }" @keydown.enter.prevent="add" />
                <NInput v-if="hasUnit" v-model:value="more" placeholder="Unit, such as € or hours" :maxlength="20" :input-props="{ 'aria-label': 'Unit' }" @keydown.enter.prevent="add" />
            </template>
            <NButton type="primary" :disabled="name.trim() === ''" @click="add">Add</NButton>
        </div>
    </NModal>
</template>

<style scoped>
.add { display: flex; flex-direction: column; gap: 10px; }
.known { margin: 0; color: var(--soft); font-size: 13px; }
</style>
