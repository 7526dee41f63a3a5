import { ref } from 'vue'
import { useRouter } from 'vue-router'

/** Sending a form of the account: waiting, what went wrong, and where to go afterwards. */
export function useForm() {
    const router = useRouter()
    const problem = ref<string | null>(null)
    const busy = ref(false)

    async function send(work: () => Promise<void>): Promise<void> {
        busy.value = true
        problem.value = null
        try {
            await work()
        } catch (error) {
            problem.value = (error as Error).message
        } finally {
            busy.value = false
        }
    }

    /** Sends, and goes on into the application, to an address within it if one was wanted. */
    function enter(work: () => Promise<void>, to?: unknown): Promise<void> {
        return send(async () => {
            await work()
            await router.push(typeof to === 'string' && to.startsWith('/') && !to.startsWith('//') ? to : '/')
        })
    }

    return { problem, busy, send, enter }
}
