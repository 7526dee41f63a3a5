<script setup lang="ts">
import { createLocale, enUS, NConfigProvider } from 'naive-ui'
import { computed, defineAsyncComponent, watch } from 'vue'
import { useActions } from '@/actions/useActions'
import { usePreferences } from '@/stores/preferences'
import { themeOf } from '@/ui/theme'
import { useUi } from '@/ui/uiStore'

const ActionPalette = defineAsyncComponent(() => import('@/ui/ActionPalette.vue'))
const CalmPanel = defineAsyncComponent(() => import('@/ui/CalmPanel.vue'))
const KeyList = defineAsyncComponent(() => import('@/ui/KeyList.vue'))

const preferences = usePreferences()
const ui = useUi()
const theme = computed(() => themeOf(preferences.board))

// An empty field says what it is for in words of its own, or nothing.
const words = createLocale({ Input: { placeholder: '' }, Select: { placeholder: 'Choose' } }, enUS)

useActions().listen()
watch(() => preferences.names, (now, before) => (now === 'said' || before === 'said') && void import('@/aloud/toolNames').then(({ sayNames }) => sayNames(now === 'said')), { immediate: true })
</script>

<template>
    <NConfigProvider :locale="words" :theme="theme.base" :theme-overrides="theme.overrides">
        <RouterView />
        <ActionPalette v-if="ui.panel === 'palette'" />
        <KeyList v-if="ui.panel === 'keys'" />
        <CalmPanel v-if="ui.panel === 'calm'" />
    </NConfigProvider>
</template>
