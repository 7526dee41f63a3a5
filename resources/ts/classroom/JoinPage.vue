<script setup lang="ts">
import { NAlert, NButton, NInput } from 'naive-ui'
import { nextTick, onMounted, ref, watch } from 'vue'
import AccountFrame from '@/account/AccountFrame.vue'
import { api } from '@/api/client'
import { useForm } from '@/account/useForm'
import { useSession } from '@/stores/session'
import { classApi } from './api'

/** Coming into a class: by its code and a first name, or by a word of one's own. No address is asked for. */
const props = defineProps<{ code?: string }>()
const session = useSession()
const code = ref(props.code ?? '')
const name = ref('')
const word = ref('')
const knows = ref(false)
const { problem, busy, enter } = useForm()
/** The first field that is empty. */
const focus = (): void => [...document.querySelectorAll<HTMLInputElement>('.account input')].find((one) => one.value === '')?.focus()
onMounted(focus)
watch(knows, () => nextTick(focus))

const join = (how: { code: string; name: string } | { word: string }): Promise<void> => enter(async () => {
    await classApi.join(how)
    await session.enter(api.me().then(({ person }) => ({ person: person ?? never() })))
}, undefined)
function turn(): void {
    knows.value = !knows.value
    problem.value = null
}
function never(): never {
    throw new Error('You are in, but the server does not know you. Allow cookies for this page, and try again.')
}
</script>

<template>
    <AccountFrame title="Come into your class">
        <form v-if="!knows" key="code" @submit.prevent="join({ code, name: name.trim() })">
            <label>Code<NInput v-model:value="code" placeholder="" size="large" :maxlength="40" :input-props="{ 'aria-label': 'Code', autocomplete: 'off', autocapitalize: 'none', spellcheck: false }" /></label>
            <label>First name<NInput v-model:value="name" placeholder="" size="large" :maxlength="60" :input-props="{ 'aria-label': 'First name', autocomplete: 'off' }" /></label>
            <NAlert v-if="problem !== null" type="error" :show-icon="false" role="alert">{{ problem }}</NAlert>
            <NButton type="primary" size="large" attr-type="submit" :loading="busy" :disabled="code.trim() === '' || name.trim() === ''">Come in</NButton>
        </form>
        <form v-else key="word" @submit.prevent="join({ word })">
            <label>Your own word<NInput v-model:value="word" placeholder="" size="large" :maxlength="40" :input-props="{ 'aria-label': 'Your own word', autocomplete: 'off', autocapitalize: 'none', spellcheck: false }" /></label>
            <NAlert v-if="problem !== null" type="error" :show-icon="false" role="alert">{{ problem }}</NAlert>
            <NButton type="primary" size="large" attr-type="submit" :loading="busy" :disabled="word.trim() === ''">Come in</NButton>
        </form>
        <p class="more"><NButton text type="primary" @click="turn">{{ knows ? 'I have the code of the class' : 'I have a word of my own' }}</NButton><RouterLink to="/sign-in">Sign in with an address</RouterLink></p>
    </AccountFrame>
</template>
