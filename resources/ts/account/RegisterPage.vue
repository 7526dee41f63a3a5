<script setup lang="ts">
import { NAlert, NButton, NInput } from 'naive-ui'
import { ref, shallowRef } from 'vue'
import { useRoute } from 'vue-router'
import { api } from '@/api/client'
import type { LetterAnswer } from '@/api/wire'
import AccountFrame from './AccountFrame.vue'
import LetterShown from './LetterShown.vue'
import { useForm } from './useForm'

/** Asking for an account; a letter leads on from here. */
const name = ref('')
/** A letter about a shared map brings its address along. */
const email = ref(String(useRoute().query.email ?? ''))
const answer = shallowRef<LetterAnswer | null>(null)
const { problem, busy, send } = useForm()

const submit = (): Promise<void> =>
    send(async () => {
        answer.value = await api.register(name.value, email.value)
    })
</script>

<template>
    <AccountFrame title="Register">
        <LetterShown v-if="answer !== null" :answer="answer" />
        <form v-else @submit.prevent="submit">
            <label>Name<NInput v-model:value="name" placeholder="" size="large" :input-props="{ autocomplete: 'name', name: 'name', 'aria-label': 'Name' }" /></label>
            <label>E-mail<NInput v-model:value="email" placeholder="" size="large" :input-props="{ type: 'email', autocomplete: 'username', name: 'email', 'aria-label': 'E-mail' }" /></label>
            <NAlert v-if="problem !== null" type="error" :show-icon="false" role="alert">{{ problem }}</NAlert>
            <NButton type="primary" size="large" attr-type="submit" :loading="busy">Send me a letter to begin</NButton>
        </form>
        <p class="more"><RouterLink to="/sign-in">Sign in instead</RouterLink></p>
    </AccountFrame>
</template>
