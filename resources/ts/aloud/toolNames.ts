import { useAloud } from './aloudStore'
import type { Speaking } from './voice'

/** What is a tool: it does something when it is pressed. */
const TOOLS = 'button, a[href], input, select, textarea, [role=button], [role=tab], [role=menuitem], [role=option], [role=radio], [role=checkbox], [role=switch], [role=slider], .n-dropdown-option, .n-base-select-option'
/** How long the pointer rests on a tool before that says its name, milliseconds. */
const MOMENT = 350
const LONGEST = 120

/** What a tool is called, and how it stands. */
export function nameOfTool(tool: Element): string {
    const field = tool instanceof HTMLInputElement || tool instanceof HTMLTextAreaElement || tool instanceof HTMLSelectElement ? tool : null
    const labelled = tool.getAttribute('aria-labelledby')?.split(/\s+/).map((id) => document.getElementById(id)?.textContent ?? '').join(' ')
    const name = [tool.getAttribute('aria-label'), labelled, field?.labels?.[0]?.textContent, tool.textContent, tool.getAttribute('title'), field?.getAttribute('placeholder')].find((one) => (one ?? '').trim() !== '') ?? ''
    const states = [tool.getAttribute('aria-pressed') === 'true' || tool.getAttribute('aria-checked') === 'true' ? 'on' : '', tool.matches(':disabled, [aria-disabled=true]') ? 'not now' : '']
    return [[...name.replace(/\s+/g, ' ').trim()].slice(0, LONGEST).join(''), ...states].filter((part) => part !== '').join(', ')
}

let speaking: Speaking | null = null
let waiting: ReturnType<typeof setTimeout> | undefined
let last: Element | null = null

async function say(tool: Element): Promise<void> {
    const aloud = useAloud()
    const name = nameOfTool(tool)
    if (name === '' || tool === last || aloud.state === 'reading') {
        return
    }
    last = tool
    const voice = await aloud.ready()
    speaking?.stop()
    // Names are written in the language of the interface.
    const speaks = aloud.interfaceVoice ?? voice
    speaking = speaks?.speak(name, aloud.settings.speed, { word: () => undefined, end: () => undefined, fail: () => undefined }) ?? null
}

const toolAt = (target: EventTarget | null): Element | null => (target instanceof Element ? target.closest(TOOLS) : null)
function onFocus(event: Event): void {
    const tool = toolAt(event.target)
    if (tool !== null) {
        void say(tool)
    }
}
function onPointer(event: Event): void {
    const tool = toolAt(event.target)
    clearTimeout(waiting)
    if (tool === null) {
        last = null
    } else {
        waiting = setTimeout(() => void say(tool), MOMENT)
    }
}

let ending: AbortController | null = null

/** Lets tools say their names, or no more. */
export function sayNames(says: boolean): void {
    ending?.abort()
    ending = null
    clearTimeout(waiting)
    speaking?.stop()
    if (says) {
        ending = new AbortController()
        addEventListener('focusin', onFocus, { signal: ending.signal })
        addEventListener('pointerover', onPointer, { signal: ending.signal })
    }
}
