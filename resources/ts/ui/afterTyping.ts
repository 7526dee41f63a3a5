/** Milliseconds between two looks at whether somebody is still typing; one title may end and the next begin within it. */
const PAUSE = 250

/** Whether the keys struck now go into a text. */
function isTyping(): boolean {
    return document.activeElement?.matches('textarea, [contenteditable=true], input:not([type=checkbox], [type=radio], [type=button])') === true
}

/**
 * Runs something that would take the field away from under who is typing in it, when the typing has ended. Not even
 * where nobody types is it run at once: the key that begins a title may have been struck a moment ago.
 *
 * @param meanwhile is run once if somebody is typing
 */
export function afterTyping(run: () => void, meanwhile: () => void): void {
    let isTold = false
    const timer = setInterval(() => {
        if (!isTyping()) {
            clearInterval(timer)
            run()
        } else if (!isTold) {
            isTold = true
            meanwhile()
        }
    }, PAUSE)
}
