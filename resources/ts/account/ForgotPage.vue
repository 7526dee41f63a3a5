<script setup lang="ts">
import { NAlert, NButton, NInput } from 'naive-ui'
import { ref } from 'vue'
import { api } from '@/api/client'
import { useSession } from '@/stores/session'
import AccountFrame from './AccountFrame.vue'
import { useForm } from './useForm'

/** Asking for a link that sets a new password. */
const session = useSession()
const email = ref('')
const said = ref<string | null>(null)
const { problem, busy, send } = useForm()

const submit = (): Promise<void> =>
    send(async () => {
        said.value = (await api.forgotPassword(email.value)).message
    })
</script>

<template>
    <AccountFrame title="Forgotten password">
        <form @submit.prevent="submit">
            <label>E-mail<NInput v-model:value="email" placeholder="" size="large" :input-props="{ type: 'email', autocomplete: 'username', name: 'email', 'aria-label': 'E-mail' }" /></label>
            <NAlert v-if="problem !== null" type="error" :show-icon="false" role="alert">{{ problem }}</NAlert>
            <NAlert v-if="said !== null" type="success" :show-icon="false" role="status">{{ said }}</NAlert>
            <NButton type="primary" size="large" attr-type="submit" :loading="busy">Send me a link</NButton>
        </form>
        <p class="more"><RouterLink to="/sign-in">Back to signing in</RouterLink><a v-if="session.demo" href="/outbox">Open the outbox</a></p>
    </AccountFrame>
</template>
