import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { bounds } from '@/api/bounds'
import { openMap } from '@/api/client'
import { newId } from '@/api/ids'
import { latest } from '@/api/latest'
import type { Edit, EditsAnswer, MapNews, OpenAnswer, Place, Role, View, ViewFilter } from '@/api/wire'
import { tell } from '@/ui/tell'
import { createCompany } from './company'
import { choiceLeft, rememberLeft } from './leftChoice'
import { pendingEdits } from './pending'
import { createQueue, type SavedState } from './queue'
import { createScene } from './scene'
import { ancestorsOf, emptyTree, foreseen, merged, type Topic, type Tree } from './tree'

export { newId }

export type Region = 'board' | 'outline'

/** Milliseconds between two questions for what others did. */
const OFTEN = 2_000
/** So many of these go by where nobody else may open the map. */
const SELDOM = 15

/** A title that is being typed. */
export interface Editing {
    id: string
    where: Region
    /** Groups what belongs to the making of a new topic, so that one undo takes it all back. */
    step: string
    /** The topic was made for this; left empty, it goes again. */
    fresh: boolean
    /** What was typed to begin with, in place of the title. */
    instead: string | null
}

/** The map that is open: its topics, its scene, what is chosen, and the way to change it. */
export const useMap = defineStore('map', () => {
    const id = ref('')
    const { meet, hear, part, ...company } = createCompany()
    const { role, mayEdit, isShared, listens } = company
    const scene = createScene()
    const { filter, takeScene, takeNarrowed } = scene
    /** The map as the server told it last. */
    const base = shallowRef<Tree>(emptyTree)
    /** Where this person left the board; null the first time. */
    const place = shallowRef<Place | null>(null)
    const seq = ref(0)
    const undoLabel = ref<string | null>(null)
    const redoLabel = ref<string | null>(null)
    const chosen = shallowRef<readonly string[]>([])
    const region = ref<Region>('board')
    const typed = shallowRef<Editing | null>(null)
    const folded = shallowRef<ReadonlySet<string>>(new Set())
    const outlineFolded = shallowRef<ReadonlySet<string>>(new Set())
    /** Where one has stepped in, on the board and in the outline; null for the whole map. */
    const scope = ref<string | null>(null)
    /** Whether others are looking, so that the board shows what may leave the map and nothing else. */
    const showing = ref(false)
    const outlineScope = ref<string | null>(null)
    const numbers = shallowRef<Readonly<Record<string, string>>>({})
    const queue = shallowRef<ReturnType<typeof createQueue> | null>(null)
    /** Who only looks types nothing. */
    const editing = computed<Editing | null>({
        get: () => typed.value,
        set: (now) => {
            over = now === null || now.id === typed.value?.id ? over : (tree.value.topics.get(now.id)?.title ?? '')
            typed.value = mayEdit.value ? now : null
        },
    })
    /** The title over which one types, so that what somebody else makes of it meanwhile is not written over. */
    let over = ''
    /** Why the map is not to be had any more; null while it is. */
    const ended = ref<string | null>(null)

    const waiting = computed<readonly Edit[]>(() => queue.value?.waiting.value ?? [])
    const tree = computed<Tree>(() => foreseen(base.value, waiting.value))
    const savedState = computed<SavedState>(() => queue.value?.state.value ?? 'saved')
    const savedProblem = computed(() => queue.value?.problem.value ?? '')
    const current = computed<string | null>(() => chosen.value[chosen.value.length - 1] ?? null)
    const currentTopic = computed<Topic | null>(() => (current.value === null ? null : (tree.value.topics.get(current.value) ?? null)))

    const opening = latest()
    /** As whom one was when what is shown was fetched. */
    let shownAs: Role = 'owner'
    const leaving = new Set<() => void>()
    const hiding = new Set<() => void>()
    const resting = new Set<() => void>()
    const news = new Set<(news: Pick<MapNews, 'rows' | 'scene' | 'numbers' | 'seq'>) => void>()
    const opened = new Set<(map: string) => void>()
    const outcomes = new Map<string, (refusal: string | null) => void>()
    /** The day for which the scene is drawn. */
    const today = ref('')

    /** Runs whenever this map is left, for another one, for the library or with the page. */
    function beforeLeaving(run: () => void): void {
        leaving.add(run)
    }

    /** Runs whenever the page is put aside, from where it may never come back. */
    function beforeHiding(run: () => void): void {
        hiding.add(run)
    }

    /**
     * Fetches a map and shows it. One that is open stays as it is, with what is done in it meanwhile, until it has come anew.
     *
     * @returns false if another one is wanted, or none, by the time it comes
     */
    async function open(map: string): Promise<boolean> {
        if (map === id.value && queue.value !== null) {
            return renew(map)
        }
        close()
        const isWanted = opening.begin()
        const [answer, left] = await Promise.all([openMap(map), pendingEdits.of(map).catch(() => [])])
        if (!isWanted()) {
            return false
        }
        id.value = map
        place.value = answer.place
        show(answer)
        if ('isKept' in answer && !(await takeKept(map, isWanted))) {
            return false
        }
        queue.value = createQueue(map, { seq: () => seq.value, at: () => (isShared.value ? (current.value ?? '') : undefined), listens: () => listens.value, rested: () => resting.forEach((run) => run()), answered, refused, ended: (message) => (ended.value = message) })
        queue.value.resume(left)
        if ('isKept' in answer) {
            askForNews()
        } else {
            opened.forEach((run) => run(map))
        }
        const last = choiceLeft(map) ?? answer.view.chosen
        chosen.value = [last !== null && tree.value.topics.has(last) ? last : tree.value.root]
        return true
    }

    /** Fetches the open map anew: whole, as this person may see it now. */
    async function renew(map: string): Promise<boolean> {
        const isWanted = opening.begin()
        let answer = await openMap(map)
        // What was on its way may be newer than what was fetched beside it, and must not be taken back.
        for (let tries = 0; tries < 5 && isWanted() && answer.seq < seq.value; tries++) {
            answer = await openMap(map)
        }
        if (!isWanted() || 'isKept' in answer || answer.seq < seq.value) {
            return false
        }
        scene.wipe()
        show(answer)
        ended.value = null
        keepChoiceValid()
        editing.value = typed.value
        opened.forEach((run) => run(map))
        askForNews(true)
        return true
    }

    function show(answer: OpenAnswer): void {
        base.value = merged(emptyTree, answer.rows)
        folded.value = new Set(answer.view.folded)
        outlineFolded.value = new Set(answer.view.outlineFolded)
        scope.value = answer.view.scope
        outlineScope.value = answer.view.outlineScope
        showing.value = answer.view.showing
        numbers.value = answer.numbers
        today.value = answer.today
        filter.value = answer.view.filter
        meet(answer)
        shownAs = answer.role
        takeScene(answer.scene)
        takeNarrowed(answer.narrowed)
        seq.value = answer.seq
        undoLabel.value = answer.undo
        redoLabel.value = answer.redo
    }

    /** The map comes from what is kept on this device: what was new in it since goes on top. */
    async function takeKept(map: string, isWanted: () => boolean): Promise<boolean> {
        const { useKept } = await import('./kept')
        const all = await useKept().since(map)
        if (!isWanted()) {
            return false
        }
        for (const since of all) {
            takeNews(since.news)
            folded.value = new Set(since.folded)
            outlineFolded.value = new Set(since.outlineFolded)
            scope.value = since.scope
            outlineScope.value = since.outlineScope
            undoLabel.value = since.undo
            redoLabel.value = since.redo
        }
        scene.narrowTo(null)
        tell.info('There is no network. This is the map as it was on this device last; what you change is kept here and sent as soon as there is one.')
        return true
    }

    function close(): void {
        opening.drop()
        leaving.forEach((run) => run())
        keepViewNow()
        queue.value?.close()
        queue.value = null
        id.value = ''
        base.value = emptyTree
        scene.wipe()
        chosen.value = []
        editing.value = null
        ended.value = null
        part()
        outcomes.clear()
    }

    function answered(answer: EditsAnswer): void {
        takeNews(answer)
        if (answer.narrowed !== undefined) {
            takeNarrowed(answer.narrowed)
        }
        undoLabel.value = answer.undo
        redoLabel.value = answer.redo
        for (const outcome of answer.edits) {
            const waiter = outcomes.get(outcome.id ?? '')
            outcomes.delete(outcome.id ?? '')
            if (outcome.refusal !== undefined && waiter === undefined) {
                tell.warning(outcome.refusal.message)
            }
            if (outcome.both) {
                tell.info('Somebody else wrote over the same words at the same time. Both stand there now.')
            }
            waiter?.(outcome.refusal?.message ?? null)
        }
        hear(answer)
        if (answer.role !== role.value) {
            takeRole(answer.role)
        } else if (role.value !== shownAs) {
            void showAsRole()
        }
        if (answer.today !== today.value) {
            void turnDay()
        }
    }

    /** What is new in the map, to be taken only while nothing else is on its way. */
    function takeNews(taken: Pick<MapNews, 'rows' | 'scene' | 'numbers' | 'seq'>): void {
        scene.tried.value = null
        if (taken.rows.length > 0) {
            base.value = merged(taken.scene.reset ? emptyTreeLike(taken) : base.value, taken.rows)
        }
        takeScene(taken.scene)
        numbers.value = taken.numbers ?? numbers.value
        if (taken.seq !== seq.value) {
            channel.postMessage({ map: id.value, seq: taken.seq })
        }
        seq.value = taken.seq
        keepChoiceValid()
        news.forEach((run) => run(taken))
    }

    /** This person may do more here now, or less: the map is opened anew as they may see it, once nothing is on its way. */
    function takeRole(now: Role): void {
        role.value = now
        tell.info({ view: 'From now on you may look at this map, and no longer change it.', comment: 'From now on you may look at this map and comment on it.', edit: 'From now on you may work in this map.', owner: 'This map is yours now.' }[now])
        void showAsRole()
    }

    let isTurning = false

    /** Fetches the map as one may see it now, once nothing is on its way; where that fails, the next answer leads here again. */
    async function showAsRole(): Promise<void> {
        const its = id.value
        if (isTurning) {
            return
        }
        isTurning = true
        try {
            await queue.value?.idle()
            if (its === id.value) {
                await open(its)
            }
        } catch (error) {
            tell.warning(error instanceof Error ? error.message : 'The map could not be fetched.')
        } finally {
            isTurning = false
        }
    }

    /** A new day has begun, and looks may go by it: the scene is asked for anew, where one stands. */
    async function turnDay(): Promise<void> {
        const its = id.value
        today.value = ''
        const answer = await openMap(its).catch(() => null)
        if (answer !== null && its === id.value && answer.seq === seq.value) {
            takeScene(answer.scene)
            takeNarrowed(answer.narrowed)
        }
        today.value = answer?.today ?? ''
    }

    /** A reset brings every row when the browser was too far behind, and only some when the arrangement changed. */
    function emptyTreeLike(answer: Pick<EditsAnswer, 'rows'>): Tree {
        const whole = answer.rows.some((row) => row.type === 'map' && row.fields?.root !== undefined)
        return whole ? emptyTree : base.value
    }

    function refused(message: string): void {
        tell.error(message)
    }

    /** Narrows the map to what is meant; null shows the whole, which is here already. */
    function setFilter(said: ViewFilter | null): void {
        if (said?.text === filter.value?.text && said?.shows === filter.value?.shows) {
            return
        }
        scene.narrowTo(said)
        keepView()
    }

    function keepChoiceValid(): void {
        const there = chosen.value.filter((topic) => tree.value.topics.has(topic))
        if (there.length !== chosen.value.length) {
            chosen.value = there.length > 0 ? there : [scope.value ?? tree.value.root]
        }
        if (scope.value !== null && !tree.value.topics.has(scope.value)) {
            scope.value = null
        }
        if (outlineScope.value !== null && !tree.value.topics.has(outlineScope.value)) {
            outlineScope.value = null
        }
        if (editing.value !== null && !tree.value.topics.has(editing.value.id)) {
            editing.value = null
        }
    }

    /** Sends an edit on its way; the tree shows it at once. Who only looks is told so, and nothing changes. */
    function edit(...edits: Edit[]): void {
        if (!mayEdit.value) {
            tell.info('You may look at this map, not change it. Ask whoever keeps it to let you work in it.')
            edits.forEach((one) => outcomes.get(one.id ?? '')?.('You may look at this map, not change it.'))
            edits.forEach((one) => outcomes.delete(one.id ?? ''))
            return
        }
        queue.value?.push(...edits.map((one) => ({ ...one, id: one.id ?? newId() })))
    }

    /** Keeps a title as it was typed. */
    function retitle({ id: topic, step }: Editing, title: string): void {
        if (title !== over) {
            edit({ name: 'topic.retitle', step, topic, title, was: over })
            over = title
        }
    }

    /** Sends an edit and waits for what becomes of it; whoever asks says what there is to say of a refusal. */
    async function outcomeOf(one: Edit): Promise<boolean> {
        return (await refusalOf(one)) === null
    }

    /** The same, told in the sentence of a refusal; null where the edit was made. */
    function refusalOf(one: Edit): Promise<string | null> {
        const its = one.id ?? newId()
        const known = new Promise<string | null>((resolve) => outcomes.set(its, resolve))
        edit({ ...one, id: its })
        return known
    }

    /** The page goes away, or is put aside and may never come back. */
    function leavePage(): void {
        leaving.forEach((run) => run())
        keepViewNow()
        queue.value?.leave()
    }

    window.addEventListener('pagehide', leavePage)
    document.addEventListener('visibilitychange', () => document.visibilityState === 'hidden' && hiding.forEach((run) => run()))

    /** Where the person is a new day may begin while nothing is done; looks that go by the day are seen to then. */
    setInterval(() => {
        if (id.value !== '' && today.value !== '' && new Date().toLocaleDateString('sv') !== today.value && waiting.value.length === 0) {
            askForNews()
        }
    }, 60_000)

    /** Where others may change the map it is asked for news as long as somebody looks at it; else now and then, as it may be shared by now. */
    let turn = 0
    setInterval(() => {
        turn++
        if (id.value !== '' && ((isShared.value && !listens.value) || turn % SELDOM === 0) && ended.value === null && document.visibilityState === 'visible' && savedState.value === 'saved') {
            queue.value?.askForNews(true)
        }
    }, OFTEN)

    // What listens is fetched once there is anybody else.
    watch(() => isShared.value && bounds.live, (is) => is && void import('./live').then(({ useLive }) => useLive()))

    /** Another view of the same map, beside this one or in another window, has heard of something new. */
    const channel = new BroadcastChannel('chalk-tree')
    channel.onmessage = ({ data }: MessageEvent<{ map: string; seq: number }>): void => {
        if (data.map === id.value && data.seq > seq.value) {
            askForNews()
        }
    }

    /** Steps into a topic, as if it were the map; null steps out to the whole. */
    function stepInto(where: Region, topic: string | null): void {
        const inside = topic === tree.value.root ? null : topic
        if (where === 'board') {
            scope.value = inside
        } else {
            outlineScope.value = inside
        }
        keepView()
    }

    /** Steps out far enough that a topic is in view. */
    function bringIntoScope(topic: string, where: Region): void {
        const at = where === 'board' ? scope.value : outlineScope.value
        if (at !== null && at !== topic && !ancestorsOf(tree.value, topic).includes(at)) {
            stepInto(where, null)
        }
    }

    /** How often the person has chosen something or begun to type. */
    let turns = 0

    /** Goes on where an edit leads, once it is answered; whoever has turned to something else by then stays there. */
    function goOnAfterAnswer(then: () => void): void {
        const at = turns
        afterAnswer(() => at === turns && editing.value === null && then())
    }

    function choose(...topics: string[]): void {
        turns++
        chosen.value = topics.filter((topic) => tree.value.topics.has(topic))
        keepViewSoon()
    }

    /** Begins or ends to show the map to others. */
    function setShowing(shows: boolean): void {
        showing.value = shows
        keepView()
    }

    function setFolded(where: Region, topics: readonly string[], fold: boolean): void {
        const set = where === 'board' ? folded : outlineFolded
        const next = new Set(set.value)
        for (const topic of topics) {
            if (fold) {
                next.add(topic)
            } else {
                next.delete(topic)
            }
        }
        set.value = next
        keepView()
    }

    /** Folds some topics and unfolds others at once. */
    function refold(where: Region, fold: readonly string[], unfold: readonly string[]): void {
        const set = where === 'board' ? folded : outlineFolded
        const next = new Set(set.value)
        unfold.forEach((topic) => next.delete(topic))
        fold.forEach((topic) => next.add(topic))
        set.value = next
        keepView()
    }

    /** Runs once the server has answered what is on its way now. */
    function afterAnswer(then: () => void): void {
        const its = queue.value
        void its?.idle().then(() => its === queue.value && then())
    }

    /** Unfolds whatever hides a topic, and steps out to where it is. */
    function uncover(topic: string, where: Region): void {
        bringIntoScope(topic, where)
        if (base.value.topics.has(topic) && scene.leavesOut(topic)) {
            setFilter(null)
        }
        const set = where === 'board' ? folded : outlineFolded
        const hiding = ancestorsOf(tree.value, topic).filter((above) => set.value.has(above))
        if (hiding.length > 0) {
            setFolded(where, hiding, false)
        }
    }

    let soon: ReturnType<typeof setTimeout> | undefined

    function keepViewSoon(): void {
        clearTimeout(soon)
        soon = setTimeout(keepView, 1500)
    }

    function keepViewNow(): void {
        if (soon !== undefined) {
            rememberLeft(id.value, current.value)
            keepView()
        }
    }

    function keepView(): void {
        clearTimeout(soon)
        soon = undefined
        const there = (ids: ReadonlySet<string>): string[] => [...ids].filter((topic) => base.value.topics.has(topic))
        const view: View = {
            folded: there(folded.value),
            outlineFolded: there(outlineFolded.value),
            chosen: current.value !== null && base.value.topics.has(current.value) ? current.value : null,
            scope: scope.value,
            outlineScope: outlineScope.value,
            showing: showing.value,
            filter: filter.value,
        }
        queue.value?.keepView(view)
    }

    function askForNews(quiet = false): void {
        queue.value?.askForNews(quiet)
    }

    return {
        id, told: base, tree, slips: scene.slips, marks: scene.marks, tried: scene.tried, showTried: scene.showTried, place, ...company, takeNews, isResting: (): boolean => queue.value?.isResting() ?? false, whenResting: resting, whenNews: news, whenOpened: opened, ended, waiting, savedState, savedProblem, undoLabel, redoLabel,
        chosen, current, currentTopic, region, editing, folded, outlineFolded,
        scope, outlineScope, showing, setShowing, filter, narrowed: scene.narrowed, setFilter, numbers, seq, today,
        open, close, beforeLeaving, beforeHiding, edit, retitle, outcomeOf, refusalOf, choose, setFolded, refold, uncover, stepInto, afterAnswer, goOnAfterAnswer, askForNews,
        tryAgain: (): void => queue.value?.tryAgain(),
        giveUp: async (): Promise<void> => {
            await queue.value?.giveUp()
            await open(id.value).catch((error: unknown) => (ended.value = (error as Error).message))
        },
    }
})
