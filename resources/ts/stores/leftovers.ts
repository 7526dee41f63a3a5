import { defineStore } from 'pinia'
import { computed, shallowReactive } from 'vue'
import { tell } from '@/ui/tell'
import { pendingEdits } from './pending'
import { createQueue } from './queue'

/** Edits of maps that are not open, left from before a reload or an hour without a network; they are sent from the library. */
export const useLeftovers = defineStore('leftovers', () => {
    const queues = shallowReactive(new Map<string, ReturnType<typeof createQueue>>())
    const count = computed(() => [...queues.values()].reduce((sum, queue) => sum + queue.waiting.value.length, 0))
    const problem = computed(() => [...queues.values()].map((queue) => (queue.state.value === 'stuck' ? queue.problem.value : '')).find((text) => text !== '') ?? null)

    /** @returns true once all of them have been taken by the server */
    async function send(): Promise<boolean> {
        for (const map of await pendingEdits.maps().catch(() => [])) {
            if (!queues.has(map)) {
                const queue = createQueue(map, {
                    seq: () => 0,
                    answered: (answer) => answer.edits.forEach((outcome) => outcome.refusal !== undefined && tell.warning(outcome.refusal.message)),
                    refused: () => undefined,
                    ended: () => undefined,
                })
                queues.set(map, queue)
                queue.resume(await pendingEdits.of(map))
            }
        }
        const had = queues.size > 0
        await Promise.all([...queues].map(async ([map, queue]) => {
            await queue.idle()
            if (queue.waiting.value.length === 0) {
                queue.close()
                queues.delete(map)
            }
        }))
        return had && queues.size === 0
    }

    /** Leaves the sending to whoever opens such a map. */
    function stop(): void {
        queues.forEach((queue) => queue.close())
        queues.clear()
    }

    function tryAgain(): void {
        queues.forEach((queue) => queue.tryAgain())
    }

    return { count, problem, send, stop, tryAgain }
})
