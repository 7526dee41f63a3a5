import { request } from './http'
import type { Edit, EditsAnswer, HistoryAnswer, LibraryAnswer, MeAnswer, OpenAnswer, Person, TrashAnswer, View } from './wire'

interface Entered { person: Person }
interface Made { id: string }

/** Every call the application makes, by what it is for. */
export const api = {
    me: () => request<MeAnswer>('GET', 'me'),
    register: (name: string, email: string, password: string) => request<Entered>('POST', 'register', { name, email, password }),
    signIn: (email: string, password: string) => request<Entered>('POST', 'sign-in', { email, password }),
    demo: () => request<Entered>('POST', 'demo'),
    signOut: () => request<{ person: null }>('POST', 'sign-out'),
    forgotPassword: (email: string) => request<{ message: string }>('POST', 'forgot-password', { email }),
    resetPassword: (token: string, email: string, password: string) =>
        request<Entered>('POST', 'reset-password', { token, email, password }),

    library: () => request<LibraryAnswer>('GET', 'maps'),
    newMap: () => request<Made>('POST', 'maps', {}),
    importFile: (file: File) => request<Made>('POST', `maps/import?name=${encodeURIComponent(file.name)}`, file),
    duplicate: (map: string) => request<Made>('POST', `maps/${map}/duplicate`),
    trash: (map: string) => request<Made>('DELETE', `maps/${map}`),
    restore: (map: string) => request<Made>('POST', `maps/${map}/restore`),

    open: (map: string) => request<OpenAnswer>('GET', `maps/${map}`),
    edit: (map: string, since: number, edits: Edit[]) => request<EditsAnswer>('POST', `maps/${map}/edits`, { since, edits }),
    news: (map: string, since: number) => request<EditsAnswer>('GET', `maps/${map}/edits?since=${since}`),
    look: (map: string, since: number, view: View) => request<EditsAnswer>('PUT', `maps/${map}/view`, { since, ...view }),
    history: (map: string, before?: number) =>
        request<HistoryAnswer>('GET', `maps/${map}/history${before === undefined ? '' : `?before=${before}`}`),
    removed: (map: string) => request<TrashAnswer>('GET', `maps/${map}/trash`),
}

let early: { map: string; answer: Promise<OpenAnswer> } | null = null

/** Asks for a map before anything is there to show it, so that the answer comes while scripts are still read. */
export function askEarly(map: string): void {
    early = { map, answer: api.open(map) }
    early.answer.catch(() => {
        early = null
    })
}

/** The map that was asked for early, once, or else asked for now. */
export function openMap(map: string): Promise<OpenAnswer> {
    const answer = early?.map === map ? early.answer : api.open(map)
    early = null
    return answer
}

export function exportAddress(map: string, to: string, options: Record<string, string> = {}): string {
    return `/api/maps/${map}/export?${new URLSearchParams({ to, ...options }).toString()}`
}

export function pictureAddress(map: string, seq: number, board: string): string {
    return `/api/maps/${map}/picture?${new URLSearchParams({ board, seq: String(seq) }).toString()}`
}
