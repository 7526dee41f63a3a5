import { defineStore } from 'pinia'
import { ref } from 'vue'
import { api } from '@/api/client'
import type { Person } from '@/api/wire'

/** Who is signed in, and whether this is a demo installation. */
export const useSession = defineStore('session', () => {
    const person = ref<Person | null>(null)
    const demo = ref(false)
    let known: Promise<void> | null = null

    /** Asks the server once; later calls wait for the same answer. */
    function know(): Promise<void> {
        known ??= api.me().then(
            (answer) => {
                person.value = answer.person
                demo.value = answer.demo
            },
            () => {
                known = null
            },
        )
        return known
    }

    async function enter(entering: Promise<{ person: Person }>): Promise<void> {
        person.value = (await entering).person
    }

    async function leave(): Promise<void> {
        await api.signOut()
        person.value = null
    }

    return { person, demo, know, enter, leave }
})
