<script setup lang="ts">
import { NAlert, NButton, NInput } from 'naive-ui'
import { ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api } from '@/api/client'
import { useSession } from '@/stores/session'
import AccountFrame from './AccountFrame.vue'
import { useForm } from './useForm'

/** Setting a new password, with a link from a letter. */
const session = useSession()
const route = useRoute()
const password = ref('')
const router = useRouter()
const { problem, busy, send } = useForm()

/** Where codes are asked for besides, one more is said. */
const submit = (): Promise<void> => send(async () => {
    const answer = await api.resetPassword(String(route.query.token), String(route.query.email), password.value)
    if (answer.person === null) {
        await router.push('/sign-in?why=code')
    } else {
        await session.enter(Promise.resolve(answer))
        await router.push('/')
    }
})
</script>

<template>
    <AccountFrame title="New password">
        <form @submit.prevent="submit">
            <label>New password, at least 10 characters<NInput v-model:value="password" type="password" show-password-on="click" placeholder="" size="large" :input-props="{ autocomplete: 'new-password', name: 'password', 'aria-label': 'New password, at least 10 characters' }" /></label>
            <NAlert v-if="problem !== null" type="error" :show-icon="false" role="alert">{{ problem }}</NAlert>
            <NButton type="primary" size="large" attr-type="submit" :loading="busy">Set the password</NButton>
        </form>
        <p class="more"><RouterLink to="/forgot-password">Ask for a new link</RouterLink></p>
    </AccountFrame>
</template>
