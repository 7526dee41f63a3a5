<script setup lang="ts">
import { NAlert, NSpin } from 'naive-ui'
import { onMounted, ref } from 'vue'
import { useRoute } from 'vue-router'
import { useAttempt } from '@/features/share/useAttempt'
import AccountFrame from './AccountFrame.vue'
import { accountApi } from './accountApi'

/** Where the letter to a new address leads. */
const route = useRoute()
const message = ref('')
const { busy, problem, attempt } = useAttempt()
onMounted(() => attempt(async () => void (message.value = (await accountApi.confirmAddress(String(route.query.token ?? ''))).message)))
</script>

<template>
    <AccountFrame title="Your new address">
        <NSpin v-if="busy" size="small" />
        <NAlert v-if="problem !== null" type="error" :show-icon="false" role="alert">{{ problem }}</NAlert>
        <p v-else role="status">{{ message }}</p>
        <p class="more"><RouterLink to="/">On to the library</RouterLink></p>
    </AccountFrame>
</template>
