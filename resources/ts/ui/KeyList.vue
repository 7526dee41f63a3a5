<script setup lang="ts">
import { NInput, NModal } from 'naive-ui'
import { computed, ref } from 'vue'
import { readable } from '@/actions/keys'
import { useActions } from '@/actions/useActions'
import { useMap } from '@/stores/map'
import { useUi } from './uiStore'

/** All keys, by what they are for. */
const ui = useUi()
const map = useMap()
const { actions } = useActions()
const words = ref('')

const groups = computed(() => {
    const wanted = words.value.toLowerCase()
    const found = actions.filter((action) => action.keys.length > 0 && `${action.name} ${action.keys.map(readable).join(' ')}`.toLowerCase().includes(wanted))
    return [...new Set(found.map((action) => action.group))].map((group) => ({ group, actions: found.filter((action) => action.group === group) }))
})

function close(): void {
    ui.panel = null
    ui.focusRegion(map.region)
}
</script>

<template>
    <NModal :show="true" preset="card" title="All keys" class="key-list" style="width: min(860px, calc(100vw - 24px))" :bordered="false" @update:show="close">
        <NInput v-model:value="words" placeholder="Search the keys" clearable :input-props="{ 'aria-label': 'Search the keys' }" />
        <p class="hint">On the board and in the outline, typing begins a new title for the chosen topic.</p>
        <div class="scroll"><div class="groups">
            <section v-for="{ group, actions: its } in groups" :key="group">
                <h3>{{ group }}</h3>
                <dl>
                    <template v-for="action in its" :key="action.id">
                        <dt><kbd v-for="key in action.keys" :key="key">{{ readable(key) }}</kbd></dt>
                        <dd>{{ action.name }}</dd>
                    </template>
                </dl>
            </section>
        </div></div>
    </NModal>
</template>

<style scoped>
.hint { color: var(--soft); margin: 10px 0 0; }
.scroll { max-height: 62vh; overflow: auto; }
.groups { columns: 2 340px; column-gap: 32px; }
section { break-inside: avoid-column; padding-top: 14px; }
h3 { margin: 0 0 4px; font-size: 15px; }
dl { display: grid; grid-template-columns: minmax(130px, auto) 1fr; gap: 4px 12px; margin: 0; font-size: 14px; align-items: baseline; }
dd { margin: 0; }
dt { display: flex; flex-wrap: wrap; gap: 4px; align-items: baseline; }
kbd { font: 13px 'Atkinson Hyperlegible'; border: 1px solid var(--edge); border-radius: 4px; padding: 0 6px; background: var(--board); height: fit-content; }
</style>
