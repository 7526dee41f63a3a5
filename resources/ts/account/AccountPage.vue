<script setup lang="ts">
import { NAlert, NButton, NInput, NSpin } from 'naive-ui'
import { computed, onMounted, ref, shallowRef } from 'vue'
import type { AccountAnswer, LetterAnswer } from '@/api/wire'
import ClassHead from '@/classroom/ClassHead.vue'
import { useAttempt } from '@/features/share/useAttempt'
import { useSession } from '@/stores/session'
import { tell } from '@/ui/tell'
import { accountApi } from './accountApi'
import AccountCodes from './AccountCodes.vue'
import LetterShown from './LetterShown.vue'

/** One's own account: what it is called, how it is signed in to and where, all that is kept of it, and leaving. */
const session = useSession()
const its = shallowRef<AccountAnswer | null>(null)
const { busy, problem, attempt } = useAttempt()
const name = ref('')
const email = ref('')
/** Said for one thing at a time. */
const toMove = ref('')
const password = ref('')
const toLeave = ref('')
const next = ref('')
const leaving = ref(false)
const letter = shallowRef<LetterAnswer | null>(null)
const time = new Intl.DateTimeFormat(undefined, { dateStyle: 'medium', timeStyle: 'short' })

function take(answer: AccountAnswer): void {
    its.value = answer
    name.value = answer.name
    if (session.person !== null) {
        session.person = { ...session.person, name: answer.name }
    }
}
async function change(does: () => Promise<AccountAnswer>, done: string): Promise<void> {
    if (await attempt(async () => take(await does()))) {
        password.value = next.value = ''
        tell.info(done)
    }
}
const move = (): Promise<boolean> => attempt(async () => {
    letter.value = await accountApi.address(email.value.trim(), toMove.value)
    toMove.value = email.value = ''
})
const remove = (): Promise<boolean> => attempt(async () => {
    await accountApi.remove(toLeave.value)
    await session.leave().catch(() => location.assign('/sign-in'))
})
/** What a browser says of itself, in a few words. */
function browserOf(agent: string): string {
    const name = /(Firefox|Edg|OPR|Chrome|Safari)\//.exec(agent)?.[1] ?? 'A browser'
    const system = /(Android|iPhone|iPad|Windows|Mac OS X|Linux|CrOS)/.exec(agent)?.[1]
    return `${{ Edg: 'Edge', OPR: 'Opera' }[name] ?? name}${system === undefined ? '' : ` on ${{ 'Mac OS X': 'a Mac', iPhone: 'an iPhone', iPad: 'an iPad', CrOS: 'a Chromebook' }[system] ?? system}`}`
}
const number = (n: number, one: string, several: string): string => `${n} ${n === 1 ? one : several}`
const goes = computed(() => {
    const all = its.value?.leaving
    return all === undefined ? '' : [number(all.maps, 'map', 'maps'), ...(all.shared > 0 ? [`${all.shared} of which others can open`] : []), ...(all.classes > 0 ? [`${number(all.classes, 'class', 'classes')} with ${number(all.pupils, 'pupil', 'pupils')} and all that they have made`] : [])].join(', ')
})
onMounted(() => attempt(async () => take(await accountApi.show())))
</script>

