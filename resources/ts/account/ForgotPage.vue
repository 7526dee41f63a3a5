<script setup lang="ts">
import { NAlert, NButton, NInput } from 'naive-ui'
import { ref, shallowRef } from 'vue'
import { api } from '@/api/client'
import type { LetterAnswer } from '@/api/wire'
import AccountFrame from './AccountFrame.vue'
import LetterShown from './LetterShown.vue'
import { useForm } from './useForm'

/** Asking for a link that sets a new password. */
const email = ref('')
const answer = shallowRef<LetterAnswer | null>(null)
const { problem, busy, send } = useForm()

const submit = (): Promise<void> =>
    send(async () => {
        answer.value = await api.forgotPassword(email.value)
    })
</script>

<template>
    <AccountFrame title="Forgotten password">
        <LetterShown v-if="answer !== null" :answer="answer" />
        <form v-else @submit.prevent="submit">
            <label>E-mail<NInput v-model:value="email" placeholder="" size="large" :input-props="{ type: 'email', autocomplete: 'username', name: 'email', 'aria-label': 'E-mail' }" /></label>
            <NAlert v-if="problem !== null" type="error" :show-icon="false" role="alert">{{ problem }}</NAlert>
            <NButton type="primary" size="large" attr-type="submit" :loading="busy">Send me a link</NButton>
        </form>
        <p class="more"><RouterLink to="/sign-in">Back to signing in</RouterLink></p>
    </AccountFrame>
</template>
