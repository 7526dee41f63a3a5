<script setup lang="ts">
import { NAlert, NButton, NInput } from 'naive-ui'
import { ref } from 'vue'
import { useRoute } from 'vue-router'
import { api } from '@/api/client'
import { useSession } from '@/stores/session'
import AccountFrame from './AccountFrame.vue'
import { useForm } from './useForm'

/** Signing in; a demo installation has one button for it. */
const session = useSession()
const route = useRoute()
const email = ref('')
const password = ref('')
const { problem, busy, enter } = useForm()

const submit = (): Promise<void> => enter(() => session.enter(api.signIn(email.value, password.value)), route.query.to)
const demo = (): Promise<void> => enter(() => session.enter(api.demo()), route.query.to)
</script>

<template>
    <AccountFrame title="Sign in">
        <NAlert v-if="route.query.why === 'ended'" class="ended" type="info" :show-icon="false">Your session has ended. Sign in and go on where you were; what you changed is kept.</NAlert>
        <form @submit.prevent="submit">
            <label>E-mail<NInput v-model:value="email" placeholder="" size="large" :input-props="{ type: 'email', autocomplete: 'username', name: 'email', 'aria-label': 'E-mail' }" /></label>
            <label>Password<NInput v-model:value="password" type="password" show-password-on="click" placeholder="" size="large" :input-props="{ autocomplete: 'current-password', name: 'password', 'aria-label': 'Password' }" /></label>
            <NAlert v-if="problem !== null" type="error" :show-icon="false" role="alert">{{ problem }}</NAlert>
            <NButton type="primary" size="large" attr-type="submit" :loading="busy">Sign in</NButton>
        </form>
        <NButton v-if="session.demo" class="demo" size="large" secondary type="primary" block :loading="busy" @click="demo">Open the demo library</NButton>
        <p class="more"><RouterLink to="/register">Register</RouterLink><RouterLink to="/forgot-password">Forgotten password</RouterLink><RouterLink to="/join">I come into a class</RouterLink></p>
    </AccountFrame>
</template>

<style scoped>
.ended { margin-bottom: 12px; }
.demo { margin-top: 10px; }
</style>
