import { speechApi } from '@/api/speech'
import type { Speech } from '@/api/wire'
import { wordAt, type Heard, type Speaking, type Voice } from './voice'

/** How many texts are kept that were spoken or are about to be. */
const KEPT = 12

const known = new Map<string, Promise<Speech>>()

function speech(language: string, text: string): Promise<Speech> {
    const key = `${language} ${text}`
    const there = known.get(key)
    if (there !== undefined) {
        return there
    }
    const asked = speechApi.speak(text, language)
    known.set(key, asked)
    asked.catch(() => known.delete(key))
    for (const old of [...known.keys()].slice(0, Math.max(0, known.size - KEPT))) {
        known.delete(old)
    }
    return asked
}

/** The voices of the server, for browsers that have none; none where it cannot be asked. */
export async function serverVoices(): Promise<Voice[]> {
    const { languages } = await speechApi.voices().catch(() => ({ languages: [] }))
    return languages.map((tag) => ({
        id: `server:${tag}`, name: 'Chalk Tree', language: tag,
        speak: (text, speed, heard) => spoken(tag, text, speed, heard),
        prepare: (text) => void speech(tag, text).catch(() => undefined),
    }))
}

function spoken(language: string, text: string, speed: number, heard: Heard): Speaking {
    const sound = new Audio()
    let [isOver, isPaused, rate, frame] = [false, false, speed, 0]
    let words: Speech['words'] = []
    let at = -1
    /** Where the sound is tells the word; the clock of the sound goes on by itself. */
    const follow = (): void => {
        const now = sound.currentTime * 1000
        const next = words.findLastIndex(([, , begins]) => (begins ?? 0) <= now)
        const [from = 0, length = 0] = words[next] ?? []
        if (next !== at && next !== -1) {
            at = next
            const word = wordAt(text, from, length)
            heard.word(word.at, word.length)
        }
        frame = requestAnimationFrame(follow)
    }
    const over = (tell: () => void): void => {
        if (!isOver) {
            stop()
            tell()
        }
    }
    function stop(): void {
        isOver = true
        cancelAnimationFrame(frame)
        sound.pause()
        sound.removeAttribute('src')
    }
    const play = (): void => {
        sound.playbackRate = rate
        void sound.play().catch(() => over(() => heard.fail('The browser does not let this page be heard yet. Click anywhere, and try again.')))
    }
    speech(language, text).then((made) => {
        if (isOver) {
            return
        }
        words = made.words
        sound.src = `data:audio/wav;base64,${made.sound}`
        sound.addEventListener('ended', () => over(heard.end))
        sound.addEventListener('error', () => over(() => heard.fail('This sound cannot be played here.')))
        follow()
        if (!isPaused) {
            play()
        }
    }, () => over(() => heard.fail('The server could not be asked to read this. Look whether there is a network, and go on.')))
    return {
        pause: () => {
            isPaused = true
            sound.pause()
        },
        resume: () => {
            isPaused = false
            if (sound.src !== '') {
                play()
            }
        },
        stop,
        setSpeed: (to) => {
            rate = to
            sound.playbackRate = to
        },
    }
}

