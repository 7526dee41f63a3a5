import type { ErrorAnswer } from './wire'

/** The server answered and said no; the message is a sentence for the person. */
export class RefusedError extends Error {
    constructor(
        readonly status: number,
        readonly code: string,
        message: string,
        readonly field: string | null,
        /** Seconds after which to come again, if the server said so. */
        readonly again: number | null = null,
    ) {
        super(message)
    }
}

/** No answer came, or none of ours: the network is gone, or something on the way answered in the server's place. */
export class UnreachableError extends Error {
    constructor(
        message = 'The server cannot be reached.',
        /** Whether something answered, but not this application. */
        readonly isForeign = false,
    ) {
        super(message)
    }
}

const TIMEOUT = 20_000
/** A file of 16 MB over a slow line takes minutes. */
const UPLOAD_TIMEOUT = 600_000

let signedOut: () => void = () => undefined

/** Says what is to happen when the server no longer knows who is signed in. */
export function onSignedOut(run: () => void): void {
    signedOut = run
}

/** Counts who has come in: what was asked before somebody did says nothing of them, however late it is answered. */
let entered = 0

/** Somebody has come in. */
export function comeIn(): void {
    entered++
}

/** Sends a request to the API and gives the answer's JSON; within so many milliseconds, or it counts as unanswered. */
export async function request<T>(method: string, path: string, body?: unknown, within = body instanceof Blob ? UPLOAD_TIMEOUT : TIMEOUT): Promise<T> {
    const answer = await send(method, path, body, within)
    try {
        const told = (await answer.json()) as T
        // Without a network: what was answered last, from this device.
        return answer.headers.has('X-Kept') ? { ...told, isKept: true } : told
    } catch {
        throw foreign()
    }
}

/** The same for an answer that is a file. */
export async function requestFile(method: string, path: string, body?: Blob): Promise<Blob> {
    return (await send(method, path, body, UPLOAD_TIMEOUT)).blob()
}

/** Sends a body without waiting for an answer, as the page goes away; what is too long for that is left. */
export function sendLast(path: string, body: unknown, method = 'POST'): void {
    void fetch(`/api/${path}`, { method, headers: { ...headersOf(), 'Content-Type': 'application/json' }, body: JSON.stringify(body), keepalive: true }).catch(() => undefined)
}

async function send(method: string, path: string, body: unknown, within: number, again = true): Promise<Response> {
    const headers = headersOf()
    const as = entered
    const raw = body instanceof Blob
    if (body !== undefined && !raw) {
        headers['Content-Type'] = 'application/json'
    }
    let answer: Response
    try {
        answer = await fetch(`/api/${path}`, {
            method,
            headers,
            body: body === undefined ? undefined : raw ? body : JSON.stringify(body),
            signal: AbortSignal.timeout(within),
        })
    } catch {
        throw new UnreachableError()
    }
    if (answer.ok) {
        return answer
    }
    if (answer.status === 419 && again) {
        // The page's token is too old; any answer brings a new one.
        await fetch('/api/me', { headers: { Accept: 'application/json' } }).catch(() => undefined)
        return send(method, path, body, within, false)
    }
    const said = (await answer.json().catch(() => null)) as Partial<ErrorAnswer> | null
    if (typeof said?.code !== 'string' || typeof said.message !== 'string') {
        throw foreign()
    }
    if (answer.status === 401 && as === entered) {
        signedOut()
    }
    const after = Number(answer.headers.get('Retry-After'))
    throw new RefusedError(answer.status, said.code, said.message, said.field ?? null, after > 0 ? after : null)
}

function foreign(): UnreachableError {
    return new UnreachableError('Something on the way answered in the place of the server. Try again in a while.', true)
}

function headersOf(): Record<string, string> {
    return { Accept: 'application/json', 'X-XSRF-TOKEN': token() }
}

function token(): string {
    const cookie = /(?:^|;\s*)XSRF-TOKEN=([^;]+)/.exec(document.cookie)
    return cookie?.[1] === undefined ? '' : decodeURIComponent(cookie[1])
}
