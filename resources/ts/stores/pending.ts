import { openDB, type IDBPDatabase } from 'idb'
import type { Edit } from '@/api/wire'

interface Kept {
    n?: number
    map: string
    edit: Edit
}

let database: Promise<IDBPDatabase> | null = null

function open(): Promise<IDBPDatabase> {
    database ??= openDB('chalk-tree', 1, {
        upgrade(db) {
            db.createObjectStore('pending', { keyPath: 'n', autoIncrement: true }).createIndex('map', 'map')
        },
    })
    return database
}

/** Edits that the server has not confirmed yet, kept in the browser so that they survive a reload. */
export const pendingEdits = {
    async of(map: string): Promise<Edit[]> {
        const kept = (await (await open()).getAllFromIndex('pending', 'map', map)) as Kept[]
        return kept.map((entry) => entry.edit)
    },

    async keep(map: string, edit: Edit): Promise<void> {
        await (await open()).add('pending', { map, edit } satisfies Kept)
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
