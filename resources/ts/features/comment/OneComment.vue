<script setup lang="ts">
import { NButton, NInput } from 'naive-ui'
import { ref } from 'vue'
import type { SaidComment } from '@/api/wire'
import { useMap } from '@/stores/map'
import { useComments } from './commentStore'

/** What somebody said, and what can be done about it. */
const props = defineProps<{ said: SaidComment }>()
const map = useMap()
const comments = useComments()
const time = new Intl.DateTimeFormat(undefined, { dateStyle: 'medium', timeStyle: 'short' })
const changing = ref<string | null>(null)
async function keep(): Promise<void> {
    const text = changing.value?.trim() ?? ''
    if (text === '' || text === props.said.text || (await comments.change(props.said.id, text))) {
        changing.value = null
    }
}
</script>

<template>
    <div class="one" :class="{ settled: said.isResolved }">
        <p class="by"><strong>{{ said.by }}</strong> <small>{{ time.format(new Date(said.made)) }}{{ said.changed === null ? '' : ', changed' }}{{ said.isResolved ? ' · settled' : '' }}</small></p>
        <form v-if="changing !== null" @submit.prevent="keep">
            <NInput v-model:value="changing" type="textarea" size="small" :autosize="{ minRows: 1, maxRows: 8 }" :maxlength="4000" autofocus :input-props="{ 'aria-label': 'Say it otherwise', dir: 'auto' }" @keydown.ctrl.enter.prevent="keep" @keydown.meta.enter.prevent="keep" @keydown.escape.stop="changing = null" />
            <NButton size="tiny" type="primary" attr-type="submit">Keep</NButton><NButton size="tiny" quaternary @click="changing = null">Leave it</NButton>
        </form>
        <p v-else class="text" dir="auto">{{ said.text }}</p>
        <p v-if="changing === null" class="acts">
            <NButton v-if="said.parent === null" size="tiny" quaternary @click="comments.settle(said.id, !said.isResolved)">{{ said.isResolved ? 'Take up again' : 'Settled' }}</NButton>
            <NButton v-if="said.isOwn" size="tiny" quaternary @click="changing = said.text">Change</NButton>
            <NButton v-if="said.isOwn || map.isOwner" size="tiny" quaternary :aria-label="`Remove what ${said.by} said`" @click="comments.remove(said.id)">Remove</NButton>
        </p>
    </div>
</template>

<style scoped>
p { margin: 0; }
.by small { color: var(--soft); }
.text { white-space: pre-wrap; overflow-wrap: anywhere; line-height: 1.4; }
.acts { display: flex; flex-wrap: wrap; margin-left: -6px; }
.settled .text { color: var(--soft); }
form { display: flex; flex-wrap: wrap; gap: 4px; }
</style>
