import { useStorage } from '@vueuse/core'

/** Which table of a map is seen, by map; the table of all its topics where nothing is said. */
export const leftTables = useStorage<Record<string, string>>('chalk-tables', {})
