import { defineStore } from 'pinia'
import { ref, shallowRef } from 'vue'
import { api } from '@/api/client'
import { latest } from '@/api/latest'
import type { ClipLine, Landed } from '@/api/wire'
import { newId, useMap } from '@/stores/map'
import { offer, tell } from '@/ui/tell'
import type { Pasted } from './clipboard'

export type PasteAs = 'branches' | 'paragraphs' | 'one' | 'note' | 'caption'

/** A line in the preview; the key stays with it while it is shifted, joined or dropped. */
export interface PreviewLine extends ClipLine {
    key: number
    dropped: boolean
}

/** Longer pastes, and those whose levels are in doubt, are looked at before they land. */
const MOST_AT_ONCE = 40

/** What is being pasted: read by the server, looked at and put right in the preview, landed as one step. */
export const usePaste = defineStore('paste', () => {
    const map = useMap()
    const lines = shallowRef<readonly PreviewLine[]>([])
    const source = ref<string | null>(null)
    const isOpen = ref(false)
    const isReading = ref(false)
    const headings = ref(true)
    const target = ref('')
    const reading = latest()
    let clip: Pasted | null = null
    let nextKey = 0

    /** Takes in what was pasted: lands it at once where that is plain, else shows it first. */
    async function take(pasted: Pasted, looks = false): Promise<void> {
        target.value = map.current ?? map.tree.root
        if (pasted.own !== null && !looks) {
            map.edit({ name: 'topic.add-many', parent: target.value, topics: pasted.own })
            map.setFolded(map.region, [target.value], false)
            return
        }
        if (pasted.text.trim() === '' && pasted.html.trim() === '') {
            return
        }
        clip = pasted
        headings.value = true
        const isSure = await read()
        if (lines.value.length === 0) {
            return
        }
        if (looks || !isSure || lines.value.length > MOST_AT_ONCE) {
            isOpen.value = true
            return
        }
        const before = target.value
        const landedAs = land('branches', false)
        const count = lines.value.length
        const kept = lines.value
        offer(count === 1 ? 'Pasted one topic.' : `Pasted ${count} topics.`, 'Look at it first', async () => {
            if (!(await map.outcomeOf({ name: 'undo', of: landedAs, forget: true }))) {
                tell.warning('Something has been done since, so what was pasted stays. Undo takes back one step after the other.')
                return
            }
            lines.value = kept
            target.value = before
            isOpen.value = true
        })
    }

    /** Opens the preview with what the clipboard holds, if the browser gives it, or for typing and pasting there. */
    async function openEmpty(): Promise<void> {
        // Without permission the browser would ask in the middle of the work; pasting into the dialog needs none.
        const may = await navigator.permissions?.query({ name: 'clipboard-read' as PermissionName }).then((one) => one.state === 'granted', () => false)
        const text = may ? await navigator.clipboard.readText().catch(() => '') : ''
        target.value = map.current ?? map.tree.root
        if (text) {
            await take({ own: null, text, html: '', source: null }, true)
        } else {
            clip = null
            lines.value = []
            isOpen.value = true
        }
    }

    /** Reads the clip, with lines that only read as headings as parents or not. */
    async function read(): Promise<boolean> {
        if (clip === null) {
            return false
        }
        isReading.value = true
        const isWanted = reading.begin()
        try {
            const answer = await api.clip(map.id, clip.text, clip.html, clip.source, headings.value)
            if (!isWanted()) {
                return false
            }
            lines.value = answer.lines.map((line) => ({ ...line, key: nextKey++, dropped: false }))
            source.value = answer.source
            return answer.sure
        } catch (error) {
            if (isWanted()) {
                tell.error((error as Error).message)
                lines.value = []
            }
            return false
        } finally {
            isReading.value = !isWanted()
        }
    }

    /** Lets a document be chosen, and shows what it would become. */
    function openDocument(): void {
        const input = document.createElement('input')
        input.type = 'file'
        input.accept = '.docx,.odt,.epub,.html,.htm,.xhtml,.rtf,.csv,.ics,.md,.markdown,.opml,.txt'
        input.className = 'document-chooser'
        input.hidden = true
        input.addEventListener('change', () => {
            const file = input.files?.[0]
            input.remove()
            if (file !== undefined) {
                void readDocument(file)
            }
        })
        document.querySelector('.document-chooser')?.remove()
        document.body.append(input)
        input.click()
    }

    async function readDocument(file: File): Promise<void> {
        const isWanted = reading.begin()
        tell.info(`Reading ${file.name} …`)
        try {
            const answer = await api.clipDocument(map.id, file)
            if (isWanted()) {
                clip = null
                target.value = map.current ?? map.tree.root
                source.value = null
                lines.value = answer.lines.map((line) => ({ ...line, key: nextKey++, dropped: false }))
                isOpen.value = true
            }
        } catch (error) {
            tell.error((error as Error).message)
        }
    }

    async function readText(text: string, html = ''): Promise<void> {
        clip = { own: null, text, html, source: null }
        await read()
    }

    async function setHeadings(on: boolean): Promise<void> {
        headings.value = on
        await read()
    }

    function shift(keys: ReadonlySet<number>, by: 1 | -1): void {
        lines.value = lines.value.map((line) => (keys.has(line.key) ? { ...line, level: Math.max(0, line.level + by) } : line))
    }

    function setLevel(keys: ReadonlySet<number>, from: number, to: number): void {
        const by = to - (lines.value.find((line) => line.key === from)?.level ?? 0)
        lines.value = lines.value.map((line) => (keys.has(line.key) ? { ...line, level: Math.max(0, line.level + by) } : line))
    }

    function drop(keys: ReadonlySet<number>): void {
        const all = lines.value.filter((line) => keys.has(line.key)).every((line) => line.dropped)
        lines.value = lines.value.map((line) => (keys.has(line.key) ? { ...line, dropped: !all } : line))
    }

    /** Joins lines into the first of them; a single line with the one before it. */
    function join(keys: ReadonlySet<number>): number | null {
        const first = lines.value.findIndex((line) => keys.has(line.key))
        const into = lines.value[keys.size === 1 ? first - 1 : first]
        if (into === undefined) {
            return null
        }
        const joined = lines.value.filter((line) => keys.has(line.key) && line !== into)
        const text = [into, ...joined].map((line) => line.text).join(' ')
        const note = [into, ...joined].map((line) => line.note ?? '').filter((one) => one !== '').join('\n\n')
        lines.value = lines.value.filter((line) => !joined.includes(line)).map((line) => (line === into ? { ...line, text, ...(note === '' ? {} : { note }) } : line))
        return into.key
    }

    function landed(withMarks: boolean): Landed[] {
        return lines.value
            .filter((line) => !line.dropped)
            .map((line) => ({ level: line.level, gap: line.gap, ...(line.note === undefined ? {} : { note: line.note }), text: withMarks && line.mark !== '' ? `${line.mark.replace(/[*_~`[\]\\]/g, '\\$&')} ${line.text}` : line.text }))
    }

    /** @returns the step, by which it can be undone */
    function land(as: PasteAs, withMarks: boolean): string {
        const kept = landed(withMarks)
        const id = newId()
        if (kept.length === 0) {
            return id
        }
        const at = map.tree.topics.has(target.value) ? target.value : map.tree.root
        const base = { name: 'topic.paste' as const, id, as, lines: kept, ...(source.value === null ? {} : { source: source.value }) }
        if (as === 'note' || as === 'caption') {
            map.edit({ ...base, topic: at })
        } else {
            map.edit({ ...base, parent: at })
            map.setFolded(map.region, [at], false)
        }
        isOpen.value = false
        return id
    }

    return { lines, source, isOpen, isReading, headings, target, take, openEmpty, openDocument, readText, setHeadings, shift, setLevel, drop, join, landed, land }
})
