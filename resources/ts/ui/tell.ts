import { createDiscreteApi, NButton, type MessageApi } from 'naive-ui'
import { h } from 'vue'

let messages: MessageApi | null = null

/** In the colours of the board, whichever that is by then. */
const [paper, ink] = ['var(--slip)', 'var(--ink)']
const Message = {
    iconColorInfo: 'var(--tide)', iconColorWarning: 'var(--ember)', iconColorError: 'var(--ember)',
    colorInfo: paper, colorWarning: paper, colorError: paper, textColorInfo: ink, textColorWarning: ink, textColorError: ink,
    closeIconColorInfo: ink, closeIconColorWarning: ink, closeIconColorError: ink,
}

function api(): MessageApi {
    messages ??= createDiscreteApi(['message'], { configProviderProps: { themeOverrides: { Message } }, messageProviderProps: { placement: 'bottom', duration: 6000, keepAliveOnHover: true, closable: true } }).message
    return messages
}

/** Says a text to who listens to the page instead of looking at it. */
export function announce(text: string, isUrgent = false): void {
    const region = document.getElementById(isUrgent ? 'urgent' : 'polite')
    if (region !== null) {
        // The same words again are said again only if they were gone in between.
        region.textContent = ''
        setTimeout(() => (region.textContent = text), 30)
    }
}

/** Short messages at the foot of the window. */
export const tell = {
    info: (text: string): void => {
        api().info(text)
        announce(text)
    },
    warning: (text: string): void => {
        api().warning(text)
        announce(text, true)
    },
    error: (text: string): void => {
        api().error(text)
        announce(text, true)
    },
}

/** A message with one thing that can be done about it. */
export function offer(text: string, name: string, run: () => unknown): void {
    announce(`${text} ${name}`)
    const message = api().info(() => h('span', [`${text} `, h(NButton, { text: true, type: 'primary', onClick: () => { message.destroy(); run() } }, () => name)]), { duration: 9000 })
}

/** A part of the application that comes when it is wanted did not come. */
export const notLoaded = (): void => tell.error('This could not be loaded. Look whether there is a network, and try again.')
