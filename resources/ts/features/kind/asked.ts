import { shallowRef } from 'vue'

/** What is asked for in the box of kinds: a new entry, a kind for topics, or who and by when of to-dos; null while it is closed. */
export interface Asked {
    readonly for: 'entry' | 'kind' | 'todo'
    readonly topics: readonly string[]
    /** The title that was being typed, to which one goes back. */
    readonly typing: string | null
}
export const asked = shallowRef<Asked | null>(null)
/** The kind of the entry made last, to make another. */
export const lastKind = shallowRef<string | null>(null)
/** The kind that is changed in the panel. */
export const changed = shallowRef<string | null>(null)
