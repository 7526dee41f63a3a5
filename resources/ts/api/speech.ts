import { request } from './http'
import type { Speech, SpeechVoices } from './wire'

/** What the server says aloud, for browsers that have no voice; see docs/protocol.md. */
export const speechApi = {
    voices: () => request<SpeechVoices>('GET', 'speech'),
    speak: (text: string, language: string) => request<Speech>('POST', 'speech', { text, language }),
}
