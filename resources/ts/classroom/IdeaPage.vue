<script setup lang="ts">
import { NAlert, NButton, NInput } from 'naive-ui'
import { nextTick, onMounted, ref } from 'vue'
import AccountFrame from '@/account/AccountFrame.vue'
import { useAttempt } from '@/features/share/useAttempt'
import { classApi } from './api'

/** Ideas from a phone: what is asked, a field, and what was sent from here. */
const props = defineProps<{ code: string }>()
const question = ref<string | null>(null)
const text = ref('')
const sent = ref<readonly { text: string; isLooked: boolean }[]>([])
const field = ref<InstanceType<typeof NInput> | null>(null)
const { busy, problem, attempt } = useAttempt()
const MOST = 200

async function send(): Promise<void> {
    const idea = text.value.trim()
    if (idea !== '' && (await attempt(async () => void (sent.value = [{ text: idea, isLooked: (await classApi.send(props.code, idea)).isLooked }, ...sent.value])))) {
        text.value = ''
    }
    await nextTick()
    field.value?.focus()
}
onMounted(async () => {
    await attempt(async () => void (question.value = (await classApi.asked(props.code)).question))
    await nextTick()
    field.value?.focus()
})
</script>

<template>
    <AccountFrame :title="question === null ? 'Ideas' : question || 'What comes to your mind?'">
        <form v-if="question !== null" @submit.prevent="send">
            <NInput ref="field" v-model:value="text" type="textarea" size="large" :autosize="{ minRows: 2, maxRows: 5 }" :maxlength="MOST" placeholder="An idea in a few words" :input-props="{ 'aria-label': 'An idea' }" @keydown.enter.exact.prevent="send" />
            <NButton type="primary" size="large" attr-type="submit" :loading="busy" :disabled="text.trim() === ''">Send it</NButton>
        </form>
        <NAlert v-if="problem !== null" type="error" :show-icon="false" role="alert">{{ problem }}</NAlert>
        <div v-if="sent.length > 0" class="sent" role="status"><p>{{ sent[0]?.isLooked ? 'Sent. Somebody looks at it before it is shown.' : 'Sent: it is on the board.' }}</p><ul><li v-for="(one, n) in sent" :key="n" dir="auto">{{ one.text }}</li></ul></div>
    </AccountFrame>
</template>

<style scoped>
.sent { margin-top: 16px; color: var(--soft); }
.sent p { margin: 0 0 6px; }
.sent ul { margin: 0; padding-left: 18px; color: var(--ink); }
.sent li { overflow-wrap: anywhere; }
</style>
