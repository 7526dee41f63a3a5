import { openDB, type IDBPDatabase } from 'idb'
import { defineStore } from 'pinia'
import type { MapNews } from '@/api/wire'
import { useMap } from './map'
import { useSession } from './session'

/** What is new in a map since it was kept as a whole, and how it was seen then. */
export interface Since {
    n?: number
    map: string
    person: string
    news: Pick<MapNews, 'rows' | 'scene' | 'numbers' | 'seq'>
    folded: string[]
    outlineFolded: string[]
    scope: string | null
    outlineScope: string | null
    undo: string | null
    redo: string | null
}

/** So many of them, or rows in them, and the map is kept anew as a whole. */
const MOST = 60
const MOST_ROWS = 400

/** Called otherwise than any cache: what bounds a cache takes databases of its name for old ones of its own. */
let database: Promise<IDBPDatabase> | null = null
const open = (): Promise<IDBPDatabase> => (database ??= openDB('chalk-since', 1, {
    upgrade: (db) => void db.createObjectStore('since', { keyPath: 'n', autoIncrement: true }).createIndex('map', 'map'),
}))

/**
 * Sees to it that what is opened can be opened without a network too: the worker keeps maps as they were answered, this
 * keeps what has been new in them since, so that nothing is missing that was seen.
 */
export const useKept = defineStore('kept', () => {
    const map = useMap()
    const session = useSession()
    let count = 0
    let rows = 0
    /** Maps that are being kept as a whole, and the last of what was new when that began. */
    const keeping = new Map<string, number>()

    async function forget(of: string, until = Infinity): Promise<void> {
        const work = (await open()).transaction('since', 'readwrite')
        for (let cursor = await work.store.index('map').openCursor(of); cursor !== null; cursor = await cursor.continue()) {
            if (((cursor.value as Since).n ?? 0) <= until) {
                await cursor.delete()
            }
        }
        await work.done
    }

    /** What has been new in a map since it was kept as a whole. */
    async function since(of: string): Promise<Since[]> {
        return ((await (await open()).getAllFromIndex('since', 'map', of)) as Since[]).filter(({ person }) => person === session.person?.email)
    }

    function ask(path: string): void {
        void navigator.serviceWorker.ready.then(({ active }) => active?.postMessage({ keep: path }))
    }

    async function keepWhole(its: string): Promise<void> {
        const last = await (await open()).getAllKeysFromIndex('since', 'map', its)
        keeping.set(its, Number(last.at(-1) ?? 0))
        count = rows = 0
        ask(`/api/maps/${its}`)
    }

    function add(news: Since['news']): void {
        const { scene } = news
        const { id } = map
        if (id === '' || (news.rows.length === 0 && !scene.reset && scene.slips.length === 0 && scene.gone.length === 0 && scene.marks.length === 0)) {
            return
        }
        count++
        rows += news.rows.length
        if (rows > MOST_ROWS || count > MOST) {
            void keepWhole(id)
            return
        }
        const one: Since = { map: id, person: session.person?.email ?? '', news: { rows: news.rows, scene, numbers: news.numbers, seq: news.seq }, folded: [...map.folded], outlineFolded: [...map.outlineFolded], scope: map.scope, outlineScope: map.outlineScope, undo: map.undoLabel, redo: map.redoLabel }
        void open().then((db) => db.add('since', one)).catch(() => undefined)
    }

    async function begin(): Promise<void> {
        await navigator.serviceWorker.register('/worker.js')
        await navigator.serviceWorker.ready
        navigator.serviceWorker.addEventListener('message', ({ data }: MessageEvent<{ kept?: string }>) => {
            const its = /^\/api\/maps\/([0-9a-z]{26})$/.exec(data.kept ?? '')?.[1]
            if (its !== undefined) {
                void forget(its, keeping.get(its))
            }
        })
        map.whenNews.add(add)
        map.whenOpened.add((of) => void forget(of))
        ask('/api/me')
        ask('/api/maps')
        if (map.id !== '') {
            void keepWhole(map.id)
        }
    }

    return { begin, since }
})

/** Takes away all that is kept on this device of whoever signs out. */
export async function forgetAll(): Promise<void> {
    // What is still on its way there is not to be kept when it comes.
    navigator.serviceWorker.controller?.postMessage({ forget: true })
    const kept = await caches.open('chalk-kept')
    // But for the page itself, in which nothing is of anybody.
    await Promise.all((await kept.keys()).filter(({ url }) => new URL(url).pathname !== '/').map((one) => kept.delete(one)))
    await caches.delete('chalk-pictures')
    const db = await open()
    await db.clear('since')
}
