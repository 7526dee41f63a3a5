import { useEventListener } from '@vueuse/core'
import { defineStore } from 'pinia'
import { api } from '@/api/client'
import { fileApi, patiently, send, sent, StoppedError, type Way } from '@/api/files'
import { RefusedError } from '@/api/http'
import type { Draft, Edit, KeptFile } from '@/api/wire'
import type { Target } from '@/stores/bringing'
import { newId, useMap } from '@/stores/map'
import { toFilesAtDesk } from './desk'
import { announce, tell } from '@/ui/tell'
import { allFiles, filesOf, type Attached } from './files'
import { useFileState, type Coming, type Use } from './fileState'

const titleOf = (name: string): string => name.replace(/\.[a-z0-9]{1,5}$/i, '').replace(/[\\`*_[\]<>~]/g, (sign) => `\\${sign}`).slice(0, 200)
const endingOf = (name: string): string => /\.[^.]+$/.exec(name)?.[0].toLowerCase() ?? ''

/** Files at topics: brought, opened, replaced, renamed, taken away. */
export const useFiles = defineStore('files', () => {
    const map = useMap()
    const state = useFileState()
    const gone = new Set<string>()
    // What is on its way is lost with the page, but for what has come.
    useEventListener(window, 'beforeunload', (event) => state.coming.some(({ state }) => state !== 'failed') && event.preventDefault())
    let isSending = false

    /** Brings files to a topic or to the board, where each becomes a loose topic. */
    function bring(files: readonly File[], to: Target): void {
        files.forEach((file, i) => add(file, 'topic' in to ? to : { x: Math.round(to.x) + (i % 3) * 260, y: Math.round(to.y) + Math.floor(i / 3) * 90 }))
        void work()
    }

    function add(file: File, use: Use): void {
        state.coming.push({ key: newId(), file, map: map.id, use, sent: 0, state: 'waiting', why: '' })
    }

    /** One after the other: two at a time would each take twice as long. */
    async function work(): Promise<void> {
        if (isSending) {
            return
        }
        isSending = true
        for (let one = next(); one !== undefined; one = next()) {
            await fetchIn(one)
        }
        isSending = false
    }
    const next = (): Coming | undefined => state.coming.find(({ state }) => state === 'waiting')
    const end = (key: string): void => void (state.coming = state.coming.filter((one) => one.key !== key))

    async function fetchIn(one: Coming): Promise<void> {
        const way: Way = {
            isStopped: () => gone.has(one.key),
            sent: (bytes) => (one.sent = bytes),
            held: (isHeld) => (one.state = isHeld ? 'held' : 'sending'),
        }
        one.state = 'sending'
        try {
            const upload = await send(one.file, 'file', way)
            const kept = await patiently(() => fileApi.take(one.map, upload), way)
            sent(one.file, 'file')
            place(one, kept)
            announce(`${kept.name} is there.`)
            end(one.key)
        } catch (error) {
            if (error instanceof StoppedError) {
                end(one.key)
            } else {
                // What was refused is not gone on with when it is tried again.
                sent(one.file, 'file')
                one.state = 'failed'
                one.why = error instanceof RefusedError ? error.message : 'It could not be read. It may have been changed or moved; choose it again.'
                announce(`${one.file.name} was not taken in. ${one.why}`, true)
            }
        }
    }

    function place(one: Coming, kept: KeptFile): void {
        const edits = editsOf(one.use, kept)
        if (one.map === map.id) {
            map.edit(...edits)
        } else {
            // Its map was left meanwhile; it comes there all the same.
            const lost = (): void => tell.warning(`“${kept.name}” is kept in its map, in the list of files, but at no topic.`)
            void api.edit(one.map, 0, edits.map((edit) => ({ ...edit, id: newId() }))).then((answer) => answer.edits.some(({ status }) => status === 'refused') && lost()).catch(lost)
        }
    }

    function editsOf(use: Use, kept: KeptFile): Edit[] {
        const step = newId()
        if ('replaces' in use) {
            return replacing(use.replaces, kept, step)
        }
        const row = (at: string): Edit => ({ name: 'row.set', step, type: 'file', row: newId(), fields: { at, source: kept.file, name: kept.name, bytes: kept.bytes } } as Edit)
        if ('topic' in use) {
            return [row(use.topic)]
        }
        const topic: Draft = { id: newId(), title: titleOf(kept.name) }
        return [{ name: 'topic.add', step, topic, parent: null, x: use.x, y: use.y } as Edit, row(topic.id ?? '')]
    }

    /** What led to the older one leads to the newer; the older stays in the history. */
    function replacing(old: Attached, kept: KeptFile, step: string): Edit[] {
        const name = endingOf(kept.name) === endingOf(old.name) ? old.name : kept.name
        const isLast = !allFiles(map.tree).some(({ id, source }) => id !== old.id && source === old.source)
        const links = isLast ? [...map.tree.rows.values()].filter(({ type, fields }) => type === 'link' && fields.to === old.source).map(({ id }) => id) : []
        return [
            { name: 'row.set', step, type: 'file', row: old.id, fields: { source: kept.file, name, bytes: kept.bytes } } as Edit,
            ...(links.length === 0 ? [] : [{ name: 'row.set', step, type: 'link', rows: links, fields: { to: kept.file } } as Edit]),
        ]
    }

    function stop(one: Coming): void {
        gone.add(one.key)
        end(one.key)
    }

    function again(one: Coming): void {
        one.state = 'waiting'
        one.why = ''
        void work()
    }

    /** Lets a person choose files on their machine. */
    function choose(use: Use): void {
        const input = document.createElement('input')
        input.type = 'file'
        input.multiple = !('replaces' in use)
        input.className = 'file-chooser'
        input.hidden = true
        input.addEventListener('change', () => {
            for (const file of input.files ?? []) {
                add(file, use)
            }
            input.remove()
            void work()
        })
        // One that was left without a choice is in nobody's way until the next.
        document.querySelector('.file-chooser')?.remove()
        document.body.append(input)
        input.click()
    }

    function openFirst(topic: string | null): void {
        const files = topic === null ? [] : filesOf(map.tree, topic)
        if (files[0] !== undefined && files.length === 1) {
            state.open(files[0])
        } else if (files.length > 1) {
            // Which of them is for the person to say.
            toFilesAtDesk('.files button')
        }
    }

    function rename(file: Attached, name: string): void {
        const clean = name.trim().slice(0, 200)
        if (clean !== '' && clean !== file.name) {
            map.edit({ name: 'row.set', type: 'file', row: file.id, fields: { name: clean } } as Edit)
        }
    }
    const remove = (file: Attached): void => map.edit({ name: 'row.remove', type: 'file', rows: [file.id] } as Edit)

    return { bring, stop, again, dismiss: end, choose, openFirst, rename, remove }
})
