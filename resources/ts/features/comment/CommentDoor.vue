<script setup lang="ts">
import { defineAsyncComponent } from 'vue'
import { useCommentCounts } from './commentCounts'

/** What is at topics with comments on the board, once there is any. */
const CommentMarks = defineAsyncComponent(() => import('./CommentMarks.vue'))
const comments = useCommentCounts()
</script>

<template>
    <CommentMarks v-if="comments.counts.size > 0" />
</template>
