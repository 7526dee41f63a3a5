import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { api } from '@/api/client'
import { latest } from '@/api/latest'
import type { Edit, HandAnswer, ReadingAnswer } from '@/api/wire'
import { fieldsAt, kindAt, typedForm, valuesAt } from '@/facts/facts'
import { storyKinds } from '@/facts/shipped'
import { newId, useMap } from '@/stores/map'
import { rowOf, rowsOf } from '@/stores/tree'
import { topicName } from '@/text/titleMarkdown'
import { pathOf, topicAt } from '@/text/usedIn'
import { tell } from '@/ui/tell'
import { useUi } from '@/ui/uiStore'
import { useDraft } from '../draftStore'

export type Named = HandAnswer['named'][number]
/** A line of the panel: a sheet, or what a sheet says in a field. */
export interface Line { readonly key: string; readonly map: string; readonly topic: string; readonly title: string; readonly more: string; readonly said?: { readonly field: string; readonly text: string } }

const SHEETS = [storyKinds.character, storyKinds.place, storyKinds.object, storyKinds.source, storyKinds.thread]
/** How long nothing has to change before it is asked what the section names. */
const RESTS = 250
const MOST = 12
const words = (n: number): string => (n === 1 ? 'named once' : `named ${n}×`)

/** What is at hand while one writes: who and what the section names, their sheets, notes of any map. */
export const useHand = defineStore('hand', () => {
    const map = useMap()
    const draft = useDraft()
    const ui = useUi()

    const isOpen = computed(() => ui.side === 'hand')
    const typed = ref('')
    /** The sheet or note that is read. */
    const open = shallowRef<{ map: string; topic: string } | null>(null)
    /** Counts how often the field is wanted. */
    const wantsField = ref(0)
    const named = shallowRef<readonly Named[]>([])
    const elsewhere = shallowRef<readonly Line[]>([])
    /** What is read of another map. */
    const read = shallowRef<ReadingAnswer | null>(null)
    let back = (): void => undefined

    const section = computed(() => (map.current !== null && draft.all.includes(map.current) ? map.current : draft.at))
    const asking = latest()
    watch([isOpen, section, () => map.seq, () => map.savedState], ([is, at, , state]) => {
        if (!is || at === null || state !== 'saved') {
            return
        }
        const isWanted = asking.begin()
        setTimeout(async () => {
            const answer = isWanted() && map.savedState === 'saved' ? await api.hand(map.id, at).catch(() => null) : null
            if (isWanted() && answer !== null) {
                named.value = answer.named
            }
        }, named.value.length === 0 ? 0 : RESTS)
    }, { immediate: true })

    const titleOf = (topic: string): string => topicName(map.tree.topics.get(topic)?.title)
    /** How a section has to do with what it names. */
    const how = ({ sees, isSaid, isTied, names }: Named): string => [sees ? 'sees' : isSaid ? 'in it' : isTied ? 'linked' : '', names > 0 ? words(names) : ''].filter((one) => one !== '').join(', ')
    const ofSection = computed<Line[]>(() => named.value.filter(({ topic }) => map.tree.topics.has(topic)).map((one) => ({ key: one.topic, map: map.id, topic: one.topic, title: titleOf(one.topic), more: how(one) })))

    /** All sheets of the map, those of the section first. */
    const sheets = computed<string[]>(() => {
        const all = rowsOf(map.tree, 'of-kind').filter(({ id, fields }) => SHEETS.some((kind) => kind === fields.kind) && map.tree.topics.has(id)).map(({ id }) => id)
        return [...new Set([...ofSection.value.map(({ topic }) => topic), ...all])]
    })

    /** What sheets say that begins so: their titles first, then fields that are called so, then what stands in fields. */
    const found = computed<Line[]>(() => {
        const asked = typed.value.trim().toLocaleLowerCase().split(/\s+/).filter((one) => one !== '')
        if (asked.length === 0) {
            return []
        }
        const has = (text: string): boolean => {
            const parts = text.toLocaleLowerCase().split(/[^\p{L}\p{N}]+/u)
            return asked.every((one) => parts.some((part) => part.startsWith(one)))
        }
        const titles: Line[] = []
        const said: Line[] = []
        const called: Line[] = []
        for (const topic of sheets.value) {
            const [title, kind] = [titleOf(topic), kindAt(map.tree, topic)?.name ?? '']
            const values = valuesAt(map.tree, topic)
            if (has(`${title} ${kind}`)) {
                titles.push({ key: topic, map: map.id, topic, title, more: kind })
            }
            for (const field of fieldsAt(map.tree, topic)) {
                const text = typedForm(field.sort, values[field.id] ?? '')
                if (text !== '' && !text.startsWith('topic:') && has(`${field.name} ${title} ${text}`) && !has(title)) {
                    const isCalled = has(`${field.name} ${title}`)
                    ;(isCalled ? called : said).push({ key: `${topic} ${field.id}`, map: map.id, topic, title, more: field.name, said: { field: field.id, text } })
                }
            }
        }
        return [...titles, ...called, ...said].slice(0, MOST)
    })
    const lines = computed<readonly Line[]>(() => (typed.value.trim() === '' ? ofSection.value : [...found.value, ...elsewhere.value]))

    const searching = latest()
    watch(typed, (now) => {
        const isWanted = searching.begin()
        elsewhere.value = []
        setTimeout(async () => {
            const asked = now.trim()
            const answer = isWanted() && asked.length > 1 ? await api.quick(asked, map.id).catch(() => null) : null
            if (isWanted() && answer !== null) {
                const known = new Set(found.value.map(({ topic }) => topic))
                elsewhere.value = answer.topics.filter(({ topic }) => !known.has(topic)).slice(0, MOST).map((one) => ({ key: `${one.map} ${one.topic}`, map: one.map, topic: one.topic, title: one.title === '' ? 'Untitled' : one.title, more: one.map === map.id ? one.trail.slice(-1).join('') : one.mapTitle }))
            }
        }, 120)
    })

    const reading = latest()
    watch(open, async (there) => {
        const isWanted = reading.begin()
        read.value = null
        if (there !== null && there.map !== map.id) {
            const answer = await api.reading(there.map, there.topic).catch(() => null)
            if (isWanted()) {
                read.value = answer
                if (answer === null) {
                    tell.info('What it leads to is not there any more, or not yours.')
                    open.value = null
                }
            }
        }
    })

    function show(): void {
        if (!isOpen.value) {
            back = draft.wayBack()
            typed.value = ''
            ui.showSide('hand')
        } else if (document.activeElement?.closest('.at-hand') == null) {
            back = draft.wayBack()
        }
        wantsField.value++
    }

    /** Opens something beside the text, which stays where it is. */
    function see(there: { map: string; topic: string }): void {
        back = draft.wayBack()
        ui.showSide('hand')
        typed.value = ''
        open.value = there
    }

    /** Back into the sentence; the panel stays. */
    function leave(): void {
        typed.value = ''
        back()
    }

    /** Puts text at the caret of the section, with the way to where it came from, which is stamped as used; one step takes all of it back. */
    function put(text: string): void {
        const from = open.value
        const its = draft.hand
        if (from === null || its === null) {
            return
        }
        if (text.trim() === '') {
            tell.info('There is no note in it to be put into the section.')
            return
        }
        const step = newId()
        const title = (read.value?.title ?? titleOf(from.topic)).replace(/[[\]\\{}]/g, '').slice(0, 80)
        its.insert(`${text.trim()} {{from [${title === '' ? 'a note' : title}](${pathOf(from.map, from.topic)})}}`, step)
        const stamp: Edit = { name: 'row.set', step, type: 'stamps', topics: [from.topic], fields: { used: true } } as Edit
        if (from.map === map.id) {
            if (rowOf(map.tree, 'stamps', from.topic)?.fields.used !== true) {
                map.edit(stamp)
            }
        } else {
            void api.edit(from.map, 0, [{ ...stamp, id: newId() } as Edit]).catch(() => tell.warning('The note could not be stamped as used; the text is there.'))
        }
        its.focus()
    }

    /** What is marked of the note at hand, or all of it; the sheet that shows it says. */
    const piece = shallowRef<() => string>(() => '')
    const putOpen = (): void => put(piece.value())

    /** Opens what the text leads to at the caret. */
    function seeLed(): void {
        const there = topicAt(draft.hand?.leads())
        if (there === null) {
            tell.info('The text leads to no note here.')
        } else {
            see(there)
        }
    }

    watch(() => map.id, () => {
        open.value = null
        named.value = []
    })

    return { isOpen, typed, open, wantsField, named, how, lines, sheets, read, titleOf, show, see, leave, piece, putOpen, seeLed }
})
