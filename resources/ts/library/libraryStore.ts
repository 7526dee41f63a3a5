import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { bounds } from '@/api/bounds'
import { api } from '@/api/client'
import { send, sent, StoppedError } from '@/api/files'
import { UnreachableError } from '@/api/http'
import { latest } from '@/api/latest'
import type { Folder, LibraryEntry, SharedEntry } from '@/api/wire'
import { newId } from '@/stores/map'
import { usePreferences } from '@/stores/preferences'
import { tell } from '@/ui/tell'

/** One file on its way in, and what became of it. */
export interface Arrival {
    name: string
    state: 'waiting' | 'reading' | 'done' | 'refused'
    why: string
    map: string | null
    /** Bytes, and those that have come of a file that comes in pieces. */
    size: number
    sent: number
    isStopped: boolean
}

/** A person's maps and folders, and what can be done with them. */
export const useLibrary = defineStore('library', () => {
    const preferences = usePreferences()
    const maps = shallowRef<readonly LibraryEntry[] | null>(null)
    const trash = shallowRef<readonly LibraryEntry[]>([])
    const folders = shallowRef<readonly Folder[]>([])
    /** What others share with this person. */
    const shared = shallowRef<readonly SharedEntry[]>([])
    const folder = ref<string | null>(null)
    const busy = ref(false)
    const arrivals = ref<Arrival[]>([])

    /** A folder and those it stands in, from the outermost. */
    function wayTo(id: string | null): Folder[] {
        const way: Folder[] = []
        for (let at = folders.value.find((one) => one.id === id); at !== undefined && way.length < 30; at = folders.value.find((one) => one.id === at?.parent)) {
            way.unshift(at)
        }
        return way
    }

    const isWithin = (id: string, folder: string): boolean => wayTo(id).some((one) => one.id === folder)
    const trail = computed<readonly Folder[]>(() => wayTo(folder.value))
    const here = computed(() => folders.value.filter((one) => one.parent === folder.value))
    const sorted = (entries: readonly LibraryEntry[]): LibraryEntry[] => [...entries].sort((a, b) => {
        const first = Number(b.favourite) - Number(a.favourite)
        if (first !== 0) {
            return first
        }
        switch (preferences.librarySort) {
            case 'name':
                return a.title.localeCompare(b.title, undefined, { numeric: true })
            case 'topics':
                return b.topics - a.topics
            default:
                return b.updated.localeCompare(a.updated)
        }
    })
    const shown = computed(() => sorted((maps.value ?? []).filter((map) => map.folder === folder.value)))
    const countIn = (id: string): number => (maps.value ?? []).filter((map) => map.folder === id).length + folders.value.filter((one) => one.parent === id).length

    const fetching = latest()
    /** Whether it is what this device had of it last, as there is no network. */
    const isKept = ref(false)
    /** Why the library could not be fetched, while nothing of it is there. */
    const problem = ref<string | null>(null)

    /** Runs something that may fail, and says so. */
    async function attempt(work: () => Promise<unknown>): Promise<void> {
        busy.value = true
        try {
            await work()
        } catch (error) {
            tell.error((error as Error).message)
        } finally {
            busy.value = false
        }
    }

    async function fetch(): Promise<void> {
        const isWanted = fetching.begin()
        problem.value = null
        try {
            const answer = await api.library()
            if (!isWanted()) {
                return
            }
            maps.value = answer.maps
            trash.value = answer.trash
            folders.value = answer.folders
            shared.value = answer.shared
            isKept.value = 'isKept' in answer
            if (folder.value !== null && !answer.folders.some((one) => one.id === folder.value)) {
                folder.value = null
            }
        } catch (error) {
            problem.value = (error as Error).message
            if (maps.value !== null) {
                tell.error(problem.value)
            }
        }
    }

    /** Does something and fetches the library anew. */
    const change = (work: () => Promise<unknown>): Promise<void> => attempt(async () => {
        await work()
        await fetch()
    })

    const rename = (entry: LibraryEntry, title: string): Promise<void> => change(() => api.edit(entry.id, entry.seq, [{ name: 'map.rename', id: newId(), title }]))

    /** Puts a map or a folder into a folder; null for the library itself. */
    const put = (what: 'map' | 'folder', id: string, into: string | null): Promise<void> =>
        what === 'folder' && id === into ? Promise.resolve() : change(() => (what === 'map' ? api.changeMap(id, { folder: into }) : api.changeFolder(id, { parent: into })))

    /** Tried once more where no answer came; under the same id it makes no second map. Archives come in pieces. */
    async function upload(file: File, arrival: Arrival): Promise<{ id: string }> {
        const id = newId()
        const isArchive = /\.zip$/i.test(file.name)
        const way = { isStopped: () => arrival.isStopped, sent: (bytes: number) => (arrival.sent = bytes), held: () => undefined }
        const sending = isArchive ? await send(file, 'map', way) : null
        const bring = (): Promise<{ id: string }> => (sending === null ? api.importFile(id, file, folder.value) : api.importSent(id, sending, file.name, folder.value))
        try {
            return await bring()
        } catch (error) {
            if (!(error instanceof UnreachableError)) {
                throw error
            }
            return await bring()
        } finally {
            sent(file, 'map')
        }
    }

    /** Makes a map of each file, one after the other, and keeps a report. */
    async function bringIn(files: readonly File[]): Promise<void> {
        arrivals.value = files.map((file) => ({ name: file.name, state: 'waiting', why: '', map: null, size: file.size, sent: 0, isStopped: false }))
        for (const [i, file] of files.entries()) {
            const arrival = arrivals.value[i]
            if (arrival === undefined) {
                return
            }
            arrival.state = 'reading'
            try {
                if (file.size > bounds.file && !/\.zip$/i.test(file.name)) {
                    throw new Error('It is larger than 16 MB, more than a map can take in.')
                }
                arrival.map = (await upload(file, arrival)).id
                arrival.state = 'done'
            } catch (error) {
                arrival.state = 'refused'
                arrival.why = error instanceof StoppedError ? 'stopped' : (error as Error).message
            }
        }
        await fetch()
    }

    return { maps, trash, folders, shared, folder, busy, problem, isKept, arrivals, trail, here, shown, sorted, isWithin, countIn, attempt, fetch, change, rename, put, bringIn }
})
