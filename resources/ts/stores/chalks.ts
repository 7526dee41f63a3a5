import { computed, type ComputedRef } from 'vue'
import { useBeside } from './beside'

const set = ['tide', 'ember', 'heather', 'marigold', 'kelp', 'coral', 'dusk', 'samphire', 'driftwood', 'mussel'].map((value) => ({ value, label: value.charAt(0).toUpperCase() + value.slice(1) }))

/** The chalks of the set, and those mixed for this map, as they are chosen by name. */
export function useChalks(): ComputedRef<readonly { readonly value: string; readonly label: string }[]> {
    const beside = useBeside()
    return computed(() => [...set, ...[...beside.tree.rows.values()].filter(({ type }) => type === 'mixed-chalk').map(({ id, fields }) => ({ value: id, label: String(fields.name ?? '') }))])
}
