import { createDiscreteApi, type MessageApi } from 'naive-ui'

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
