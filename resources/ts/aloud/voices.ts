import { browserVoices } from './browserVoice'
import { serverVoices } from './serverVoice'
import { base, type Voice } from './voice'

/** All who can speak, those of the browser first: they need no network and sound better. */
export async function allVoices(): Promise<Voice[]> {
    return (await Promise.all([browserVoices(), serverVoices()])).flat()
}

/** Who speaks a language best: the browser before the server, exactly that language before another of the same. */
export function bestVoice(voices: readonly Voice[], language: string): Voice | undefined {
    const wanted = language.toLowerCase()
    const places = voices.filter((voice) => base(voice.language) === base(wanted))
        .map((voice) => ({ voice, place: [Number(voice.id.startsWith('server:')), Number(voice.language.toLowerCase() !== wanted), voice.language.length] as const }))
    return places.sort((a, b) => a.place[0] - b.place[0] || a.place[1] - b.place[1] || a.place[2] - b.place[2])[0]?.voice
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
