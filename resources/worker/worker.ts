import { CacheExpiration, ExpirationPlugin } from 'workbox-expiration'
import { precacheAndRoute, type PrecacheEntry } from 'workbox-precaching'
import { NavigationRoute, registerRoute, setCatchHandler } from 'workbox-routing'
import { CacheFirst, NetworkOnly } from 'workbox-strategies'

/*
 * Lets the application open without a network: its scripts, styles and typefaces are fetched once, and what was opened
 * in the last month is kept on this device. With a network nothing is answered from what is kept but pictures, whose
 * addresses change with what they show.
 */

declare const self: ServiceWorkerGlobalScope
/** The files that are built, as names within the folder of what is built. */
declare const BUILT: readonly string[]

const MONTH = 31 * 24 * 3600
/** What was answered last: maps as they were opened, the library, who is signed in. */
const KEPT = 'chalk-kept'
const PICTURES = 'chalk-pictures'
const ME = '/api/me'
const SHELL = '/?shell'

precacheAndRoute(BUILT.map((file): PrecacheEntry => ({ url: `/build/${file}`, revision: null })))

self.addEventListener('install', (event) => {
    // The page without anything of a map or a person in it.
    event.waitUntil(keepShell())
})
self.addEventListener('activate', (event) => event.waitUntil(self.clients.claim()))

async function keepShell(): Promise<void> {
    const page = await fetch('/', { credentials: 'omit' })
    if (page.ok) {
        await (await caches.open(KEPT)).put(SHELL, page)
    }
}

const pages = new NetworkOnly()
registerRoute(new NavigationRoute(pages, { allowlist: [/^\/(?:$|maps\/|sign-in)/] }))
setCatchHandler(async ({ request }) => (request.mode === 'navigate' ? await (await caches.open(KEPT)).match(SHELL) : undefined) ?? Response.error())

/** Those who ask are told that it is what was kept: it may be old. */
function asKept(answer: Response): Response {
    const headers = new Headers(answer.headers)
    headers.set('X-Kept', '1')
    return new Response(answer.body, { status: answer.status, headers })
}

const isKept = /^\/api\/(?:me|maps|maps\/[0-9a-z]{26})$/
const ages = new CacheExpiration(KEPT, { maxEntries: 80, maxAgeSeconds: MONTH })

/** When nothing was to be kept of anybody any more; what was asked before that is kept no longer when it comes. */
let forgotten = 0

async function keep(path: string, answer: Response, asked: number): Promise<void> {
    if (asked < forgotten) {
        return
    }
    await (await caches.open(KEPT)).put(path, answer)
    if (path.length > '/api/maps'.length) {
        await ages.updateTimestamp(new URL(path, self.location.origin).href)
        await ages.expireEntries()
    }
}

/** Nothing of anybody's stays here once they have signed out, or somebody else has signed in. */
async function forget(): Promise<void> {
    forgotten = performance.now()
    await caches.delete(KEPT)
    await caches.delete(PICTURES)
    await keepShell()
}

async function keepPerson(answer: Response, asked: number): Promise<void> {
    const who = async (from: Response): Promise<unknown> => ((await from.json()) as { person?: { email?: unknown } | null }).person?.email ?? null
    const [before, now] = [await (await caches.open(KEPT)).match(ME), await who(answer.clone())]
    if (before !== undefined && (await who(before)) !== now) {
        await forget()
        await keep(ME, answer, performance.now())
    } else {
        await keep(ME, answer, asked)
    }
}

registerRoute(({ url, request }) => request.method === 'GET' && isKept.test(url.pathname), async ({ request, url, event }) => {
    const path = url.pathname
    const after = (work: Promise<unknown>): void => (event as ExtendableEvent).waitUntil(work)
    const asked = performance.now()
    try {
        const answer = await fetch(request)
        if (path === ME && answer.ok) {
            after(keepPerson(answer.clone(), asked))
        } else if (answer.ok && url.searchParams.get('pane') !== 'second') {
            after(keep(path, answer.clone(), asked))
        } else if (answer.status === 401) {
            after(forget())
        } else if ([403, 404, 410].includes(answer.status)) {
            // What one may no longer see is kept no longer.
            after(caches.open(KEPT).then((kept) => kept.delete(path)))
        }
        return answer
    } catch (error) {
        const answer = await (await caches.open(KEPT)).match(path)
        if (answer === undefined || Date.now() - Date.parse(answer.headers.get('Date') ?? '') > MONTH * 1000) {
            throw error
        }
        return asKept(answer)
    }
})

registerRoute(({ url, request }) => request.method === 'GET' && /^\/(?:drawings\/|api\/maps\/[0-9a-z]{26}\/(?:pictures\/[0-9a-f]{64}\/small|picture)$)/.test(url.pathname), new CacheFirst({ cacheName: PICTURES, plugins: [new ExpirationPlugin({ maxEntries: 400, maxAgeSeconds: MONTH, purgeOnQuotaError: true })] }))

/** A page asks that something be kept as it is now, or says that somebody has signed out. */
self.addEventListener('message', (event) => {
    const { keep: path, forget: isGone } = event.data as { keep?: unknown; forget?: unknown }
    if (isGone === true) {
        forgotten = performance.now()
    }
    if (typeof path === 'string' && isKept.test(path)) {
        event.waitUntil(keepNow(path).then((isDone) => isDone && event.source?.postMessage({ kept: path })))
    }
})

async function keepNow(path: string): Promise<boolean> {
    const asked = performance.now()
    const answer = await fetch(path, { headers: { Accept: 'application/json' } }).catch(() => null)
    if (answer?.ok !== true) {
        return false
    }
    await (path === ME ? keepPerson(answer, asked) : keep(path, answer, asked))
    return true
}
