<script setup lang="ts">
import { NAlert } from 'naive-ui'
import { computed } from 'vue'
import type { LetterAnswer } from '@/api/wire'

/** What became of a request for a letter; at the server itself, where no mail goes out, the letter as well. */
const props = defineProps<{ answer: LetterAnswer }>()

const parts = computed(() => (props.answer.letter ?? '').split(/(https?:\/\/\S+)/).map((text) => ({ text, isLink: /^https?:\/\//.test(text) })))
</script>

<template>
    <NAlert type="success" :show-icon="false" role="status">{{ answer.message }}</NAlert>
    <div v-if="answer.letter !== null" class="letter">
        <p class="why">This server sends no mail. Here is the letter:</p>
        <pre><template v-for="(part, i) in parts" :key="i"><a v-if="part.isLink" :href="part.text">Open the link</a><template v-else>{{ part.text }}</template></template></pre>
    </div>
</template>

<style scoped>
.letter { border-left: 3px solid var(--marigold); padding-left: 12px; }
.why { margin: 0 0 4px; color: var(--soft); font-size: 14px; }
pre { margin: 0; font: inherit; white-space: pre-wrap; overflow-wrap: anywhere; }
a { color: var(--link); font-weight: 700; }
</style>
