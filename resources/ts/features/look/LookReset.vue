<script setup lang="ts">
import { useLooks } from './lookStore'

/** Takes one value of a look away, where one is said, so that it is inherited again. */
defineProps<{ field: string; label: string }>()

const looks = useLooks()
</script>

<template>
    <button v-if="looks.common(field) !== null" class="reset" type="button" :aria-label="`Inherit again: ${label}`" @click.prevent="looks.set({ [field]: null })">inherit</button>
</template>

<style scoped>
.reset { border: 0; padding: 1px 2px; background: none; color: var(--link); font: 12px 'Atkinson Hyperlegible'; text-decoration: underline; cursor: pointer; justify-self: start; }
.reset:focus-visible { outline: 2px solid var(--tide); border-radius: 4px; }
</style>
