import { reactive, watch } from 'vue'
import type { Edit } from '@/api/wire'
import { newId, useMap } from '@/stores/map'
import { today } from './facts'

/** Setting fields and to-dos of topics as they are typed; what the server refuses is told beside the field. */
export function useFactEdits() {
    const map = useMap()
    /** What is wrong, by field. */
    const problems = reactive<Record<string, string | undefined>>({})

    watch(() => map.chosen, () => Object.keys(problems).forEach((field) => (problems[field] = undefined)))

    async function send(field: string, edit: Edit): Promise<void> {
        const refusal = await map.refusalOf(edit)
        problems[field] = refusal ?? undefined
    }

    const setValue = (topics: readonly string[], field: string, value: string, step = newId()): Promise<void> => send(field, { name: 'value.set', step, topics: [...topics], field, value, today: today() })
    const setTask = (topics: readonly string[], field: string, value: string | number | null, step = newId()): Promise<void> => send(field, { name: 'task.set', step, topics: [...topics], today: today(), [field]: value } as Edit)

    return { problems, setValue, setTask }
}
