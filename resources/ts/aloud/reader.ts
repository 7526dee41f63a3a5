import type { Passage } from './passages'
import type { Speaking, Voice } from './voice'

export type State = 'idle' | 'reading' | 'paused'

export interface Ears {
    readonly state: (state: State) => void
    readonly passage: (passage: Passage) => void
    /** The word that is spoken, in the line of the passage. */
    readonly word: (at: number, length: number) => void
    /** All has been read. */
    readonly done: () => void
    readonly fail: (sentence: string) => void
}

/** Reads passages one after the other, stops and goes on. It knows nothing of where they come from. */
export class Reader {
    private passages: readonly Passage[] = []
    private at = 0
    private speaking: Speaking | null = null
    private now: State = 'idle'

    constructor(private voice: Voice, private speed: number, private readonly ears: Ears) {
    }

    get state(): State {
        return this.now
    }

    read(passages: readonly Passage[]): void {
        this.speaking?.stop()
        this.passages = passages
        this.at = 0
        this.begin()
    }

    /** Comes to other passages, and waits there where it waited before. */
    turnTo(passages: readonly Passage[]): void {
        if (this.now !== 'paused') {
            this.read(passages)
            return
        }
        this.speaking?.stop()
        this.speaking = null
        this.passages = passages
        this.at = 0
        const [first] = passages
        if (first !== undefined) {
            this.ears.passage(first)
        }
    }

    turn(): void {
        if (this.now === 'reading') {
            this.set('paused')
            this.speaking?.pause()
        } else if (this.now === 'paused') {
            this.set('reading')
            if (this.speaking === null) {
                this.begin()
            } else {
                this.speaking.resume()
            }
        }
    }

    /** To the next or an earlier passage. */
    step(by: number): void {
        if (this.now === 'idle') {
            return
        }
        this.speaking?.stop()
        this.at = Math.max(0, this.at + by)
        this.begin()
    }

    stop(): void {
        this.speaking?.stop()
        this.speaking = null
        this.passages = []
        this.set('idle')
    }

    setSpeed(speed: number): void {
        this.speed = speed
        this.speaking?.setSpeed(speed)
    }

    /** Another voice goes on where the last one was. */
    setVoice(voice: Voice): void {
        if (voice === this.voice) {
            return
        }
        this.voice = voice
        if (this.now === 'reading') {
            this.speaking?.stop()
            this.begin()
        } else {
            this.speaking?.stop()
            this.speaking = null
        }
    }

    private set(state: State): void {
        this.now = state
        this.ears.state(state)
    }

    private begin(): void {
        const passage = this.passages[this.at]
        if (passage === undefined) {
            this.stop()
            this.ears.done()
            return
        }
        this.set('reading')
        this.ears.passage(passage)
        const next = this.passages[this.at + 1]
        this.speaking = this.voice.speak(passage.text, this.speed, {
            word: (at, length) => this.ears.word(passage.from + at, length),
            end: () => {
                this.speaking = null
                this.at++
                this.begin()
            },
            fail: (sentence) => {
                // What could not be read is tried again when one goes on.
                this.speaking = null
                this.set('paused')
                this.ears.fail(sentence)
            },
        })
        if (next !== undefined) {
            this.voice.prepare?.(next.text)
        }
    }
}
