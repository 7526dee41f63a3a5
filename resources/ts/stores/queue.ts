import { ref, shallowRef } from 'vue'
import { api, leaveEdits, leaveView } from '@/api/client'
import { RefusedError, UnreachableError } from '@/api/http'
import type { Edit, EditsAnswer, View } from '@/api/wire'
import { afterFrame } from '@/ui/afterFrame'
import { pendingEdits } from './pending'

export type SavedState = 'saved' | 'saving' | 'waiting' | 'busy' | 'foreign' | 'signed-out' | 'stuck'

interface Listener {
    /** The number of the latest edit known. */
    seq(): number
    /** Where one is, for others to see. */
    at?(): string | undefined
    /** Whether one is told what is new without asking. */
    listens?(): boolean
    /** Nothing is on its way any more. */
    rested?(): void
    answered(answer: EditsAnswer): void
    /** A change of the view, or a question, was refused. */
    refused(message: string): void
    /** The map is not to be had any more: gone, in the trash, or no longer shared. */
    ended(message: string): void
}

const MOST_AT_ONCE = 100
const FIRST_WAIT = 1_000
const LONGEST_WAIT = 15_000
/** Those that say that there is no such map for this person, or not any more. */
const GONE = [404, 410]
/** Answers of ours that say "not now". */
const LATER = [408, 419, 429]

/**
 * The one way in which edits of an open map reach the server: in order, one request at a time, kept until confirmed,
 * tried again for as long as it takes. Changes of the view and questions for news go the same way, so that answers
 * never overtake each other.
 *
 * An edit leaves the queue only when an answer of ours names it, as done or as refused. Whatever else comes instead,
 * the edit stays: it is tried again, or, where trying is no use, the person decides.
 */
