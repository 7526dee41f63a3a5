<script setup lang="ts">
import { NModal } from 'naive-ui'
import ShareBody from '@/features/share/ShareBody.vue'
import type { Folder } from '@/api/wire'

/** Who may open a folder, and so all that is in it. */
defineProps<{ folder: Folder }>()
const emit = defineEmits<{ close: [] }>()
</script>

<template>
    <NModal :show="true" preset="card" role="dialog" :title="`Share the folder “${folder.name}”`" style="width: min(460px, calc(100vw - 24px))" :bordered="false" @update:show="emit('close')">
        <div class="scroll"><ShareBody :of="{ sort: 'folder', id: folder.id }" takes-focus /></div>
    </NModal>
</template>

<style scoped>
.scroll { max-height: 70vh; overflow: auto; padding: 2px; }
</style>
