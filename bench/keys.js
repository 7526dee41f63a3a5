// Notes, for every key pressed, the milliseconds from its time stamp to the frame in which its caret or letter is painted.
window.keyTimes = { caret: [], letter: [] }
addEventListener('keydown', (event) => {
    const typed = document.querySelector('.title-editor')
    // The page may have acted on the key already; only one with Control ends typing here.
    const kind = event.key === 'Enter' && !event.ctrlKey ? 'caret' : event.key.length === 1 && !event.ctrlKey ? 'letter' : null
    if (kind === null) return
    const before = typed?.textContent ?? ''
    const shown = () => (kind === 'caret' ? document.activeElement?.closest('.title-editor') != null : document.querySelector('.title-editor')?.textContent !== before)
    const look = () => {
        if (!shown()) return void requestAnimationFrame(look)
        // What runs right after a frame's callbacks runs when it has been painted.
        requestAnimationFrame(() => {
            const { port1, port2 } = new MessageChannel()
            port1.onmessage = () => window.keyTimes[kind].push(performance.now() - event.timeStamp)
            port2.postMessage(null)
        })
    }
    queueMicrotask(() => queueMicrotask(look))
}, { capture: true })
