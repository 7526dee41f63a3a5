<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import { useActions } from '@/actions/useActions'
import { useMap } from '@/stores/map'
import { isApart } from './apart'

/** Says that the chosen branch does not stand where its arrangement has it. */
const map = useMap()
const { run } = useActions()
const isPulled = computed(() => isApart(map.tree, map.current ?? ''))
</script>

<template>
    <p v-if="isPulled" class="hint">Pulled apart by hand. <NButton text type="primary" size="tiny" @click="run('apart.back')">Put back</NButton></p>
</template>
