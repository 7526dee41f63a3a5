<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed, defineAsyncComponent } from 'vue'
import { useActions } from '@/actions/useActions'
import { useBeside } from '@/stores/beside'
import { useUi } from '@/ui/uiStore'
import { filesOf } from './files'

const FileList = defineAsyncComponent(() => import('./FileList.vue'))

/** The files of what is chosen, and the way to more. */
const beside = useBeside()
const ui = useUi()
const { run, keyOf } = useActions()
const files = computed(() => (beside.current === null ? [] : filesOf(beside.tree, beside.current)))
</script>

<template>
    <FileList v-if="files.length > 0" :files="files" />
    <div class="more">
        <NButton size="small" secondary :title="keyOf('file.add')" @click="run('file.add')">Add files</NButton>
        <NButton size="small" quaternary @click="ui.showSide('files')">Files of this map</NButton>
    </div>
</template>

<style scoped>
.more { display: flex; flex-wrap: wrap; gap: 6px; margin-bottom: 8px; }
</style>
