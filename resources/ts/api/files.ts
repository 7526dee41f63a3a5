import { RefusedError, request, UnreachableError } from './http'
import { newId } from './ids'
import type { FilesAnswer, KeptFile, UploadAnswer } from './wire'

/** Files on their way to the server, in pieces that go on where they broke off; see docs/protocol.md. */

/** Bytes of one piece: two seconds of a slow line. */
const PIECE = 2 * 1024 * 1024
/** Milliseconds after which a piece is sent again: a line of 200 kbit/s needs not so long. */
const PIECE_TIMEOUT = 90_000
const LONGEST_WAIT = 15_000

export const fileApi = {
    list: (map: string) => request<FilesAnswer>('GET', `maps/${map}/files`),
    take: (map: string, upload: string) => request<KeptFile>('POST', `maps/${map}/files`, { upload }, PIECE_TIMEOUT),
    forget: (map: string, file: string) => request<{ file: string }>('DELETE', `maps/${map}/files/${file.slice(5)}`),
    stop: (upload: string) => request<{ id: string }>('DELETE', `uploads/${upload}`),
}

/** Where a file of a map is to be had; to be saved under a name, if that is wanted. */
export function fileAddress(map: string, file: string, saveAs: string | null = null): string {
    return `/api/maps/${map}/files/${file.slice(5)}${saveAs === null ? '' : `?${new URLSearchParams({ name: saveAs, as: 'saved' }).toString()}`}`
}

export const previewAddress = (map: string, file: string): string => `${fileAddress(map, file)}/preview`

/** What is to be known of a file on its way, and whether it is to go on. */
export interface Way {
    isStopped: () => boolean
    sent: (bytes: number) => void
    /** Whether it waits for the server to be there again. */
    held: (isHeld: boolean) => void
}

/** A person stopped it. */
export class StoppedError extends Error {}

/** Uploads that were begun here and did not come to their end, by what file they are of. */
const KEPT = 'chalk-tree.uploads'
function begun(): Record<string, string> {
    try {
        return JSON.parse(localStorage.getItem(KEPT) ?? '{}') as Record<string, string>
    } catch {
        return {}
    }
}
function keep(of: string, id: string | null): void {
    const others = Object.entries(begun()).filter(([name]) => name !== of)
    try {
        localStorage.setItem(KEPT, JSON.stringify(Object.fromEntries([...others, ...(id === null ? [] : [[of, id]])].slice(-50))))
    } catch {
        // Then it begins anew after a reload.
    }
}
const nameOf = (file: File, use: string): string => `${use} ${file.name} ${file.size} ${file.lastModified}`

/**
 * Sends a file and gives the id under which it lies. The same file chosen again, after a reload too, goes on where it was.
 *
 * @throws StoppedError, or RefusedError where the server does not want it
 */
export async function send(file: File, use: 'file' | 'map', way: Way): Promise<string> {
    const of = nameOf(file, use)
    let id = begun()[of] ?? newId()
    keep(of, id)
    try {
        let answer = await patiently(() => begin(id, file, use), way).catch((error: unknown) => {
            if (!(error instanceof RefusedError) || error.field !== 'id') {
                throw error
            }
            // What was begun is not ours any more.
            id = newId()
            keep(of, id)
            return patiently(() => begin(id, file, use), way)
        })
        for (let at = answer.received; at < file.size; at = answer.received) {
            way.sent(at)
            answer = await patiently(() => request<UploadAnswer>('PUT', `uploads/${id}/${at}`, file.slice(at, at + PIECE), PIECE_TIMEOUT), way)
        }
        way.sent(file.size)
        return id
    } catch (error) {
        keep(of, null)
        if (error instanceof StoppedError) {
            void fileApi.stop(id).catch(() => undefined)
        }
        throw error
    }
}

/** It has been taken in, or is not wanted any more. */
export function sent(file: File, use: 'file' | 'map'): void {
    keep(nameOf(file, use), null)
}

const begin = (id: string, file: File, use: string): Promise<UploadAnswer> => request('POST', 'uploads', { id, name: file.name.slice(-1000) || 'file', bytes: file.size, for: use })

/** Asks until an answer comes, for as long as nobody stops it. */
export async function patiently<T>(ask: () => Promise<T>, way: Pick<Way, 'isStopped' | 'held'>): Promise<T> {
    for (let wait = 500; ; wait = Math.min(LONGEST_WAIT, wait * 2)) {
        if (way.isStopped()) {
            throw new StoppedError()
        }
        try {
            const answer = await ask()
            way.held(false)
            return answer
        } catch (error) {
            const isBusy = error instanceof RefusedError && (error.status === 429 || error.status === 503)
            if (!(error instanceof UnreachableError) && !isBusy) {
                throw error
            }
            way.held(true)
            await new Promise((resolve) => setTimeout(resolve, error instanceof RefusedError && error.again !== null ? error.again * 1000 : wait))
        }
    }
}

const known = new Map<string, KeptFile>()

/** What a map knows of a file: its size, and as what it is sent. Null where it is not kept any more. */
export async function keptFile(map: string, file: string): Promise<KeptFile | null> {
    if (!known.has(`${map} ${file}`)) {
        for (const one of (await fileApi.list(map)).files) {
            known.set(`${map} ${one.file}`, one)
        }
    }
    return known.get(`${map} ${file}`) ?? null
}

/** It is thrown away. */
export const forgetKept = (map: string, file: string): void => void known.delete(`${map} ${file}`)
