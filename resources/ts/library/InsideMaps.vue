<script setup lang="ts">
import { useRouter } from 'vue-router'
import MeantList from '@/find/MeantList.vue'

/** The topics inside all maps that are meant by what is searched for. */
defineProps<{ words: string }>()
const router = useRouter()
</script>

<template>
    <section v-if="words.trim().length > 1" class="inside">
        <h2>Inside your maps</h2>
        <MeantList :words="words" @go="(map, topic) => router.push(`/maps/${map}/topics/${topic}`)" />
    </section>
</template>

<style scoped>
.inside { margin-top: 26px; max-width: 860px; }
h2 { font-size: 17px; margin: 0 0 4px; }
</style>
