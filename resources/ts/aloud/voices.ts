import { browserVoices } from './browserVoice'
import { serverVoices } from './serverVoice'
import { base, type Voice } from './voice'

/** All who can speak, those of the browser first: they need no network and sound better. */
export async function allVoices(): Promise<Voice[]> {
    return (await Promise.all([browserVoices(), serverVoices()])).flat()
}

/** Who speaks a language best: exactly that one before another of the same, and the browser before the server. */
export function bestVoice(voices: readonly Voice[], language: string): Voice | undefined {
    const wanted = language.toLowerCase()
    const near = voices.filter((voice) => base(voice.language) === base(wanted))
    return near.find((voice) => voice.language.toLowerCase() === wanted) ?? [...near].sort((a, b) => Number(a.id.startsWith('server:')) - Number(b.id.startsWith('server:')) || a.language.length - b.language.length)[0]
}

const names = new Intl.DisplayNames(['en'], { type: 'language' })

/** What a language is called. */
export function languageName(tag: string): string {
    try {
        return names.of(tag) ?? tag
    } catch {
        return tag
    }
}
