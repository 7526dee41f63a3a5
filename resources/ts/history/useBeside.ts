import { computed, onBeforeUnmount, ref, shallowRef, watch } from 'vue'
import { onBeforeRouteLeave } from 'vue-router'
import { api, type Moments } from '@/api/client'
import { latest } from '@/api/latest'
import type { BesideAnswer, Edit } from '@/api/wire'
import { newId } from '@/stores/map'
import { usePreferences } from '@/stores/preferences'

export type Difference = BesideAnswer['differences'][number]
export type Sort = Difference['sort']

/** Edits that one request brings, and letters. */
const MOST = 100
const LETTERS = 400_000

/** How many of some edits go in one request; one at least. */
function fitting(edits: readonly Edit[]): number {
    let letters = 0
    const to = edits.findIndex((edit, n) => n === MOST || ((letters += JSON.stringify(edit).length) > LETTERS && n > 0))
    return to < 0 ? edits.length : to
}

/** Another map, or a file, beside a map: what is otherwise in it, and what is taken over from it. */
export function useBeside(id: () => string) {
    const preferences = usePreferences()
    /** What is laid beside it: the id of a map, or a file. */
    const other = shallowRef<string | File | null>(null)
    /** Which moments of both are meant. */
    const moments = shallowRef<Moments>({ at: null, since: null })
    const answer = shallowRef<BesideAnswer | null>(null)
    const drawn = ref('')
    const problem = ref('')
    const isAsking = ref(false)
    /** What has become of each difference: taken over, left, or why it could not be. */
    const done = shallowRef<ReadonlyMap<number, 'taken' | 'left' | string>>(new Map())
    const steps = shallowRef<readonly string[]>([])
    let seq = 0
    const asking = latest()
    const drawing = latest()

    const open = computed(() => (answer.value?.differences ?? []).map((one, i) => ({ one, i })).filter(({ i }) => !done.value.has(i)))
    const taken = computed(() => [...done.value.values()].filter((as) => as === 'taken').length)
    const refused = computed(() => [...done.value].filter(([, as]) => as !== 'taken' && as !== 'left'))

    async function draw(): Promise<void> {
        const its = other.value
        const isWanted = drawing.begin()
        const file = its === null ? null : await api.besideDrawn(id(), its, moments.value, preferences.board).catch(() => null)
        if (isWanted()) {
            URL.revokeObjectURL(drawn.value)
            drawn.value = file === null ? '' : URL.createObjectURL(file)
        }
    }
    watch(() => preferences.board, () => void draw())
    onBeforeUnmount(() => URL.revokeObjectURL(drawn.value))

    /** Lays it beside the map, as both are now or were at a moment. */
    async function lay(its: string | File, as: Moments = moments.value): Promise<void> {
        const isWanted = asking.begin()
        other.value = its
        moments.value = as
        problem.value = ''
        isAsking.value = true
        try {
            const [opened, got] = await Promise.all([api.open(id()), api.beside(id(), its, as)])
            if (isWanted()) {
                seq = opened.seq
                answer.value = got
                done.value = new Map()
                void draw()
            }
        } catch (error) {
            if (isWanted()) {
                answer.value = null
                problem.value = (error as Error).message
            }
        } finally {
            isAsking.value = isWanted() ? false : isAsking.value
        }
    }

    const mark = (numbers: readonly number[], as: string): void => void (done.value = new Map([...done.value, ...numbers.map((i) => [i, as] as const)]))

    /** With all without which it cannot come, those first. */
    function withNeeded(i: number, so = new Set<number>()): Set<number> {
        if (!so.has(i) && !done.value.has(i)) {
            answer.value?.differences[i]?.needs.forEach((one) => withNeeded(one, so))
            so.add(i)
        }
        return so
    }

    /** What is on its way to the server, one after the other. Whoever leaves waits for it, so that it is in the map by then. */
    let sending: Promise<void> = Promise.resolve()
    onBeforeRouteLeave(async () => {
        await sending
    })

    /** Takes differences over, as one step. */
    function take(...numbers: number[]): Promise<void> {
        const all = [...numbers.reduce((so, i) => withNeeded(i, so), new Set<number>())]
        const step = newId()
        const edits = all.flatMap((i) => (answer.value?.differences[i]?.edits ?? []).map((edit) => ({ i, edit: { ...edit, id: newId(), step } as unknown as Edit })))
        mark(all, 'taken')
        sending = sending.then(() => send(all, step, edits))
        return sending
    }

    async function send(all: number[], step: string, edits: { i: number; edit: Edit }[]): Promise<void> {
        try {
            while (edits.length > 0) {
                const some = edits.splice(0, fitting(edits.map(({ edit }) => edit)))
                const { edits: outcomes, seq: now } = await api.edit(id(), seq, some.map(({ edit }) => edit))
                seq = now
                steps.value = steps.value.includes(step) ? steps.value : [...steps.value, step]
                outcomes.forEach(({ refusal }, n) => refusal !== undefined && mark([some[n]?.i ?? -1], refusal.message))
                all.splice(0, all.length, ...all.filter((i) => edits.some((one) => one.i === i)))
            }
            void draw()
        } catch (error) {
            done.value = new Map([...done.value].filter(([i]) => !all.includes(i)))
            problem.value = (error as Error).message
        }
    }
    const leave = (i: number): void => mark([i], 'left')

    /** Takes back what was taken over last, and looks again. */
    async function back(): Promise<void> {
        const step = steps.value.at(-1)
        if (step === undefined || other.value === null) {
            return
        }
        try {
            const { edits: [outcome] } = await api.edit(id(), seq, [{ name: 'undo', id: newId(), of: step } as Edit])
            steps.value = steps.value.slice(0, -1)
            problem.value = outcome?.refusal?.message ?? ''
        } catch (error) {
            problem.value = (error as Error).message
            return
        }
        await lay(other.value)
    }

    return { other, moments, answer, drawn, problem, isAsking, open, taken, refused, steps, lay, take, leave, back }
}
