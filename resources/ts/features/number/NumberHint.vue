<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import { useActions } from '@/actions/useActions'
import { useBeside } from '@/stores/beside'
import { rowOf } from '@/stores/tree'

/** Says that what is below the chosen topic is numbered. */
const beside = useBeside()
const { run } = useActions()
const isNumbered = computed(() => (rowOf(beside.tree, 'numbering', beside.current ?? '')?.fields.style ?? null) !== null)
</script>

<template>
    <p v-if="isNumbered" class="hint">What is below is numbered. <NButton text type="primary" size="tiny" @click="run('change.number')">Change</NButton></p>
</template>
