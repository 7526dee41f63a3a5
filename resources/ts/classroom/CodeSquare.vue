<script setup lang="ts">
import { create } from 'qrcode'
import { computed } from 'vue'

/** An address as a drawn square (ISO/IEC 18004) that phones read. */
const props = defineProps<{ address: string; size: number }>()

/** Light modules around it, as readers want. */
const MARGIN = 4
const square = computed(() => {
    const { modules } = create(props.address, { errorCorrectionLevel: 'M' })
    let path = ''
    for (let y = 0; y < modules.size; y++) {
        for (let x = 0; x < modules.size; x++) {
            if (modules.get(y, x) !== 0) {
                path += `M${x + MARGIN} ${y + MARGIN}h1v1h-1z`
            }
        }
    }
    return { path, wide: modules.size + 2 * MARGIN }
})
</script>

<template>
    <svg :width="size" :height="size" :viewBox="`0 0 ${square.wide} ${square.wide}`" role="img" :aria-label="`The address as a square to scan: ${address}`" shape-rendering="crispEdges"><rect width="100%" height="100%" rx="2" fill="#fff" /><path :d="square.path" fill="#16232b" /></svg>
</template>
