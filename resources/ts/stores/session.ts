import { defineStore } from 'pinia'
import { watchDebounced } from '@vueuse/core'
import { computed, ref, shallowRef } from 'vue'
import { bounds } from '@/api/bounds'
import { api } from '@/api/client'
import { comeIn } from '@/api/http'
import type { Calm, Person } from '@/api/wire'
import { pendingEdits } from './pending'
import { usePreferences } from './preferences'

/** Who is signed in, and whether this is a demo installation. */
export const useSession = defineStore('session', () => {
    const preferences = usePreferences()
    const person = ref<Person | null>(null)
    const demo = ref(false)
    /** By whose identity provider one can sign in besides. */
    const provider = ref<string | null>(null)
    /** The keys this person has changed, by action. */
    const keys = shallowRef<Readonly<Record<string, readonly string[]>>>({})
    let known: Promise<void> | null = null

    function welcome(who: Person | null): void {
        person.value = who
        keys.value = who?.keys ?? {}
        if (who !== null) {
            pendingEdits.belongTo(who.email)
            preferences.belongTo(who.email)
            // What was chosen elsewhere holds here too.
            Object.assign(preferences, who.calm ?? {})
            kept = calm.value
            const zone = new Intl.DateTimeFormat().resolvedOptions().timeZone
            if (who.zone !== zone) {
                // Days begin and end where the person is.
                api.keepZone(zone).catch(() => undefined)
            }
        }
    }

    /** What is chosen for the eyes is kept as soon as it rests. */
    const calm = computed(() => JSON.stringify({ board: preferences.board, size: preferences.size, motion: preferences.motion, names: preferences.names }))
    let kept = ''
    watchDebounced(calm, (now) => {
        if (person.value !== null && now !== kept) {
            kept = now
            // Where it cannot be kept it holds in this browser all the same, and is kept with the next choice.
            api.keepCalm(JSON.parse(now) as Calm).catch(() => (kept = ''))
        }
    }, { debounce: 300 })

    /** Asks the server once; later calls wait for the same answer. */
    function know(): Promise<void> {
        known ??= api.me().then(
            (answer) => {
                welcome(answer.person)
                demo.value = answer.demo
                provider.value = answer.provider
            },
            () => {
                known = null
            },
        )
        return known
    }

    async function enter(entering: Promise<{ person: Person }>): Promise<void> {
        const { person: who } = await entering
        comeIn()
        welcome(who)
    }

    /** Leaves by a page of its own, so that nothing of this person's stays in the window's memory. */
    async function leave(): Promise<void> {
        await api.signOut()
        if (bounds.offline) {
            await (await import('./kept')).forgetAll().catch(() => undefined)
        }
        person.value = null
        preferences.belongTo('')
        location.assign('/sign-in')
    }

    /** Changes keys at once and keeps them; null puts an action's own back. */
    async function changeKeys(changed: Readonly<Record<string, readonly string[] | null>>): Promise<void> {
        const next = Object.fromEntries(Object.entries({ ...keys.value, ...changed }).filter((entry): entry is [string, readonly string[]] => entry[1] !== null))
        keys.value = next
        await api.keepKeys(next)
    }

    /** Lets this person see every map in a typeface; null as each map says. */
    async function changeFace(face: string | null): Promise<void> {
        person.value = (await api.keepFace(face)).person
    }

    /** The server no longer knows who this is. */
    function lose(): void {
        person.value = null
    }

    return { person, demo, provider, keys, changeKeys, changeFace, know, enter, leave, lose }
})
