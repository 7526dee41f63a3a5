<script setup lang="ts">
import { NModal } from 'naive-ui'
import StarterShelf from './StarterShelf.vue'

/** The starters in a dialog. */
const emit = defineEmits<{ close: [] }>()
</script>

<template>
    <NModal :show="true" preset="card" title="Begin from a starter" style="width: min(920px, calc(100vw - 24px))" :bordered="false" @update:show="emit('close')">
        <div class="scroll"><StarterShelf :takes-focus="true" @begun="emit('close')" /></div>
    </NModal>
</template>

<style scoped>
.scroll { max-height: 66vh; overflow: auto; }
</style>