export function createQueue(map: string, listener: Listener) {
    const waiting = shallowRef<readonly Edit[]>([])
    const state = ref<SavedState>('saved')
    /** Why it is stuck, in a sentence. */
    const problem = ref('')
    let look: View | null = null
    let wantsNews = false
    /** Nobody waits for what is asked by the clock, so nothing is shown of it. */
    let isQuiet = true
    let running = false
    let closed = false
    let wait = FIRST_WAIT
    let most = MOST_AT_ONCE
    let timer: ReturnType<typeof setTimeout> | undefined
    let sending: ReturnType<typeof afterFrame> | null = null
    const unkept = new Set<string>()

    function push(...edits: Edit[]): void {
        waiting.value = [...waiting.value, ...edits]
        for (const edit of edits) {
            unkept.add(edit.id ?? '')
            void pendingEdits.keep(map, edit).then(() => unkept.delete(edit.id ?? ''), () => undefined)
        }
        state.value = state.value === 'saved' ? 'saving' : state.value
        // What the key does is seen first; and what it makes of several edits goes in one request.
        sending ??= afterFrame(() => {
            sending = null
            void run()
        })
    }

    /** Puts edits from before a reload in front. */
    function resume(edits: readonly Edit[]): void {
        const there = new Set(waiting.value.map((edit) => edit.id))
        waiting.value = [...edits.filter((edit) => !there.has(edit.id)), ...waiting.value]
        void run()
    }

    function keepView(view: View): void {
        look = view
        void run()
    }

    /** @param quiet whether it is asked by the clock, and not because somebody came back */
    function askForNews(quiet = false): void {
        isQuiet = quiet && (isQuiet || !wantsNews)
        wantsNews = true
        void run()
    }

    async function run(): Promise<void> {
        if (running || closed || state.value === 'stuck') {
            return
        }
        running = true
        clearTimeout(timer)
        try {
            while (!closed && (waiting.value.length > 0 || look !== null || wantsNews)) {
                state.value = waiting.value.length === 0 && look === null && isQuiet ? state.value : 'saving'
                await (waiting.value.length > 0 ? sendEdits() : look !== null ? sendView(look) : sendQuestion())
                wait = FIRST_WAIT
            }
            state.value = 'saved'
        } catch (error) {
            later(error)
        } finally {
            running = false
            listener.rested?.()
        }
    }

    async function sendEdits(): Promise<void> {
        const batch = waiting.value.slice(0, most)
        let answer: EditsAnswer
        try {
            answer = await api.edit(map, listener.seq(), batch)
        } catch (error) {
            if (isFinal(error) && batch.length > 1) {
                // One of them may be what the server does not take; the others shall not wait for it.
                most = 1
                return
            }
            throw error
        }
        most = most < MOST_AT_ONCE ? most + 1 : most
        const named = new Set(answer.edits.map((outcome) => outcome.id))
        // Both at once, so that nothing is drawn in between.
        waiting.value = waiting.value.filter((edit) => !named.has(edit.id ?? ''))
        if (!closed) {
            listener.answered(answer)
        }
        await pendingEdits.forget(map, new Set(batch.map((edit) => edit.id ?? '').filter((id) => named.has(id))))
    }

    async function sendView(view: View): Promise<void> {
        const answer = await api.look(map, listener.seq(), view)
        if (look === view) {
            look = null
        }
        if (!closed) {
            listener.answered(answer)
        }
    }

    async function sendQuestion(): Promise<void> {
        wantsNews = false
        const answer = await api.news(map, listener.seq(), listener.at?.(), listener.listens?.())
        if (!closed) {
            listener.answered(answer)
        }
    }

    /** Whether asking the same again would be answered the same. */
    function isFinal(error: unknown): error is RefusedError {
        return error instanceof RefusedError && error.status < 500 && error.status !== 401 && !LATER.includes(error.status)
    }

    function later(error: unknown): void {
        if (closed) {
            return
        }
        if (error instanceof RefusedError && error.status === 401) {
            state.value = 'signed-out'
            return
        }
        if (isFinal(error)) {
            look = null
            state.value = waiting.value.length > 0 ? 'stuck' : 'saved'
            problem.value = error.message
            // While something waits, the person decides what becomes of it first.
            if (waiting.value.length === 0) {
                (GONE.includes(error.status) ? listener.ended : listener.refused)(error.message)
            }
            return
        }
        const isUnheard = error instanceof UnreachableError
        state.value = isUnheard ? (error.isForeign ? 'foreign' : 'waiting') : waiting.value.length > 0 ? 'busy' : 'saved'
        const told = error instanceof RefusedError ? (error.again ?? 0) * 1000 : 0
        timer = setTimeout(() => void run(), Math.max(wait, told))
        wait = Math.min(wait * 2, LONGEST_WAIT)
    }

    /** Tries at once what waits, or is stuck. */
    function tryAgain(): void {
        wait = FIRST_WAIT
        if (state.value === 'stuck') {
            state.value = 'waiting'
        }
        void run()
    }

    /** Gives up what waits; for who has kept it elsewhere. */
    async function giveUp(): Promise<void> {
        const ids = new Set(waiting.value.map((edit) => edit.id ?? ''))
        waiting.value = []
        state.value = 'saved'
        await pendingEdits.forget(map, ids)
    }

    /** Waits until nothing is on its way, or what is there cannot go. */
    async function idle(): Promise<void> {
        while (!closed && state.value !== 'stuck' && (waiting.value.length > 0 || look !== null || running)) {
            await new Promise((resolve) => setTimeout(resolve, 15))
        }
    }

    function leaveLook(): void {
        if (look !== null) {
            leaveView(map, listener.seq(), look)
        }
        look = null
    }

    /** The page goes away: what is not kept yet is kept at once, and all that waits is sent on its way. */
    function leave(): void {
        leaveLook()
        sending?.drop()
        sending = null
        if (waiting.value.length === 0) {
            return
        }
        const at = waiting.value.filter((edit) => unkept.has(edit.id ?? ''))
        if (at.length > 0) {
            pendingEdits.keepAtOnce(map, at)
        }
        leaveEdits(map, waiting.value)
    }

    window.addEventListener('online', tryAgain)

    return {
        waiting,
        state,
        problem,
        push,
        resume,
        keepView,
        askForNews,
        isResting: (): boolean => !running,
        idle,
        tryAgain,
        giveUp,
        leave,
        close(): void {
            sending?.now()
            leaveLook()
            closed = true
            clearTimeout(timer)
            window.removeEventListener('online', tryAgain)
        },
    }
}
