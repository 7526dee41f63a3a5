<script setup lang="ts">
import { NAlert, NButton, NInput } from 'naive-ui'
import { ref } from 'vue'
import { api } from '@/api/client'
import { useSession } from '@/stores/session'
import AccountFrame from './AccountFrame.vue'
import { useForm } from './useForm'

/** Making an account. */
const session = useSession()
const name = ref('')
const email = ref('')
const password = ref('')
const { problem, busy, enter } = useForm()

const submit = (): Promise<void> => enter(() => session.enter(api.register(name.value, email.value, password.value)))
</script>

<template>
    <AccountFrame title="Register">
        <form @submit.prevent="submit">
            <label>Name<NInput v-model:value="name" placeholder="" size="large" :input-props="{ autocomplete: 'name', name: 'name', 'aria-label': 'Name' }" /></label>
            <label>E-mail<NInput v-model:value="email" placeholder="" size="large" :input-props="{ type: 'email', autocomplete: 'username', name: 'email', 'aria-label': 'E-mail' }" /></label>
            <label>Password, at least 10 characters<NInput v-model:value="password" type="password" show-password-on="click" placeholder="" size="large" :input-props="{ autocomplete: 'new-password', name: 'password', 'aria-label': 'Password, at least 10 characters' }" /></label>
            <NAlert v-if="problem !== null" type="error" :show-icon="false" role="alert">{{ problem }}</NAlert>
            <NButton type="primary" size="large" attr-type="submit" :loading="busy">Register</NButton>
        </form>
        <p class="more"><RouterLink to="/sign-in">Sign in instead</RouterLink></p>
    </AccountFrame>
</template>
