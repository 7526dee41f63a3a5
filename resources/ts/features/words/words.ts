import type { Edit } from '@/api/wire'
import { newId, useMap } from '@/stores/map'
import { rowsOf } from '@/stores/tree'

/** Whether topics say how many words their notes have. */
export const areShown = (): boolean => rowsOf(useMap().tree, 'words').some(({ fields }) => fields.shown === true)

/** Lets topics say how many words their notes have, or no more. */
export function showWords(shown: boolean): void {
    const map = useMap()
    const step = newId()
    const rows = rowsOf(map.tree, 'words').map(({ id }) => id)
    map.edit(...(rows.length === 0 ? [newId()] : rows).map((row) => ({ name: 'row.set', step, type: 'words', row, fields: { shown } }) as Edit))
}
