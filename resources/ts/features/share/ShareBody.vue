<script setup lang="ts">
import { NAlert, NButton, NInput, NSelect, NSpin, type InputInst } from 'naive-ui'
import { computed, nextTick, onMounted, ref, shallowRef } from 'vue'
import { useRouter } from 'vue-router'
import { api, type Shared } from '@/api/client'
import type { SharesAnswer } from '@/api/wire'
import { tell } from '@/ui/tell'
import { useAttempt } from './useAttempt'
import ViewingLinks from './ViewingLinks.vue'

/** Who may open a map, or a folder with all that is in it, and the ways to let people in and out. */
const props = defineProps<{ of: Shared; takesFocus?: boolean }>()
const emit = defineEmits<{ changed: [] }>()

type Sharer = SharesAnswer['people'][number]

const router = useRouter()
const told = shallowRef<SharesAnswer | null>(null)
const field = ref<InputInst | null>(null)
const email = ref('')
const role = ref<'view' | 'comment' | 'edit'>('edit')
const words = ref('')
const { busy, problem, attempt: tried } = useAttempt()
const receiver = ref<string | null>(null)

const roles = [{ value: 'view', label: 'may look' }, { value: 'comment', label: 'may comment' }, { value: 'edit', label: 'may edit' }]
const what = computed(() => (props.of.sort === 'map' ? 'map' : 'folder'))
const isOwner = computed(() => told.value?.role === 'owner')
const nameOf = (one: Sharer): string => one.name ?? one.email
/** Those to whom the map can be handed on. */
const receivers = computed(() => (told.value?.people ?? []).filter((one) => one.role === 'edit' && one.name !== null).map((one) => ({ value: one.email, label: nameOf(one) })))

const time = new Intl.DateTimeFormat(undefined, { dateStyle: 'medium', timeStyle: 'short' })
/** Whoever had it open within the last minutes has it open still. */
const NOW = 150_000
function seen(last: string | null, days: number): string {
    if (last === null) {
        return 'has not opened it yet'
    }
    const at = new Date(last)
    return `${Date.now() - at.getTime() < NOW ? 'here now' : `here last ${time.format(at)}`}${days > 1 ? `, on ${days} days` : ''}`
}
const about = (one: Sharer): string => [one.name === null ? 'has no account yet' : one.email, one.folder === null ? '' : `with the folder “${one.folder}”`, props.of.sort === 'map' && one.name !== null ? seen(one.last, one.days) : ''].filter((part) => part !== '').join(' · ')

const attempt = (does: () => Promise<SharesAnswer | null>): Promise<boolean> => tried(async () => {
    told.value = (await does()) ?? (await api.shares(props.of))
    emit('changed')
})

async function letIn(): Promise<void> {
    const to = email.value.trim()
    if (to !== '' && (await attempt(() => api.share(props.of, to, role.value, words.value.trim())))) {
        tell.info(`A letter to ${to} is on its way.`)
        email.value = words.value = ''
        await nextTick()
        field.value?.focus()
    }
}
const change = (one: Sharer, to: string): Promise<boolean> => attempt(() => api.changeShare(one.share, to).then(() => null))
async function takeBack(one: Sharer): Promise<void> {
    if (await attempt(() => api.endShare(one.share).then(() => null))) {
        tell.info(`${nameOf(one)} can no longer open ${one.folder === null ? `this ${what.value}` : `what is in the folder “${one.folder}”`}.`)
    }
}
const answerTo = (asking: SharesAnswer['asks'][number], as: string | null): Promise<boolean> => attempt(() => (as === null ? api.decline(props.of.id, asking.person) : api.share(props.of, asking.email, as)))
const blockAsking = (asking: SharesAnswer['asks'][number]): Promise<boolean> => attempt(() => api.block(asking.email).then(() => null))
const offer = (to: string | null): Promise<boolean> => attempt(() => api.offerMap(props.of.id, to))
const take = (): Promise<boolean> => attempt(() => api.takeMap(props.of.id))
async function leave(): Promise<void> {
    const own = told.value?.own
    if (own != null && (await api.endShare(own).then(() => true, (error: unknown) => ((problem.value = (error as Error).message), false)))) {
        await router.push('/')
    }
}

onMounted(async () => {
    await attempt(() => api.shares(props.of))
    if (props.takesFocus === true) {
        await nextTick()
        field.value?.focus()
    }
})
</script>

