<script setup lang="ts">
import SidePanel from '@/desk/SidePanel.vue'
import { useMap } from '@/stores/map'
import ShareBody from './ShareBody.vue'

/** Who may open the map that is open. */
const map = useMap()
</script>

<template>
    <SidePanel title="Share" class="sharing"><ShareBody :of="{ sort: 'map', id: map.id }" takes-focus @changed="map.askForNews()" /></SidePanel>
</template>
