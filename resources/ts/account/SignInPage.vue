<script setup lang="ts">
import { NAlert, NButton, NInput } from 'naive-ui'
import { nextTick, onMounted, ref } from 'vue'
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
const { problem, busy, send, enter } = useForm()

const code = ref('')
/** The password was right, and a code is asked for. */
const wantsCode = ref(route.query.why === 'code')
const field = ref<InstanceType<typeof NInput> | null>(null)

async function submit(): Promise<void> {
    let asked = false
    await send(async () => {
        const answer = await api.signIn(email.value, password.value)
        asked = answer.person === null
        if (answer.person !== null) {
            await session.enter(Promise.resolve(answer))
        }
    })
    if (asked) {
        wantsCode.value = true
        password.value = ''
        await nextTick()
        field.value?.focus()
    } else if (problem.value === null) {
        await enter(() => Promise.resolve(), route.query.to)
    }
}
/** Why somebody who came back from the provider was not let in. */
const SAID: Readonly<Record<string, string>> = {
    late: 'That took too long, or was begun in another browser. Sign in once more.', unverified: 'The provider does not say an address of yours that it has verified.', taken: 'Your address there belongs to another account here.',
    unchecked: 'What the provider said could not be checked. Tell whoever runs this server.', refused: 'The provider let nobody in.', unreachable: 'The provider cannot be reached. Try again in a minute.',
}
const say = (): Promise<void> => enter(() => session.enter(api.sayCode(code.value)), route.query.to)
onMounted(() => wantsCode.value && field.value?.focus())
const demo = (): Promise<void> => enter(() => session.enter(api.demo()), route.query.to)
</script>

<template>
    <AccountFrame title="Sign in">
        <NAlert v-if="route.query.why === 'ended'" class="ended" type="info" :show-icon="false">Your session has ended. Sign in and go on where you were; what you changed is kept.</NAlert>
        <NAlert v-if="SAID[String(route.query.why)] !== undefined" class="ended" type="error" :show-icon="false" role="alert">{{ SAID[String(route.query.why)] }}</NAlert>
        <form v-if="wantsCode" key="code" @submit.prevent="say">
            <label>Code from your authenticator, or one that you wrote down<NInput ref="field" v-model:value="code" placeholder="" size="large" :maxlength="40" :input-props="{ autocomplete: 'one-time-code', inputmode: 'text', 'aria-label': 'Code' }" /></label>
            <NAlert v-if="problem !== null" type="error" :show-icon="false" role="alert">{{ problem }}</NAlert>
            <NButton type="primary" size="large" attr-type="submit" :loading="busy" :disabled="code.trim() === ''">Sign in</NButton>
        </form>
        <form v-else key="password" @submit.prevent="submit">
            <label>E-mail<NInput v-model:value="email" placeholder="" size="large" :input-props="{ type: 'email', autocomplete: 'username', name: 'email', 'aria-label': 'E-mail' }" /></label>
            <label>Password<NInput v-model:value="password" type="password" show-password-on="click" placeholder="" size="large" :input-props="{ autocomplete: 'current-password', name: 'password', 'aria-label': 'Password' }" /></label>
            <NAlert v-if="problem !== null" type="error" :show-icon="false" role="alert">{{ problem }}</NAlert>
            <NButton type="primary" size="large" attr-type="submit" :loading="busy">Sign in</NButton>
        </form>
        <NButton v-if="session.provider !== null && !wantsCode" class="demo" size="large" secondary block tag="a" href="/api/openid">Sign in by {{ session.provider }}</NButton>
        <NButton v-if="session.demo && !wantsCode" class="demo" size="large" secondary type="primary" block :loading="busy" @click="demo">Open the demo library</NButton>
        <p class="more"><RouterLink to="/register">Register</RouterLink><RouterLink to="/forgot-password">Forgotten password</RouterLink><RouterLink to="/join">I come into a class</RouterLink></p>
    </AccountFrame>
</template>

<style scoped>
.ended { margin-bottom: 12px; }
.demo { margin-top: 10px; }
</style>
