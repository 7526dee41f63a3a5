<script setup lang="ts">
import { NAlert, NButton, NInput } from 'naive-ui'
import { ref } from 'vue'
import { useRoute } from 'vue-router'
import { api } from '@/api/client'
import { useSession } from '@/stores/session'
import AccountFrame from './AccountFrame.vue'
import { useForm } from './useForm'

/** Finishing to register, with the link from the letter. */
const session = useSession()
const route = useRoute()
const password = ref('')
const { problem, busy, enter } = useForm()

const submit = (): Promise<void> => enter(() => session.enter(api.finishRegistration(String(route.query.token), password.value)))
</script>

<template>
    <AccountFrame title="Choose a password">
        <form @submit.prevent="submit">
            <label>Password, at least 10 characters<NInput v-model:value="password" type="password" show-password-on="click" placeholder="" size="large" :input-props="{ autocomplete: 'new-password', name: 'password', 'aria-label': 'Password, at least 10 characters' }" /></label>
            <NAlert v-if="problem !== null" type="error" :show-icon="false" role="alert">{{ problem }}</NAlert>
            <NButton type="primary" size="large" attr-type="submit" :loading="busy">Begin</NButton>
        </form>
        <p class="more"><RouterLink to="/register">Ask for a new letter</RouterLink></p>
    </AccountFrame>
</template>