<template>
    <div class="share-body">
        <NSpin v-if="told === null && problem === null" />
        <template v-if="told !== null">
            <section v-if="!isOwner" class="mine">
                <p><strong>{{ told.owner.name }}</strong> keeps this map. You may {{ { view: 'look at what is not private in it', comment: 'look at what is not private in it, and comment', edit: 'work in all of it', owner: '' }[told.role] }}.</p>
                <template v-if="told.offered !== null"><p>{{ told.owner.name }} wishes to hand it on to you, so that it is yours from then on.</p><NButton size="small" type="primary" :loading="busy" @click="take">Take this map</NButton></template>
                <NButton v-if="told.own !== null" size="small" secondary @click="leave">Leave this map</NButton>
            </section>

            <section v-for="asking in told.asks" :key="asking.person" class="asking">
                <p><strong>{{ asking.name }}</strong> ({{ asking.email }}) asks to be let in.<q v-if="asking.words !== ''" dir="auto">{{ asking.words }}</q></p>
                <div class="acts"><NButton size="small" type="primary" @click="answerTo(asking, 'edit')">Let edit</NButton><NButton size="small" secondary @click="answerTo(asking, 'comment')">Let comment</NButton><NButton size="small" secondary @click="answerTo(asking, 'view')">Let look</NButton><NButton size="small" quaternary @click="answerTo(asking, null)">Say no</NButton><NButton size="small" quaternary @click="blockAsking(asking)">Block</NButton></div>
            </section>

            <form v-if="isOwner" class="letting" @submit.prevent="letIn">
                <label>Let somebody in<NInput ref="field" v-model:value="email" size="small" placeholder="E-mail address" :maxlength="200" :input-props="{ 'aria-label': 'E-mail address', type: 'email', autocomplete: 'off' }" @keydown.enter.prevent="letIn" /></label>
                <NSelect v-model:value="role" size="small" :options="roles" aria-label="What they may" :input-props="{ 'aria-label': 'What they may' }" />
                <NInput v-model:value="words" size="small" type="textarea" :autosize="{ minRows: 1, maxRows: 5 }" placeholder="Words for the letter, if wanted" :maxlength="400" :input-props="{ 'aria-label': 'Words for the letter' }" />
                <NButton size="small" type="primary" attr-type="submit" :loading="busy" :disabled="email.trim() === ''">Share this {{ what }}</NButton>
                <p class="hint">Who may look or comment sees nothing that is private or parked. Who may edit sees all of it.<template v-if="of.sort === 'folder'"> What comes into the folder later is shared too.</template></p>
            </form>
            <NAlert v-if="problem !== null" type="error" :show-icon="false" role="alert">{{ problem }}</NAlert>

            <section v-if="isOwner || told.role === 'edit'">
                <h3>Who may open it</h3>
                <ul>
                    <li><strong>{{ told.owner.name }}</strong><small>keeps it<template v-if="of.sort === 'map' && !isOwner"> · {{ told.owner.email }} · {{ seen(told.owner.last, told.owner.days) }}</template></small></li>
                    <li v-for="one in told.people" :key="one.share">
                        <strong>{{ nameOf(one) }}</strong>
                        <small>{{ about(one) }}</small>
                        <div v-if="isOwner" class="acts">
                            <NSelect class="role" size="tiny" :value="one.role" :options="roles" :aria-label="`What ${nameOf(one)} may`" :input-props="{ 'aria-label': `What ${nameOf(one)} may` }" @update:value="(to: string) => change(one, to)" />
                            <NButton size="tiny" quaternary :aria-label="`Take back what ${nameOf(one)} may`" @click="takeBack(one)">Take back</NButton>
                        </div>
                        <small v-else class="may">{{ roles.find(({ value }) => value === one.role)?.label }}</small>
                    </li>
                </ul>
                <p v-if="told.people.length === 0" class="hint">Nobody else yet.</p>
            </section>

            <ViewingLinks v-if="isOwner && of.sort === 'map'" />

            <section v-if="isOwner && of.sort === 'map' && (receivers.length > 0 || told.offered !== null)">
                <h3>Hand it on</h3>
                <template v-if="told.offered !== null"><p class="hint">Offered to {{ told.offered }}. It is yours until they take it.</p><NButton size="small" secondary @click="offer(null)">Take the offer back</NButton></template>
                <div v-else class="onward"><NSelect v-model:value="receiver" size="small" :options="receivers" placeholder="To somebody who may edit" aria-label="To whom it is handed on" :input-props="{ 'aria-label': 'To whom it is handed on' }" /><NButton size="small" secondary :disabled="receiver === null" @click="offer(receiver)">Offer it</NButton></div>
            </section>
        </template>
        <NAlert v-else-if="problem !== null" type="error" :show-icon="false" role="alert">{{ problem }}</NAlert>
    </div>
</template>

<style scoped>
.share-body { display: flex; flex-direction: column; gap: 16px; }
.letting { display: flex; flex-direction: column; gap: 8px; }
.letting label { display: flex; flex-direction: column; gap: 4px; font-weight: 700; }
h3 { font-size: 15px; margin: 0 0 6px; }
p { margin: 0 0 6px; overflow-wrap: anywhere; }
.hint { color: var(--soft); font-size: 13px; margin: 0; line-height: 1.4; }
ul { list-style: none; margin: 0; padding: 0; }
li { display: flex; flex-direction: column; gap: 2px; padding: 7px 0 7px 10px; border-left: 3px solid var(--edge); margin-bottom: 6px; overflow-wrap: anywhere; }
li small { color: var(--soft); font-size: 13px; line-height: 1.35; }
.acts, .onward { display: flex; flex-wrap: wrap; gap: 6px; align-items: center; }
.onward > :first-child { flex: 1; }
.role { width: 126px; }
.asking { border-left: 4px solid var(--marigold); padding-left: 10px; }
.mine { display: flex; flex-direction: column; gap: 6px; align-items: flex-start; }
q { display: block; margin-top: 3px; font-style: italic; }
</style>
