import type { useTable } from './tableStore'

/** The table that is seen, once it is loaded: keys must find it at once, since letters follow them. */
export const current: { table: ReturnType<typeof useTable> | null } = { table: null }
