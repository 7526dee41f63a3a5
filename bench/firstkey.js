// Notes how many milliseconds after the navigation a key is answered for the first time: it is struck again and again until then.
window.firstKey = null
const striking = setInterval(() => {
    const event = new KeyboardEvent('keydown', { key: 'ArrowRight', code: 'ArrowRight', bubbles: true, cancelable: true })
    ;(document.activeElement ?? document.body ?? document).dispatchEvent(event)
    if (event.defaultPrevented) {
        window.firstKey = performance.now()
        clearInterval(striking)
    }
}, 10)
