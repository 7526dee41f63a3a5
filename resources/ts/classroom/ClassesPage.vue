<script setup lang="ts">
import { NAlert, NButton, NInput, NSpin } from 'naive-ui'
import { onMounted, ref, shallowRef } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import type { ClassesAnswer } from '@/api/wire'
import { useAttempt } from '@/features/share/useAttempt'
import { classApi } from './api'
import ClassHead from './ClassHead.vue'

/** The classes of somebody who teaches. With "map" in the address, that map is about to be given out to one of them. */
const route = useRoute()
const router = useRouter()
const all = shallowRef<ClassesAnswer['classes'] | null>(null)
const name = ref('')
const field = ref<InstanceType<typeof NInput> | null>(null)
const { busy, problem, attempt } = useAttempt()
const to = (id: string): string => `/classes/${id}${typeof route.query.map === 'string' ? `?map=${route.query.map}` : ''}`

const make = (): Promise<boolean> => attempt(async () => void (await router.push(to((await classApi.make(name.value.trim())).id))))
onMounted(() => {
    field.value?.focus()
    void attempt(async () => void (all.value = (await classApi.all()).classes))
})
</script>

<template>
    <div class="classes">
        <ClassHead title="Classes" :trail="[{ to: '/', name: 'Library' }]" />
        <p class="told">{{ route.query.map === undefined ? 'A class has pupils, who come in by a code and a first name, without an address. Maps are given out to it: each pupil, or each team, gets a copy, and you see what became of all of them.' : 'To which class is the map to be given out?' }}</p>
        <form class="new" @submit.prevent="make">
            <NInput ref="field" v-model:value="name" placeholder="Name of a new class" :maxlength="100" :input-props="{ 'aria-label': 'Name of a new class' }" />
            <NButton type="primary" attr-type="submit" :loading="busy" :disabled="name.trim() === ''">Make the class</NButton>
        </form>
        <NAlert v-if="problem !== null" type="error" :show-icon="false" role="alert">{{ problem }}</NAlert>
        <NSpin v-if="all === null && problem === null" />
        <ul v-if="all !== null">
            <li v-for="one in all" :key="one.id"><RouterLink :to="to(one.id)"><b dir="auto">{{ one.name }}</b><small>{{ one.pupils === 1 ? '1 pupil' : `${one.pupils} pupils` }} · {{ one.handOuts === 1 ? '1 hand-out' : `${one.handOuts} hand-outs` }}{{ one.isOpen ? ' · the door is open' : '' }}</small></RouterLink></li>
        </ul>
    </div>
</template>

<style scoped>
.classes { max-width: 760px; margin: 0 auto; padding: 18px 24px 40px; box-sizing: border-box; }
.told { color: var(--soft); line-height: 1.5; margin: 0 0 14px; }
.new { display: flex; gap: 10px; margin-bottom: 18px; }
ul { list-style: none; margin: 0; padding: 0; }
li a { display: flex; flex-direction: column; gap: 2px; padding: 12px 16px; margin-bottom: 10px; background: var(--slip); border: 1px solid var(--edge); border-left: 5px solid var(--tide); border-radius: 10px; color: inherit; text-decoration: none; }
li a:hover, li a:focus-visible { border-color: var(--tide); outline: none; }
b { font-size: 17px; }
small { color: var(--soft); font-size: 14px; }
</style>