<template>
    <div class="account-page">
        <ClassHead title="Your account" :trail="[{ to: '/', name: 'Library' }]" />
        <NAlert v-if="problem !== null" type="error" :show-icon="false" role="alert">{{ problem }}</NAlert>
        <NSpin v-if="its === null && problem === null" />
        <template v-if="its !== null">
            <section aria-label="Name">
                <h2>Name</h2>
                <form @submit.prevent="change(() => accountApi.name(name), 'From now on you are called so.')"><NInput v-model:value="name" :maxlength="100" :input-props="{ 'aria-label': 'Name', autocomplete: 'name' }" /><NButton attr-type="submit" secondary :disabled="name.trim() === '' || name.trim() === its.name" :loading="busy">Change it</NButton></form>
            </section>
            <section aria-label="Address">
                <h2>Address</h2>
                <p>{{ its.email }}</p>
                <form @submit.prevent="move"><NInput v-model:value="email" placeholder="New address" :maxlength="200" :input-props="{ 'aria-label': 'New address', type: 'email', autocomplete: 'email' }" /><NInput v-model:value="toMove" type="password" placeholder="Your password" :input-props="{ 'aria-label': 'Your password, for the address', autocomplete: 'current-password' }" /><NButton attr-type="submit" secondary :disabled="email.trim() === '' || toMove === ''" :loading="busy">Send a letter there</NButton></form>
                <LetterShown v-if="letter !== null" :answer="letter" />
            </section>
            <section aria-label="Password">
                <h2>Password</h2>
                <p v-if="its.provider !== null">You sign in by {{ its.provider }}. Where a password is asked for here, <RouterLink to="/forgot-password">choose one by a letter</RouterLink> first.</p>
                <form @submit.prevent="change(() => accountApi.password(password, next), 'The password is another. All other browsers have to sign in anew.')"><NInput v-model:value="password" type="password" placeholder="Your password" :input-props="{ 'aria-label': 'Your password', autocomplete: 'current-password' }" /><NInput v-model:value="next" type="password" show-password-on="click" placeholder="Another, at least ten letters" :input-props="{ 'aria-label': 'New password', autocomplete: 'new-password' }" /><NButton attr-type="submit" secondary :disabled="password === '' || next.length < 10" :loading="busy">Change it</NButton></form>
            </section>
            <AccountCodes :its="its" @changed="(now) => (now === null ? attempt(async () => take(await accountApi.show())) : take(now))" />
            <section aria-label="Signed in">
                <h2>Signed in</h2>
                <ul><li v-for="one in its.signIns" :key="one.id"><span><b>{{ browserOf(one.agent) }}</b><small>{{ one.isThis ? 'this one' : `last ${time.format(new Date(one.last))}` }} · from {{ one.ip }} · since {{ time.format(new Date(one.began)) }}</small></span><NButton v-if="!one.isThis" size="small" quaternary @click="change(() => accountApi.end(one.id), 'It is signed out there.')">End it</NButton></li></ul>
                <NButton v-if="its.signIns.length > 1" size="small" secondary @click="change(() => accountApi.endOthers(), 'All others are signed out.')">End all others</NButton>
            </section>
            <section aria-label="All that is yours">
                <h2>All that is yours</h2>
                <p>Every map as an archive that can be opened again, and what is kept of you besides.</p>
                <NButton tag="a" :href="accountApi.data" secondary>Take it along as a zip</NButton>
            </section>
            <section aria-label="Leaving">
                <h2>Leaving</h2>
                <NButton v-if="!leaving" quaternary @click="leaving = true">Remove the account</NButton>
                <form v-else class="leaving" @submit.prevent="remove">
                    <p>This goes for good, with histories and pages, and nobody can bring it back: {{ goes }}. What you wrote in maps of others stays there, without your name.</p>
                    <NInput v-model:value="toLeave" type="password" placeholder="Your password" :input-props="{ 'aria-label': 'Your password, to leave', autocomplete: 'current-password' }" />
                    <NButton type="error" attr-type="submit" :disabled="toLeave === ''" :loading="busy">Remove it for good</NButton><NButton quaternary @click="leaving = false">Stay</NButton>
                </form>
            </section>
        </template>
    </div>
</template>

<style scoped>
.account-page { max-width: 760px; margin: 0 auto; padding: 18px 24px 60px; box-sizing: border-box; }
section, .account-page :deep(section) { background: var(--slip); border: 1px solid var(--edge); border-left: 5px solid var(--tide); border-radius: 10px; padding: 12px 16px 14px; margin-bottom: 14px; }
h2, .account-page :deep(h2) { font-size: 17px; margin: 0 0 8px; }
p { margin: 0 0 8px; line-height: 1.5; }
form, .account-page :deep(form) { display: flex; gap: 8px; flex-wrap: wrap; align-items: center; }
form > :deep(.n-input), .account-page :deep(form > .n-input) { flex: 1; min-width: 190px; }
ul { list-style: none; margin: 0 0 8px; padding: 0; }
li { display: flex; align-items: center; gap: 10px; padding: 6px 0; border-bottom: 1px solid var(--faint-edge); }
li span { flex: 1; }
li b { font-weight: 600; }
small { display: block; color: var(--soft); font-size: 13.5px; }
.leaving p { flex: 1 1 100%; border-left: 4px solid var(--ember); padding-left: 10px; }
@media (max-width: 600px) { .account-page { padding: 12px; } }
</style>
