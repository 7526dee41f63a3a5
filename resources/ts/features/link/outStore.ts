import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { api } from '@/api/client'
import type { Edit } from '@/api/wire'
import { leadTo } from '@/board/leadTo'
import { router } from '@/router'
import { useBeside } from '@/stores/beside'
import { newId, useMap } from '@/stores/map'
import { fileWanted } from '@/stores/openFile'
import { usePreferences } from '@/stores/preferences'
import { topicName } from '@/text/titleMarkdown'
import { offer, tell } from '@/ui/tell'
import { useUi } from '@/ui/uiStore'
import { addressIn, inMap, outsOf, type Out } from './outs'

/** Links: making them, going where they lead, and coming back. */
export const useOuts = defineStore('outs', () => {
    const map = useMap()
    const beside = useBeside()
    const preferences = usePreferences()
    const ui = useUi()
    /** The page that is open beside the map. */
    const page = shallowRef<{ address: string; title: string } | null>(null)
    /** Whether the field for a new link is to be gone to, once the desk is there. */
    const wantsField = ref(0)

    const of = (topic: string): Out[] => outsOf(beside.tree, topic)
    const titleOf = (topic: string): string => topicName(map.tree.topics.get(topic)?.title)
    const nameOf = (out: Out): string => (out.kind === 'here' ? titleOf(out.to) : out.title !== '' ? out.title : out.kind === 'file' ? fileName(out.to) : out.to.replace(/^(mailto:|https?:\/\/)/, ''))
    const fileName = (source: string): string => String([...map.tree.rows.values()].find(({ type, fields }) => type === 'file' && fields.source === source)?.fields.name ?? 'file')
    const told = (topic: string): string => {
        const outs = of(topic)
        return outs.length === 0 ? '' : outs.length === 1 && outs[0] !== undefined ? `leads to ${nameOf(outs[0])}` : `${outs.length} links`
    }

    /** Goes to where a link leads; a key comes back from topics and maps. */
    function go(out: Out, from: string): void {
        const there = inMap(out.to)
        if (out.kind === 'web') {
            window.open(out.to, '_blank', 'noopener,noreferrer')
        } else if (out.kind === 'mail') {
            location.assign(out.to)
        } else if (out.kind === 'file') {
            fileWanted.value = { source: out.to, name: nameOf(out) }
        } else if (out.kind === 'here') {
            preferences.leaveMark(map.id, from, out.to)
            leadTo(out.to)
        } else if (there !== null) {
            preferences.leaveMark(map.id, from, there.topic)
            open(there.map, there.topic)
        }
    }

    function open(id: string, topic: string | null): void {
        if (id === map.id) {
            leadTo(topic ?? map.tree.root)
        } else {
            void router.push(topic === null ? `/maps/${id}` : `/maps/${id}/topics/${topic}`)
        }
    }

    /** Goes to a topic of any map from where one is, so that the key comes back. */
    function visit(id: string, topic: string | null): void {
        if (map.current !== null) {
            preferences.leaveMark(map.id, map.current, topic)
        }
        open(id, topic)
    }

    function follow(): void {
        const topic = map.current
        const [first, ...others] = topic === null ? [] : of(topic)
        if (topic !== null && first !== undefined && others.length === 0) {
            go(first, topic)
        } else if (first !== undefined) {
            // Which of them is for the person to say.
            toField()
        }
    }

    /** Opens the desk where links are, with the caret in the field for another. */
    function toField(): void {
        preferences.deskOpen = true
        preferences.deskFolded = preferences.deskFolded.filter((name) => name !== 'Ties')
        ui.phoneView = 'desk'
        wantsField.value++
    }

    /** Back to where one was, as far as that is still there. */
    function back(): void {
        const mark = preferences.takeMark()
        if (mark !== undefined && (mark.map !== map.id || map.tree.topics.has(mark.topic))) {
            open(mark.map, mark.topic)
        } else if (mark !== undefined) {
            back()
        }
    }
    const canGoBack = computed(() => preferences.trail.length > 0)
    /** From where one was led to what is chosen; null where one came to it otherwise. */
    const cameFrom = computed(() => {
        const mark = preferences.trail.at(-1)
        return mark?.to !== undefined && mark.to === map.current && (mark.map !== map.id || map.tree.topics.has(mark.topic)) ? mark : null
    })

    const link = (at: string, to: string, title: string, id = newId(), step = newId()): Edit => ({ name: 'row.set', step, type: 'link', row: id, fields: { at, to, title } } as Edit)

    /** Lets topics lead to another of this map, and that one back. */
    function tie(topics: readonly string[], other: string, oneWay = false, step = newId()): void {
        const edits = topics.filter((one) => one !== other && !outsOf(map.tree, one).some((out) => out.to === other)).map((one) => ({ name: 'row.set', step, type: 'see-also', row: newId(), fields: { one, other, oneWay } } as Edit))
        if (edits.length > 0) {
            map.edit(...edits)
        }
    }

    /** Lets topics lead to an address; says whether it is one. */
    function add(all: readonly string[], text: string, title = '', step = newId()): boolean {
        const address = addressIn(text)
        const topics = all.filter((topic) => !outsOf(map.tree, topic).some(({ to }) => to === address))
        const there = address === null ? null : inMap(address)
        if (address === null || all.length === 0) {
            return false
        }
        if (topics.length === 0) {
            tell.info('It leads there already.')
            return true
        }
        if (there !== null && there.map === map.id) {
            tie(topics, there.topic ?? map.tree.root, true, step)
            return true
        }
        const rows = topics.map(() => newId())
        map.edit(...topics.map((topic, n) => link(topic, address, title, rows[n], step)))
        if (there !== null && title === '') {
            void name(there, rows, step)
        }
        return true
    }

    /** A link to another map is called as that is called, or its topic. */
    async function name(there: { map: string; topic: string | null }, rows: readonly string[], step: string): Promise<void> {
        const card = await api.card(there.map, there.topic).catch(() => null)
        if (card !== null) {
            map.edit({ name: 'row.set', step, type: 'link', rows: [...rows], fields: { title: (there.topic === null ? card.mapTitle : card.title).slice(0, 300) } } as Edit)
        }
    }

    const remove = (out: Out): void => map.edit({ name: 'row.remove', type: out.type, rows: [out.id] } as Edit)
    const rename = (out: Out, title: string): void => {
        if (title !== out.title) {
            map.edit({ name: 'row.set', type: 'link', row: out.id, fields: { title: title.slice(0, 300) } } as Edit)
        }
    }
    /** From one way to both, and back: then it leads on from here only. */
    const turn = (out: Out, from: string): void => map.edit({ name: 'row.set', type: 'see-also', row: out.id, fields: out.both ? { one: from, other: out.to, oneWay: true } : { oneWay: false } } as Edit)

    /** A single address that is pasted on a topic becomes a link of it. */
    function paste(text: string, instead: () => void): boolean {
        const topics = [...map.chosen]
        if (topics.length === 0 || addressIn(text) === null || !/^(https?:|mailto:|www\.)/i.test(text.trim())) {
            return false
        }
        const [before, step] = [map.tree.rows, newId()]
        add(topics, text, '', step)
        if (map.tree.rows !== before) {
            offer('The topic leads there now.', 'Paste it as a topic instead', () => {
                void map.outcomeOf({ name: 'undo', of: step, forget: true }).then((undone) => undone && instead())
            })
        }
        return true
    }

    // An address that is typed in a title becomes a link too.
    let titleBefore = ''
    watch(() => map.editing, (now, before) => {
        const old = titleBefore
        if (now !== null && now.id !== before?.id) {
            titleBefore = map.tree.topics.get(now.id)?.title ?? ''
        }
        if (before !== null && now?.id !== before.id) {
            const title = map.tree.topics.get(before.id)?.title ?? ''
            const typed = [...title.matchAll(/(?<![(<\w/])https?:\/\/[^\s<>()]+[^\s<>().,;:!?]/gi)].map(([address]) => address).slice(0, 5)
            for (const address of typed.filter((one) => !old.includes(one) && !outsOf(map.tree, before.id).some(({ to }) => to === addressIn(one)))) {
                add([before.id], address)
            }
        }
    })
    watch(() => map.id, () => (page.value = null))

    return { page, wantsField, toField, canGoBack, cameFrom, of, nameOf, titleOf, linkTo: link, told, go, visit, follow, back, open, tie, add, remove, rename, turn, paste }
})
