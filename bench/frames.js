// Pans the board by the mouse for two seconds and gives the milliseconds between frames.
const done = arguments[arguments.length - 1]
const board = document.querySelector('.board')
const { left, top, width, height } = board.getBoundingClientRect()
const at = (type, x, y) => {
    const init = { bubbles: true, cancelable: true, view: window, clientX: x, clientY: y, button: 0, buttons: 1 }
    ;(type === 'mousedown' ? board : window).dispatchEvent(new MouseEvent(type, init))
}
const cx = left + width / 2
const cy = top + height / 2
const times = []
let last = 0
let n = 0
at('mousedown', cx, cy)
requestAnimationFrame(function step(now) {
    if (last > 0) times.push(now - last)
    last = now
    n++
    at('mousemove', cx + Math.sin(n / 18) * width * 0.35, cy + Math.cos(n / 23) * height * 0.3)
    if (n < 120) {
        requestAnimationFrame(step)
    } else {
        at('mouseup', cx, cy)
        done(times)
    }
})
