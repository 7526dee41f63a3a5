<script setup lang="ts">
import { NButton, NModal, NProgress } from 'naive-ui'
import AreaMark from './AreaMark.vue'
import HandOverBody from './HandOverBody.vue'
import { useHandOver } from './handOverStore'

/** The panel, and how far a file is that is being made while one goes on working. */
const handOver = useHandOver()
</script>

<template>
    <!-- What is in it is a component of its own: the dialog does not bear its content to change under it. -->
    <AreaMark v-if="handOver.isOpen && handOver.isMarking" />
    <NModal v-else-if="handOver.isOpen" :show="true" :auto-focus="false" aria-label="Hand over" @update:show="handOver.close"><HandOverBody /></NModal>
    <div v-if="handOver.making !== null && !handOver.isOpen" class="making" role="status">
        <div class="words"><strong>{{ handOver.making.title }}</strong><span>{{ handOver.making.words }}</span></div>
        <NProgress type="line" :percentage="handOver.making.percent" :show-indicator="false" :height="6" />
        <NButton size="small" @click="handOver.stop">Stop</NButton>
    </div>
</template>

<style scoped>
.making { position: fixed; right: 20px; bottom: 20px; z-index: 20; width: min(340px, calc(100vw - 40px)); box-sizing: border-box; display: grid; grid-template-columns: 1fr auto; gap: 6px 14px; align-items: center; padding: 12px 14px; background: var(--slip); border: 1px solid var(--edge); border-radius: 12px; box-shadow: 0 8px 30px rgb(0 0 0 / 22%); }
.words { display: flex; flex-direction: column; font-size: 14px; grid-column: 1 / 3; }
.words span { color: var(--soft); font-size: 13px; }
</style>
