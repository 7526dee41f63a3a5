import { createDiscreteApi, NButton, type MessageApi } from 'naive-ui'
import { h } from 'vue'

let messages: MessageApi | null = null

function api(): MessageApi {
    messages ??= createDiscreteApi(['message'], { messageProviderProps: { placement: 'bottom', duration: 6000, keepAliveOnHover: true, closable: true } }).message
    return messages
}

/** Short messages at the foot of the window. */
export const tell = {
    info: (text: string): void => void api().info(text),
    warning: (text: string): void => void api().warning(text),
    error: (text: string): void => void api().error(text),
}

/** A message with one thing that can be done about it. */
export function offer(text: string, name: string, run: () => void): void {
    const message = api().info(() => h('span', [`${text} `, h(NButton, { text: true, type: 'primary', onClick: () => { message.destroy(); run() } }, () => name)]), { duration: 9000 })
}
