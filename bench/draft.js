// Notes the milliseconds from the next key pressed to the frame in which what it does is painted: the caret in the text of
// the draft, a topic at another place, a letter in the section in which one writes.
window.took = { turned: [], moved: [], typed: [] }
const place = (topic) => document.querySelector(`.draft [data-section='${topic}']`)?.closest('.at')?.dataset.index ?? null
window.watchFor = (what, topic) => {
    const text = () => document.querySelector('.draft .ProseMirror')?.textContent
    const [before, stood] = [text(), place(topic)]
    const isDone = {
        turned: () => document.activeElement?.closest('.draft .ProseMirror') != null,
        moved: () => place(topic) !== null && place(topic) !== stood,
        typed: () => text() !== before,
    }[what]
    addEventListener('keydown', ({ timeStamp }) => {
        const look = () => {
            if (!isDone()) return void requestAnimationFrame(look)
            requestAnimationFrame(() => {
                const { port1, port2 } = new MessageChannel()
                port1.onmessage = () => window.took[what].push(performance.now() - timeStamp)
                port2.postMessage(null)
            })
        }
        queueMicrotask(() => queueMicrotask(look))
    }, { capture: true, once: true })
}
