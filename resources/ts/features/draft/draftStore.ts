import { useStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import type { Edit } from '@/api/wire'
import { today } from '@/facts/facts'
import { useDrafts } from '@/stores/drafts'
import { newId, useMap } from '@/stores/map'
import { useNarrowing } from '@/stores/narrowing'
import { ancestorsOf, branchOf, childrenOf, depthOf, rowOf, rowsOf, type Tree } from '@/stores/tree'
import { quotations } from '@/text/quoteTyping'

/** Where in a section the caret is wanted: at an end, where a hand said that it stood, behind so many letters of its Markdown, or at a point of the window. */
export type Caret = 'start' | 'end' | 'title' | number | { readonly letters: number; readonly to?: number } | { readonly x: number; readonly y: number; readonly toX?: number; readonly toY?: number }

/** What the section in which one writes can do; it hands it over while it is there. */
export interface Hand {
    readonly topic: string
    /** Its text before the caret and behind it, as Markdown. */
    cut(): readonly [string, string]
    /** Where the caret stands, as far as this section counts. */
    at(): number
    focus(caret?: Caret): void
    /** Puts these signs around what is marked, or where the caret is, which then stands between them. */
    wrap(open: string, close: string): void
    /** What is marked, as it is read. */
    marked(): string
    /** Puts Markdown where the caret is, as part of a step, and keeps it. */
    insert(markdown: string, step: string): void
    /** The address to which the text leads where the caret is, in its paragraph or nearest before it; null where it leads nowhere. */
    leads(): string | null
}

/** How far a section is, one after the other; and what else is said of it by stamps. */
const STATES = ['idea', 'drafted', 'revised'] as const
export type State = (typeof STATES)[number] | 'cut' | 'look-up' | 'used'

export const faces = [
    { value: 'Literata', label: 'Reading' }, { value: 'Atkinson Hyperlegible', label: 'Clear' }, { value: 'Lexend', label: 'Spacious' }, { value: 'JetBrains Mono', label: 'Mono' },
] as const

/** A branch as one text: its sections, in which of them one writes, and how the page is set. */
export const useDraft = defineStore('draft', () => {
    const map = useMap()
    const drafts = useDrafts()

    /** The branch is the one in which one has stepped in, or that of the root. */
    const top = computed(() => (map.outlineScope !== null && map.tree.topics.has(map.outlineScope) ? map.outlineScope : map.tree.root))
    const isOneOnly = ref(false)
    const all = computed<readonly string[]>(() => (map.tree.topics.has(top.value) ? branchOf(map.tree, top.value) : []))
    const narrowing = useNarrowing()
    /** Where the map is narrowed, so is the text. */
    const sections = computed(() => (isOneOnly.value && map.current !== null && all.value.includes(map.current) ? [map.current] : narrowing.hides() ? all.value.filter(narrowing.left) : all.value))
    const base = computed(() => depthOf(map.tree, top.value))
    const levelOf = (topic: string): number => depthOf(map.tree, topic) - base.value

    /** Whether a section has a stamp that says how far it is. */
    const isStamped = (topic: string, stamp: State): boolean => rowOf(map.tree, 'stamps', topic)?.fields[stamp] === true
    /** Whether it is cut, or stands below what is. */
    const isCut = (topic: string): boolean => [topic, ...ancestorsOf(map.tree, topic)].slice(0, levelOf(topic)).some((one) => isStamped(one, 'cut'))
    function stamp(stamp: State): void {
        const topic = hand.value?.topic ?? map.current
        if (topic !== null) {
            map.edit({ name: 'row.set', type: 'stamps', topics: [topic], fields: { [stamp]: !isStamped(topic, stamp) } } as Edit)
        }
    }

    /** How far a section is goes on: an idea, drafted, revised, and nothing said again. */
    function goOn(): void {
        const topic = hand.value?.topic ?? map.current
        if (topic !== null) {
            const at = STATES.findIndex((state) => isStamped(topic, state))
            const fields = Object.fromEntries(STATES.map((state, i) => [state, i === at + 1]))
            map.edit({ name: 'row.set', type: 'stamps', topics: [topic], fields } as Edit)
        }
    }

    /** The section in which one writes, and where the caret is wanted there. */
    const at = ref<string | null>(null)
    const wanted = shallowRef<{ topic: string; caret: Caret } | null>(null)
    const hand = shallowRef<Hand | null>(null)
    const isSeen = ref(false)
    /** Whether the text is seen, or who is where in it, or how long and tense it is. */
    const form = ref<'text' | 'threads' | 'shape'>('text')
    /** Whether it is asked how many words there are to be. */
    const isSettingGoals = ref(false)
    /** Whether what is to be looked up is listed. */
    const isListing = ref(false)
    /** A way back into the text, to where the caret is now. */
    function wayBack(): () => void {
        const its = hand.value
        const caret = its?.at() ?? 'start'
        return () => its !== null && enter(its.topic, caret)
    }
    let goBackInto = (): void => undefined

    /** Whether the days are seen on which one wrote. */
    const isSeeingDays = ref(false)
    function seeDays(): void {
        goBackInto = wayBack()
        drafts.flushAll()
        map.afterAnswer(() => (isSeeingDays.value = true))
    }
    function leaveDays(): void {
        isSeeingDays.value = false
        goBackInto()
    }

    /** Whether a manuscript that came back is laid beside the draft. */
    const isReturning = ref(false)
    function seeReturned(): void {
        goBackInto = wayBack()
        drafts.flushAll()
        map.afterAnswer(() => (isReturning.value = true))
    }
    function leaveReturned(): void {
        isReturning.value = false
        goBackInto()
    }

    /** The section of which kept wordings are seen. */
    const wordingsOf = ref<string | null>(null)
    function seeWordings(): void {
        const topic = hand.value?.topic ?? map.current
        if (topic !== null && map.tree.topics.has(topic)) {
            goBackInto = wayBack()
            drafts.flushAll()
            wordingsOf.value = topic
        }
    }
    function leaveWordings(): void {
        wordingsOf.value = null
        goBackInto()
    }
    /** The page; it has the focus until the section is there in which one writes, so that no key goes elsewhere meanwhile. */
    const frame = shallowRef<HTMLElement | null>(null)

    const face = useStorage<string>('chalk-draft-face', 'Literata')
    const size = useStorage('chalk-draft-size', 18)
    /** Letters of a line. */
    const measure = useStorage('chalk-draft-measure', 66)
    /** The language whose quotes and dashes are set while one types; empty where all stays as it is typed. */
    const language = useStorage('chalk-draft-quotes', '')
    const quotation = computed(() => quotations.find(({ value }) => value === language.value) ?? null)
    const isTypewriter = useStorage('chalk-draft-typewriter', false)
    const isBare = ref(false)
    /** Where one wrote last, by map. */
    const places = useStorage<Record<string, { topic: string; at: number }>>('chalk-draft-places', {})

    function enter(topic: string, caret: Caret): void {
        if (map.tree.topics.has(topic)) {
            if (map.current !== topic || map.chosen.length !== 1) {
                map.choose(topic)
            }
            frame.value?.focus({ preventScroll: true })
            at.value = topic
            wanted.value = { topic, caret }
        }
    }

    /** What is typed before the section is there in which one writes. */
    const ahead = ref('')
    function typeAhead(event: KeyboardEvent): void {
        const by = { ArrowDown: 1, ArrowRight: 1, ArrowUp: -1, ArrowLeft: -1 }[event.key]
        const isText = [...event.key].length === 1
        if (event.ctrlKey || event.metaKey || event.altKey || event.isComposing || at.value === null || (by === undefined && !isText)) {
            return
        }
        event.preventDefault()
        if (isText) {
            ahead.value += event.key
        } else if (by === 1 || by === -1) {
            step(at.value, by)
        }
    }

    /** To the section before or after, among those that are seen or among all. */
    function step(from: string, by: 1 | -1, among = sections.value): boolean {
        const next = among[among.indexOf(from) + by]
        if (next !== undefined) {
            enter(next, by > 0 ? 'start' : 'end')
        }
        return next !== undefined
    }

    /** Remembers where one writes, for the next time. */
    function leaveMark(): void {
        if (hand.value !== null) {
            const kept = Object.entries(places.value).filter(([id]) => id !== map.id).slice(-40)
            places.value = Object.fromEntries([...kept, [map.id, { topic: hand.value.topic, at: hand.value.at() }]])
        }
    }

    /** Where one said that one stopped, and what comes next; only one such mark is kept. */
    const stop = computed(() => {
        const row = rowsOf(map.tree, 'stopped').find(({ id }) => map.tree.topics.has(id))
        return row === undefined ? null : { topic: row.id, letters: Number(row.fields.letters ?? 0), remark: String(row.fields.remark ?? ''), on: String(row.fields.on ?? '') }
    })
    /** Whether one is asked what comes next. */
    const isStopping = ref(false)
    /** Where the mark is wanted; the caret has gone to what is said by then. */
    let stopping: { topic: string; letters: number; at: Caret } | null = null

    function beginStop(): void {
        const topic = map.current ?? hand.value?.topic ?? top.value
        const its = hand.value?.topic === topic ? hand.value : null
        stopping = { topic, letters: its?.cut()[0].length ?? 0, at: its?.at() ?? 'start' }
        isStopping.value = true
    }

    /** Leaves the mark, in place of an earlier one; null gives up. The caret goes back into the text. */
    function endStop(remark: string | null): void {
        isStopping.value = false
        if (stopping !== null && remark !== null) {
            const step = newId()
            const { topic, letters } = stopping
            const earlier = rowsOf(map.tree, 'stopped').map(({ id }) => id).filter((id) => id !== topic)
            map.edit(
                ...(earlier.length === 0 ? [] : [{ name: 'row.remove', step, type: 'stopped', rows: earlier } as Edit]),
                { name: 'row.set', step, type: 'stopped', topics: [topic], fields: { letters, remark: remark.trim(), on: today() } } as Edit,
            )
        }
        if (stopping !== null) {
            enter(stopping.topic, stopping.at)
        }
        stopping = null
    }

    /** To where one stopped, out of the branch in which one has stepped in if it is not there. */
    function goToStop(): void {
        const there = stop.value
        if (there !== null) {
            if (!all.value.includes(there.topic)) {
                map.stepInto('outline', null)
            }
            enter(there.topic, { letters: there.letters })
        }
    }

    function forgetStop(): void {
        if (stop.value !== null) {
            map.edit({ name: 'row.remove', type: 'stopped', rows: rowsOf(map.tree, 'stopped').map(({ id }) => id) })
        }
    }

    /** A new section here: what is behind the caret goes with it. Where the section has others below, it comes before those. */
    function begin(): void {
        const from = map.current ?? hand.value?.topic ?? null
        if (from === null || !map.tree.topics.has(from)) {
            return
        }
        // From a heading the text stays whose it is.
        const isHeading = document.activeElement?.closest('.draft .heading') != null
        const [before, behind] = isHeading || hand.value === null ? ['', ''] : hand.value.cut()
        const [step, id] = [newId(), newId()]
        drafts.flush(from, 'note')
        const place = childrenOf(map.tree, from).length > 0 || from === top.value ? { parent: from, first: true } : { after: from }
        map.edit(
            ...(behind === '' ? [] : [{ name: 'topic.note', step, topics: [from], note: before } as Edit]),
            { name: 'topic.add', step, topic: { id, title: '', note: behind }, ...place } as Edit,
        )
        enter(id, 'title')
    }

    /** Joins the section with the one before it; the caret stays between what they said. */
    function join(): void {
        const topic = hand.value?.topic ?? map.current
        const before = topic === null ? undefined : all.value[all.value.indexOf(topic) - 1]
        if (topic !== null && topic !== top.value && before !== undefined) {
            drafts.flush(topic, 'note')
            const letters = map.tree.topics.get(before)?.note.length ?? 0
            void map.outcomeOf({ name: 'topic.join', topics: [before, topic] } as Edit).then((isDone) => isDone && enter(before, { letters }))
        }
    }

    /** Takes the latest step back, or does it again, and goes to where the text has changed by it. */
    function goBack(run: () => void): void {
        drafts.flushAll()
        const before: Tree = map.tree
        run()
        map.afterAnswer(() => {
            const changed = all.value.find((id) => before.topics.get(id)?.note !== map.tree.topics.get(id)?.note)
            if (changed !== undefined) {
                const [was, is] = [before.topics.get(changed)?.note ?? '', map.tree.topics.get(changed)?.note ?? '']
                let same = 0
                while (same < was.length && same < is.length && was[was.length - 1 - same] === is[is.length - 1 - same]) {
                    same++
                }
                if (form.value === 'text' && hand.value?.topic !== changed) {
                    enter(changed, { letters: is.length - same })
                }
            }
        })
    }

    return { top, form, isOneOnly, all, sections, levelOf, isStamped, isCut, stamp, goOn, at, wanted, hand, isSeen, isSettingGoals, isListing, wayBack, isSeeingDays, seeDays, leaveDays, isReturning, seeReturned, leaveReturned, wordingsOf, seeWordings, leaveWordings, frame, ahead, typeAhead, face, size, measure, language, quotation, isTypewriter, isBare, places, enter, step, leaveMark, stop, isStopping, beginStop, endStop, goToStop, forgetStop, begin, join, goBack }
})
