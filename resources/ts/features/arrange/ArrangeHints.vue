<script setup lang="ts">
import ApartHint from './ApartHint.vue'
import FreeHint from './FreeHint.vue'
</script>

<template>
    <ApartHint />
    <FreeHint />
</template>
