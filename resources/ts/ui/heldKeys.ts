import { nextTick } from 'vue'
import { useUi } from './uiStore'

/**
 * Keys that are pressed after something was asked for and before it is there: a panel that comes over the network the
 * first time it is opened. Nothing that is typed may be lost, or go into what lies below.
 */
const ahead: string[] = []
let release: (() => void) | null = null

/** Ctrl and Enter, by which one ends what is written in several lines. */
const DONE = 'Mod+Enter'

/** Longer than this nothing is waited for; keys then do what they always do. */
const AT_MOST = 5000

/** Keeps what is typed until somebody takes it. */
export function holdKeys(): void {
    release?.()
    ahead.length = 0
    const ui = useUi()
    const keep = (event: KeyboardEvent): void => {
        if (!event.isTrusted) {
            // Pressed by what was held.
            return
        }
        if (event.key === 'Escape') {
            release?.()
            ahead.length = 0
        } else if (event.key === 'Enter' && (event.ctrlKey || event.metaKey) && !event.altKey && !event.shiftKey) {
            ahead.push(DONE)
            event.preventDefault()
            event.stopImmediatePropagation()
        } else if (!event.ctrlKey && !event.metaKey && !event.altKey && (event.key.length === 1 || event.key === 'Enter' || event.key === 'Backspace')) {
            ahead.push(event.key)
            event.preventDefault()
            event.stopImmediatePropagation()
        }
    }
    window.addEventListener('keydown', keep, { capture: true })
    ui.holdsKeys = true
    const late = setTimeout(() => {
        release?.()
        ahead.length = 0
    }, AT_MOST)
    release = () => {
        window.removeEventListener('keydown', keep, { capture: true })
        clearTimeout(late)
        ui.holdsKeys = false
        release = null
    }
}

/** What was asked for is there: what was typed ahead, which is its own. */
export function takeKeys(): string[] {
    release?.()
    return ahead.splice(0).filter((key) => key !== DONE)
}

const isField = (one: EventTarget | null): one is HTMLElement => one instanceof HTMLTextAreaElement || (one instanceof HTMLInputElement && ['text', 'search', 'number', 'url', 'email'].includes(one.type)) || (one instanceof HTMLElement && one.isContentEditable)

/** Keeps what is typed until a field has the caret within what was asked for, a selector, and types it there. What is there already takes the caret by itself. */
export function holdForField(within: string): void {
    if (document.querySelector(within) !== null) {
        return
    }
    holdKeys()
    const mine = release
    const come = ({ target }: FocusEvent): void => {
        if (isField(target) && target.closest(within) !== null) {
            stop()
            // The field may choose what stands in it once it has the caret, so that typing begins anew.
            setTimeout(() => void replay(mine), 0)
        }
    }
    const stop = (): void => {
        clearTimeout(late)
        document.removeEventListener('focusin', come)
    }
    const late = setTimeout(stop, AT_MOST)
    document.addEventListener('focusin', come)
}

/** Types what was held, key after key, while more may come. */
async function replay(mine: typeof release): Promise<void> {
    while (release === mine) {
        const key = ahead.shift()
        if (key === undefined) {
            release?.()
            return
        }
        if (key === 'Enter' || key === DONE) {
            document.activeElement?.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', ctrlKey: key === DONE, bubbles: true, cancelable: true }))
        } else {
            // The one way to type that a field takes for typing, undo and all.
            document.execCommand(key === 'Backspace' ? 'delete' : 'insertText', false, key)
        }
        await nextTick()
    }
}
