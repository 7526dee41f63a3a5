<script setup lang="ts">
import type { Editor } from '@tiptap/core'
import { NButton, NInput } from 'naive-ui'
import { ref } from 'vue'

/** What can be said of the picture that is chosen in a note. */
const props = defineProps<{ editor: Editor }>()
const about = ref(String(props.editor.getAttributes('image').alt ?? ''))

/** The picture stays chosen. */
function tell(alt: string): void {
    about.value = alt
    const { from } = props.editor.state.selection
    props.editor.chain().updateAttributes('image', { alt }).setNodeSelection(from).run()
}
</script>

<template>
    <div class="picture-tools">
        <NInput :value="about" size="small" :maxlength="500" placeholder="What is on it" :input-props="{ 'aria-label': 'What is on the picture, for those who cannot see it', dir: 'auto' }" @update:value="tell" />
        <NButton size="tiny" quaternary @click="editor.chain().focus().deleteSelection().run()">Remove</NButton>
    </div>
</template>

<style scoped>
.picture-tools { display: flex; gap: 4px; align-items: center; margin-bottom: 6px; }
</style>
