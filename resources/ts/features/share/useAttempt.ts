import { ref } from 'vue'

/** Does one thing after the other at the server: whether one is on its way, and why the last was not done. */
export function useAttempt() {
    const busy = ref(false)
    const problem = ref<string | null>(null)

    /** @returns whether it was done */
    async function attempt(does: () => Promise<void>): Promise<boolean> {
        busy.value = true
        problem.value = null
        try {
            await does()
            return true
        } catch (error) {
            problem.value = (error as Error).message
            return false
        } finally {
            busy.value = false
        }
    }

    return { busy, problem, attempt }
}
