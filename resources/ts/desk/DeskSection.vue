<script setup lang="ts">
import { computed } from 'vue'
import { usePreferences } from '@/stores/preferences'

/** A part of the desk that stays folded or open as it was left. */
const props = defineProps<{ name: string }>()

const preferences = usePreferences()
const isOpen = computed(() => !preferences.deskFolded.includes(props.name))

function toggle(): void {
    preferences.deskFolded = isOpen.value ? [...preferences.deskFolded, props.name] : preferences.deskFolded.filter((one) => one !== props.name)
}
</script>

<template>
    <section class="part">
        <h3><button :aria-expanded="isOpen" @click="toggle"><i :class="{ open: isOpen }" aria-hidden="true" />{{ name }}</button></h3>
        <div v-if="isOpen" class="inside"><slot /></div>
    </section>
</template>

<style scoped>
.part { border-top: 1px solid var(--edge); padding-top: 6px; }
h3 { margin: 0; font-size: 13.5px; }
h3 button { display: flex; align-items: center; gap: 8px; width: 100%; padding: 5px 2px; border: 0; background: none; color: var(--ink); font: 700 13.5px 'Atkinson Hyperlegible'; cursor: pointer; text-align: left; border-radius: 5px; }
h3 button:focus-visible { outline: 2px solid var(--tide); }
i { width: 6px; height: 6px; border: solid var(--soft); border-width: 0 2px 2px 0; transform: rotate(-45deg); }
i.open { transform: rotate(45deg) translate(-2px, -2px); }
.inside { display: flex; flex-direction: column; gap: 14px; padding-top: 6px; }
</style>
