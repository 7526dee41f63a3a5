// Notes, for every letter typed into the field of the filter, the milliseconds to frames after it, before the next letter:
// to the first in which what is in view has followed before all is found, to the last in which lines came or went in the
// outline, and to the first in which the board was laid out anew. None where that did not happen.
window.letterTimes = []
let letter = null
addEventListener('input', (event) => {
    if (event.target.closest?.('[data-focus=filter]') != null) {
        letter = { at: event.timeStamp, first: null, lines: null, board: null }
        window.letterTimes.push(letter)
    }
}, { capture: true })
const laid = () => [...document.querySelectorAll('.board .layer .far path, .board .layer .slip')].slice(0, 40).map((one) => one.getAttribute('d') ?? one.getAttribute('transform')).join()
let before = ''
new MutationObserver((changes) => {
    const its = letter
    const seen = its === null ? [] : changes.filter(({ target }) => target instanceof Element && target.closest('.outline, .board .layer') !== null)
    if (seen.length === 0) return
    const lines = seen.some(({ type, target }) => type === 'childList' && target.closest('.outline') !== null)
    requestAnimationFrame(() => {
        const { port1, port2 } = new MessageChannel()
        port1.onmessage = () => {
            const took = performance.now() - its.at
            // What is done after the letters is not counted to the last of them.
            if (took > 1150) return
            const isFound = performance.getEntriesByType('resource').some(({ name, responseEnd }) => name.endsWith('/filter') && responseEnd > its.at)
            if (!isFound) its.first ??= took
            if (lines) its.lines = took
            const now = performance.getEntriesByType('resource').some(({ name, responseEnd }) => name.includes('/view') && responseEnd > its.at) ? laid() : before
            if (now !== before && its.board === null) its.board = took
            before = now
        }
        port2.postMessage(null)
    })
}).observe(document, { subtree: true, childList: true, attributes: true, attributeFilter: ['class', 'transform', 'd', 'opacity'] })
