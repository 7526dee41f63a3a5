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

/** Keys that were pressed after the box was asked for and before it is there; nothing that is typed in a meeting may be lost. */
const ahead: string[] = []
let release: (() => void) | null = null

/** Keeps what is typed until the box is there; never for longer than it can take to come. */
export function holdKeys(): void {
    release?.()
    const keep = (event: KeyboardEvent): void => {
        if (!event.ctrlKey && !event.metaKey && !event.altKey && (event.key.length === 1 || event.key === 'Enter' || event.key === 'Backspace')) {
            ahead.push(event.key)
            event.preventDefault()
            event.stopImmediatePropagation()
        }
    }
    window.addEventListener('keydown', keep, { capture: true })
    const late = setTimeout(() => release?.(), 5000)
    release = () => {
        window.removeEventListener('keydown', keep, { capture: true })
        clearTimeout(late)
        release = null
    }
}

/** The box is there: what was typed ahead, which is its own. */
export function takeKeys(): string[] {
    release?.()
    return ahead.splice(0)
}
