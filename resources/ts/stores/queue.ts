import { ref, shallowRef } from 'vue'
import { api } from '@/api/client'
import { RefusedError, UnreachableError } from '@/api/http'
import type { Edit, EditsAnswer, View } from '@/api/wire'
import { pendingEdits } from './pending'

export type SavedState = 'saved' | 'saving' | 'waiting' | 'signed-out'

interface Listener {
    /** The number of the latest edit known. */
    seq(): number
    answered(answer: EditsAnswer): void
    refused(message: string): void
}

const MOST_AT_ONCE = 100
const FIRST_WAIT = 1_000
const LONGEST_WAIT = 15_000

/**
 * The one way in which edits of an open map reach the server: in order, one request at a time, kept until confirmed,
 * tried again for as long as it takes. Changes of the view and questions for news go the same way, so that answers
 * never overtake each other.
 */
export function createQueue(map: string, listener: Listener) {
    const waiting = shallowRef<readonly Edit[]>([])
    const state = ref<SavedState>('saved')
    let look: View | null = null
    let wantsNews = false
    let running = false
    let closed = false
    let wait = FIRST_WAIT
    let timer: ReturnType<typeof setTimeout> | undefined

    function push(...edits: Edit[]): void {
        waiting.value = [...waiting.value, ...edits]
        for (const edit of edits) {
            void pendingEdits.keep(map, edit)
        }
        void run()
    }

    /** Puts edits from before a reload in front. */
    function resume(edits: readonly Edit[]): void {
        waiting.value = [...edits, ...waiting.value]
        void run()
    }

    function keepView(view: View): void {
        look = view
        void run()
    }

    function askForNews(): void {
        wantsNews = true
        void run()
    }

    async function run(): Promise<void> {
        if (running || closed) {
            return
        }
        running = true
        clearTimeout(timer)
        try {
            while (!closed && (waiting.value.length > 0 || look !== null || wantsNews)) {
                state.value = 'saving'
                await (waiting.value.length > 0 ? sendEdits() : look !== null ? sendView(look) : sendQuestion())
                wait = FIRST_WAIT
            }
            state.value = 'saved'
        } catch (error) {
            later(error)
        } finally {
            running = false
        }
    }

    async function sendEdits(): Promise<void> {
        const batch = waiting.value.slice(0, MOST_AT_ONCE)
        let answer: EditsAnswer
        try {
            answer = await api.edit(map, listener.seq(), batch)
        } catch (error) {
            if (error instanceof RefusedError && error.status < 500 && ![401, 408, 419, 429].includes(error.status)) {
                // The server will never take these; holding on to them would block all that follow.
                await settle(batch)
                listener.refused(error.message)
                return
            }
            throw error
        }
        await settle(batch, answer)
    }

    async function settle(batch: readonly Edit[], answer?: EditsAnswer): Promise<void> {
        // Both at once, so that nothing is drawn in between.
        waiting.value = waiting.value.slice(batch.length)
        if (answer !== undefined) {
            listener.answered(answer)
        }
        await pendingEdits.forget(map, new Set(batch.map((edit) => edit.id ?? '')))
    }

    async function sendView(view: View): Promise<void> {
        const answer = await api.look(map, listener.seq(), view)
        if (look === view) {
            look = null
        }
        listener.answered(answer)
    }

    async function sendQuestion(): Promise<void> {
        wantsNews = false
        listener.answered(await api.news(map, listener.seq()))
    }

    function later(error: unknown): void {
        if (error instanceof RefusedError && error.status === 401) {
            state.value = 'signed-out'
            return
        }
        if (error instanceof RefusedError && error.status < 500 && error.status !== 429) {
            look = null
            state.value = 'saved'
            listener.refused(error.message)
            return
        }
        state.value = error instanceof UnreachableError || waiting.value.length > 0 ? 'waiting' : 'saved'
        timer = setTimeout(() => void run(), wait)
        wait = Math.min(wait * 2, LONGEST_WAIT)
    }

    /** Waits until nothing is on its way. */
    async function idle(): Promise<void> {
        while (!closed && (waiting.value.length > 0 || look !== null || running)) {
            await new Promise((resolve) => setTimeout(resolve, 15))
        }
    }

    function online(): void {
        wait = FIRST_WAIT
        void run()
    }

    window.addEventListener('online', online)

    return {
        waiting,
        state,
        push,
        resume,
        keepView,
        askForNews,
        idle,
        close(): void {
            closed = true
            clearTimeout(timer)
            window.removeEventListener('online', online)
        },
    }
}
