import { wordAt, type Heard, type Speaking, type Voice } from './voice'

/** For so long a browser may take to tell its voices, milliseconds; some tell none. */
const PATIENCE = 800

/** The voices that the browser has; none where it cannot speak. */
export async function browserVoices(): Promise<Voice[]> {
    const speech = (window as { speechSynthesis?: SpeechSynthesis }).speechSynthesis
    if (speech === undefined) {
        return []
    }
    if (speech.getVoices().length === 0) {
        await new Promise<void>((resolve) => {
            speech.addEventListener('voiceschanged', () => resolve(), { once: true })
            setTimeout(resolve, PATIENCE)
        })
    }
    return speech.getVoices().map((voice) => ({
        id: `browser:${voice.voiceURI}`, name: voice.name, language: voice.lang.replace('_', '-'),
        speak: (text, speed, heard) => spoken(speech, voice, text, speed, heard),
    }))
}

/**
 * Browsers cannot change the speed of what they have begun, and some never go on after a pause; so both begin again at the word
 * one was at.
 */
function spoken(speech: SpeechSynthesis, voice: SpeechSynthesisVoice, text: string, speed: number, heard: Heard): Speaking {
    let [from, now, rate] = [0, 0, speed]
    let current: SpeechSynthesisUtterance | null = null
    let isPaused = false
    const begin = (): void => {
        const utterance = new SpeechSynthesisUtterance(text.slice(from))
        current = utterance
        utterance.voice = voice
        utterance.lang = voice.lang
        utterance.rate = rate
        utterance.onboundary = ({ name, charIndex, charLength }) => {
            if (current === utterance && name !== 'sentence') {
                const word = wordAt(text, from + charIndex, charLength)
                now = word.at
                heard.word(word.at, word.length)
            }
        }
        utterance.onend = () => current === utterance && heard.end()
        utterance.onerror = ({ error }) => current === utterance && error !== 'canceled' && error !== 'interrupted' && heard.fail('The voice of the browser gave up. Choose another one.')
        speech.cancel()
        speech.speak(utterance)
    }
    const halt = (): void => {
        current = null
        from = now
        speech.cancel()
    }
    begin()
    return {
        pause: () => {
            isPaused = true
            halt()
        },
        resume: () => {
            isPaused = false
            begin()
        },
        stop: halt,
        setSpeed: (to) => {
            rate = to
            if (!isPaused) {
                halt()
                begin()
            }
        },
    }
}
