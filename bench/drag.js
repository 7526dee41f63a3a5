// Drags a topic over the board for two seconds and gives the milliseconds between frames; Escape ends it.
const done = arguments[arguments.length - 1]
const board = document.querySelector('.board')
const { left, top, width, height } = board.getBoundingClientRect()
const slip = [...document.querySelectorAll('.slip.level-1 .paper')].find((one) => {
    const box = one.getBoundingClientRect()
    return box.left > left && box.right < left + width && box.top > top && box.bottom < top + height
})
const { x, y, width: w, height: h } = slip.getBoundingClientRect()
const send = (target, type, cx, cy) =>
    target.dispatchEvent(new PointerEvent(type, { bubbles: true, cancelable: true, clientX: cx, clientY: cy, button: 0, buttons: 1, pointerType: 'mouse', pointerId: 1 }))
const times = []
let last = 0
let n = 0
send(slip, 'pointerdown', x + w / 2, y + h / 2)
requestAnimationFrame(function step(now) {
    if (last > 0) times.push(now - last)
    last = now
    n++
    send(window, 'pointermove', left + width / 2 + Math.sin(n / 18) * width * 0.35, top + height / 2 + Math.cos(n / 23) * height * 0.3)
    if (n < 120) {
        requestAnimationFrame(step)
    } else {
        window.dispatchEvent(new KeyboardEvent('keydown', { key: 'Escape', bubbles: true, cancelable: true }))
        done(times.slice(2))
    }
})
