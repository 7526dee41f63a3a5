<script setup lang="ts">
import { NButton, NInput } from 'naive-ui'
import { ref, watch } from 'vue'
import { useSigns } from './signStore'
import SignShape from './SignShape.vue'

/** Asks what a stamp means when it is first used on a map; it may be left without an answer. */
const signs = useSigns()
const means = ref('')
watch(() => signs.unexplained, () => (means.value = ''))

function write(): void {
    if (signs.unexplained !== null) {
        signs.mean(signs.unexplained, means.value)
    }
}
</script>

<template>
    <div v-if="signs.unexplained !== null" class="offer">
        <SignShape :parts="signs.signOf(signs.unexplained).parts" />
        <NInput
            v-model:value="means" size="small" :maxlength="200" :placeholder="`What does “${signs.signOf(signs.unexplained).words}” mean on this map?`"
            :input-props="{ 'aria-label': `What “${signs.signOf(signs.unexplained).words}” means on this map` }" @keydown.enter="write" @keydown.escape.stop="signs.unexplained = null" />
        <NButton size="small" secondary :disabled="means.trim() === ''" @click="write">Write it into the legend</NButton>
        <NButton size="small" quaternary @click="signs.unexplained = null">Leave it</NButton>
    </div>
</template>

<style scoped>
.offer { display: flex; flex-wrap: wrap; align-items: center; gap: 8px; }
.offer > .n-input { flex: 1 1 190px; max-width: 380px; }
</style>
