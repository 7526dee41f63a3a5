<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import { useActions } from '@/actions/useActions'
import { useBeside } from '@/stores/beside'
import { isApart } from './apart'

/** Says that the chosen branch does not stand where its arrangement has it. */
const beside = useBeside()
const { run } = useActions()
const isPulled = computed(() => isApart(beside.tree, beside.current ?? ''))
</script>

<template>
    <p v-if="isPulled" class="hint">Pulled apart by hand. <NButton text type="primary" size="tiny" @click="run('apart.back')">Put back</NButton></p>
</template>
