import { openDB, type IDBPDatabase } from 'idb'
import type { Edit } from '@/api/wire'

interface Kept {
    n?: number
    map: string
    /** Whose edit it is: another person in this browser has other maps. */
    person: string
    edit: Edit
}

/** What was left when a page went away, where only what is written at once is written at all. */
const LEFT = 'chalk-left'

let database: Promise<IDBPDatabase> | null = null
let person = ''

function open(): Promise<IDBPDatabase> {
    database ??= openDB('chalk-tree', 1, {
        upgrade(db) {
            db.createObjectStore('pending', { keyPath: 'n', autoIncrement: true }).createIndex('map', 'map')
        },
    })
    return database
}

function left(): Kept[] {
    try {
        return JSON.parse(localStorage.getItem(LEFT) ?? '[]') as Kept[]
    } catch {
        return []
    }
}

const isOwn = (kept: Partial<Kept>): boolean => kept.person === undefined || kept.person === person

/** Takes what was left into the database, behind what is there already. */
async function settle(): Promise<IDBPDatabase> {
    const db = await open()
    const entries = left()
    if (entries.length > 0) {
        localStorage.removeItem(LEFT)
        const known = new Set(((await db.getAll('pending')) as Kept[]).map((kept) => kept.edit.id))
        for (const entry of entries) {
            if (!known.has(entry.edit.id)) {
                await db.add('pending', entry)
            }
        }
    }
    return db
}

/** Edits that the server has not confirmed yet, kept in the browser so that they survive a reload. */
export const pendingEdits = {
    /** Whose edits are meant from now on. */
    belongTo(whom: string): void {
        person = whom
    },

    async of(map: string): Promise<Edit[]> {
        const kept = (await (await settle()).getAllFromIndex('pending', 'map', map)) as Kept[]
        return kept.filter(isOwn).map((entry) => entry.edit)
    },

    /** The maps that have such edits. */
    async maps(): Promise<string[]> {
        const kept = (await (await settle()).getAll('pending')) as Kept[]
        return [...new Set(kept.filter(isOwn).map((entry) => entry.map))]
    },

    async keep(map: string, edit: Edit): Promise<void> {
        await (await open()).add('pending', { map, person, edit } satisfies Kept)
    },

    /** Keeps edits from one moment to the next, for a page that goes away. */
    keepAtOnce(map: string, edits: readonly Edit[]): void {
        try {
            localStorage.setItem(LEFT, JSON.stringify([...left(), ...edits.map((edit) => ({ map, person, edit }))]))
        } catch {
            // No room for so much; the database has been asked to keep it too.
        }
    },

    async forget(map: string, ids: ReadonlySet<string>): Promise<void> {
        const transaction = (await open()).transaction('pending', 'readwrite')
        let cursor = await transaction.store.index('map').openCursor(map)
        while (cursor !== null) {
            if (ids.has((cursor.value as Kept).edit.id ?? '')) {
                await cursor.delete()
            }
            cursor = await cursor.continue()
        }
        await transaction.done
    },
}
