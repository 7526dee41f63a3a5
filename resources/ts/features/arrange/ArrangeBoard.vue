<script setup lang="ts">
import ColumnGrips from './ColumnGrips.vue'
import PhraseOnBoard from './PhraseOnBoard.vue'
</script>

<template>
    <ColumnGrips />
    <PhraseOnBoard />
</template>
