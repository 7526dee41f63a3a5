<script setup lang="ts">
import { NAlert, NButton, NInput } from 'naive-ui'
import { nextTick, ref, shallowRef } from 'vue'
import type { AccountAnswer } from '@/api/wire'
import CodeSquare from '@/classroom/CodeSquare.vue'
import { useAttempt } from '@/features/share/useAttempt'
import { accountApi } from './accountApi'

/** Codes besides the password: turned on with an authenticator, ten to be written down, turned off. */
defineProps<{ its: AccountAnswer }>()
const emit = defineEmits<{ changed: [AccountAnswer | null] }>()
const { busy, problem, attempt } = useAttempt()
const password = ref('')
const code = ref('')
const begun = shallowRef<{ secret: string; address: string } | null>(null)
const codes = shallowRef<readonly string[]>([])
const field = ref<InstanceType<typeof NInput> | null>(null)

const begin = (): Promise<boolean> => attempt(async () => {
    begun.value = await accountApi.beginCodes(password.value)
    password.value = ''
    await nextTick()
    field.value?.focus()
})
const confirm = (): Promise<boolean> => attempt(async () => {
    codes.value = (await accountApi.confirmCodes(code.value)).codes
    begun.value = null
    code.value = ''
    emit('changed', null)
})
const renew = (): Promise<boolean> => attempt(async () => {
    codes.value = (await accountApi.renewCodes(password.value)).codes
    password.value = ''
    emit('changed', null)
})
const end = (): Promise<boolean> => attempt(async () => {
    emit('changed', await accountApi.endCodes(password.value))
    password.value = ''
    codes.value = []
})
</script>

<template>
    <section aria-label="Codes">
        <h2>Codes besides the password</h2>
        <p v-if="!its.twoFactor && begun === null">Whoever knows your password still needs a code that an authenticator on your phone makes anew every half minute.</p>
        <NAlert v-if="problem !== null" type="error" :show-icon="false" role="alert">{{ problem }}</NAlert>
        <form v-if="begun !== null" class="begun" @submit.prevent="confirm">
            <CodeSquare :address="begun.address" :size="168" />
            <div><p>Scan the square with the authenticator, or type its secret in:</p><code>{{ begun.secret.replace(/(.{4})(?=.)/g, '$1 ') }}</code><p>Then say the code that it shows.</p>
                <div class="line"><NInput ref="field" v-model:value="code" :maxlength="10" placeholder="Code" :input-props="{ 'aria-label': 'Code', autocomplete: 'one-time-code' }" /><NButton type="primary" attr-type="submit" :disabled="code.trim() === ''" :loading="busy">Turn codes on</NButton></div></div>
        </form>
        <form v-else-if="!its.twoFactor" @submit.prevent="begin"><NInput v-model:value="password" type="password" placeholder="Your password" :input-props="{ 'aria-label': 'Your password, for codes', autocomplete: 'current-password' }" /><NButton secondary attr-type="submit" :disabled="password === ''" :loading="busy">Begin</NButton></form>
        <template v-else>
            <div v-if="codes.length > 0" class="written"><p>Write these down: each lets you in once when the phone is lost. They are shown only now.</p><ul><li v-for="one in codes" :key="one">{{ one }}</li></ul></div>
            <p>Codes are asked for. {{ its.recovery === 1 ? '1 of those written down is left.' : `${its.recovery} of those written down are left.` }}</p>
            <form @submit.prevent="renew"><NInput v-model:value="password" type="password" placeholder="Your password" :input-props="{ 'aria-label': 'Your password, for codes', autocomplete: 'current-password' }" /><NButton secondary attr-type="submit" :disabled="password === ''" :loading="busy">Ten new ones</NButton><NButton quaternary :disabled="password === ''" @click="end">Ask for codes no longer</NButton></form>
        </template>
    </section>
</template>

<style scoped>
p { margin: 0 0 8px; line-height: 1.5; }
.begun { display: flex; gap: 18px; align-items: flex-start; }
code { display: block; font-size: 16px; margin-bottom: 8px; overflow-wrap: anywhere; }
.line { display: flex; gap: 8px; }
.written { border-left: 4px solid var(--marigold); padding-left: 12px; margin-bottom: 10px; }
.written ul { list-style: none; margin: 0 0 8px; padding: 0; columns: 2; font-variant-numeric: tabular-nums; font-size: 16px; }
</style>
