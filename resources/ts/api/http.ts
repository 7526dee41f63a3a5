import type { ErrorAnswer } from './wire'

/** The server answered and said no; the message is a sentence for the person. */
export class RefusedError extends Error {
    constructor(
        readonly status: number,
        readonly code: string,
        message: string,
        readonly field: string | null,
    ) {
        super(message)
    }
}

/** No answer came: the network is gone, or the server. */
export class UnreachableError extends Error {
    constructor() {
        super('The server cannot be reached.')
    }
}

const TIMEOUT = 20_000

/** Sends a request to the API and gives the answer's JSON. */
export async function request<T>(method: string, path: string, body?: unknown): Promise<T> {
    const answer = await send(method, path, body)
    return (await answer.json()) as T
}

async function send(method: string, path: string, body: unknown, again = true): Promise<Response> {
    const headers: Record<string, string> = { Accept: 'application/json', 'X-XSRF-TOKEN': token() }
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
            signal: AbortSignal.timeout(TIMEOUT),
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
        return send(method, path, body, false)
    }
    throw await refused(answer)
}

async function refused(answer: Response): Promise<RefusedError> {
    const said = (await answer.json().catch(() => null)) as ErrorAnswer | null
    return new RefusedError(
        answer.status,
        said?.code ?? 'failed',
        said?.message ?? 'Something went wrong on the server. Try again.',
        said?.field ?? null,
    )
}

function token(): string {
    const cookie = /(?:^|;\s*)XSRF-TOKEN=([^;]+)/.exec(document.cookie)
    return cookie?.[1] === undefined ? '' : decodeURIComponent(cookie[1])
}
